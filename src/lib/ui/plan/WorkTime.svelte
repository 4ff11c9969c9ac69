<script lang="ts">
	import { timedCar } from '$core/schedule/cars';
	import type { Timeline } from '$core/schedule/timeline';
	import { formatHours, formatNumber } from '$core/units/format';
	import { operations } from '$core/work/operations';
	import { meanMinutes } from '$core/work/minutes';
	import { soakNeeded } from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { Live } from '$lib/client/live.svelte';
	import { shopTime } from '$lib/client/units';
	import WorkPlaces from './WorkPlaces.svelte';
	import TimeField from '$lib/ui/controls/TimeField.svelte';

	/** When the car is ready, and how sure that is; who is where until then. */
	let { picked = $bindable() }: { picked: string | undefined } = $props();
	const job = currentJob();
	const work = $derived(job.work);
	let begin = $state<number | undefined>(8 * 60);

	const found = new Live<Timeline>(() => {
		const { people } = work.scope.strategy;
		const input = {
			cars: [timedCar('this', work.order, work.minutes, people)],
			people,
			lifts: 1,
			bays: 1,
			samples: 3000,
			seed: 1
		};
		return { name: 'work-schedule', input, first: { ...input, effort: 'lists', samples: 500 } };
	});
	const lift = $derived(found.value?.cars[0]?.lift);
	const line = $derived(found.value);
	const steps = $derived(new Map(work.order.steps.map((step) => [step.id, step])));
	/** The answer may still be of the steps before a change. */
	const bars = $derived(
		(line?.bars ?? []).flatMap((bar) => {
			const step = steps.get(bar.id);
			return step ? [{ ...bar, spot: step.spot }] : [];
		})
	);
	const { ofDay } = shopTime();
	const clock = (minutes: number) => ofDay((begin ?? 8 * 60) + minutes);
	const soak = $derived(soakNeeded(work.scope.rust, work.scope.strategy));
	const own = $derived([...work.pace].filter(([, { records }]) => records > 0));
	const total = $derived(
		work.order.steps.reduce((sum, { id }) => sum + meanMinutes(work.minutes.get(id)!), 0)
	);
</script>

<section class="panel p-4" aria-labelledby="time-title">
	<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
		<div class="me-auto">
			<h2 id="time-title" class="text-lg">Time</h2>
			<p class="caption">
				{work.scope.strategy.people === 1 ? 'One person' : 'Two people'}, one car on one lift
			</p>
		</div>
		<TimeField class="w-32" label="Starts at" bind:value={begin} />
		{#if line}
			<div>
				<p class="caption">Ready at</p>
				<p class="num text-4xl leading-none text-mark" role="status">{clock(line.finish.mean)}</p>
			</div>
			<div class="text-[15px]">
				<p>
					19 times in 20 between {clock(line.finish.lowerBound)} and {clock(line.finish.upperBound)}
				</p>
				<p class="text-soft">
					{formatHours(line.makespanMin)} of {formatHours(total)} work{line.proven
						? ', the shortest there is'
						: `; no plan is shorter than ${formatHours(line.lowerBoundMin)}`}
				</p>
			</div>
		{/if}
	</div>
	{#if soak}
		<p class="mt-2 rounded-[3px] bg-ochre-wash p-2 text-[15px]">
			◇ The evening before: oil on every fastener, then {soak} h of soak. It is not in the hours below.
		</p>
	{/if}
	{#if found.faults.length}<p class="text-madder">✕ {found.faults[0]!.message}</p>{/if}
	{#if lift}
		<p class="mt-1 text-[15px] text-soft">
			On the lift from {clock(lift.startMin)} to {clock(lift.endMin)}.
		</p>
	{/if}
	{#if line && bars.length}
		<WorkPlaces {bars} {clock} bind:picked />
		{#if picked && steps.get(picked)}
			<p class="mt-1 text-[15px]">
				<b>{steps.get(picked)!.title}</b>, {Math.round(meanMinutes(work.minutes.get(picked)!))} min (from
				{Math.round(work.minutes.get(picked)!.low)} to {Math.round(work.minutes.get(picked)!.high)})
			</p>
		{/if}
	{/if}
	<p class="caption mt-2">
		{#if own.length}
			This shop’s own times count in {own.length}
			{own.length === 1 ? 'kind' : 'kinds'} of step: {own
				.slice(0, 3)
				.map(
					([kind, { factor, records }]) =>
						`“${operations[kind].title}” takes ${formatNumber(100 * factor, 0)} % of the usual time (${records} times)`
				)
				.join(', ')}{own.length > 3 ? ' and others' : ''}.
		{:else}
			Usual times; start and end steps on the work page, and the shop’s own take their place.
		{/if}
	</p>
</section>
