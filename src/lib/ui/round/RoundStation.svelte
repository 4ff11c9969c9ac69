<script lang="ts">
	import { page } from '$app/state';
	import { actionsOf } from '$core/fastener/joint-programme';
	import { pickWrenches } from '$core/fastener/rack';
	import { cornerNames, isLeft } from '$core/height/corners';
	import { loadMethodNames } from '$core/procedure/facts';
	import { roundStops, stopDone, type RoundSide, type RoundStop } from '$core/procedure/round';
	import type { Refusal } from '$lib/client/api';
	import type { Standing } from '$lib/client/car-state.svelte';
	import { DeviceDesk } from '$lib/client/device-desk.svelte';
	import { nextHref } from '$lib/ui/job/places';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { atWork } from '$core/job/joints';
	import { questionBefore, stopWaitsFor, waitWords } from '$core/job/turn';
	import { loadedStanding } from '$core/job/view';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import CornerView from '$lib/ui/corner/CornerView.svelte';
	import { onDestroy, untrack } from 'svelte';
	import JointEntry from '../joints/JointEntry.svelte';
	import KnownTorques from '../joints/KnownTorques.svelte';
	import OpenHardware from '../joints/OpenHardware.svelte';
	import TargetPanel from '../joints/TargetPanel.svelte';
	import LoadGate from './LoadGate.svelte';
	import ReadingTray from './ReadingTray.svelte';
	import RoundList from './RoundList.svelte';

	/** One joint at a time, in the order of the work. */
	let { side, onside }: { side: RoundSide; onside: (side: RoundSide) => void } = $props();
	const job = currentJob();
	const desk = new DeviceDesk(job.record.id);

	const facts = $derived(job.view.facts.joints);
	const stops = $derived(roundStops(facts, side));
	const lastRow = $derived((jointId: string) =>
		job.record.torques.findLast((row) => row.jointId === jointId)
	);
	const passedOver = $derived(
		(stop: RoundStop) => stop.phase !== 'load' && lastRow(stop.jointId)?.skipReason != null
	);
	const loaded = $derived((stop: RoundStop) => loadedStanding(job.record, stop.corner, job.limits));
	const done = $derived((stop: RoundStop): boolean => {
		if (stopDone(stop, job.view.standing, facts)) return true;
		return stop.phase === 'load' && loaded(stop)?.verdict === 'in-band';
	});
	/** Why the last entry was not taken; the round had gone on by then. */
	let refused = $state.raw<Refusal>();
	/** A joint picked from the list; the next in order otherwise. */
	let picked = $state.raw<RoundStop>();
	/** The step that a stop waits for: its part is not back, or its turn has not come. */
	const waits = $derived((stop: RoundStop) => stopWaitsFor(job.work, stop, job.record.joints));
	const toDo = $derived(stops.filter((stop) => !done(stop) && !passedOver(stop)));
	const next = $derived(toDo.find((stop) => !waits(stop)));
	/** Nothing can be done before this step. */
	const held = $derived(next ? undefined : toDo[0] && waits(toDo[0]));
	const stop = $derived(picked ? atHand(picked) : next);
	const joint = $derived(
		stop && stop.phase !== 'load'
			? job.record.joints.find(({ id }) => id === stop.jointId)
			: undefined
	);
	const left = $derived(stops.filter((one) => one.phase !== 'load' && !done(one)).length);
	/** Of the stage, on this side: the same count as everywhere. */
	const toSet = $derived(
		job.view.standing.owed.filter(
			({ stage, corner }) =>
				stage === 'set' && (side === 'both' || isLeft(corner) === (side === 'left'))
		).length
	);
	const skipped = $derived(
		facts.filter(
			(one) => lastRow(one.id)?.skipReason != null && job.view.standing.joints.get(one.id)!.owed
		)
	);

	/** The step of a picked joint that comes next. */
	function atHand(pick: RoundStop): RoundStop {
		if (pick.phase === 'load') return pick;
		return { ...pick, action: job.view.standing.joints.get(pick.jointId)!.next };
	}
	/**
	 * Back to the order once what was picked is done; a joint with steps left stays in hand. What was
	 * picked meanwhile stays picked: the server may answer late.
	 */
	function goOn(done: string) {
		refused = undefined;
		if (!picked || keyOf(picked) !== done) return;
		if (picked.phase !== 'load' && job.view.standing.joints.get(done)!.state === 'begun') return;
		picked = undefined;
	}
	const keyOf = (one: RoundStop) => (one.phase === 'load' ? one.corner : one.jointId);

	/** How the car stands at the stop in hand: from the looks on record, or as the phase needs it. */
	const standing = $derived.by((): Standing => {
		if (stop?.phase === 'ground') {
			return { stance: 'on-wheels', carState: 'loaded', method: 'on-wheels', hubToArch: '' };
		}
		const look = stop && job.record.loadings.findLast(({ corner }) => corner === stop.corner);
		if (!look) return { stance: 'hanging', carState: 'hanging', method: undefined, hubToArch: '' };
		const { method, hubToArchMm } = look;
		return { stance: method, carState: 'loaded', method, hubToArch: `${hubToArchMm} mm` };
	});
	const sent = $derived({
		carState: standing.carState,
		...(standing.method ? { method: standing.method } : {}),
		...(standing.hubToArch ? { hubToArch: standing.hubToArch } : {})
	});

	const rack = $derived((page.data.wrenches ?? []) as ShopWrench[]);
	const today = new Date().toISOString().slice(0, 10);
	/** Wrenches for everything that is left, with as few changes as can be. */
	const plan = $derived.by(() => {
		const ahead = stops.flatMap((one) => {
			if (one.phase === 'load' || done(one)) return [];
			const of = job.record.joints.find(({ id }) => id === one.jointId)!;
			const torqueNm = actionsOf(atWork(of))[one.action]?.torqueNm;
			return torqueNm === undefined
				? []
				: [{ key: `${of.id}/${one.action}`, torqueNm, adapter: of.programme?.adapter }];
		});
		const { picks, changes } = pickWrenches(ahead, rack, today);
		return { picks: new Map(ahead.map(({ key }, i) => [key, picks[i]])), changes };
	});
	const planned = $derived(
		stop && stop.phase !== 'load' ? plan.picks.get(`${stop.jointId}/${stop.action}`) : undefined
	);

	// Devices: told of the stop in hand, asked again at each change of it.
	$effect(() => {
		void job.heard;
		void desk.reload();
	});
	const key = $derived(
		stop &&
			`${stop.phase} ${stop.corner} ${stop.phase === 'load' ? '' : `${stop.jointId} ${stop.action}`}`
	);
	const wrenchDevice = $derived(desk.heard('wrench')?.id);
	const gauge = $derived(desk.heard('height-gauge')?.id);
	let loosened = $state<boolean>();
	let ahead = $state<string>();
	$effect(() => {
		void key;
		loosened = ahead = undefined;
	});
	const answers = $derived({
		...(loosened !== undefined && { loosenedFirst: loosened }),
		...(ahead && { aheadReason: ahead })
	});
	/** What is to be said of the joint in hand before it is pulled. */
	const before = $derived(
		joint && stop && stop.phase !== 'load'
			? questionBefore(job.record, job.work, job.view.standing.joints.get(joint.id)!, joint, {
					action: stop.action,
					carState: standing.carState,
					method: standing.method,
					...answers
				})
			: undefined
	);
	const question = $derived(JSON.stringify([key, sent, answers, before?.kind]));
	// Asked when the question or the device changes, not at every change of the record.
	$effect(() => {
		void [question, wrenchDevice, gauge];
		return untrack(() => desk.keepAsking(askDevices));
	});
	function askDevices() {
		if (!stop || job.record.signedAt) return;
		if (wrenchDevice && stop.phase !== 'load') {
			const { jointId, action } = stop;
			// A pull that nobody has said enough about is not asked for.
			const task = before ? null : { kind: 'torque', jointId, action, ...sent, ...answers };
			void desk.ask(wrenchDevice, task);
		}
		const method = standing.method ?? 'jack-to-height';
		if (gauge && (stop.phase === 'load' || stop.phase === 'rubber'))
			void desk.ask(gauge, { kind: 'loading', corner: stop.corner, method });
	}
	onDestroy(() => {
		for (const id of [wrenchDevice, gauge]) if (id) void desk.ask(id, null);
	});

	/** The newest row of this person, to be taken back by a row of its own. */
	const mine = $derived.by(() => {
		const replaced = new Set(job.record.torques.map((row) => row.correctsId));
		return job.record.torques.findLast(
			(row) => !row.withdrawn && !replaced.has(row.id) && row.personId === page.data.person?.id
		);
	});
	async function undo() {
		if (!mine) return;
		const { id, jointId, carState, method } = mine;
		await job.tell(
			'torque',
			jointId,
			{ withdraw: true, carState, ...(method ? { method } : {}) },
			{ corrects: id }
		);
		picked = stops.find((one) => one.phase !== 'load' && one.jointId === jointId);
	}
	const nameOf = (jointId: string) => {
		const of = job.record.joints.find(({ id }) => id === jointId);
		return of ? `${of.corner} ${of.name}` : '';
	};

	/** Height in the drawing: typed, moved by hand, else as the corner stands. */
	let looked = $state<number>();
	let moved = $state<number>();
	$effect(() => {
		void stop?.corner;
		moved = undefined;
		looked = undefined;
	});
	const target = $derived(stop && loaded(stop)?.targetMm);
	const atNow = $derived(
		stop && job.record.loadings.findLast(({ corner }) => corner === stop.corner)?.hubToArchMm
	);
	const shownMm = $derived(moved ?? looked ?? atNow ?? (target === undefined ? 0 : target + 60));
	const sides: { value: RoundSide; name: string }[] = [
		{ value: 'both', name: 'Whole car' },
		{ value: 'left', name: 'Left side' },
		{ value: 'right', name: 'Right side' }
	];
	function keys(event: KeyboardEvent) {
		if (!event.altKey || event.ctrlKey || event.metaKey) return;
		if (event.code === 'KeyU' && mine) {
			event.preventDefault();
			void undo();
		}
	}
