<script lang="ts">
	import { Table } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	/** Rows of numbers or words. */
	interface Props {
		/** `thead` and `tbody`. */
		children: Snippet;
		class?: string;
		[attribute: string]: unknown;
	}
	let { children, class: more = '', ...rest }: Props = $props();
</script>

<Table
	color="default"
	border={false}
	classes={{ div: 'overflow-x-visible' }}
	class="w-full text-start text-[length:inherit] text-ink {more}"
	{...rest}>{@render children()}</Table
>
