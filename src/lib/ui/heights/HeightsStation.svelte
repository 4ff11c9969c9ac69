<script lang="ts">
	import { goto } from '$app/navigation';
	import { cornerNames, corners, perCorner, type Corner } from '$core/height/corners';
	import { readingsPerCorner } from '$core/procedure/owed';
	import type { Phase } from '$core/job/model';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import CompareTable from '$lib/ui/heights/CompareTable.svelte';
	import ConditionsForm from '$lib/ui/heights/ConditionsForm.svelte';
	import DeviceStrip from '$lib/ui/heights/DeviceStrip.svelte';
	import HeightLadder from '$lib/ui/heights/HeightLadder.svelte';
	import OffsetForm from '$lib/ui/heights/OffsetForm.svelte';
	import ReadingEntry from '$lib/ui/heights/ReadingEntry.svelte';
	import TiltDrawing from '$lib/ui/heights/TiltDrawing.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	interface Props {
		phase: Phase;
		/** The corner that was asked for; else the first that lacks readings. */
		asked: Corner | null;
	}
	let { phase, asked }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const missing = $derived(
		corners.find((corner) => job.view.readings[phase][corner].length < readingsPerCorner)
	);
	const corner = $derived(asked ?? missing ?? 'FL');
	const decimals = $derived(units.choice.length === 'mm' ? 1 : 2);

	const open = (to: Corner) => goto(`?corner=${to}`, { noScroll: true, keepFocus: true });

	/** Where a reading was kept last: it shows a moment later, once this device has it. */
	let keptAt = $state<Corner>();
	/** Round the car: when a corner has its readings, on to the next that lacks some. */
	$effect(() => {
		if (keptAt !== corner || job.view.readings[phase][corner].length < readingsPerCorner) return;
		keptAt = undefined;
		if (missing && missing !== corner) void open(missing);
	});
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_330px]">
	<div class="min-w-0 space-y-4">
		<h1 class="sr-only">Heights {phase}</h1>
		<div class="grid grid-cols-2 gap-2 sm:grid-cols-4" role="group" aria-label="Corners">
			{#each corners as c (c)}
				{@const measure = job.view.corners[c][phase]}
				{@const n = job.view.readings[phase][c].length}
				<button
					type="button"
					onclick={() => open(c)}
					aria-current={c === corner ? 'true' : undefined}
					class="min-h-16 rounded-[3px] border-2 px-3 py-1.5 text-start {c === corner
						? 'border-spruce bg-spruce-wash'
						: 'border-line bg-panel hover:border-edge'}"
				>
					<span class="flex justify-between gap-2 text-[15px] font-semibold"
						>{cornerNames[c]}
						{#if measure?.readAgain}<StateMark
								mark="again"
							/>{:else if n >= readingsPerCorner}<StateMark mark="done" />{:else}<span
								class="text-ochre">{n}/{readingsPerCorner}</span
							>{/if}
					</span>
					<span class="num text-2xl"
						>{measure ? units.show(measure.meanMm, 'length', { decimals }) : '–'}</span
					>
				</button>
			{/each}
		</div>
		{#if phase === 'after' && !missing}
			<!-- Read all round: the answer comes before the entry of more readings. -->
			<section class="panel space-y-4 p-4">
				<h2 class="text-lg">Before, after, target</h2>
				<CompareTable /><HeightLadder />
			</section>
		{/if}
		<ReadingEntry {phase} {corner} onkept={(at) => (keptAt = at)} />
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
		</section>
		<DeviceStrip {phase} {corner} />
	</aside>
</div>
