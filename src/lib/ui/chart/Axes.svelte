<script lang="ts">
	import type { ScaleLinear } from 'd3';

	/** Grid and numbers of a chart: level lines with their values, values along the bottom, units at the ends. */
	interface Props {
		x: ScaleLinear<number, number>;
		y: ScaleLinear<number, number>;
		xUnit: string;
		yUnit: string;
		xTicks?: number;
		yTicks?: number;
	}
	let { x, y, xUnit, yUnit, xTicks = 8, yTicks = 6 }: Props = $props();
	const [left, right] = $derived(x.range() as [number, number]);
	const [bottom] = $derived(y.range() as [number]);
</script>

{#each y.ticks(yTicks) as tick (tick)}
	<path d="M {left} {y(tick)} H {right}" class={tick === 0 ? 'stroke-edge' : 'stroke-line'} />
	<text x={left - 8} y={y(tick) + 5} text-anchor="end" font-size="14" class="text-soft">{tick}</text
	>
{/each}
{#each x.ticks(xTicks) as tick (tick)}
	<text x={x(tick)} y={bottom + 24} text-anchor="middle" font-size="14" class="text-soft"
		>{tick}</text
	>
{/each}
<text x={right} y={bottom + 46} text-anchor="end" font-size="14" class="text-soft">{xUnit}</text>
<text x="4" y="14" font-size="14" class="text-soft">{yUnit}</text>
