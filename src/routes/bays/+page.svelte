<script lang="ts">
	import { formatHours } from '$core/units/format';
	import type { FloorJob } from '$lib/bays/model';
	import { shopTime } from '$lib/client/units';
	import BayBox from '$lib/ui/bays/BayBox.svelte';
	import CarInHand from '$lib/ui/bays/CarInHand.svelte';
	import DayPlan from '$lib/ui/bays/DayPlan.svelte';
	import { dateOf, entriesOf, minutesFrom } from '$lib/ui/bays/floor';
	import { FloorMoves } from '$lib/ui/bays/floor-moves.svelte';
	import FloorCard from '$lib/ui/bays/FloorCard.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { tz } from '@date-fns/tz';
	import { addDays, format, startOfDay, startOfISOWeek } from 'date-fns';
	import { onMount } from 'svelte';

	let { data } = $props();
	const times = shopTime();
	let now = $state(new Date());
	onMount(() => {
		const timer = setInterval(() => (now = new Date()), 30_000);
		return () => clearInterval(timer);
	});
	const monday = $derived(startOfISOWeek(now, { in: tz(times.timeZone) }));
	const nowMin = $derived(minutesFrom(monday, now));
	const moves = new FloorMoves(() => ({
		jobs: data.jobs,
		bays: data.shop.bays,
		monday,
		nowMin
	}));
	const slots = $derived(moves.slots);
	const yard = $derived(data.jobs.filter(({ slot }) => !slot));
	const bays = $derived(
		Array.from({ length: data.shop.bays }, (_, bay) => ({
			bay,
			...entriesOf(data.jobs, slots, bay, nowMin)
		}))
	);
	const picked = $derived(data.jobs.find(({ id }) => id === moves.picked));
	const place = $derived(slots.find(({ id }) => id === moves.picked));
	/** The car that is carried, where the pointer is, and over which place. */
	let carrying = $state.raw<{ plate: string; x: number; y: number; over?: string }>();
	const carry = (job: FloorJob) => ({
		oncarried: (over: string | undefined, { x, y }: { x: number; y: number }) =>
			(carrying = { plate: job.plate, x, y, over }),
		ondropped: (over: string | undefined) => {
			carrying = undefined;
			if (over === undefined) return;
			const [bay, index] = over.split(' ').map(Number) as [number, number];
			void moves.move(job.id, bay, index);
		}
	});
	const at = (minutes: number) => times.time(dateOf(minutes, monday));
	const days = $derived(
		Array.from({ length: 7 }, (_, i) => addDays(startOfDay(now, { in: tz(times.timeZone) }), i))
	);
	const dayName = (minutes: number) => times.weekday(dateOf(minutes, monday));
</script>

