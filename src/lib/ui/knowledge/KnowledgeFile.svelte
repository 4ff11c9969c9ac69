<script lang="ts">
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** What the shop's jobs taught, out to another shop as a file and in from one. */
	let { lead }: { lead: boolean } = $props();
	let refusal = $state.raw<Refusal>();
	let told = $state('');
	let picker = $state<HTMLInputElement>();

	async function take(file: File | undefined) {
		if (!file) return;
		told = '';
		let content: object;
		try {
			content = JSON.parse(await file.text()) as object;
		} catch {
			refusal = { status: 400, title: `${file.name} is not a JSON file.` };
			return;
		}
		const answer = await call<{ added: number; known: number }>('POST', '/own-knowledge', content);
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		const { added, known } = answer.value;
		told = `${added} taken in${known ? `, ${known} known already` : ''}.`;
	}
</script>

<section class="panel space-y-3 p-4" aria-labelledby="own-file-title">
	<h2 id="own-file-title" class="text-xl">What the shop knows</h2>
	<p class="text-[15px] text-soft">
		Steps, notes, sockets and counts that jobs taught of models and layouts. A job offers them where
		they have their place; a file carries them to another shop.
	</p>
	<RefusalNotice {refusal} />
	<div class="flex flex-wrap items-center gap-3">
		<ActionButton href="/api/v1/own-knowledge" download="own-knowledge.json"
			>Save as a file</ActionButton
		>
		{#if lead}
			<input
				bind:this={picker}
				type="file"
				accept="application/json,.json"
				class="hidden"
				aria-label="File of own knowledge from another shop"
				onchange={(event) => void take(event.currentTarget.files?.[0])}
			/>
			<ActionButton onclick={() => picker?.click()}>Take in a file</ActionButton>
		{/if}
		{#if told}<span role="status" class="text-spruce">✓ {told}</span>{/if}
	</div>
</section>
