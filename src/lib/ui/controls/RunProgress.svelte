<script lang="ts">
	import { formatNumber } from '$core/units/format';
	import ActionButton from './ActionButton.svelte';

	/** How far a long computation is, and a way to stop it. */
	interface Props {
		/** What the bar counts, as “Draws done”. */
		label: string;
		/** 0 to 1. */
		share: number;
		onstop: () => void;
	}
	let { label, share, onstop }: Props = $props();
</script>

<div class="flex flex-1 items-center gap-3">
	<ActionButton weight="stop" onclick={onstop}>Stop</ActionButton>
	<progress value={share} max="1" aria-label={label} class="h-4 min-w-20 flex-1 accent-spruce"
	></progress>
	<span class="num text-xl">{formatNumber(100 * share, 0)} %</span>
</div>
