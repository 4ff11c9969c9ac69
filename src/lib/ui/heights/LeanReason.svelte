<script lang="ts">
	import type { Axle } from '$core/height/corners';
	import type { Phase } from '$core/job/model';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** Why an axle stands higher on one side: touched, or said in words. */
	let { phase, axle }: { phase: Phase; axle: Axle } = $props();
	const job = currentJob();
	const write = new EntryInput(job);
	const closed = $derived(job.record.signedAt !== null);
	const kept = $derived(job.work.book.get('lean', `${phase}/${axle}`)?.reason);
	const usual = [
		'Spring broken or sagged',
		'Driver, tank or load on one side',
		'Floor not level here',
		'Body or earlier repair'
	];
	let changing = $state(false);
	let reason = $state('');

	async function keep(words: string) {
		if (!(await write.send('lean', `${phase}/${axle}`, { reason: words.trim() }))) return;
		changing = false;
		reason = '';
	}
</script>

<div class="mt-3 border-t border-line pt-2">
	<p class="text-[15px]">
		<b class="capitalize">{axle}</b>, over 10 mm left to right:
		{#if kept && !changing}<span class="font-medium text-spruce">✓ {kept}</span>{:else}<span
				class="font-semibold text-madder">why?</span
			>{/if}
	</p>
	{#if !closed && kept && !changing}
		<ActionButton class="mt-1" onclick={() => (changing = true)}>Change</ActionButton>
	{:else if !closed}
		<div class="mt-1 flex flex-wrap gap-1.5" role="group" aria-label="Usual reasons, {axle}">
			{#each usual as one (one)}
				<button
					type="button"
					class="touch rounded-[3px] border border-edge bg-panel px-3 text-[15px] hover:bg-sunk"
					disabled={write.busy}
					onclick={() => keep(one)}>{one}</button
				>
			{/each}
		</div>
		<form
			class="mt-2 flex items-end gap-2"
			data-draft="reason {phase} {axle}"
			onsubmit={(event) => {
				event.preventDefault();
				void keep(reason);
			}}
		>
			<Field class="flex-1" label="Other reason, {axle}" bind:value={reason} maxlength={300} />
			<ActionButton type="submit" disabled={!reason.trim()}>Keep</ActionButton>
		</form>
		<RefusalNotice refusal={write.refusal} />
	{/if}
</div>
