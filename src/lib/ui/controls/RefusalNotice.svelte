<script lang="ts">
	import type { Refusal } from '$lib/client/api';
	import Notice from './Notice.svelte';

	interface Props {
		refusal?: Refusal;
		/** Fields that show their own fault; the others are listed here. */
		fields?: readonly string[];
	}
	let { refusal, fields = [] }: Props = $props();
	const others = $derived(refusal?.faults?.filter((fault) => !fields.includes(fault.field)) ?? []);
</script>

{#if refusal}
	<Notice role="alert">
		<p class="font-semibold text-madder">
			<span class="me-1" aria-hidden="true">✕</span>{refusal.title}
		</p>
		{#if others.length}
			<ul class="mt-1 list-disc ps-6">
				{#each others as fault (fault.field + fault.message)}<li>
						<b>{fault.field}</b>: {fault.message}
					</li>{/each}
			</ul>
		{/if}
		{#if refusal.reference}<p class="caption">Reference {refusal.reference}</p>{/if}
	</Notice>
{/if}
