<script lang="ts">
	import { slotStepMin, workingWeek } from '$core/schedule/bays';
	import { unplannedCar } from '$core/schedule/cars';
	import type { Timeline } from '$core/schedule/timeline';
	import { formatHours } from '$core/units/format';
	import { call, type Refusal } from '$lib/client/api';
	import { refresh } from '$lib/client/refresh';
	import { Run } from '$lib/client/run.svelte';
	import DayTimeline from '$lib/ui/bays/DayTimeline.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import RunProgress from '$lib/ui/controls/RunProgress.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { addDays, addMinutes, format, parse, parseISO, startOfISOWeek } from 'date-fns';
	import { shopTime } from '$lib/client/units';
	import { tz } from '@date-fns/tz';
	import { range } from 'd3';
	import { onDestroy, untrack } from 'svelte';

	let { data } = $props();
	const times = shopTime();
	const day = $derived(parseISO(data.day, { in: tz(times.timeZone) }));
	const dayPath = (days: number) => `/bays/${format(addDays(day, days), 'yyyy-MM-dd')}`;
	const jobs = $derived(data.jobs);

	// svelte-ignore state_referenced_locally (starts from what the shop has and then leads)
	let means = $state({
		people: String(data.shop.technicians),
		lifts: String(data.shop.lifts)
	});
	let begin = $state(format(new Date(2026, 0, 5, 0, workingWeek.fromMin), 'HH:mm'));
	const upTo = (most: number) =>
		range(1, most + 1).map((count) => ({ value: String(count), name: String(count) }));

	const question = $derived({
		cars: jobs.map(({ id, car, slot }) => car ?? unplannedCar(id, slot.minutes)),
		people: Number(means.people),
		lifts: Number(means.lifts),
		bays: data.shop.bays,
		samples: 2000,
		seed: 1
	});
	const run = new Run<Timeline>();
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

	const start = $derived.by(() => {
		const at = parse(begin, 'HH:mm', day);
		return Number.isNaN(at.getTime()) ? addMinutes(day, workingWeek.fromMin) : at;
	});
	const clock = (minutes: number) => times.time(addMinutes(start, minutes));
	/** The answer may still be of the cars before a change. */
	const lines = $derived(
		(found?.cars ?? [])
			.flatMap((car) => {
				const job = jobs.find(({ id }) => id === car.id);
				return job ? [{ ...car, job }] : [];
			})
			.sort((a, b) => a.startMin - b.startMin)
	);
	const down = (minutes: number) => Math.floor(minutes / slotStepMin) * slotStepMin;
	const up = (minutes: number) => Math.ceil(minutes / slotStepMin) * slotStepMin;
	/** Where the schedule puts each car, on the quarters the plan stands on; one after the other in a bay. */
	const proposed = $derived.by(() => {
		const freeAt: number[] = [];
		return lines.map(({ job, bay, startMin, endMin }) => {
			const from = Math.max(freeAt[bay] ?? 0, down(startMin));
			const minutes = Math.max(slotStepMin, up(endMin) - from);
			freeAt[bay] = from + minutes;
			return {
				jobId: job.id,
				bay,
				startsAt: addMinutes(start, from).toISOString(),
				minutes,
				version: job.slot.version
			};
		});
	});
	const changed = $derived(
		proposed.filter(({ jobId, bay, startsAt, minutes }) => {
			const { slot } = jobs.find(({ id }) => id === jobId)!;
			return slot.bay !== bay || slot.startsAt !== startsAt || slot.minutes !== minutes;
		})
	);
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

<div class="mx-auto max-w-[1240px] space-y-4 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">{format(day, 'EEEE d MMMM yyyy')}</h1>
		{#if before}<ActionButton onclick={undo}>Undo</ActionButton>{/if}
		<ActionButton href={dayPath(-1)}>← Day before</ActionButton>
		<ActionButton href="/bays?week={format(startOfISOWeek(day), 'yyyy-MM-dd')}">Week</ActionButton>
		<ActionButton href={dayPath(1)}>Day after →</ActionButton>
	</div>
	<RefusalNotice {refusal} />
	{#if jobs.length === 0}
		<div class="panel p-8">
			<p class="text-xl">No car comes into a bay on this day</p>
			<p class="mt-1 text-soft">
				Give cars a bay in the week; here they share people and lifts over the day.
			</p>
			<div class="mt-4">
				<ActionButton href="/bays?week={format(startOfISOWeek(day), 'yyyy-MM-dd')}"
					>Week of the bays</ActionButton
				>
			</div>
		</div>
	{:else}
		<section class="panel p-4" aria-labelledby="day-title">
			<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
				<div class="me-auto">
					<h2 id="day-title" class="text-lg">
						{jobs.length === 1 ? 'One car' : `${jobs.length} cars`} in {data.shop.bays}
						{data.shop.bays === 1 ? 'bay' : 'bays'}
					</h2>
					<p class="caption">
						Every step where people, places and lifts let it, the day as short as can be
					</p>
				</div>
				<SelectField label="People" bind:value={means.people} items={upTo(8)} />
				<SelectField label="Lifts" bind:value={means.lifts} items={upTo(data.shop.bays)} />
				<label class="text-[15px] font-semibold"
					>Starts at
					<input
						type="time"
						class="touch block rounded-[3px] border border-edge bg-panel px-2 text-[17px]"
						bind:value={begin}
					/></label
				>
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
							{clock(found.finish.lowerBound)} to {clock(found.finish.upperBound)}, 95 in 100
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
				<table class="w-full text-[15px]">
					<thead>
						<tr class="text-left text-soft">
							<th class="py-1">Car</th><th>Bay</th><th>From</th><th>On a lift</th><th>Ready</th>
							<th>95 in 100</th><th>In the plan now</th>
						</tr>
					</thead>
					<tbody class="divide-y divide-line border-y border-line">
						{#each lines as { job, bay, startMin, lift, finish } (job.id)}
							<tr>
								<td class="py-2 pe-3">
									<a class="num text-xl" href="/jobs/{job.id}">{job.plate}</a>
									<span class="caption block max-w-[26rem] truncate" title={job.complaint}
										>{job.complaint}</span
									>
									{#if !job.car}<span class="text-ochre"
											>◇ not planned: the minutes of its block</span
										>{/if}
								</td>
								<td class="num">{bay + 1}</td>
								<td class="num">{clock(startMin)}</td>
								<td class="num whitespace-nowrap"
									>{#if lift}{clock(lift.startMin)}–{clock(
											lift.endMin
										)}{#if Number(means.lifts) > 1}, lift {lift.number + 1}{/if}{:else}–{/if}</td
								>
								<td class="num text-xl">{clock(finish.mean)}</td>
								<td class="num whitespace-nowrap"
									>{clock(finish.lowerBound)}–{clock(finish.upperBound)}</td
								>
								<td class="num whitespace-nowrap"
									>bay {job.slot.bay + 1}, {times.time(job.slot.startsAt)}–{times.time(
										addMinutes(parseISO(job.slot.startsAt), job.slot.minutes)
									)}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
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
</div>
