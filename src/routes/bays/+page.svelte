<script lang="ts">
	import { firstGap, slotStepMin, type BaySlot } from '$core/schedule/bays';
	import { formatHours } from '$core/units/format';
	import { call, type Refusal } from '$lib/client/api';
	import { refresh } from '$lib/client/refresh';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import BayWeek from '$lib/ui/bays/BayWeek.svelte';
	import { shopTime } from '$lib/client/units';
	import { tz } from '@date-fns/tz';
	import { addDays, addMinutes, differenceInMinutes, format, parseISO } from 'date-fns';

	let { data } = $props();
	const times = shopTime();
	const monday = $derived(parseISO(data.week, { in: tz(times.timeZone) }));
	const week = (days: number) => `/bays?week=${format(addDays(monday, days), 'yyyy-MM-dd')}`;
	/** Minutes where nothing is planned yet; own choice. */
	const unknownMinutes = 120;

	const placed = $derived(
		data.jobs.flatMap(({ id, plate, complaint, slot }) =>
			slot
				? [
						{
							id,
							plate,
							complaint,
							bay: slot.bay,
							startMin: differenceInMinutes(parseISO(slot.startsAt), monday),
							minutes: slot.minutes
						}
					]
				: []
		)
	);
	const waiting = $derived(data.jobs.filter(({ slot }) => !slot));
	let picked = $state<string>();
	let dragged = $state<string>();
	let refusal = $state<Refusal>();
	/** What a move was before, for undo. */
	let last = $state<{ id: string; before: BaySlot | undefined }>();
	const job = $derived(data.jobs.find(({ id }) => id === picked));
	const shown = $derived(placed.find(({ id }) => id === picked));

	const rounded = (minutes: number | null) =>
		Math.max(slotStepMin, Math.ceil((minutes ?? unknownMinutes) / slotStepMin) * slotStepMin);

	async function place({ id, bay, startMin, minutes }: BaySlot, undoing = false) {
		const of = data.jobs.find((one) => one.id === id)!;
		const before = placed.find((one) => one.id === id);
		const answer = await call('PUT', `/jobs/${id}/bay`, {
			bay,
			startsAt: addMinutes(monday, startMin).toISOString(),
			minutes,
			version: of.slot?.version ?? 0
		});
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) {
			last = undoing ? undefined : { id, before };
			picked = id;
		}
		await refresh();
	}
	async function clear(id: string) {
		const before = placed.find((one) => one.id === id);
		const answer = await call('DELETE', `/jobs/${id}/bay`);
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) last = { id, before };
		await refresh();
	}
	async function undo() {
		if (!last) return;
		if (last.before) await place(last.before, true);
		else await clear(last.id);
		last = undefined;
	}
	/** Now, or after the soak: the first free place. */
	async function gap(id: string) {
		const of = data.jobs.find((one) => one.id === id)!;
		const now = differenceInMinutes(new Date(), monday);
		const soaked = Math.max(0, now) + of.soakHours * 60;
		const slot = firstGap(placed, { id, minutes: rounded(of.minutes) }, data.shop.bays, soaked);
		if (slot) await place(slot);
		else refusal = { status: 409, title: 'Every bay is taken for four weeks.' };
	}
	function nudge(change: { bay?: number; minutes?: number; days?: number; longer?: number }) {
		if (!shown) return;
		const { bay = 0, minutes = 0, days = 0, longer = 0 } = change;
		void place({
			id: shown.id,
			bay: Math.min(data.shop.bays - 1, Math.max(0, shown.bay + bay)),
			startMin: shown.startMin + minutes + days * 1440,
			minutes: Math.max(slotStepMin, shown.minutes + longer)
		});
	}
	const nudges = [
		['↑ 15 min', { minutes: -15 }],
		['↓ 15 min', { minutes: 15 }],
		['← Day', { days: -1 }],
		['Day →', { days: 1 }],
		['Bay −', { bay: -1 }],
		['Bay +', { bay: 1 }],
		['Shorter', { longer: -15 }],
		['Longer', { longer: 15 }]
	] as const;
