<script lang="ts">
	import { refresh } from '$lib/client/refresh';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	let { hasPassword }: { hasPassword: boolean } = $props();
	let secret = $state('');
	let password = $state('');
	let refusal = $state<Refusal>();
	let said = $state<string>();

	async function put(next: string | null) {
		const answer = await call('PUT', '/me/password', { secret, password: next });
		refusal = answer.ok ? undefined : answer.refusal;
		said = answer.ok ? (next === null ? 'Taken away.' : 'Kept.') : undefined;
		if (!answer.ok) return;
		[secret, password] = ['', ''];
		await refresh();
	}

	function keep(event: SubmitEvent) {
		event.preventDefault();
		void put(password);
	}
</script>

<form class="panel space-y-4 p-4" onsubmit={keep} novalidate>
	<h2 class="text-xl">Your password</h2>
	<p class="text-soft">
		{hasPassword
			? 'Set. It signs you in where a PIN is shut out by wrong tries.'
			: 'None yet. Beside your PIN, it signs you in where the PIN is shut out by wrong tries.'}
	</p>
	<RefusalNotice {refusal} fields={['secret', 'password']} />
	<Field
		label="PIN you sign in with now"
		type="password"
		bind:value={secret}
		fault={faultOf(refusal, 'secret')}
		autocomplete="current-password"
	/>
	<Field
		label={hasPassword ? 'New password' : 'Password'}
		type="password"
		bind:value={password}
		fault={faultOf(refusal, 'password')}
		hint="8 characters or more; a few words are easy to keep"
		autocomplete="new-password"
	/>
	<div class="flex flex-wrap items-center gap-3">
		<ActionButton weight="main" type="submit">Keep</ActionButton>
		{#if hasPassword}<ActionButton weight="stop" onclick={() => put(null)}
				>Take it away</ActionButton
			>{/if}
		{#if said}<span role="status" class="text-spruce">{said}</span>{/if}
	</div>
</form>
