<script lang="ts">
	import { workingRange, type Wrench } from '$core/fastener/wrench';
	import { personalUnits } from '$lib/client/units';
	import { scaleLog } from 'd3';

	/** Where a wrench may be used, on one common scale; the part of its own scale below 20 % is thin. */
	let { wrench, lowestNm, highestNm }: { wrench: Wrench; lowestNm: number; highestNm: number } =
		$props();
	const units = personalUnits();
	const x = $derived(scaleLog([lowestNm, highestNm], [6, 314]));
	const working = $derived(workingRange(wrench));
	const show = (nm: number) => units.show(nm, 'torque', { bare: true, decimals: 0 });
</script>

<svg
	viewBox="0 0 320 42"
	class="w-full max-w-80"
	role="img"
	aria-label="Works from {units.show(working.fromNm, 'torque')} to {units.show(
		working.toNm,
		'torque'
	)}"
>
	<path d="M 6 26 H 314" class="stroke-line" stroke-width="1.5" />
	{#each x.ticks(4).filter((tick) => [5, 10, 20, 50, 100, 200, 400].includes(tick)) as tick (tick)}
		<path d="M {x(tick)} 22 v 8" class="stroke-edge" />
	{/each}
	<path
		d="M {x(wrench.lowestNm)} 26 H {x(working.fromNm)}"
		class="stroke-edge"
		stroke-width="4"
		stroke-dasharray="3 3"
	/>
	<path d="M {x(working.fromNm)} 26 H {x(working.toNm)}" class="stroke-spruce" stroke-width="10" />
	<text x={x(working.fromNm)} y="15" font-size="14" font-weight="600">{show(working.fromNm)}</text>
	<text x={x(working.toNm)} y="15" font-size="14" font-weight="600" text-anchor="end"
		>{show(working.toNm)}</text
	>
</svg>
