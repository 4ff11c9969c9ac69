<script lang="ts">
	import type { TraceResult } from '$core/fastener/trace/read';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import { line, scaleLinear } from 'd3';
	import Axes from '../chart/Axes.svelte';

	/** Torque over angle of one pull, with the band that was wanted, the snug point and the slope. */
	interface Props {
		angleDeg: readonly number[];
		torqueNm: readonly number[];
		/** What the core read in it; without it only the curve is drawn. */
		read?: TraceResult | null;
		/** Band of torque that is wanted, run-down included. */
		wanted?: { lowNm: number; nm: number; highNm: number };
		/** Of the drawing; its text keeps its size, so a narrow place wants a narrow drawing. */
		width?: number;
		height?: number;
	}
	let { angleDeg, torqueNm, read: t, wanted, width = 780, height = 440 }: Props = $props();
	const units = personalUnits();
	const inUnit = (nm: number) => units.number(nm, 'torque');
	const show = (nm: number) => units.show(nm, 'torque');
	const mostShown = 3000;
	const left = 64;
	const wide = $derived(width > 600);
	const shown = $derived.by(() => {
		const every = Math.max(1, Math.ceil(angleDeg.length / mostShown));
		return angleDeg.flatMap((angle, i) =>
			i % every ? [] : [[angle, inUnit(torqueNm[i]!)] as [number, number]]
		);
	});
	const x = $derived(
		scaleLinear([shown[0]?.[0] ?? 0, shown[shown.length - 1]?.[0] ?? 1], [left, width - 20])
	);
	const y = $derived(
		scaleLinear(
			[0, 1.12 * Math.max(inUnit(wanted?.highNm ?? 0), ...shown.map(([, torque]) => torque))],
			[height - 60, 20]
		)
	);
	const path = $derived(line()(shown.map(([a, torque]) => [x(a), y(torque)])));
</script>

<svg
	viewBox="0 0 {width} {height}"
	class={wide ? 'drawn' : 'w-full'}
	role="img"
	aria-label="Torque over angle, with the band wanted, the snug point and the slope"
>
	<Axes
		{x}
		{y}
		xUnit="angle, °"
		yUnit={units.choice.torque}
		xTicks={wide ? 9 : 4}
		yTicks={height > 350 ? 7 : 4}
	/>
	{#if wanted}
		<rect
			x={left}
			y={y(inUnit(wanted.highNm))}
			width={width - 20 - left}
			height={Math.max(2, y(inUnit(wanted.lowNm)) - y(inUnit(wanted.highNm)))}
			class="fill-mark-wash"
		/>
		<path
			d="M {left} {y(inUnit(wanted.nm))} H {width - 20}"
			class="stroke-mark"
			stroke-width="2"
			stroke-dasharray="7 5"
		/>
		<text x={left + 8} y={y(inUnit(wanted.nm)) - 7} font-size="15" class="text-mark"
			>wanted {show(wanted.nm)}{t && t.prevailingNm > 0.05 ? ', run-down added' : ''}</text
		>
	{/if}
	{#if t}
		<path
			d="M {x(t.snugDeg)} {y(inUnit(t.prevailingNm))} L {x(
				t.snugDeg + (t.peakNm - t.prevailingNm) / t.slopeNmPerDeg
			)} {y(inUnit(t.peakNm))}"
			class="stroke-ochre"
			stroke-width="2"
			stroke-dasharray="4 4"
		/>
	{/if}
	<path d={path} fill="none" class="stroke-spruce" stroke-width="3" stroke-linejoin="round" />
	{#if t}
		<path
			d="M {x(t.snugDeg)} {y(inUnit(t.prevailingNm)) + 12} v -24"
			class="stroke-ink"
			stroke-width="3"
		/>
		<text
			x={x(t.snugDeg) - 8}
			y={y(inUnit(t.prevailingNm)) - 16}
			text-anchor="end"
			font-size="15"
			font-weight="600">snug {formatNumber(t.snugDeg, 0)}°</text
		>
	{/if}
</svg>
