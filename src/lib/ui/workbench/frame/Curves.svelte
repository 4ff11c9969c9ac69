<script lang="ts">
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { area, extent, line, scaleLinear } from 'd3';

	/** Small charts over one common axis, one quantity each, with its band and the present value. */
	interface Curve {
		name: string;
		unit: string;
		decimals: number;
		y: readonly number[];
		/** Half-width of the 95 % band at each point. */
		band?: readonly number[];
		/** Least height of the axis, so that a flat line looks flat. */
		least: number;
	}
	interface Props {
		x: readonly number[];
		now: number;
		xLabel: string;
		curves: readonly Curve[];
	}
	let { x, now, xLabel, curves }: Props = $props();

	const width = 300;
	const height = 118;
	const margin = { left: 46, right: 10, top: 24, bottom: 18 };
	const across = $derived(
		scaleLinear([x[0] ?? 0, x[x.length - 1] ?? 1], [margin.left, width - margin.right])
	);
	const drawn = $derived(
		curves.map((curve) => {
			const bands = curve.band ?? curve.y.map(() => 0);
			const [low = 0, high = 1] = extent(
				curve.y.flatMap((value, i) => [value - bands[i]!, value + bands[i]!])
			) as [number, number];
			const pad = Math.max(0, curve.least - (high - low)) / 2;
			const up = scaleLinear([low - pad, high + pad], [height - margin.bottom, margin.top]).nice(4);
			const at = (i: number) => [across(x[i]!), up(curve.y[i]!)] as [number, number];
			const index = nearest(now);
			return {
				...curve,
				up,
				line: line()(curve.y.map((_, i) => at(i))),
				area: curve.band
					? area<number>()
							.x((i) => across(x[i]!))
							.y0((i) => up(curve.y[i]! - bands[i]!))
							.y1((i) => up(curve.y[i]! + bands[i]!))(curve.y.map((_, i) => i))
					: null,
				value: interpolated(curve.y),
				dot: [across(now), up(interpolated(curve.y))] as const,
				band: curve.band?.[index]
			};
		})
	);

	function nearest(value: number): number {
		let best = 0;
		for (const [i, at] of x.entries()) {
			if (Math.abs(at - value) < Math.abs(x[best]! - value)) best = i;
		}
		return best;
	}
	function interpolated(y: readonly number[]): number {
		const i = Math.min(
			Math.max(
				x.findIndex((at) => at >= now),
				1
			),
			x.length - 1
		);
		const share = (now - x[i - 1]!) / (x[i]! - x[i - 1]!);
		return y[i - 1]! + (y[i]! - y[i - 1]!) * Math.min(1, Math.max(0, share));
	}
	const text = (value: number, decimals: number) =>
		(value < 0 ? '−' : '') + Math.abs(value).toFixed(decimals);
</script>

<figure>
	<div class="grid grid-cols-[repeat(auto-fit,minmax(230px,1fr))] gap-x-3 gap-y-1">
		{#each drawn as curve (curve.name)}
			<svg
				viewBox="0 0 {width} {height}"
				class="w-full"
				role="img"
				aria-label="{curve.name} over {xLabel}: {text(
					curve.value,
					curve.decimals
				)} {curve.unit} now"
			>
				<text x="0" y="14" font-size="14" font-weight="600">{curve.name}</text>
				<text x={width - margin.right} y="15" font-size="16" font-weight="700" text-anchor="end"
					>{text(curve.value, curve.decimals)} {curve.unit}</text
				>
				<Axes
					x={across}
					y={curve.up}
					xTicks={4}
					yTicks={3}
					size={12}
					yText={curve.up.tickFormat(3)}
				/>
				<path d="M {across(0)} {margin.top} V {height - margin.bottom}" class="stroke-edge" />
				{#if curve.area}<path d={curve.area} class="fill-mark-wash" />{/if}
				<path d={curve.line} fill="none" class="stroke-spruce" stroke-width="2.5" />
				<path
					d="M {across(now)} {margin.top} V {height - margin.bottom}"
					class="stroke-mark"
					stroke-dasharray="4 3"
				/>
				<circle cx={curve.dot[0]} cy={curve.dot[1]} r="4.5" class="fill-spruce" />
			</svg>
		{/each}
	</div>
	<figcaption class="caption">
		Over {xLabel}.{drawn.some((curve) => curve.area) ? ' Shaded: 95 % band.' : ''}
	</figcaption>
</figure>
