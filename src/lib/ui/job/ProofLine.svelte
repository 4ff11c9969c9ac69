<script lang="ts">
	import { call } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import type { Proof } from '$core/job/model';
	import type { SealProof } from '$lib/server/proof/verify';

	/** Whether the book is as it was written; prints with the sheet. */
	const job = currentJob();
	type Proven = Proof & { seals: SealProof[] };
	let proof = $state.raw<Proven>();
	let away = $state(false);

	$effect(() => {
		void job.seq;
		void call<Proven>('GET', `/jobs/${job.record.id}/proof`).then((answer) => {
			away = !answer.ok;
			if (answer.ok) proof = answer.value;
		});
	});
</script>

{#if proof?.broken}
	<p class="font-semibold text-madder">
		✕ The record does not hold: {proof.broken.words} (entry {proof.broken.seq} of {proof.entries}).
	</p>
{:else if proof?.head}
	{#each proof.seals as seal (seal.seq)}
		<p class={seal.holds ? '' : 'font-semibold text-madder'}>
			{seal.holds ? '✓' : '✕'} The seal on the signature of entry {seal.seq}
			{seal.words}, key {seal.keyId}.
		</p>
	{/each}
	<p>
		✓ {proof.entries} entries of the book as they were written. Head of the chain
		<span class="break-all">{proof.head}</span>
	</p>
{:else if away}
	<p>The chain of the record could not be checked now: the server is away.</p>
{:else if proof}
	<p>Nothing in the book yet.</p>
{/if}
