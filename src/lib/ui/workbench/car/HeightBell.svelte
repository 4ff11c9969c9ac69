<script lang="ts">
	import type { PredictHeightResult } from '$core/car/predict-height';
	import type { Banded } from '$core/uncertainty/band';
	import type { Distribution } from '$core/uncertainty/monte-carlo';
	import { personalUnits } from '$lib/client/units';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { area, curveStep, scaleLinear } from 'd3';

	/** The height before, and the settled height with its spread: by the linear band, and as it was drawn. */
	interface Props {
		predicted: Banded<PredictHeightResult>;
		heightBeforeMm: number;
		draws: { distribution: Distribution; answered: number } | undefined;
	}
	let { predicted: p, heightBeforeMm, draws }: Props = $props();
	const units = personalUnits();
	const inUnit = (value: number) => units.number(value, 'length');
	const length = (value: number) => units.show(value, 'length');

	const x = $derived.by(() => {
		const half = 1.9 * p.expanded.settledHeightMm;
		const low = Math.min(p.settledHeightMm - half, heightBeforeMm - 4);
		const high = Math.max(p.settledHeightMm + half, p.newHeightMm + 4, heightBeforeMm + 4);
		return scaleLinear([inUnit(low), inUnit(high)], [60, 740]);
	});
	const at = $derived((value: number) => x(inUnit(value)));
	const base = 300;
	/** The bell of the linear band. */
	const bell = $derived.by(() => {
		const s = p.expanded.settledHeightMm / 2;
		return area<number>()
			.x((z) => at(p.settledHeightMm + z * s))
			.y0(base)
			.y1((z) => base - 200 * Math.exp((-z * z) / 2))(
			Array.from({ length: 81 }, (_, i) => -4 + i * 0.1)
		)!;
	});
	const steps = $derived.by(() => {
		if (!draws) return '';
		const { histogram } = draws.distribution;
		const s = p.expanded.settledHeightMm / 2;
		const width = histogram[0]!.to - histogram[0]!.from;
		// Scaled so that its area is that of the bell.
		const scale = (200 * s * Math.sqrt(2 * Math.PI)) / (draws.answered * width);
		return area<(typeof histogram)[number]>()
			.x(({ from, to }) => at((from + to) / 2))
			.y0(base)
			.y1(({ count }) => base - count * scale)
			.curve(curveStep)(histogram)!;
	});
</script>

<svg
	viewBox="0 0 780 370"
	class="drawn"
	role="img"
	aria-label="Height before, and the settled height with its spread"
>
	<Axes {x} bottom={base} xUnit="hub to arch, {units.choice.length}" />
	{#if steps}<path d={steps} class="fill-mark-wash stroke-mark" stroke-width="1.5" />{/if}
	<path
		d={bell}
		class={steps ? 'stroke-spruce' : 'fill-spruce-wash stroke-spruce'}
		fill={steps ? 'none' : undefined}
		stroke-width="2.5"
	/>
	<path d="M 60 {base} H 740" class="stroke-ink" stroke-width="1.5" />
	<path d="M {at(heightBeforeMm)} {base} V 40" class="stroke-ink" stroke-width="2.5" />
	<text x={at(heightBeforeMm) - 8} y="54" text-anchor="end" font-size="15" font-weight="600"
		>now {length(heightBeforeMm)}</text
	>
	<path d="M {at(p.settledHeightMm)} {base} V 74" class="stroke-spruce" stroke-width="3" />
	<text x={at(p.settledHeightMm) + 8} y="66" font-size="17" font-weight="700"
		>settled {length(p.settledHeightMm)}</text
	>
	<path
		d="M {at(p.newHeightMm)} {base} V 250"
		class="stroke-mark"
		stroke-dasharray="5 4"
		stroke-width="2"
	/>
	<text x={at(p.newHeightMm) + 8} y={base - 10} font-size="14" class="text-mark"
		>at first {length(p.newHeightMm)}</text
	>
	{#each [p.settledHeightMm - p.expanded.settledHeightMm, p.settledHeightMm + p.expanded.settledHeightMm] as edge (edge)}
		<path d="M {at(edge)} {base - 10} v 20" class="stroke-ink" stroke-width="2.5" />
	{/each}
	<path
		d="M {at(p.settledHeightMm - p.expanded.settledHeightMm)} {base} H {at(
			p.settledHeightMm + p.expanded.settledHeightMm
		)}"
		class="stroke-ink"
		stroke-width="5"
	/>
</svg>
