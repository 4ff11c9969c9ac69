<script lang="ts">
	import { refresh } from '$lib/client/refresh';
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import OwnPassword from '$lib/ui/frame/OwnPassword.svelte';
	import UnitsFields from '$lib/ui/controls/UnitsFields.svelte';

	let { data } = $props();
	const person = $derived(data.person!);
	// svelte-ignore state_referenced_locally (the form starts from what is on record and then leads)
	let own = $state<'own' | 'shop'>(data.person!.units ? 'own' : 'shop');
	// svelte-ignore state_referenced_locally
	let units = $state({ ...(data.person!.units ?? data.shop.units) });
	// svelte-ignore state_referenced_locally
	let theme = $state(data.person!.theme);
	let refusal = $state<Refusal>();
	let kept = $state(false);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const answer = await call('PATCH', '/me', { units: own === 'own' ? units : null, theme });
		refusal = answer.ok ? undefined : answer.refusal;
		kept = answer.ok;
		document.documentElement.dataset.theme = theme;
		await refresh();
	}

	async function signOut(everywhere: boolean) {
		const answer = await call('DELETE', `/session${everywhere ? '?everywhere=1' : ''}`);
		if (answer.ok) location.assign('/sign-in');
		else refusal = answer.refusal;
	}
</script>

<svelte:head><title>You · Vane Set</title></svelte:head>
<div class="mx-auto grid max-w-[1000px] items-start gap-5 p-4 md:grid-cols-2 md:p-6">
	<form class="panel space-y-5 p-4" onsubmit={save}>
		<h1 class="text-2xl">
			{person.name}<span class="caption block font-normal">{person.role}</span>
		</h1>
		<RefusalNotice {refusal} />
		<Choice
			label="Units"
			bind:value={own}
			options={[
				{ value: 'shop', name: 'As the shop' },
				{ value: 'own', name: 'My own' }
			]}
		/>
		{#if own === 'own'}<UnitsFields bind:value={units} />{/if}
		<Choice
			label="Screen"
			bind:value={theme}
			options={[
				{ value: 'system', name: 'As the device' },
				{ value: 'light', name: 'Light' },
				{ value: 'dark', name: 'Dark' }
			]}
		/>
		<div class="flex items-center gap-3">
			<ActionButton weight="main" type="submit">Keep</ActionButton>{#if kept}<span
					role="status"
					class="text-spruce">Kept.</span
				>{/if}
		</div>
	</form>
	<div class="space-y-5">
		<section class="panel space-y-3 p-4">
			<h2 class="text-xl">Sign out</h2>
			<p class="text-soft">
				Entries are kept the moment they are made; nothing waits for signing out.
			</p>
			<ActionButton weight="main" class="w-full" onclick={() => signOut(false)}
				>Sign out here</ActionButton
			>
			<ActionButton weight="stop" class="w-full" onclick={() => signOut(true)}
				>Sign out on every device</ActionButton
			>
		</section>
		{#if person.role === 'lead'}<OwnPassword hasPassword={data.hasPassword} />{/if}
	</div>
</div>
