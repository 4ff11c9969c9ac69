<script lang="ts">
	import { page } from '$app/state';
	import type { CornerGeometry, MechanismLayout } from '$core/mechanism/geometry';
	import type { CornerPosture } from '$core/mechanism/points';
	import { sampleCorners, sampleTape } from '$core/mechanism/samples';
	import type { SweepRow, TravelEnd } from '$core/mechanism/sweep';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Curves from '../frame/Curves.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import CornerDrawing from './CornerDrawing.svelte';
	import PointFields from './PointFields.svelte';
	import { cornerFromTexts, pointEntries, postureEntries, tapeEntries } from './points';
	import { cornerCurves, cornerReadouts } from './shown';

	interface Props {
		layout: MechanismLayout;
		source: 'tape' | 'points';
		choices: Snippet;
	}
	let { layout, source, choices }: Props = $props();
	const units = personalUnits();
	const length = (mm: number, signed = false) => units.show(mm, 'length', { signed });
	const angle = (deg: number, decimals = 2) => `${formatNumber(deg, decimals, true)}\u00a0°`;

	// The bench is made anew when layout or source change.
	// svelte-ignore state_referenced_locally
	const [sample, taped, byTape] = [sampleCorners[layout], sampleTape[layout], source === 'tape'];
	const measures = byTape ? tapeEntries(taped) : [];
	const general = postureEntries(sample, byTape);
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[...measures, ...general],
		byTape ? [] : pointEntries(sample)
	);

	const tape = $derived({
		layout,
		measures: values.nums(...measures.map(({ key }) => key)),
		staticCamberDeg: values.num('staticCamberDeg')
	});
	const modelled = new Live<CornerGeometry>(() =>
		byTape ? { name: 'tape-geometry', input: tape } : undefined
	);
	const geometry = $derived(
		byTape
			? modelled.value
			: cornerFromTexts(sample, values.text, {
					staticCamberDeg: values.num('staticCamberDeg'),
					staticToeDeg: values.num('staticToeDeg')
				})
	);
	const reach = new Live<{ droop: TravelEnd; bump: TravelEnd }>(
		() =>
			geometry && {
				name: 'corner-travel',
				input: { ...geometry, droopMm: -values.num('travelMm'), bumpMm: values.num('travelMm') }
			}
	);
	/** A little inside where something blocks: there the angles run away. */
	const inside = ({ atMm, blocker }: TravelEnd) => atMm * (blocker ? 0.93 : 1);
	const limits = $derived(
		reach.value && { droop: inside(reach.value.droop), bump: inside(reach.value.bump) }
	);
	const grid = $derived(
		limits
			? Array.from({ length: 41 }, (_, i) => limits.droop + ((limits.bump - limits.droop) * i) / 40)
			: []
	);
	const swept = new Live<{ rows: SweepRow[]; expanded?: { rows: SweepRow[] } }>(() => {
		if (!geometry || !grid.length) return undefined;
		return byTape
			? { name: 'tape-sweep', input: { ...tape, bumpMm: grid } }
			: { name: 'corner-sweep', input: { ...geometry, bumpMm: grid } };
	});
	const bump = $derived(
		limits ? Math.min(Math.max(values.num('bumpMm'), limits.droop), limits.bump) : 0
	);
	const drawn = new Live<{ postures: CornerPosture[] }>(() =>
		geometry && limits
			? { name: 'corner-points', input: { ...geometry, bumpMm: [limits.droop, limits.bump, bump] } }
			: undefined
	);
	const here = new Live<{ rows: SweepRow[]; expanded?: { rows: SweepRow[] } }>(() => {
		if (!geometry || !limits) return undefined;
		return byTape
			? { name: 'tape-sweep', input: { ...tape, bumpMm: [bump] } }
			: { name: 'corner-sweep', input: { ...geometry, bumpMm: [bump] } };
	});
	const row = $derived(here.value?.rows[0]);
	const band = $derived(here.value?.expanded?.rows[0]);
	const faults = $derived([...modelled.faults, ...reach.faults, ...swept.faults]);
	const blocked = $derived(
		reach.value &&
			([reach.value.bump, reach.value.droop].find(({ blocker }) => blocker) as
				| TravelEnd
				| undefined)
	);

	const curves = $derived(cornerCurves(swept.value, byTape));
	const inUnit = (mm: number) => units.number(mm, 'length');
</script>

<Bench
	title="Corner"
	lead="What every arm, bush, spring and damper of a corner does while its wheel moves."
	{values}
	{choices}
	{faults}
	entryOf={(field) => field.replace(/^(uncertainty\.)?measures\./, '')}
	groups={[
		{
			title: 'Posture',
			keys: [
				'bumpMm',
				'travelMm',
				'staticCamberDeg',
				...(byTape ? [] : ['staticToeDeg']),
				'wheelRadiusMm'
			]
		},
		...(byTape
			? [{ title: 'Tape measures, car at the height meant', keys: measures.map(({ key }) => key) }]
			: [])
	]}
>
	{#snippet drawing()}
		{#if drawn.value && geometry}
			<div class="grid items-start gap-x-3 xl:grid-cols-[minmax(0,1fr)_18rem]">
				<div>
					<CornerDrawing
						layout={geometry.layout}
						postures={drawn.value.postures}
						wheelRadiusMm={values.num('wheelRadiusMm')}
						bumpMm={bump}
						bumpText={length(bump, true)}
						onmove={(mm) =>
							values.set('bumpMm', Math.min(Math.max(mm, limits!.droop), limits!.bump))}
					/>
					<Slider
						{values}
						name="bumpMm"
						label="Wheel travel"
						min={Math.ceil(limits?.droop ?? -80)}
						max={Math.floor(limits?.bump ?? 80)}
						step={1}
						low="droop"
						high="bump"
					/>
				</div>
				{#if curves.length}
					<Curves
						x={grid.map(inUnit)}
						now={inUnit(bump)}
						xLabel="bump of the wheel, {units.choice.length}"
						{curves}
					/>
				{/if}
			</div>
		{:else}
			<p class="p-8 text-soft">The corner is drawn once its points make a mechanism.</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if row}
			{#each cornerReadouts(row, band, byTape, { length, angle }) as shown (shown.label)}
				<Readout {...shown} />
			{/each}
		{/if}
	{/snippet}
	{#snippet notes()}
		{#if blocked}
			<p class="border-t border-line pt-2 text-[15px] text-ochre">
				The wheel goes to {length(blocked.atMm, true)}, then {blocked.blocker} blocks it.
			</p>
		{/if}
	{/snippet}
	{#snippet more()}
		{#if !byTape}<PointFields {values} {faults} />{/if}
	{/snippet}
</Bench>
