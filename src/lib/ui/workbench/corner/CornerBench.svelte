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
	import { cornerFromTexts, pointEntries, tapeEntries } from './points';

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
	const general = [
		{
			key: 'bumpMm',
			label: 'Wheel now, + = bump',
			dimension: 'length',
			initial: -60,
			min: -300,
			max: 300,
			decimals: 1
		},
		{
			key: 'travelMm',
			label: 'Travel shown, each way',
			dimension: 'length',
			initial: 80,
			min: 10,
			max: 300,
			decimals: 0
		},
		{
			key: 'wheelRadiusMm',
			label: 'Wheel radius, for the drawing',
			dimension: 'length',
			initial: 310,
			min: 150,
			max: 600,
			decimals: 0
		},
		{
			key: 'staticCamberDeg',
			label: 'Camber now, + = top outward',
			dimension: 'angle',
			initial: byTape ? -0.8 : sample.staticCamberDeg,
			min: -15,
			max: 15
		},
		...(byTape
			? []
			: [
					{
						key: 'staticToeDeg',
						label: 'Toe now, + = toe-in',
						dimension: 'angle' as const,
						initial: sample.staticToeDeg,
						min: -10,
						max: 10
					}
				])
	] as const;
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
				TravelEnd | undefined)
	);

	const curves = $derived.by(() => {
		const rows = swept.value?.rows;
		if (!rows) return [];
		const bands = swept.value?.expanded?.rows;
		const of = (
			name: string,
			unit: string,
			decimals: number,
			least: number,
			pick: (row: SweepRow) => number | undefined
		) =>
			pick(rows[0]!) === undefined
				? []
				: [
						{
							name,
							unit,
							decimals,
							least,
							y: rows.map((r) => pick(r)!),
							band: bands?.map((r) => pick(r)!)
						}
					];
		return [
			...of('Camber', '°', 2, 1, (r) => r.camberDeg),
			...(byTape ? [] : of('Toe', '°', 2, 0.4, (r) => r.toeDeg)),
			...of('Twist, lower arm', '°', 1, 4, (r) => r.twistDeg.lower),
			...of('Twist, upper arm', '°', 1, 4, (r) => r.twistDeg.upper),
			...of('Twist, arm', '°', 1, 4, (r) => r.twistDeg.arm),
			...of('Motion ratio, spring', '', 3, 0.1, (r) => r.springMotionRatio),
			// A strut carries its spring: one curve for both.
			...of('Motion ratio, damper', '', 3, 0.1, (r) =>
				r.damperLengthMm === r.springLengthMm ? undefined : r.damperMotionRatio
			),
			...of('Twist, link 1', '°', 1, 4, (r) => r.links?.[0]?.twistDeg)
		];
	});
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
			{@const twist = row.twistDeg.lower ?? row.twistDeg.arm}
			{@const twistBand = band?.twistDeg.lower ?? band?.twistDeg.arm}
			{#if twist !== undefined}
				<Readout
					main
					label="Bush twist against the height measured, {row.twistDeg.arm === undefined
						? 'lower arm'
						: 'arm'}"
					value={angle(twist, 1)}
					band={twistBand === undefined ? undefined : `${twistBand.toFixed(1)}\u00a0°`}
				/>
			{/if}
			{#if row.twistDeg.upper !== undefined}
				<Readout
					label="Twist, upper arm"
					value={angle(row.twistDeg.upper, 1)}
					band={band && `${band.twistDeg.upper!.toFixed(1)}\u00a0°`}
				/>
			{/if}
			{#each row.links ?? [] as link, i (i)}
				<Readout
					label="Link {i + 1}: twist, cone"
					value="{formatNumber(link.twistDeg, 1, true)} ° {angle(link.coneDeg, 1)}"
				/>
			{/each}
			<Readout
				label="Camber"
				value={angle(row.camberDeg)}
				band={band && `${band.camberDeg.toFixed(2)}\u00a0°`}
			/>
			{#if !byTape}<Readout label="Toe" value={angle(row.toeDeg)} />{/if}
			{#if row.casterDeg !== undefined}<Readout label="Caster" value={angle(row.casterDeg)} />{/if}
			{#if row.kpiDeg !== undefined}
				<Readout
					label="Kingpin inclination"
					value={angle(row.kpiDeg)}
					band={band && `${band.kpiDeg!.toFixed(2)}\u00a0°`}
				/>
			{/if}
			<Readout
				label="Track change"
				value={length(row.trackChangeMm, true)}
				band={band && length(band.trackChangeMm)}
			/>
			{#if row.springLengthMm !== undefined}
				<Readout
					label="Spring length"
					value={length(row.springLengthMm)}
					band={band && length(band.springLengthMm!)}
				/>
				<Readout
					label="Motion ratio, spring"
					value={formatNumber(row.springMotionRatio!, 3)}
					band={band?.springMotionRatio?.toFixed(3)}
				/>
			{/if}
			{#if row.damperLengthMm !== undefined}
				<Readout
					label="Damper length"
					value={length(row.damperLengthMm)}
					band={band && length(band.damperLengthMm!)}
				/>
			{/if}
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
