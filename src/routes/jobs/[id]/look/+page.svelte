<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { axleOf, cornerNames, corners, type Corner } from '$core/height/corners';
	import { findPoint, findState, inspectionPoints } from '$core/inspect/points';
	import type { HeardFinding } from '$core/inspect/said';
	import { currentJob } from '$lib/client/job-state.svelte';
	import JumpMarks from '$lib/ui/controls/JumpMarks.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import BounceEntry from '$lib/ui/inspect/BounceEntry.svelte';
	import CornerWalk from '$lib/ui/inspect/CornerWalk.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import PhotoStrip from '$lib/ui/inspect/PhotoStrip.svelte';
	import { later, whenIdle } from '$lib/client/later';
	import Symptoms from '$lib/ui/inspect/Symptoms.svelte';
	import WalkDrawing from '$lib/ui/inspect/WalkDrawing.svelte';

	const job = currentJob();
	const note = later(() => import('$lib/ui/inspect/PointNote.svelte'));
	const saidFinding = whenIdle(() => import('$lib/ui/inspect/SaidFinding.svelte'));
	const sag = whenIdle(() => import('$lib/ui/inspect/SagPanel.svelte'));
	const asked = $derived(page.url.searchParams.get('corner'));
	const corner = $derived<Corner>(corners.find((one) => one === asked) ?? job.record.corners[0]!);
	let point = $state<string>();
	const choose = (to: Corner) => {
		point = undefined;
		void goto(`?corner=${to}`, { replaceState: true, keepFocus: true, noScroll: true });
	};
	const tally = $derived((of: Corner) => {
		const found = job.work.book
			.of('finding')
			.filter(({ data }) => data.corner === of && data.state)
			.map(({ data }) => findState(findPoint(data.point)!, data.state!)!.gravity);
		return {
			done: found.length,
			all: inspectionPoints(job.work.scope.layouts[axleOf(of)]).length,
			worn: found.filter((one) => one === 'worn').length,
			watch: found.filter((one) => one === 'watch').length
		};
	});
	function toPoint(found: HeardFinding) {
		if (found.corner !== corner) choose(found.corner);
		point = found.point.key;
	}
	const pointName = $derived(point ? findPoint(point)?.name.toLowerCase() : undefined);
</script>

<div class="p-4 md:px-6">
	<h1 class="sr-only">Inspection</h1>
	<div class="mb-3 flex flex-wrap items-stretch gap-2" role="group" aria-label="Corner">
		{#each corners as one (one)}
			{@const count = tally(one)}
			<button
				type="button"
				class="touch min-w-40 rounded-[3px] border px-4 py-1.5 text-start {one === corner
					? 'border-2 border-spruce bg-spruce-wash'
					: 'border-edge bg-panel hover:bg-sunk'}"
				aria-pressed={one === corner}
				onclick={() => choose(one)}
			>
				<span class="font-semibold">{cornerNames[one]}</span>
				<span class="block text-[15px] text-soft"
					>{count.done} of {count.all}{#if count.worn}<b class="ms-2 text-madder"
							>✕ {count.worn} worn</b
						>{/if}{#if count.watch}<b class="ms-2 text-ochre">◇ {count.watch}</b>{/if}</span
				>
			</button>
		{/each}
		<span class="flex-1"></span>
		<ActionButton weight="main" href="/jobs/{job.record.id}/plan">Decide →</ActionButton>
	</div>
	<div class="mb-3">
		<JumpMarks
			marks={[
				['points', 'Point by point'],
				['drawing', 'Drawing, photos, bounce']
			]}
		/>
	</div>
	<div
		class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[300px_minmax(0,1fr)_322px]"
	>
		<div class="space-y-4">
			<Symptoms axle={axleOf(corner)} />
			{#await sag then { default: SagPanel }}<SagPanel />{/await}
		</div>
		<div id="points"><CornerWalk {corner} bind:point /></div>
		<div
			id="drawing"
			class="space-y-3 lg:sticky lg:top-2 lg:max-h-[calc(100dvh-1rem)] lg:overflow-y-auto"
		>
			<section class="panel p-2" aria-label="Places on the drawing">
				{#key corner}<WalkDrawing {corner} bind:point />{/key}
			</section>
			{#if point}
				<!-- On a phone it stands at the lower edge, whichever row was touched. -->
				<div class="max-lg:fixed max-lg:inset-x-2 max-lg:bottom-2 max-lg:z-20 max-lg:shadow-lg">
					{#key `${corner}/${point}`}<Later part={note()} given={{ corner, point }} />{/key}
				</div>
			{/if}
			<Later part={saidFinding} given={{ corner, onkept: toPoint }} />
			<PhotoStrip
				{corner}
				subject={point ?? ''}
				title={pointName ? `Photos, ${pointName}` : `Photos, ${corner}`}
			/>
			{#key corner}<BounceEntry {corner} />{/key}
		</div>
	</div>
</div>
