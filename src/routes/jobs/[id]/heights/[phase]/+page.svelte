<script lang="ts">
	import { goto } from '$app/navigation';
	import { cornerNames, corners, perCorner, type Corner } from '$core/height/corners';
	import { readingsPerCorner } from '$core/procedure/owed';
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

	let { data } = $props();
	const job = currentJob();
	const units = personalUnits();
	const phase = $derived(data.phase);
	const missing = $derived(
		corners.find((corner) => job.view.readings[phase][corner].length < readingsPerCorner)
	);
	const corner = $derived(data.corner ?? missing ?? 'FL');
	const decimals = $derived(units.choice.length === 'mm' ? 1 : 2);

	const open = (to: Corner) => goto(`?corner=${to}`, { noScroll: true, keepFocus: true });

	/** Round the car: when a corner has its readings, on to the next that lacks some. */
	function kept(at: Corner, count: number) {
		if (count < readingsPerCorner) return;
		const next = corners.find(
			(c) => c !== at && job.view.readings[phase][c].length < readingsPerCorner
		);
		if (next) void open(next);
	}
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
		<ReadingEntry {phase} {corner} onkept={kept} />
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