{#snippet gapAt(bay: number, index: number, words: string)}
	{@const key = `${bay} ${index}`}
	{@const look = [
		'my-1 flex w-full items-center justify-center rounded-[3px] border border-dashed text-[14px]',
		carrying?.over === key
			? 'border-mark bg-mark-wash'
			: words || carrying || picked
				? 'border-line text-soft'
				: 'border-transparent text-soft'
	]}
	<!-- With a car in hand a touch puts it here, too. -->
	{#if picked}
		<button
			type="button"
			class={[...look, 'touch hover:bg-sunk']}
			data-place={key}
			aria-label="Put {picked.plate} here, bay {bay + 1}, place {index + 1}"
			onclick={() => moves.move(picked.id, bay, index)}>here{words ? `: ${words}` : ''}</button
		>
	{:else}<div class={[...look, 'min-h-7']} data-place={key}>{words}</div>{/if}
{/snippet}

<div class="mx-auto max-w-[1280px] space-y-5 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">
			The floor <span class="num text-xl font-normal text-soft"
				>{times.weekday(now)}, {times.time(now)}</span
			>
		</h1>
		{#if moves.before}<ActionButton onclick={() => moves.undo()}>Undo</ActionButton>{/if}
		<ActionButton href="/api/v1/bays.ics" download>Calendar file</ActionButton>
	</div>
	<RefusalNotice refusal={moves.refusal} />

	<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[250px_minmax(0,1fr)]">
		<section class="panel p-3 lg:sticky lg:top-2" aria-labelledby="yard-title">
			<h2 id="yard-title" class="text-lg">
				In the yard <span class="num text-soft">{yard.length}</span>
			</h2>
			<ul class="relative mt-2 max-h-[70dvh] space-y-2 overflow-y-auto">
				{#each yard as job (job.id)}
					<li>
						<FloorCard
							{job}
							picked={moves.picked === job.id}
							onpick={() => moves.pick(job.id)}
							{...carry(job)}
						/>
						{#if moves.picked === job.id}
							<ActionButton weight="main" class="mt-1 w-full" onclick={() => moves.first(job.id)}
								>First free bay</ActionButton
							>
						{/if}
					</li>
				{:else}<li class="py-2 text-soft">Every open job has a bay.</li>{/each}
			</ul>
		</section>

		<div class="min-w-0 overflow-x-auto">
			<div class="flex gap-3">
				{#each bays as { bay, inside, behind } (bay)}
					{@const base = inside ? 1 : 0}
					<section class="min-w-60 flex-1" aria-label="Bay {bay + 1}">
						<BayBox
							name="Bay {bay + 1}{bay < data.shop.lifts ? ', lift' : ''}"
							{inside}
							leaves={inside ? at(inside.slot.startMin + inside.slot.minutes) : ''}
							over={inside !== undefined && inside.slot.startMin + inside.slot.minutes < nowMin}
							onpick={(id) => moves.pick(id)}
						/>
						<!-- Behind it its queue, as long as its hours. -->
						<ol aria-label="Queue of bay {bay + 1}">
							{#each behind as { job, slot, gapMin, newDay }, i (job.id)}
								<li>
									{#if newDay}<p class="mt-2 text-[15px] font-semibold">
											{dayName(slot.startMin)}
										</p>{/if}
									{@render gapAt(bay, i + base, gapMin ? `free ${formatHours(gapMin)}` : '')}
									<FloorCard
										{job}
										from={at(slot.startMin)}
										until={at(slot.startMin + slot.minutes)}
										picked={moves.picked === job.id}
										onpick={() => moves.pick(job.id)}
										{...carry(job)}
									/>
								</li>
							{/each}
							<li>{@render gapAt(bay, behind.length + base, 'the end of the queue')}</li>
						</ol>
						{#if behind.some(({ gapMin, newDay }) => gapMin || newDay)}
							<ActionButton class="w-full" onclick={() => moves.closeGaps(bay)}
								>Close the gaps</ActionButton
							>
						{/if}
					</section>
				{/each}
			</div>
		</div>
	</div>

	{#if picked && place && !carrying}
		<CarInHand
			job={picked}
			slot={place}
			when="{dayName(place.startMin)}, {at(place.startMin)} to {at(place.startMin + place.minutes)}"
			bays={data.shop.bays}
			{moves}
		/>
	{/if}

	<nav class="flex flex-wrap gap-1.5" aria-label="Days">
		{#each days as day (day.getTime())}
			{@const iso = format(day, 'yyyy-MM-dd')}
			<a
				href="?day={iso}"
				data-sveltekit-noscroll
				aria-current={iso === data.isoDay ? 'page' : undefined}
				class="touch flex items-center rounded-[3px] border-2 px-4 {iso === data.isoDay
					? 'border-spruce bg-spruce-wash font-semibold'
					: 'border-line bg-panel hover:border-edge'}">{times.weekday(day)}</a
			>
		{/each}
	</nav>
	{#key data.isoDay}
		<DayPlan isoDay={data.isoDay} jobs={data.dayJobs} shop={data.shop} />
	{/key}
</div>

{#if carrying}
	<div
		class="num pointer-events-none fixed top-0 left-0 z-30 rounded-[3px] border-2 border-mark bg-mark-wash px-3 py-1 text-xl shadow-lg"
		style:translate="{carrying.x + 12}px {carrying.y - 18}px"
		aria-hidden="true"
	>
		{carrying.plate}
	</div>
{/if}
