<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { balance } from '$core/height/balance';
	import {
		axleOf,
		cornerNames,
		corners,
		perCorner,
		usualWalk,
		type Corner
	} from '$core/height/corners';
	import { findSlip } from '$core/height/slip';
	import { readingsPerCorner } from '$core/procedure/owed';
	import type { Phase } from '$core/job/model';
	import type { Snippet } from 'svelte';
	import { asHubToArch } from '$core/job/corner-target';
	import { whenIdle } from '$lib/client/later';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { nextHref } from '$lib/ui/job/places';
	import ConditionsForm from '$lib/ui/heights/ConditionsForm.svelte';
	import LeanReason from '$lib/ui/heights/LeanReason.svelte';
	import OffsetForm from '$lib/ui/heights/OffsetForm.svelte';
	import ReadingEntry from '$lib/ui/heights/ReadingEntry.svelte';
	import TiltDrawing from '$lib/ui/heights/TiltDrawing.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	interface Props {
		phase: Phase;
		/** The corner that was asked for; else the first that lacks readings. */
		asked: Corner | null;
		/** What stands above the entry once all is read. */
		answer?: Snippet;
	}
	let { phase, asked, answer }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const devices = whenIdle(() => import('$lib/ui/heights/DeviceStrip.svelte'));
	const angles = whenIdle(() => import('../angles/ArmAngles.svelte'));
	/** The shop's way round the car. */
	const walk = $derived<readonly Corner[]>(page.data.shop?.walk ?? usualWalk);
	/** Rolled and settled anew so many times. */
	let standing = $state(1);
	const last = $derived(
		Math.max(1, ...corners.flatMap((c) => job.view.readings[phase][c].map((r) => r.standing ?? 1)))
	);
	const now = $derived(Math.max(standing, last));
	/** The first standing is read three times at each corner; a later one once. */
	const lacks = $derived((c: Corner) => {
		const readings = job.view.readings[phase][c];
		return (
			readings.length < readingsPerCorner ||
			(now > 1 && !readings.some((reading) => (reading.standing ?? 1) === now))
		);
	});
	const missing = $derived(walk.find(lacks));
	const corner = $derived(asked ?? missing ?? walk[0]!);
	const hubToArch = $derived.by(() => {
		const mean = job.view.corners[corner][phase]?.meanMm;
		return mean === undefined ? undefined : asHubToArch(job.record, corner, mean);
	});
	const means = $derived(perCorner((c) => job.view.corners[c][phase]?.meanMm));
	const stance = $derived(
		corners.every((c) => means[c] !== undefined)
			? balance(means as Record<Corner, number>)
			: undefined
	);
	const reasoned = $derived((axle: 'front' | 'rear') =>
		job.work.book.get('lean', `${phase}/${axle}`)
	);
	const slip = $derived.by(() => {
		const axle = axleOf(corner);
		const other = corners.find((c) => c !== corner && axleOf(c) === axle)!;
		return findSlip(
			job.view.readings[phase][corner].map(({ heightMm }) => heightMm!),
			reasoned(axle) ? undefined : means[other]
		);
	});
	const doubted = $derived(corners.some((c) => job.view.corners[c][phase]?.readAgain));
	/** Everything is read and nothing asked: what comes next is elsewhere. */
	const done = $derived(!missing && !doubted && !slip);
	const decimals = $derived(units.choice.length === 'mm' ? 1 : 2);

	/** The way on has the focus: one Enter of a foot switch leads there. */
	let wayOn = $state<HTMLElement>();
	$effect(() => {
		if (done && !job.record.signedAt) wayOn?.querySelector('a')?.focus({ preventScroll: true });
	});

	/** Another standing, begun at the first corner of the walk. */
	function again() {
		standing = now + 1;
		void open(walk[0]!);
	}

	const open = (to: Corner) => goto(`?corner=${to}`, { noScroll: true, keepFocus: true });

	/** Where a reading was kept last: it shows a moment later, once this device has it. */
	let keptAt = $state<Corner>();
	/** Round the car: when a corner has its readings, on to the next that lacks some. */
	$effect(() => {
		if (keptAt !== corner || lacks(corner)) return;
		// What looks like a slip is asked while the tape is still at this wheel.
		if (slip || job.view.corners[corner][phase]?.readAgain) return;
		keptAt = undefined;
		if (missing && missing !== corner) void open(missing);
	});
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_330px]">
	<div class="min-w-0 space-y-4">
		<h1 class="sr-only">Heights {phase}</h1>
		<div class="grid grid-cols-4 gap-1.5 sm:gap-2" role="group" aria-label="Corners">
			{#each walk as c (c)}
				{@const measure = job.view.corners[c][phase]}
				{@const n = job.view.readings[phase][c].length}
				<button
					type="button"
					onclick={() => open(c)}
					aria-current={c === corner ? 'true' : undefined}
					class="min-h-16 rounded-[3px] border-2 px-1.5 py-1.5 text-start sm:px-3 {c === corner
						? 'border-spruce bg-spruce-wash'
						: 'border-line bg-panel hover:border-edge'}"
				>
					<span class="flex justify-between gap-1 text-[15px] font-semibold"
						><span class="sm:hidden" aria-hidden="true">{c}</span><span class="max-sm:sr-only"
							>{cornerNames[c]}</span
						>
						{#if measure?.readAgain}<StateMark mark="again" />{:else if !lacks(c)}<StateMark
								mark="done"
							/>{:else if n >= readingsPerCorner}<span class="text-ochre">once more</span
							>{:else}<span class="text-ochre">{n}/{readingsPerCorner}</span>{/if}
					</span>
					<span class="num text-2xl max-sm:text-base"
						>{measure ? units.show(measure.meanMm, 'length', { decimals }) : '–'}</span
					>
				</button>
			{/each}
		</div>
		{#if !missing}{@render answer?.()}{/if}
		{#if done && !job.record.signedAt}
			<div
				bind:this={wayOn}
				class="panel flex flex-wrap items-center gap-4 border-2 border-spruce p-4"
			>
				<div class="me-auto">
					<p class="text-xl font-semibold text-spruce" role="status">✓ Read all round</p>
					<p class="caption">
						{now === 1
							? 'At one standing. A car stands some 2 mm otherwise each time it is rolled and settled.'
							: `At ${now} standings.`}
					</p>
				</div>
				<ActionButton class="min-h-16" onclick={again}
					>Roll it, settle it, read once more</ActionButton
				>
				<ActionButton weight="main" href={nextHref(job.record.id, job.next)}
					>Next: {job.next.text} →</ActionButton
				>
			</div>
		{/if}
		<ReadingEntry {phase} {corner} standing={now} {slip} {done} onkept={(at) => (keptAt = at)} />
		<ConditionsForm {phase} />
		<OffsetForm />
	</div>
	<aside class="space-y-4">
		<section class="panel p-4">
			<h2 class="mb-1 text-lg">How it stands {phase}</h2>
			<TiltDrawing
				vehicle={job.record.vehicle}
				heightsMm={perCorner((c) => job.view.corners[c][phase]?.meanMm)}
				expandedMm={perCorner((c) => job.view.corners[c][phase]?.expandedUncertaintyMm)}
			/>
			{#each ['front', 'rear'] as const as axle (axle)}
				{#if stance?.sideVerdict[axle] === 'needs-a-reason'}<LeanReason {phase} {axle} />{/if}
			{/each}
		</section>
		<Later part={devices} given={{ phase, corner }} />
		{#if job.record.corners.includes(corner)}
			{#key corner}
				{#await angles then { default: ArmAngles }}
					<ArmAngles {corner} which="lower" hubToArchMm={hubToArch} />
				{/await}
			{/key}
		{/if}
	</aside>
</div>
