<script lang="ts">
	import type { Refusal } from '$lib/client/api';
	import type { VersionedWrite } from '$lib/client/versioned.svelte';
	import ActionButton from './ActionButton.svelte';

	interface Props {
		refusal?: Refusal;
		/** For changes that can be applied again on top of somebody else's. */
		write?: VersionedWrite;
		/** Fields that show their own fault; the others are listed here. */
		fields?: readonly string[];
		onapplied?: () => void;
	}
	let { refusal, write, fields = [], onapplied }: Props = $props();
	const shown = $derived(refusal ?? write?.refusal);
	const others = $derived(shown?.faults?.filter((fault) => !fields.includes(fault.field)) ?? []);

	async function again() {
		if (await write?.applyAgain()) onapplied?.();
	}
</script>

{#if shown}
	<div role="alert" class="rounded-[3px] border-2 border-madder bg-madder-wash p-4">
		<p class="font-semibold text-madder">
			<span class="me-1" aria-hidden="true">✕</span>{shown.title}
		</p>
		{#if others.length}
			<ul class="mt-1 list-disc ps-6">
				{#each others as fault (fault.field + fault.message)}<li>
						<b>{fault.field}</b>: {fault.message}
					</li>{/each}
			</ul>
		{/if}
		{#if shown.reference}<p class="caption">Reference {shown.reference}</p>{/if}
		{#if write?.stale}
			<p class="mt-2 font-medium">Since you opened it:</p>
			<ul class="list-disc ps-6">
				{#each shown.changes ?? [] as change (change.version)}<li>
						{change.who}: {change.what}
					</li>{/each}
			</ul>
			<div class="mt-3 flex flex-wrap gap-2">
				<ActionButton weight="plain" onclick={again}>Apply mine on top</ActionButton>
				<ActionButton onclick={() => write?.takeTheirs()}>Keep theirs, drop mine</ActionButton>
			</div>
		{/if}
	</div>
{/if}
