<script lang="ts">
	import { Table } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	/** Rows of numbers or words. */
	interface Props {
		/** `thead` and `tbody`. */
		children: Snippet;
		class?: string;
		/** Of its text; absent: of what stands around it. */
		size?: string;
		[attribute: string]: unknown;
	}
	let { children, class: more = '', size = 'text-[length:inherit]!', ...rest }: Props = $props();
</script>

<Table
	color="default"
	border={false}
	classes={{ div: 'overflow-x-visible!' }}
	class="w-full leading-[inherit]! text-ink! {size} {more}"
	{...rest}>{@render children()}</Table
>
