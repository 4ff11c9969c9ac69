<script lang="ts">
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';

	/** Asks why a held reading is not to count, then hands the reason on. */
	let { onreason }: { onreason: (reason: string) => void } = $props();
	let open = $state(false);
	let reason = $state('');
</script>

{#if open}
	<form
		class="flex w-full flex-wrap items-center gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			onreason(reason.trim());
		}}
	>
		<input
			class="min-h-12 min-w-0 flex-1 rounded-[3px] border border-edge bg-panel px-3"
			bind:value={reason}
			maxlength="500"
			aria-label="Why it is set aside"
			placeholder="Why it is set aside"
		/>
		<ActionButton type="submit" disabled={reason.trim().length < 3}>Set aside</ActionButton>
	</form>
{:else}
	<ActionButton onclick={() => (open = true)}>Set aside …</ActionButton>
{/if}
