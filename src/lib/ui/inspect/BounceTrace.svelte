<script lang="ts">
	import type { BounceResult } from '$core/ride/bounce';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { countOf, readColumns } from '../workbench/frame/columns';
	import TextBlock from '../workbench/frame/TextBlock.svelte';

	/** A trace of any logger, read for its damping. */
	let { name, onkeep }: { name: string; onkeep: (read: BounceResult) => void } = $props();
	const units = personalUnits();
	let text = $state('');
	const columns = $derived(readColumns(text));
	const read = new Live<BounceResult>(() => ({
		name: 'bounce',
		input: {
			timeS: columns.first,
			heightMm: columns.second.map((value) => units.si(value, 'length'))
		}
	}));
	const b = $derived(text.trim() ? read.value : undefined);
</script>

<TextBlock
	label="Time in s, height in {units.choice.length}"
	bind:value={text}
	file
	hint={text.trim() ? countOf(columns) : 'Two columns, from a file or pasted: any logger will do'}
	fault={text.trim() && read.faults.length ? read.faults[0]!.message : undefined}
/>
{#if b}
	<p class="text-[15px]">
		{formatNumber(b.dampingRatio, 2)} of critical ± {formatNumber(b.dampingRatioExpanded, 2)},
		{formatNumber(b.movements, 1)} movements, {units.show(b.frictionMm, 'length')} of dry friction
	</p>
	<ActionButton onclick={() => onkeep(b)}>Keep it for {name}</ActionButton>
{/if}
