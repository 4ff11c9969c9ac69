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

	const look = {
		main: 'min-h-16 px-6 text-lg bg-spruce text-on-spruce hover:bg-spruce-deep',
		plain:
			'min-h-12 px-4 text-base bg-panel text-ink border border-edge hover:bg-sunk hover:text-ink',
		stop: 'min-h-12 px-4 text-base bg-panel text-madder border border-madder hover:bg-madder-wash hover:text-madder'
	};
	const base =
		'rounded-[3px] font-semibold gap-2 focus-within:ring-0 disabled:opacity-50 no-underline';
</script>

<Button {href} {type} color="light" class="{base} {look[weight]} {more}" {...rest}
	>{@render children()}</Button
>
