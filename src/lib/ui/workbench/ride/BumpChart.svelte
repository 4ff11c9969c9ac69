<script lang="ts">
	import type { FullCarRun } from '$core/ride/full-car';
	import { personalUnits } from '$lib/client/units';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { extent, line, scaleLinear } from 'd3';

	/** Body and heights over time, with the moment that is shown. */
	let { run: r, atS }: { run: FullCarRun; atS: number } = $props();
	const units = personalUnits();
	const inUnit = (mm: number) => units.number(mm, 'length');
	const x = scaleLinear([0, 3], [64, 760]);
	const y = $derived(
		scaleLinear(
			extent(
				r.rows.flatMap((row) => [row.bodyMm, row.heightMm.FL, row.heightMm.RL]).map(inUnit)
			) as [number, number],
			[250, 20]
		).nice()
	);
	const curve = $derived((pick: (row: FullCarRun['rows'][number]) => number) =>
		line()(r.rows.map((row): [number, number] => [x(row.timeS), y(inUnit(pick(row)))]))!
	);
</script>

<svg
	viewBox="0 0 780 300"
	class="drawn"
	role="img"
	aria-label="Body height and suspension travel over time"
>
	<Axes {x} {y} xUnit="s" yUnit={units.choice.length} xTicks={7} yTicks={6} />
	<path
		d={curve((row) => row.heightMm.RL)}
		fill="none"
		class="stroke-ochre"
		stroke-width="2"
		stroke-dasharray="2 3"
	/>
	<path
		d={curve((row) => row.heightMm.FL)}
		fill="none"
		class="stroke-mark"
		stroke-width="2"
		stroke-dasharray="7 4"
	/>
	<path d={curve((row) => row.bodyMm)} fill="none" class="stroke-spruce" stroke-width="3" />
	<path d="M {x(atS)} 20 V 250" class="stroke-ink" stroke-dasharray="4 4" />
	<g font-size="15">
		<path d="M 500 30 h 40" class="stroke-spruce" stroke-width="3" /><text x="548" y="35"
			>body, at its mass</text
		>
		<path d="M 500 52 h 40" class="stroke-mark" stroke-width="2" stroke-dasharray="7 4" /><text
			x="548"
			y="57">hub to arch, front left</text
		>
		<path d="M 500 74 h 40" class="stroke-ochre" stroke-width="2" stroke-dasharray="2 3" /><text
			x="548"
			y="79">hub to arch, rear left</text
		>
	</g>
</svg>
