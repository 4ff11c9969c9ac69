<script lang="ts">
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { onMount } from 'svelte';

	/** The key this shop seals with, and the shops whose seals it knows. */
	let { lead }: { lead: boolean } = $props();
	interface Key {
		keyId: string;
		publicKey: string;
		madeAt: string;
		retiredAt: string | null;
	}
	interface Known {
		keyId: string;
		name: string;
		addedAt: string;
	}
	let keys = $state.raw<Key[]>([]);
	let known = $state.raw<Known[]>([]);
	let refusal = $state.raw<Refusal>();
	let name = $state('');
	let publicKey = $state('');

	async function reload() {
		const [own, others] = await Promise.all([
			call<{ keys: Key[] }>('GET', '/keys'),
			call<{ shops: Known[] }>('GET', '/known-shops')
		]);
		if (own.ok) keys = own.value.keys;
		if (others.ok) known = others.value.shops;
	}
	onMount(reload);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		const answer = await call('POST', '/known-shops', { name, publicKey });
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		name = publicKey = '';
		await reload();
	}
	async function remove(keyId: string) {
		const answer = await call('DELETE', `/known-shops/${keyId}`);
		refusal = answer.ok ? undefined : answer.refusal;
		await reload();
	}
	const day = (at: string) => at.slice(0, 10);
</script>

<section class="panel space-y-3 p-4" aria-labelledby="seals-title">
	<h2 id="seals-title" class="text-xl">Seals</h2>
	<p class="text-[15px] text-soft">
		Each signature is sealed with this shop’s key. Give the key to shops that take your job files,
		and to whoever checks a sheet; <code>./vane keys rotate</code> takes another one into use.
	</p>
	<ul class="divide-y divide-line border-y border-line">
		{#each keys as key (key.keyId)}
			<li class="py-1.5 text-[15px]">
				<span class={key.retiredAt ? 'text-soft' : 'font-semibold text-spruce'}
					>{key.retiredAt ? `retired ${day(key.retiredAt)}` : '✓ in use'}</span
				>
				<span class="caption">since {day(key.madeAt)}</span>
				<code class="block break-all">{key.publicKey}</code>
			</li>
		{/each}
	</ul>
	<h3 class="text-base font-semibold">Shops whose seals we know</h3>
	<ul>
		{#each known as shop (shop.keyId)}
			<li class="flex min-h-12 items-center gap-3">
				<span class="me-auto"
					>{shop.name}
					<span class="caption">key {shop.keyId}, since {day(shop.addedAt)}</span></span
				>
				{#if lead}<ActionButton weight="stop" onclick={() => remove(shop.keyId)}
						>Remove</ActionButton
					>{/if}
			</li>
		{:else}
			<li class="text-[15px] text-soft">None yet: files from elsewhere are marked not verified.</li>
		{/each}
	</ul>
	<RefusalNotice {refusal} fields={['name', 'publicKey']} />
	{#if lead}
		<form class="grid gap-3 sm:grid-cols-2" onsubmit={add}>
			<Field
				label="Shop"
				bind:value={name}
				maxlength={120}
				required
				fault={faultOf(refusal, 'name')}
			/>
			<Field
				label="Its public key"
				bind:value={publicKey}
				maxlength={60}
				required
				hint="43 letters, from its page Shop"
				fault={faultOf(refusal, 'publicKey')}
			/>
			<div><ActionButton type="submit">Add the shop</ActionButton></div>
		</form>
	{/if}
</section>
