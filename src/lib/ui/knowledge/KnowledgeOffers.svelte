<script lang="ts">
	import { page } from '$app/state';
	import { offeredOwn, type OfferedKnowledge } from '$core/job/knowledge-offers';
	import { currentJob } from '$lib/client/job-state.svelte';
	import KnowledgeOffer from './KnowledgeOffer.svelte';

	/** Steps that earlier cars taught and that have their place in this job. */
	const job = currentJob();
	const offers = $derived(
		offeredOwn(
			job.work.book,
			job.work.order.steps,
			(page.data.known ?? []) as OfferedKnowledge[]
		).filter(({ own }) => own.what === 'step')
	);
</script>

{#if offers.length && job.record.signedAt === null}
	<section class="panel border-l-4 border-l-mark p-4" aria-labelledby="offers-title">
		<h2 id="offers-title" class="text-xl">What earlier cars taught</h2>
		<ul class="mt-1 divide-y divide-line">
			{#each offers as offer (offer.id)}<KnowledgeOffer {offer} where />{/each}
		</ul>
	</section>
{/if}
