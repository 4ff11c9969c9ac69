<script lang="ts">
	import { stageNames } from '$core/procedure/stages';
	import { firstGap } from '$core/schedule/bays';
	import { closeGaps, insert, queueOf, type Queued } from '$core/schedule/queue';
	import { formatHours } from '$core/units/format';
	import { call, type Refusal } from '$lib/client/api';
	import { refresh } from '$lib/client/refresh';
	import { shopTime } from '$lib/client/units';
	import CarPlan from '$lib/ui/car-plan/CarPlan.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import DayPlan from '$lib/ui/bays/DayPlan.svelte';
	import FloorCard from '$lib/ui/bays/FloorCard.svelte';
	import {
		blockMinutes,
		dateOf,
		entriesOf,
		minutesFrom,
		placesOf,
		queuedOf
	} from '$lib/ui/bays/floor';
	import PromiseField from '$lib/ui/job/PromiseField.svelte';
	import { setHref } from '$lib/ui/job/places';
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
	const slots = $derived(data.jobs.flatMap((job) => queuedOf(job, monday) ?? []));
	const yard = $derived(data.jobs.filter(({ slot }) => !slot));
	const bays = $derived(
		Array.from({ length: data.shop.bays }, (_, bay) => ({
			bay,
			...entriesOf(data.jobs, slots, bay, nowMin)
		}))
	);
	let pickedId = $state<string>();
	const picked = $derived(data.jobs.find(({ id }) => id === pickedId));
	const place = $derived(slots.find(({ id }) => id === pickedId));
	let dragged = $state<string>();
	/** Where a dragged car would go. */
	let over = $state<string>();
	let refusal = $state<Refusal>();
	/** The places before the last move, for undo. */
	let before = $state.raw<{ places: Queued[]; out: string[] }>();

	const at = (minutes: number) => times.time(dateOf(minutes, monday));
	const jobOf = (id: string): Omit<Queued, 'bay' | 'startMin'> => {
		const own = slots.find((one) => one.id === id);
		const job = data.jobs.find((one) => one.id === id)!;
		return own ?? { id, minutes: blockMinutes(job) };
	};

	async function put(changed: readonly Queued[]): Promise<void> {
		if (changed.length === 0) return;
		const ids = changed.map(({ id }) => id);
		const was = {
			places: slots.filter(({ id }) => ids.includes(id)),
			out: ids.filter((id) => !slots.some((one) => one.id === id))
		};
		const answer = await call('PUT', '/bays', { slots: placesOf(changed, data.jobs, monday) });
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) before = was;
		await refresh();
	}
	async function undo() {
		const { places, out } = before!;
		before = undefined;
		for (const id of out) await call('DELETE', `/jobs/${id}/bay`);
		if (places.length) {
			const answer = await call('PUT', '/bays', { slots: placesOf(places, data.jobs, monday) });
			refusal = answer.ok ? undefined : answer.refusal;
		}
		await refresh();
	}
	/** Behind so many cars that stand in this bay's queue; what is in the bay stays there. */
	function move(id: string, bay: number, index: number) {
		const others = slots.filter((one) => one.id !== id);
		const begun = queueOf(others, bay).filter(({ startMin }) => startMin <= nowMin).length;
		void put(insert(others, jobOf(id), { bay, index: Math.max(begun, index) }, nowMin));
		pickedId = id;
	}
	const indexOf = $derived((slot: Queued) =>
		queueOf(slots, slot.bay).findIndex(({ id }) => id === slot.id)
	);
	/** In whichever bay it can begin first. */
	function first(id: string) {
		const job = jobOf(id);
		const { soakHours } = data.jobs.find((one) => one.id === id)!;
		const gap = firstGap(slots, job, data.shop.bays, Math.max(0, nowMin) + soakHours * 60);
		if (gap) void put([{ ...job, ...gap }]);
		else refusal = { status: 409, title: 'Every bay is taken for four weeks.' };
		pickedId = id;
	}
	async function out(id: string) {
		const was = slots.filter((one) => one.id === id);
		const answer = await call('DELETE', `/jobs/${id}/bay`);
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) before = { places: was, out: [] };
		await refresh();
	}
	function comes(id: string, moment: string | null) {
		const slot = slots.find((one) => one.id === id)!;
		const comesMin = moment ? minutesFrom(monday, moment) : undefined;
		const { comesMin: _, ...job } = slot;
		const told = { ...job, ...(comesMin !== undefined && { comesMin }) };
		const others = slots.filter((one) => one.id !== id);
		void put(insert(others, told, { bay: slot.bay, index: indexOf(slot) }, nowMin));
	}
	const days = $derived(
		Array.from({ length: 7 }, (_, i) => addDays(startOfDay(now, { in: tz(times.timeZone) }), i))
	);
	const dayName = (minutes: number) => times.weekday(dateOf(minutes, monday));
