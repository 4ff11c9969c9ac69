<script lang="ts">
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import { onMount } from 'svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	let { data } = $props();
	let handle = $state('');
	let secret = $state('');
	let refusal = $state<Refusal>();
	/** Until the page listens, the browser would send the form by itself. */
	let busy = $state(true);
	onMount(() => (busy = false));

	async function submit(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call('POST', '/session', { handle: handle.trim(), secret });
		if (answer.ok) location.assign(data.to);
		else {
			refusal = answer.refusal;
			secret = '';
			busy = false;
		}
	}
</script>

<div class="grid min-h-dvh lg:grid-cols-[1fr_minmax(420px,44%)]">
	<section class="hidden flex-col justify-between bg-[#12312c] p-12 text-[#f0efe6] lg:flex">
		<div class="flex items-center gap-3 text-2xl font-bold [font-stretch:84%]">
			<img src="/icon.svg" alt="" class="size-10" />Vane Set
		</div>
		<svg
			viewBox="0 0 520 330"
			class="w-full max-w-2xl"
			role="img"
			aria-label="An arm drooped, and at ride height with its bush untwisted"
		>
			<g fill="none" stroke="#bcd0c8" stroke-width="2">
				<path d="M20 250H500" stroke="#4c7268" />
				<circle cx="400" cy="176" r="74" />
				<circle cx="400" cy="176" r="10" fill="#f0efe6" stroke="none" />
				<path d="M304 112a112 112 0 0 1 192 0" stroke-width="3" />
				<path d="M140 166 396 250" stroke="#e8a33d" stroke-dasharray="7 7" />
				<path d="M140 166 396 196" stroke="#f0efe6" stroke-width="7" stroke-linecap="round" />
				<circle cx="140" cy="166" r="30" fill="#12312c" stroke="#f0efe6" stroke-width="5" />
				<circle cx="140" cy="166" r="9" fill="#f0efe6" stroke="none" />
				<path d="M226 176a87 87 0 0 1-3 18" stroke="#e8a33d" stroke-width="3" />
				<path d="M400 57V166 M391 57h18" stroke="#e8a33d" />
			</g>
		</svg>
		<p class="max-w-md text-xl leading-snug text-[#dfe8e2]">
			Rubber is tightened where the car will stand. Heights before, joints, set at ride height,
			heights after, one signed sheet.
		</p>
	</section>
	<section class="flex items-center justify-center p-6">
		<form class="w-full max-w-sm space-y-5" onsubmit={submit}>
			<h1 class="text-3xl">{data.shop.name}</h1>
			<RefusalNotice {refusal} fields={['handle', 'secret']} />
			<Field
				label="Sign-in name"
				bind:value={handle}
				autocomplete="username"
				autocapitalize="none"
				required
			/>
			<Field
				label="PIN or password"
				type="password"
				bind:value={secret}
				autocomplete="current-password"
				required
			/>
			<ActionButton weight="main" type="submit" disabled={busy} class="w-full">Sign in</ActionButton
			>
			<p class="caption">Forgotten? A lead gives you a new PIN under Shop.</p>
		</form>
	</section>
</div>
