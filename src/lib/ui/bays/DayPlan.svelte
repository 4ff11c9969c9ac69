<script lang="ts">
	import { numberOf } from '$core/units/parse';
	import { workingWeek } from '$core/schedule/bays';
	import { unplannedCar } from '$core/schedule/cars';
	import type { Timeline } from '$core/schedule/timeline';
	import { formatHours } from '$core/units/format';
	import { call, type Refusal } from '$lib/client/api';
	import { firstAnswer } from '$lib/client/first-answers';
	import { refresh } from '$lib/client/refresh';
	import { Run } from '$lib/client/run.svelte';
	import DayCars from './DayCars.svelte';
	import DayTimeline from './DayTimeline.svelte';
	import { changedPlaces, linesOf, proposedPlaces } from './proposal';
	import type { DayJob } from '$lib/bays/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import RunProgress from '$lib/ui/controls/RunProgress.svelte';
	import TimeField from '$lib/ui/controls/TimeField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { addMinutes, format, parseISO } from 'date-fns';
	import { shopTime } from '$lib/client/units';
	import { tz } from '@date-fns/tz';
	import { range } from 'd3';
	import { onDestroy, untrack } from 'svelte';

	/** One day of the floor: its cars share people and lifts, every step where they let it. */
	interface Props {
		/** The day in the shop, YYYY-MM-DD. */
		isoDay: string;
		jobs: DayJob[];
		shop: { bays: number; lifts: number; technicians: number };
	}
	let { isoDay, jobs, shop }: Props = $props();
	const times = shopTime();
	const day = $derived(parseISO(isoDay, { in: tz(times.timeZone) }));

	// svelte-ignore state_referenced_locally (starts from what the shop has and then leads)
	let means = $state({
		people: String(shop.technicians),
		lifts: String(shop.lifts)
	});
	let begin = $state<number | undefined>(workingWeek.fromMin);
	const upTo = (most: number) =>
		range(1, most + 1).map((count) => ({ value: String(count), name: String(count) }));

	const question = $derived({
		cars: jobs.map(({ id, car, slot }) => car ?? unplannedCar(id, slot.minutes)),
		people: numberOf(means.people),
		lifts: numberOf(means.lifts),
		bays: shop.bays,
		samples: 2000,
		seed: 1
	});
	const run = new Run<Timeline>();
	run.value = untrack(() =>
		firstAnswer<Timeline>('work-schedule', { ...question, effort: 'lists', samples: 500 })
	);
	/** What is said at the start of the day: who is to be at hand, and where. */
	const helped = $derived(
		jobs.flatMap(({ plate, helpers }) => helpers.map((step) => ({ plate, ...step })))
	);
	const found = $derived(run.value);
	const running = $derived(run.share !== undefined);
	/** The question as text: a page that is loaded anew asks nothing new. */
	const asked = $derived(JSON.stringify(question));
	const solve = (text: string) => void run.start('work-schedule', JSON.parse(text) as object);
	$effect(() => {
		const text = asked;
		untrack(() => solve(text));
	});
	onDestroy(() => run.stop());

	const start = $derived(addMinutes(day, begin ?? workingWeek.fromMin));
	const clock = (minutes: number) => times.time(addMinutes(start, minutes));
	const lines = $derived(linesOf(found?.cars ?? [], jobs));
	const proposed = $derived(proposedPlaces(lines, start));
	const changed = $derived(changedPlaces(proposed, jobs));
	let refusal = $state<Refusal>();
	/** The places before they were taken from here, for undo. */
	let before = $state.raw<{ jobId: string; bay: number; startsAt: string; minutes: number }[]>();
	async function put(slots: object[]): Promise<boolean> {
		const answer = await call('PUT', '/bays', { slots });
		refusal = answer.ok ? undefined : answer.refusal;
		await refresh();
		return answer.ok;
	}
	async function take() {
		const places = jobs.map(({ slot }) => slot);
		if (await put(proposed)) before = places;
	}
	async function undo() {
		const version = (id: string) => jobs.find((job) => job.id === id)?.slot.version ?? 0;
		const slots = before!.map(({ jobId, bay, startsAt, minutes }) => ({
			jobId,
			bay,
			startsAt,
			minutes,
			version: version(jobId)
		}));
		if (await put(slots)) before = undefined;
	}
	const late = $derived(
		found !== undefined && addMinutes(start, found.finish.mean) > addMinutes(day, workingWeek.toMin)
	);