</script>

{#snippet gapAt(bay: number, index: number, words: string)}
	{@const key = `${bay} ${index}`}
	<!-- svelte-ignore a11y_no_static_element_interactions (the buttons of the car in hand do the same) -->
	<div
		class="my-1 flex items-center justify-center rounded-[3px] text-[14px] text-soft {over === key
			? 'min-h-7 border border-dashed border-mark bg-mark-wash'
			: `min-h-7 border border-dashed ${words || dragged ? 'border-line' : 'border-transparent'}`}"
		ondragover={(event) => {
			event.preventDefault();
			over = key;
		}}
		ondragleave={() => over === key && (over = undefined)}
		ondrop={(event) => {
			event.preventDefault();
			over = undefined;
			if (dragged) move(dragged, bay, index);
		}}
	>
		{words}
	</div>
{/snippet}

<div class="mx-auto max-w-[1280px] space-y-5 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">
			The floor <span class="num text-xl font-normal text-soft"
				>{times.weekday(now)}, {times.time(now)}</span
			>
		</h1>
		{#if before}<ActionButton onclick={undo}>Undo</ActionButton>{/if}
		<ActionButton href="/api/v1/bays.ics" download>Calendar file</ActionButton>
	</div>
	<RefusalNotice {refusal} />

	<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[250px_minmax(0,1fr)]">
		<section class="panel p-3 lg:sticky lg:top-2" aria-labelledby="yard-title">
			<h2 id="yard-title" class="text-lg">
				In the yard <span class="num text-soft">{yard.length}</span>
			</h2>
			<ul class="mt-2 max-h-[70dvh] space-y-2 overflow-y-auto">
				{#each yard as job (job.id)}
					<li>
						<FloorCard
							{job}
							picked={pickedId === job.id}
							onpick={() => (pickedId = pickedId === job.id ? undefined : job.id)}
							ondrag={(id) => (dragged = id)}
						/>
						{#if pickedId === job.id}
							<ActionButton weight="main" class="mt-1 w-full" onclick={() => first(job.id)}
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
						<!-- The bay itself, with the car that stands in it as its board draws it. -->
						<div class="rounded-[6px] border-2 border-ink bg-panel p-2">
							<p class="flex items-baseline justify-between">
								<span class="text-[15px] font-semibold"
									>Bay {bay + 1}{bay < data.shop.lifts ? ', lift' : ''}</span
								>
								{#if inside}<a class="num text-2xl underline" href="/jobs/{inside.job.id}"
										>{inside.job.plate}</a
									>{:else}<span class="text-soft">free now</span>{/if}
							</p>
							{#if inside?.job.car}
								{@const { vehicle, corners, owed } = inside.job.car}
								<div class="h-56">
									<CarPlan
										{vehicle}
										worked={corners}
										{owed}
										href={(corner) => setHref(inside.job.id, corner)}
									/>
								</div>
								<p class="text-[15px]">
									{inside.job.stage === 'signed' ? 'Signed' : stageNames[inside.job.stage]},
									<b>{inside.job.owed} left</b>{inside.job.minutes
										? `, ${formatHours(inside.job.minutes)}`
										: ''}
								</p>
								<p class="text-[15px]">
									leaves at <b class="num text-lg"
										>{at(inside.slot.startMin + inside.slot.minutes)}</b
									>{inside.slot.startMin + inside.slot.minutes < nowMin ? ', by the plan' : ''}
								</p>
								{#each inside.job.dangers.slice(0, 2) as danger (danger.words)}
									<p class="text-[15px] {danger.grade === 'maybe' ? 'text-ochre' : 'text-madder'}">
										{danger.grade === 'maybe' ? '◇' : '✕'}
										{danger.words}
									</p>
								{/each}
								<div class="mt-1">
									<ActionButton
										onclick={() =>
											(pickedId = pickedId === inside.job.id ? undefined : inside.job.id)}
										>Move it …</ActionButton
									>
								</div>
							{:else}
								<div
									class="mx-auto my-3 h-40 w-24 rounded-[40px] border-2 border-dashed border-line"
									aria-hidden="true"
								></div>
							{/if}
						</div>
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
										picked={pickedId === job.id}
										onpick={() => (pickedId = pickedId === job.id ? undefined : job.id)}
										ondrag={(id) => (dragged = id)}
									/>
								</li>
							{/each}
							<li>{@render gapAt(bay, behind.length + base, 'the end of the queue')}</li>
						</ol>
						{#if behind.some(({ gapMin, newDay }) => gapMin || newDay)}
							<ActionButton class="w-full" onclick={() => void put(closeGaps(slots, bay, nowMin))}
								>Close the gaps</ActionButton
							>
						{/if}
					</section>
				{/each}
			</div>
		</div>
	</div>

	{#if picked && place}
		{@const job = picked}
		{@const slot = place}
		<section
			class="panel sticky bottom-2 z-10 flex flex-wrap items-end gap-2 p-3 shadow-lg"
			aria-label="The car in hand"
		>
			<p class="me-auto">
				<a class="num text-xl underline" href="/jobs/{job.id}">{job.plate}</a>
				<span class="block text-[15px]"
					>bay {slot.bay + 1}, {dayName(slot.startMin)}, {at(slot.startMin)} to {at(
						slot.startMin + slot.minutes
					)}</span
				>
			</p>
			<ActionButton
				disabled={indexOf(slot) === 0}
				onclick={() => move(job.id, slot.bay, indexOf(slot) - 1)}>↑ Before</ActionButton
			>
			<ActionButton onclick={() => move(job.id, slot.bay, indexOf(slot) + 1)}>↓ Behind</ActionButton
			>
			{#each bays.filter(({ bay }) => bay !== slot.bay) as { bay } (bay)}
				<ActionButton onclick={() => move(job.id, bay, 99)}>To bay {bay + 1}</ActionButton>
			{/each}
			<details class="relative">
				<summary
					class="touch flex cursor-pointer items-center rounded-[3px] border border-edge bg-panel px-4 font-semibold"
					>Comes later …</summary
				>
				<div class="panel absolute end-0 bottom-14 z-20 w-[34rem] max-w-[90vw] p-3 shadow-lg">
					{#key `${job.id} ${job.slot?.comesAt}`}
						<PromiseField
							label="The car comes"
							bind:value={
								() => job.slot?.comesAt ?? null,
								(moment) => moment !== (job.slot?.comesAt ?? null) && comes(job.id, moment)
							}
						/>
					{/key}
				</div>
			</details>
			<ActionButton weight="stop" onclick={() => out(job.id)}>Back to the yard</ActionButton>
			<ActionButton onclick={() => (pickedId = undefined)}
				>✕<span class="sr-only">Close</span></ActionButton
			>
		</section>
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
