<script lang="ts">
	import type { BenchValues } from './values.svelte';

	/** The same value a drawing's handle moves, for the keyboard and for a thumb. */
	interface Props {
		values: BenchValues;
		name: string;
		label: string;
		min: number;
		max: number;
		step: number;
		/** How the ends are called. */
		low: string;
		high: string;
	}
	let { values, name, label, min, max, step, low, high }: Props = $props();
</script>

<div class="no-print flex items-center gap-3">
	<span class="text-[15px] text-soft">{low}</span>
	<input
		type="range"
		aria-label={label}
		{min}
		{max}
		{step}
		value={values.num(name)}
		oninput={(event) => values.set(name, event.currentTarget.valueAsNumber)}
		class="h-12 min-w-0 flex-1 cursor-pointer accent-spruce"
	/>
	<span class="text-[15px] text-soft">{high}</span>
</div>
