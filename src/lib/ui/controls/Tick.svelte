<script lang="ts">
	import { Checkbox } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';

	/** Yes or no, with its words. */
	interface Props {
		children: Snippet;
		checked?: boolean;
		disabled?: boolean;
		/** For what one must look at: the box is as large as a thumb. */
		large?: boolean;
		class?: string;
		onchange?: (event: Event & { currentTarget: HTMLInputElement }) => void;
		[attribute: string]: unknown;
	}
	let {
		children,
		checked = $bindable(false),
		large = false,
		class: more = '',
		...rest
	}: Props = $props();
</script>

<Checkbox
	bind:checked
	class="shrink-0 rounded-[3px]! border-2 border-edge! bg-panel! text-spruce! checked:bg-current! focus:ring-0! focus:ring-offset-0! {large
		? 'size-8!'
		: 'size-6!'}"
	classes={{ div: `touch cursor-pointer gap-3 text-[17px] font-normal text-ink ${more}` }}
	{...rest}>{@render children()}</Checkbox
>
