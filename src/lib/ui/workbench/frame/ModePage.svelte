<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import type { Component, Snippet } from 'svelte';

	/** A page with a few benches of one subject; which one is part of the link. */
	interface Props {
		label: string;
		modes: readonly { value: string; name: string; bench: Component<{ choices: Snippet }> }[];
	}
	let { label, modes }: Props = $props();
	const asked = $derived(page.url.searchParams.get('mode'));
	const first = $derived(modes[0]!.value);
	const mode = $derived(modes.some(({ value }) => value === asked) ? asked! : first);
	const Bench = $derived(modes.find(({ value }) => value === mode)!.bench);

	function pick(value: string) {
		void goto(value === first ? '?' : `?mode=${value}`, { replaceState: true, noScroll: true });
	}
</script>

{#snippet choices()}
	<Choice {label} bind:value={() => mode, pick} options={modes} />
{/snippet}

{#key mode}
	<Bench {choices} />
{/key}
