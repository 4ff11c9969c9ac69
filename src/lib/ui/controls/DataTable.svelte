<script lang="ts">
	import { Table } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	/** Rows of numbers or words; wider than the screen, it is moved sideways on its own. */
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
	class="w-full text-start text-[length:inherit] text-ink {more}"
	{...rest}>{@render children()}</Table
>
