<script lang="ts">
	import { corners, perCorner } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import CarPlan from '$lib/ui/car-plan/CarPlan.svelte';
	import CornerPanel from '$lib/ui/car-plan/CornerPanel.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { nextHref, setHref } from '$lib/ui/job/places';
	import CarNotes from '$lib/ui/job/CarNotes.svelte';

	const job = currentJob();
	let noting = $state(false);
	const record = $derived(job.record);
	const standing = $derived(job.view.standing);
	const owed = $derived(
		perCorner((corner) => standing.owed.filter((item) => item.corner === corner).length)
	);
	/** As it stands now: after, where that was read. */
	const heightsMm = $derived(
		Object.fromEntries(
			corners.flatMap((corner) => {
				const { before, after } = job.view.corners[corner];
				const mm = (after ?? before)?.meanMm;
				return mm === undefined ? [] : [[corner, mm]];
			})
		)
	);
	const base = $derived(`/jobs/${record.id}`);
</script>

<div class="p-4 md:px-6">
	<h1 class="sr-only">Car board</h1>
	<CarNotes bind:adding={noting} />
	<div class="h-[470px] sm:hidden">
		<CarPlan
			vehicle={record.vehicle}
			worked={record.corners}
			{owed}
			href={(corner) => setHref(record.id, corner)}
			{heightsMm}
		/>
	</div>
	<div class="grid gap-3 max-sm:hidden sm:grid-cols-2 lg:grid-cols-[1fr_300px_1fr] lg:grid-rows-2">
		<div class="lg:order-1"><CornerPanel corner="FL" /></div>
		<div class="row-span-2 hidden h-[440px] lg:order-2 lg:block">
			<CarPlan
				vehicle={record.vehicle}
				worked={record.corners}
				{owed}
				href={(corner) => setHref(record.id, corner)}
			/>
		</div>
		<div class="lg:order-3"><CornerPanel corner="FR" /></div>
		<div class="lg:order-4"><CornerPanel corner="RL" /></div>
		<div class="lg:order-5"><CornerPanel corner="RR" /></div>
	</div>
	<div class="mt-3 flex flex-wrap items-center gap-x-2 gap-y-3 bg-paper py-2 lg:sticky lg:bottom-0">
		{#if standing.stage === 'signed'}<p class="text-lg font-semibold">Signed</p>
		{:else}
			<p class="text-lg">
				<span class="num text-3xl {standing.owed.length ? 'text-ochre' : 'text-spruce'}"
					>{standing.owed.length}</span
				> left to do
			</p>
		{/if}
		<button type="button" class="touch px-3 underline" onclick={() => (noting = true)}
			>Add a note</button
		>
		<a class="touch inline-flex items-center px-3 underline" href="{base}/history">History</a>
		{#if !record.signedAt}<a
				class="touch inline-flex items-center px-3 underline"
				href="{base}/edit">Change the job</a
			>{/if}
		<span class="flex-1"></span>
		{#if job.next.stage === 'look'}
			{@const other = job.nextWhere(true)}
			<ActionButton class="min-h-16" href={nextHref(record.id, other)}>{other.text}</ActionButton>
		{/if}
		<ActionButton weight="main" href={nextHref(record.id, job.next)} data-next
			>{job.next.text} →</ActionButton
		>
	</div>
</div>