</script>

<section class="space-y-4" aria-labelledby="day-head">
	<div class="flex flex-wrap items-center gap-3">
		<h2 id="day-head" class="me-auto text-2xl">{format(day, 'EEEE d MMMM')}</h2>
		{#if before}<ActionButton onclick={undo}>Undo</ActionButton>{/if}
	</div>
	<RefusalNotice {refusal} />
	{#if jobs.length === 0}
		<p class="panel p-6">
			No car comes into a bay on this day.
			<span class="text-soft">Cars in the queues share people and lifts here, day by day.</span>
		</p>
	{:else}
		<section class="panel p-4" aria-labelledby="day-title">
			<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
				<div class="me-auto">
					<h3 id="day-title" class="text-lg">
						{jobs.length === 1 ? 'One car' : `${jobs.length} cars`} in {shop.bays}
						{shop.bays === 1 ? 'bay' : 'bays'}
					</h3>
					<p class="caption">
						Every step where people, places and lifts let it, the day as short as can be
					</p>
				</div>
				<SelectField label="People" bind:value={means.people} items={upTo(8)} />
				<SelectField label="Lifts" bind:value={means.lifts} items={upTo(shop.bays)} />
				<TimeField class="w-28" label="Starts at" bind:value={begin} />
				<div class="min-w-44">
					{#if run.share !== undefined}
						<p class="caption">Looking for the shortest</p>
						<RunProgress label="Search done" share={run.share} onstop={() => run.stop()} />
					{:else if found}
						<p class="caption">All ready at</p>
						<p class="num text-4xl leading-none {late ? 'text-ochre' : 'text-mark'}" role="status">
							{clock(found.finish.mean)}
						</p>
						<p class="text-[15px]">
							19 times in 20 between {clock(found.finish.lowerBound)} and {clock(
								found.finish.upperBound
							)}
						</p>
					{/if}
				</div>
			</div>
			{#if run.faults.length}
				<p class="mt-2 text-madder" role="alert">✕ {run.faults[0]!.message}</p>
			{/if}
			{#if run.stopped}
				<p class="mt-2 flex flex-wrap items-center gap-3 text-ochre">
					◇ Stopped: what is shown is of the question before.
					<ActionButton onclick={() => solve(asked)}>Look again</ActionButton>
				</p>
			{/if}
			{#if late && !running}
				<p class="mt-2 rounded-[3px] bg-ochre-wash p-2 text-[15px]">
					◇ It ends after {times.ofDay(workingWeek.toMin)}. Move a car to another day, or put one
					person or lift more to it.
				</p>
			{/if}
			{#if helped.length}
				<div class="mt-2 rounded-[3px] bg-ochre-wash p-2 text-[15px]">
					<p class="font-semibold text-ochre">
						◇ Not alone: {helped.length === 1 ? 'one step wants' : `${helped.length} steps want`} a second
						person today
					</p>
					<ul>
						{#each helped as { plate, at, title } (`${plate} ${at} ${title}`)}
							<li><b class="num">{plate}</b> <span class="capitalize">{at}</span>: {title}</li>
						{/each}
					</ul>
				</div>
			{/if}
			{#if found && lines.length}
				<div class:opacity-50={running}>
					<DayTimeline
						line={found}
						plates={Object.fromEntries(jobs.map(({ id, plate }) => [id, plate]))}
						{start}
					/>
				</div>
				<p class="caption">
					{formatHours(found.makespanMin)} from first to last{found.proven
						? ', the shortest there is'
						: `; no plan is shorter than ${formatHours(found.lowerBoundMin)}`}. A car keeps its lift
					from going up to standing on its wheels.
				</p>
			{/if}
		</section>
		{#if lines.length}
			<section class="panel overflow-x-auto p-4" aria-label="The day’s cars">
				<DayCars {lines} lifts={numberOf(means.lifts)} {clock} />
				<div class="mt-3 flex flex-wrap items-center gap-3">
					{#if changed.length && !running}
						<ActionButton weight="main" onclick={take}>Take these times into the plan</ActionButton>
						<span class="caption"
							>Moves {changed.length === 1 ? 'one car' : `${changed.length} cars`}, rounded to
							quarters of an hour.</span
						>
					{:else if !running}<span class="text-spruce">✓ The plan stands at these times.</span>{/if}
				</div>
			</section>
		{/if}
	{/if}
</section>
