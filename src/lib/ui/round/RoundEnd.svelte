<script lang="ts">
	import { waitWords } from '$core/job/turn';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { nextHref } from '$lib/ui/job/places';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import type { Round } from './round.svelte';

	/** Where no joint is in hand: the round waits for a step, or it is through. */
	let { round }: { round: Round } = $props();
	const job = currentJob();
	const hardware = later(() => import('../joints/OpenHardware.svelte'));
	const id = $derived(job.record.id);
</script>

<div class="panel p-6">
	{#if round.held}
		<p class="text-2xl text-ochre">◇ The round waits: {waitWords(round.held)}</p>
		<p class="mt-1 text-[15px] text-soft">
			A joint is tightened once its part is back and its turn has come.
		</p>
		<div class="mt-4">
			<ActionButton weight="main" href="/jobs/{id}/work?step={round.held.id}"
				>To that step</ActionButton
			>
		</div>
	{:else if round.stops.length === 0}
		<p class="text-2xl">No joints are listed here</p>
	{:else}
		<p class="text-2xl {round.skipped.length ? 'text-ochre' : 'text-spruce'}">
			{round.skipped.length
				? '◇ The round is through but for what was passed over'
				: '✓ The round is through'}
		</p>
		{#if !round.skipped.length}<div class="mt-3"><Later part={hardware()} given={{}} /></div>{/if}
		{#each round.skipped as one (one.id)}
			<p class="mt-2">
				{one.corner}
				{one.name}: {round.lastRow(one.id)!.skipReason}
				<ActionButton onclick={() => round.pickJoint(one.id)}>Do it now</ActionButton>
			</p>
		{/each}
		<!-- It has the focus: one Enter of a foot switch leads on. -->
		<div class="mt-4" {@attach (box) => box.querySelector('a')?.focus({ preventScroll: true })}>
			<ActionButton weight="main" href={nextHref(id, job.next)}>{job.next.text} →</ActionButton>
		</div>
	{/if}
</div>
