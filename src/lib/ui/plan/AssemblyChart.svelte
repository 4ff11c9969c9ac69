<script lang="ts">
	import type { assemblyOrRebuild } from '$core/inspect/assembly';
	import type { ShopCosts } from '$core/job/costs';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { line, scaleLinear } from 'd3';

	/** Cost of a complete unit and of a rebuild over the labour rate, and where they meet. */
	interface Props {
		answer: ReturnType<typeof assemblyOrRebuild>;
		costs: ShopCosts;
		/** Cost of the rebuild at a labour rate. */
		rebuildAt: (perHour: number) => number;
	}
	let { answer, costs, rebuildAt }: Props = $props();
	const width = 520;
	const height = 220;
	const most = $derived(
		Math.max(2 * costs.labourPerHour, 1.4 * Math.min(answer.breakEvenPerHour ?? 0, 400))
	);
	const x = $derived(scaleLinear([0, most], [64, width - 86]));
	const y = $derived(
		scaleLinear(
			[
				0.85 * Math.min(answer.completeCost, rebuildAt(0)),
				1.08 * Math.max(answer.completeCost, rebuildAt(most))
			],
			[height - 56, 24]
		)
	);
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
<div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Cost over labour">
	<svg
		viewBox="0 0 {width} {height}"
		class="drawn"
		role="img"
		aria-label="Cost of both over the labour rate"
	>
		<Axes
			{x}
			{y}
			xUnit="labour, {costs.currency} an hour"
			yUnit="cost, {costs.currency}"
			xTicks={5}
			yTicks={4}
		/>
		<path
			d="M {x(costs.labourPerHour)} 24 V {height - 56}"
			class="stroke-edge"
			stroke-dasharray="4 4"
		/>
		<text x={x(costs.labourPerHour) - 6} y="36" text-anchor="end" font-size="14" class="text-soft"
			>this shop</text
		>
		<path
			d={line()([
				[x(0), y(answer.completeCost)],
				[x(most), y(answer.completeCost)]
			])}
			class="stroke-mark"
			stroke-width="3"
		/>
		<path
			d={line()([
				[x(0), y(rebuildAt(0))],
				[x(most), y(rebuildAt(most))]
			])}
			class="stroke-spruce"
			stroke-width="3"
			stroke-dasharray="9 5"
		/>
		<text x={width - 80} y={y(answer.completeCost) + 5} font-size="14" class="text-mark"
			>complete</text
		>
		<text x={width - 80} y={y(rebuildAt(most)) + 5} font-size="14" class="text-spruce">rebuild</text
		>
		{#if answer.breakEvenPerHour !== undefined && answer.breakEvenPerHour <= most}
			<circle
				cx={x(answer.breakEvenPerHour)}
				cy={y(answer.completeCost)}
				r="6"
				class="fill-panel stroke-ink"
				stroke-width="2.5"
			/>
		{/if}
	</svg>
</div>
