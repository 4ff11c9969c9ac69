<script lang="ts">
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Window from '$lib/ui/controls/Window.svelte';

	/** One photo, as large as the screen allows. */
	interface Props {
		src: string;
		title: string;
		onclose: () => void;
		/** Absent: it stays in sight. */
		onwithdraw?: (() => void) | undefined;
	}
	let { src, title, onclose, onwithdraw }: Props = $props();
</script>

<Window bind:open={() => true, (open) => !open && onclose()} title="Photo, {title}" wide>
	<img {src} alt={title} class="mx-auto max-h-[68vh]" />
	{#snippet more()}
		{#if onwithdraw}<ActionButton weight="stop" onclick={onwithdraw}
				>Take it out of sight</ActionButton
			>{/if}
	{/snippet}
</Window>
