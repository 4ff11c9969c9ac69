<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import { findPoint } from '$core/inspect/points';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Field from '$lib/ui/controls/Field.svelte';

	/** The point in hand: how to look, and what words belong to what was found. */
	let { corner, point }: { corner: Corner; point: string } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const of = $derived(findPoint(point)!);
	const kept = $derived(job.work.book.get('finding', `${corner}/${point}`));
	// Typed until it is kept; the page makes this anew for every point.
	// svelte-ignore state_referenced_locally
	let where = $state(kept?.where ?? '');
	// svelte-ignore state_referenced_locally
	let note = $state(kept?.note ?? '');

	function keepWords() {
		if (!kept?.state || (kept.where === where && kept.note === note)) return;
		void job.keep('finding', `${corner}/${point}`, { ...kept, where, note });
	}
</script>

<section class="panel p-3" aria-label="{of.name}, {corner}">
	<h2 class="text-[17px]">{of.name} <span class="caption">{corner}</span></h2>
	<p class="caption mt-0.5">{of.how}</p>
	{#if kept?.state && !closed}
		<div data-draft="{corner} {point}" class="mt-2 grid gap-2" onfocusout={keepWords}>
			{#if of.where}<Field label={of.where} bind:value={where} maxlength={120} />{/if}
			<Field label="Note" bind:value={note} maxlength={500} />
		</div>
	{:else if kept?.where || kept?.note}
		<p class="mt-1">{[kept.where, kept.note].filter(Boolean).join(' · ')}</p>
	{/if}
</section>
