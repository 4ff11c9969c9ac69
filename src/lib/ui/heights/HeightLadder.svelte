<script lang="ts">
	import { cornerNames, corners } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { scaleLinear, extent } from 'd3';

	/** Before, after and target of each corner on one scale, each with its 95 % bar. */
	const job = currentJob();
	const units = personalUnits();
	const inUnit = (mm: number) => units.number(mm, 'length');

	const width = 820;
	const height = 260;
	const margin = { left: 52, right: 12, top: 14, bottom: 46 };
	const values = $derived(
		corners.flatMap((corner) => {
			const { before, after, target } = job.view.corners[corner];
			return [before, after]
				.flatMap((m) =>
					m
						? [m.meanMm - (m.expandedUncertaintyMm ?? 0), m.meanMm + (m.expandedUncertaintyMm ?? 0)]
						: []
				)
				.concat(target ? [target.heightMm] : []);
		})
	);
	const y = $derived.by(() => {
		const [low = 300, high = 400] = extent(values) as [number, number];
		const pad = Math.max((high - low) * 0.08, 3);
		return scaleLinear(
			[inUnit(low - pad), inUnit(high + pad)],
			[height - margin.bottom, margin.top]
		).nice();
	});
	const x = (i: number) => margin.left + ((i + 0.5) * (width - margin.left - margin.right)) / 4;
</script>

<figure>
	<svg
		viewBox="0 0 {width} {height}"
		class="w-full"
		role="img"
		aria-label="Heights before, after and target at each corner"
	>
		{#each y.ticks(6) as tick (tick)}
			<path d="M {margin.left} {y(tick)} H {width - margin.right}" class="stroke-line" />
			<text x={margin.left - 8} y={y(tick) + 5} text-anchor="end" font-size="14" class="text-soft"
				>{tick}</text
			>
		{/each}
		<text x="4" y={height - margin.bottom + 24} font-size="14" class="text-soft"
			>{units.choice.length}</text
		>
		{#each corners as corner, i (corner)}
			{@const { before, after, target } = job.view.corners[corner]}
			{#if target}
				<path
					d="M {x(i) - 56} {y(inUnit(target.heightMm))} h 112"
					class="stroke-mark"
					stroke-width="3"
					stroke-dasharray="9 5"
				/>
			{/if}
			{#each [{ m: before, dx: -24, after: false }, { m: after, dx: 24, after: true }] as bar (bar.dx)}
				{#if bar.m}
					{@const u = bar.m.expandedUncertaintyMm ?? 0}
					<path
						d="M {x(i) + bar.dx - 7} {y(inUnit(bar.m.meanMm + u))} h 14 m -7 0 V {y(
							inUnit(bar.m.meanMm - u)
						)} m -7 0 h 14"
						class={bar.after ? 'stroke-spruce' : 'stroke-soft'}
						stroke-width="2"
						fill="none"
					/>
					{#if bar.after}<circle
							cx={x(i) + bar.dx}
							cy={y(inUnit(bar.m.meanMm))}
							r="7"
							class="fill-spruce"
						/>
					{:else}<rect
							x={x(i) + bar.dx - 6.5}
							y={y(inUnit(bar.m.meanMm)) - 6.5}
							width="13"
							height="13"
							class="fill-panel stroke-soft"
							stroke-width="2.5"
						/>{/if}
				{/if}
			{/each}
			<text x={x(i)} y={height - 22} text-anchor="middle" font-size="15" font-weight="600"
				>{cornerNames[corner]}</text
			>
		{/each}
	</svg>
	<figcaption class="caption flex flex-wrap gap-x-5">
		<span
			><svg viewBox="0 0 14 14" class="inline size-3.5" aria-hidden="true"
				><rect
					x="2"
					y="2"
					width="10"
					height="10"
					class="fill-panel stroke-soft"
					stroke-width="2"
				/></svg
			> before</span
		>
		<span
			><svg viewBox="0 0 14 14" class="inline size-3.5" aria-hidden="true"
				><circle cx="7" cy="7" r="6" class="fill-spruce" /></svg
			> after</span
		>
		<span
			><svg viewBox="0 0 24 14" class="inline h-3.5 w-6" aria-hidden="true"
				><path d="M0 7H24" class="stroke-mark" stroke-width="3" stroke-dasharray="6 3" /></svg
			> target</span
		>
		<span>bars: 95 % of the mean</span>
	</figcaption>
</figure>
