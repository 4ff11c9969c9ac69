<script lang="ts">
	import type { ScaleLinear } from 'd3';

	/**
	 * Grid and numbers of a chart: level lines with their values, values along the bottom, units at the ends. A
	 * chart with one scale has upright lines, or none where only its places are told.
	 */
	interface Props {
		x?: ScaleLinear<number, number>;
		y?: ScaleLinear<number, number>;
		xUnit?: string;
		yUnit?: string;
		xTicks?: number;
		yTicks?: number;
		/** Where its ground is and, with upright lines, its top; of the level scale if absent. */
		bottom?: number;
		top?: number;
		/** From where to where level lines go; of the upright scale if absent. */
		left?: number;
		right?: number;
		/** Of its numbers. */
		size?: number;
		/** A level value as it is said. */
		yText?: (tick: number) => string;
	}
	const plain = (tick: number) => String(tick).replace('-', '−');
	let {
		x,
		y,
		xUnit = '',
		yUnit = '',
		xTicks = 8,
		yTicks = 6,
		bottom = y?.range()[0] ?? 0,
		top,
		left = x?.range()[0] ?? 0,
		right = x?.range()[1] ?? 0,
		size = 14,
		yText = plain
	}: Props = $props();
</script>

{#each y?.ticks(yTicks) ?? [] as tick (tick)}
	<path d="M {left} {y!(tick)} H {right}" class={tick === 0 ? 'stroke-edge' : 'stroke-line'} />
	<text
		x={left - size * 0.5}
		y={y!(tick) + size * 0.35}
		text-anchor="end"
		font-size={size}
		class="text-soft">{yText(tick)}</text
	>
{/each}
{#each x?.ticks(xTicks) ?? [] as tick (tick)}
	{#if top !== undefined}<path d="M {x!(tick)} {top} V {bottom}" class="stroke-line" />{/if}
	<text
		x={x!(tick)}
		y={bottom + size + (size > 12 ? 10 : 2)}
		text-anchor="middle"
		font-size={size}
		class="text-soft">{plain(tick)}</text
	>
{/each}
{#if xUnit}<text x={right} y={bottom + 46} text-anchor="end" font-size={size} class="text-soft"
		>{xUnit}</text
	>{/if}
{#if yUnit}<text x="4" y="14" font-size={size} class="text-soft">{yUnit}</text>{/if}
