<script lang="ts">
	import { Modal } from 'flowbite-svelte';
	import type { Snippet } from 'svelte';
	import ActionButton from './ActionButton.svelte';

	/** A window over the page; Esc, a touch beside it and its button close it. */
	interface Props {
		open: boolean;
		title: string;
		children: Snippet;
		/** Beside the button that closes it. */
		more?: Snippet;
		/** As wide as what is in it. */
		wide?: boolean;
	}
	let { open = $bindable(), title, children, more, wide = false }: Props = $props();

	/** At once, so that what had the focus has it again before the next key. */
	function shut(event: Event & { currentTarget: HTMLDialogElement }) {
		event.currentTarget.close();
	}
</script>

<Modal
	bind:open
	dismissable={false}
	aria-label={title}
	transitionParams={{ duration: 0 }}
	oncancel={shut}
	size={wide ? 'lg' : 'sm'}
	class="m-auto max-h-[92vh]! divide-y-0! rounded-[4px]! border! border-line! bg-panel! text-ink! backdrop:bg-black/50!"
	classes={{
		body: 'space-y-3! p-6! md:p-6!',
		footer: 'gap-3! space-x-0! rounded-none! border-0! px-6! pt-0! pb-6!'
	}}
>
	<h2 class="text-2xl">{title}</h2>
	{@render children()}
	{#snippet footer()}
		<ActionButton onclick={() => (open = false)}>Close</ActionButton>
		{@render more?.()}
	{/snippet}
</Modal>
