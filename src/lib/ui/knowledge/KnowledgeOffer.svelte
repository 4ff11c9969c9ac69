<script lang="ts">
	import { sourceOf, type OfferedKnowledge } from '$core/job/knowledge-offers';
	import { isAnchor } from '$core/work/shop-knowledge';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { v7 as uuidv7 } from 'uuid';

	/** A step that an earlier car taught: into this job, or not for this car. */
	let { offer, where = false }: { offer: OfferedKnowledge; where?: boolean } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const anchor = $derived(job.work.order.steps.find((step) => isAnchor(step, offer.own)));
	let refusal = $state<Refusal>();
	const take = async (more: { removed?: true }) => {
		refusal = await job.keep('own', uuidv7(), { ...offer.own, for: 'job', of: offer.id, ...more });
	};
</script>

<li class="flex flex-wrap items-center gap-2 py-1.5">
	<span class="me-auto min-w-40 flex-1 leading-tight"
		><b>{offer.own.text}</b>
		<span class="caption block"
			>{sourceOf(offer)}{where && anchor ? ` · after “${anchor.title}”` : ''}</span
		></span
	>
	{#if !closed}
		<ActionButton aria-label="Take in: {offer.own.text}" onclick={() => take({})}
			>Take in</ActionButton
		>
		<ActionButton onclick={() => take({ removed: true })}>Not here</ActionButton>
	{/if}
	<RefusalNotice {refusal} />
</li>
