<script lang="ts">
	import { Button } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	interface Props {
		children: Snippet;
		/** main: the one thing to press here; plain: everything else; stop: ends or destroys. */
		weight?: 'main' | 'plain' | 'stop';
		href?: string;
		type?: 'button' | 'submit';
		disabled?: boolean;
		class?: string;
		onclick?: (event: MouseEvent) => void;
		[attribute: string]: unknown;
	}
	let {
		children,
		weight = 'plain',
		href,
		type = 'button',
		class: more = '',
		...rest
	}: Props = $props();

	/** None of the library's colours. */
	const ours = 'ours' as never;
	const look = {
		main: 'min-h-16 border-spruce bg-spruce px-6! text-lg! text-on-spruce hover:bg-spruce-deep',
		plain: 'min-h-12 border-edge bg-panel px-4! text-base! text-ink hover:bg-sunk',
		stop: 'min-h-12 border-madder bg-panel px-4! text-base! text-madder hover:bg-madder-wash'
	};
	const base =
		'rounded-[3px]! border font-semibold! gap-2 focus-within:ring-0! disabled:opacity-50 no-underline';
</script>

<Button {href} {type} color={ours} class="{base} {look[weight]} {more}" {...rest}
	>{@render children()}</Button
>
