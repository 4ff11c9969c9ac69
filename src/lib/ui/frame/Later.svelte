<script lang="ts" generics="Its extends object">
	import type { Component } from 'svelte';

	/** A part of the page that is fetched when it is wanted (`client/later`), with what it is given. */
	interface Props {
		part: Promise<{ default: Component<Its, object, '' | (keyof Its & string)> }>;
		given: Its;
	}
	let { part, given }: Props = $props();
</script>

{#await part then { default: Part }}
	<Part {...given} />
{:catch}
	<p class="text-[15px] text-ochre">◇ Not here yet, and the server does not answer.</p>
{/await}