</script>

<div class="mx-auto max-w-[1240px] space-y-4 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">
			Bays <span class="text-xl font-normal text-soft">week of {times.longDay(monday)}</span>
		</h1>
		{#if last}<ActionButton onclick={undo}>Undo</ActionButton>{/if}
		<ActionButton href={week(-7)}>← Week before</ActionButton>
		<ActionButton href="/bays">This week</ActionButton>
		<ActionButton href={week(7)}>Week after →</ActionButton>
		<ActionButton href="/api/v1/bays.ics" download>Calendar file</ActionButton>
	</div>
	<RefusalNotice {refusal} />
	<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[262px_minmax(0,1fr)]">
		<section class="panel p-3" aria-labelledby="waiting-title">
			<h2 id="waiting-title" class="text-lg">Waiting for a bay</h2>
			<ul class="divide-y divide-line">
				{#each waiting as one (one.id)}
					<li
						class="cursor-grab py-2"
						draggable="true"
						ondragstart={() => (dragged = one.id)}
						ondragend={() => (dragged = undefined)}
					>
						<div class="flex items-baseline gap-2">
							<a class="num text-xl" href="/jobs/{one.id}">{one.plate}</a>
							<span class="ms-auto text-[15px] {one.minutes === null ? 'text-ochre' : ''}"
								>{one.minutes === null ? 'not planned' : formatHours(rounded(one.minutes))}</span
							>
						</div>
						<p class="caption truncate" title={one.complaint}>{one.complaint}</p>
						{#if one.soakHours}<p class="caption text-ochre">◇ soak {one.soakHours} h first</p>{/if}
						<div class="mt-1">
							<ActionButton onclick={() => gap(one.id)}>First free bay</ActionButton>
						</div>
					</li>
				{:else}<li class="py-2 text-soft">Every open job has a bay.</li>{/each}
			</ul>
		</section>
		<div class="min-w-0 space-y-3 lg:sticky lg:top-2">
			<section class="panel overflow-x-auto p-2" aria-label="The week">
				<BayWeek
					{monday}
					bays={data.shop.bays}
					slots={placed}
					{picked}
					onpick={(id) => (picked = id)}
					onmove={(slot) => void place(slot)}
					ondropped={(bay, startMin) => {
						const of = data.jobs.find(({ id }) => id === dragged);
						if (of) void place({ id: of.id, bay, startMin, minutes: rounded(of.minutes) });
					}}
				/>
			</section>
			{#if job && shown}
				<section class="panel flex flex-wrap items-center gap-2 p-3" aria-label="The car in hand">
					<p class="me-auto">
						<a class="num text-xl underline" href="/jobs/{job.id}">{job.plate}</a>
						{format(addMinutes(monday, shown.startMin), 'EEEE')}
						{times.ofDay(shown.startMin)} to {times.ofDay(shown.startMin + shown.minutes)}, bay {shown.bay +
							1}
						<span class="caption block"
							>{job.minutes === null
								? 'no order of work yet'
								: `its order of work takes about ${formatHours(rounded(job.minutes))}`}</span
						>
					</p>
					{#each nudges as [name, change] (name)}
						<button
							type="button"
							class="touch rounded-[3px] border border-edge bg-panel px-3 text-[15px] hover:bg-sunk"
							onclick={() => nudge(change)}>{name}</button
						>
					{/each}
					<ActionButton weight="stop" onclick={() => clear(job.id)}>Out of the plan</ActionButton>
				</section>
			{:else}
				<p class="caption">
					Drag a car to its hour, or touch it and use the buttons. Blocks stand on quarters of an
					hour. A day’s heading shares people and lifts out over its cars.
				</p>
			{/if}
		</div>
	</div>
</div>
