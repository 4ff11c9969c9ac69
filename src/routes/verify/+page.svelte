<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import type { FileProof } from '$lib/server/proof/verify';

	/** For anybody with a sheet or a job file in hand: is it as this shop sealed it? */
	let { data } = $props();
	let file = $state.raw<FileProof>();
	let refusal = $state.raw<Refusal>();
	let name = $state('');
	let picker: HTMLInputElement;

	async function check(event: Event & { currentTarget: HTMLInputElement }) {
		const chosen = event.currentTarget.files?.[0];
		if (!chosen) return;
		file = refusal = undefined;
		name = chosen.name;
		let given: unknown;
		try {
			given = JSON.parse(await chosen.text());
		} catch {
			refusal = { status: 422, title: `${name} is not a job file: it is not JSON.` };
			return;
		}
		const answer = await call<FileProof>('POST', '/verify', given as object);
		if (answer.ok) file = answer.value;
		else refusal = answer.refusal;
	}
	const { longDay: day } = shopTime();
</script>

<div class="mx-auto w-full max-w-[760px] space-y-5 p-4 md:p-8">
	<div>
		<p class="text-soft">{data.shopName}</p>
		<h1 class="text-3xl">Proof of a sheet</h1>
		<p class="mt-1 text-soft">
			The square on a signed sheet, read with a phone, opens this page: it says whether this shop
			sealed the record, and whether the record is still as it was then. Nothing is kept here, and
			no account is needed.
		</p>
	</div>
	{#if data.asked && !data.proof}
		<section class="panel p-4" role="alert">
			<p class="text-xl">
				<StateMark mark="again" word="The address is not whole: read the square once more" />
			</p>
		</section>
	{:else if data.proof}
		{@const proof = data.proof}
		<section class="panel space-y-2 p-5" aria-label="The sheet">
			{#if !proof.sealed}
				<p class="text-2xl text-madder">✕ Not sealed by this shop</p>
				<p>No key of {data.shopName || 'this shop'}, of now or of before, is over this sheet.</p>
			{:else if proof.number === undefined}
				<p class="text-2xl text-ochre">◇ Sealed by this shop, but the job is not here</p>
				<p>The signature is good. Its book is not in this database: it cannot be compared.</p>
			{:else if !proof.unchanged}
				<p class="text-2xl text-madder">✕ The record here is not what was sealed</p>
				<p>
					The sheet of job {proof.number} was sealed by this shop; the book here has been changed since.
					Trust the sheet, and ask the shop.
				</p>
			{:else}
				<p class="text-2xl text-spruce">✓ Sealed by this shop, and unchanged</p>
				<p>
					Job <b>{proof.number}</b>, signed {day(proof.signedAt!)}. The book up to the signature is
					as it was then.
				</p>
				{#if proof.addenda}
					<p class="text-ochre">
						◇ {proof.addenda === 1 ? 'An addendum was' : `${proof.addenda} addenda were`} opened since:
						ask the shop for the newest sheet.
					</p>
				{/if}
			{/if}
			{#if proof.retired}<p class="caption">Sealed with a key that has been retired since.</p>{/if}
		</section>
	{/if}
	<section class="panel space-y-3 p-5" aria-labelledby="file-title">
		<h2 id="file-title" class="text-xl">A job file</h2>
		<p class="text-soft">
			Choose the JSON file of a job: its chain of entries and its seals are checked.
		</p>
		<input
			bind:this={picker}
			type="file"
			accept=".json,application/json"
			aria-label="Job file"
			class="hidden"
			onchange={check}
		/>
		<ActionButton onclick={() => picker.click()}>Choose a job file</ActionButton>
		<RefusalNotice {refusal} />
		{#if file}
			<p class="text-2xl {file.verified ? 'text-spruce' : 'text-ochre'}">
				{file.verified ? `✓ Verified: sealed by ${file.by!.name}` : '◇ Not verified'}
			</p>
			<ul class="list-disc ps-5">
				{#each file.words as line (line)}<li>{line}</li>{/each}
			</ul>
			<p class="caption">{name}, job {file.number}</p>
		{/if}
	</section>
</div>
