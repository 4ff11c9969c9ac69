<script lang="ts">
	import { formatNumber } from '$core/units/format';
	import { Progressbar } from 'flowbite-svelte';
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
	<Progressbar
		progress={100 * share}
		size="h-4"
		role="progressbar"
		aria-label={label}
		aria-valuenow={Math.round(100 * share)}
		aria-valuemin={0}
		aria-valuemax={100}
		class="min-w-20 flex-1 rounded-[3px]! bg-sunk!"
		classes={{ label: 'h-4 rounded-[3px]! bg-spruce!' }}
	/>
	<span class="num text-xl">{formatNumber(100 * share, 0)} %</span>
</div>