</script>

<svelte:window onkeydown={keys} />

<div class="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[262px_minmax(0,1fr)_372px]">
	<section
		aria-label="The round"
		class="panel max-lg:order-3 lg:max-h-[calc(100dvh-11.5rem)] lg:overflow-y-auto"
	>
		<RoundList
			{stops}
			now={stop}
			{done}
			waits={(one) => !done(one) && !!waits(one)}
			onpick={(one) => (picked = one)}
		/>
	</section>

	<section class="min-w-0 space-y-3" aria-label="In hand">
		<div class="flex flex-wrap items-center gap-x-4 gap-y-2">
			<p role="status" class="me-auto text-lg">
				<span class="num text-3xl {toSet ? 'text-ochre' : 'text-spruce'}">{toSet}</span>
				left to set<span class="text-soft">, {left} {left === 1 ? 'act' : 'acts'}</span>
				{#if skipped.length}<span class="text-ochre">, {skipped.length} passed over</span>{/if}
			</p>
			<div class="flex" role="group" aria-label="Whose round">
				{#each sides as one (one.value)}
					<button
						type="button"
						class="touch min-h-12 border border-edge px-3 text-[15px] {side === one.value
							? 'bg-spruce-wash font-semibold'
							: 'bg-panel hover:bg-sunk'}"
						aria-pressed={side === one.value}
						onclick={() => {
							picked = undefined;
							onside(one.value);
						}}>{one.name}</button
					>
				{/each}
			</div>
		</div>
		{#if stop}
			<p class="flex flex-wrap items-baseline gap-x-3">
				<span class="text-xl font-semibold">{cornerNames[stop.corner]}</span>
				<span class="text-[15px] text-soft">
					{#if stop.phase === 'ground'}needs the car down on its wheels
					{:else if stop.phase === 'rubber'}
						{standing.method
							? `${loadMethodNames[standing.method].toLowerCase()} at ${standing.hubToArch}`
							: 'needs the corner loaded'}
					{:else if stop.phase === 'rigid'}any state of the car{/if}
				</span>
			</p>
		{/if}
		<KnownTorques />
		<RefusalNotice refusal={refused} />
		{#if stop?.phase === 'load'}
			{#key stop.corner}
				<LoadGate
					corner={stop.corner}
					onlook={(mm) => (looked = mm)}
					onrecorded={goOn}
					onrefused={(corner, refusal) =>
						(refused = { ...refusal, title: `${cornerNames[corner]}: ${refusal.title}` })}
				/>
			{/key}
		{:else if stop && joint}
			{#if stop.phase === 'rubber' && loaded(stop) && loaded(stop)!.verdict !== 'in-band'}
				<p
					role="alert"
					class="rounded-[3px] border-2 border-madder bg-madder-wash p-3 font-semibold text-madder"
				>
					✕ {loaded(stop)!.words}
				</p>
			{/if}
			{#key key}
				<JointEntry
					{joint}
					action={stop.action}
					car={standing}
					plannedWrench={planned}
					skippable
					bind:loosenedFirst={loosened}
					bind:aheadReason={ahead}
					onrecorded={goOn}
					onrefused={(jointId, refusal) =>
						(refused = { ...refusal, title: `${nameOf(jointId)}: ${refusal.title}` })}
				/>
			{/key}
		{:else if held}
			<div class="panel p-6">
				<p class="text-2xl text-ochre">◇ The round waits: {waitWords(held)}</p>
				<p class="mt-1 text-[15px] text-soft">
					A joint is tightened once its part is back and its turn has come.
				</p>
				<div class="mt-4">
					<ActionButton weight="main" href="/jobs/{job.record.id}/work?step={held.id}"
						>To that step</ActionButton
					>
				</div>
			</div>
		{:else}
			<div class="panel p-6">
				<p class="text-2xl {skipped.length ? 'text-ochre' : 'text-spruce'}">
					{skipped.length
						? '◇ The round is through but for what was passed over'
						: '✓ The round is through'}
				</p>
				{#if !skipped.length}<div class="mt-3"><OpenHardware /></div>{/if}
				{#each skipped as one (one.id)}
					<p class="mt-2">
						{nameOf(one.id)}: {lastRow(one.id)!.skipReason}
						<ActionButton
							onclick={() =>
								(picked = stops.find((s) => s.phase !== 'load' && s.jointId === one.id))}
							>Do it now</ActionButton
						>
					</p>
				{/each}
				<div class="mt-4">
					<ActionButton weight="main" href={nextHref(job.record.id, job.next)}
						>{job.next.text} →</ActionButton
					>
				</div>
			</div>
		{/if}
		<div class="flex flex-wrap items-center gap-3">
			{#if stop?.phase === 'rubber'}
				<ActionButton onclick={() => (picked = { phase: 'load', corner: stop.corner })}
					>Read the height again</ActionButton
				>
			{/if}
			{#if mine && !job.record.signedAt}
				<ActionButton onclick={undo}
					>Undo {nameOf(mine.jointId)}, {mine.skipReason !== null
						? 'passed over'
						: mine.seen
							? 'as seen'
							: mine.entered}</ActionButton
				>
			{/if}
			{#if plan.changes}<span class="caption"
					>{plan.changes}
					{plan.changes === 1 ? 'change' : 'changes'} of wrench to the end of the round</span
				>{/if}
		</div>
	</section>

	<aside class="min-w-0 space-y-3" aria-label="Where">
		{#if desk.held.length}<ReadingTray {desk} {stop} standing={{ ...sent, ...answers }} />{/if}
		{#if stop && target !== undefined}
			<section class="panel p-2" aria-label="Corner, to scale">
				<CornerView
					corner={stop.corner}
					targetMm={target}
					heightMm={shownMm}
					place={joint?.place}
					onmove={(mm) => (moved = mm)}
				/>
			</section>
		{/if}
		{#if stop?.phase === 'load'}<TargetPanel corner={stop.corner} />{/if}
		{#if desk.devices.length}
			<section class="panel px-3 py-1" aria-labelledby="devices-title">
				<h2 id="devices-title" class="caption pt-1">Take readings from</h2>
				{#each desk.devices.filter(({ kind }) => kind !== 'wheel-scales') as device (device.id)}
					<label class="flex min-h-12 items-center gap-3 text-[15px]">
						<input
							type="checkbox"
							class="size-6 accent-spruce"
							checked={desk.listening.includes(device.id)}
							onchange={(event) => desk.listen(device.id, event.currentTarget.checked)}
						/>
						<span class="me-auto">{device.name}</span>
						<span class={device.connected ? 'text-spruce' : 'text-soft'}
							>{device.connected ? '✓ connected' : 'not connected'}</span
						>
					</label>
				{/each}
			</section>
		{/if}
		{#if !desk.held.length}<ReadingTray {desk} {stop} standing={{ ...sent, ...answers }} />{/if}
	</aside>
</div>
