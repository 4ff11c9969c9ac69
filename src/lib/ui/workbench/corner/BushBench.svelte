<script lang="ts">
	import { page } from '$app/state';
	import type { BushSetBand } from '$core/bush/band';
	import { shearModulusByHardness } from '$core/bush/rubber';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import ArmDrawing from './ArmDrawing.svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import BushSection from './BushSection.svelte';

	const units = personalUnits();
	const mm = { dimension: 'length' as const, decimals: 1 };
	const height = { ...mm, min: -300, max: 1200 };
	const softest = shearModulusByHardness[0]![0];
	const hardest = shearModulusByHardness[shearModulusByHardness.length - 1]![0];
	const values = new BenchValues(units, page.url.searchParams, [
		{ key: 'setHubToArchMm', label: 'Set at, hub to arch', ...height, initial: 430 },
		{ key: 'rideHubToArchMm', label: 'Stands at, hub to arch', ...height, initial: 365 },
		{ key: 'armLengthMm', label: 'Arm, pivot to joint', ...mm, initial: 350, min: 50, max: 1500 },
		{
			key: 'outerBelowInnerMm',
			label: 'Joint below pivot',
			...mm,
			initial: 20,
			min: -600,
			max: 600
		},
		{ key: 'referenceHubToArchMm', label: 'measured at hub to arch', ...height, initial: 365 },
		{
			key: 'jointPerWheel',
			label: 'Joint movement per wheel',
			initial: 1,
			min: 0.2,
			max: 2,
			decimals: 2
		},
		{ key: 'innerDiameterMm', label: 'Rubber, inside', ...mm, initial: 20, min: 2, max: 200 },
		{ key: 'outerDiameterMm', label: 'Rubber, outside', ...mm, initial: 42, min: 3, max: 300 },
		{ key: 'lengthMm', label: 'Rubber, length', ...mm, initial: 45, min: 2, max: 300 },
		{
			key: 'hardnessIrhd',
			label: 'Hardness',
			unit: 'IRHD',
			initial: 55,
			min: softest,
			max: hardest,
			decimals: 0
		},
		{ key: 'bushCount', label: 'Bushes on the arm', initial: 2, min: 1, max: 6, decimals: 0 },
		{
			key: 'wheelRateNPerMm',
			label: 'Wheel rate',
			dimension: 'rate',
			initial: 24,
			min: 1,
			max: 500
		}
	]);
	const num = (key: string) => values.num(key);
	const judged = new Live<BushSetBand>(() => ({
		name: 'bush-set',
		input: {
			...values.nums(
				'armLengthMm',
				'outerBelowInnerMm',
				'referenceHubToArchMm',
				'setHubToArchMm',
				'rideHubToArchMm',
				'jointPerWheel',
				'wheelRateNPerMm'
			),
			bush: values.nums('innerDiameterMm', 'outerDiameterMm', 'lengthMm', 'hardnessIrhd'),
			bushCount: Math.round(num('bushCount')),
			uncertainty: {
				armLengthMm: 3,
				outerBelowInnerMm: 3,
				setHubToArchMm: 1,
				rideHubToArchMm: 2,
				stiffnessRelative: 0.3
			}
		}
	}));
	const words = {
		set: '✓ Set',
		're-set-advised': '◇ Re-set advised',
		'wound-up': '✕ Wound up: do not sign off'
	};
	const tones = { set: 'good', 're-set-advised': 'doubt', 'wound-up': 'bad' } as const;
	const b = $derived(judged.value);
</script>

<Bench
	title="Bush"
	lead="A bonded bush has its zero where it was clamped. What it keeps of a wrong height."
	{values}
	faults={judged.faults}
	entryOf={(field) => field.replace('bush.', '')}
	groups={[
		{ title: 'Heights', keys: ['setHubToArchMm', 'rideHubToArchMm'] },
		{
			title: 'Arm',
			keys: ['armLengthMm', 'outerBelowInnerMm', 'referenceHubToArchMm', 'jointPerWheel']
		},
		{
			title: 'Bush',
			keys: [
				'innerDiameterMm',
				'outerDiameterMm',
				'lengthMm',
				'hardnessIrhd',
				'bushCount',
				'wheelRateNPerMm'
			]
		}
	]}
>
	{#snippet drawing()}
		{#if b}
			<div class="grid items-center gap-4 md:grid-cols-[3fr_2fr]">
				<ArmDrawing
					arm={{
						armLengthMm: num('armLengthMm'),
						outerBelowInnerMm: num('outerBelowInnerMm'),
						referenceHubToArchMm: num('referenceHubToArchMm'),
						jointPerWheel: num('jointPerWheel')
					}}
					targetMm={num('rideHubToArchMm')}
					setMm={num('setHubToArchMm')}
					judged={b}
				/>
				<BushSection
					innerMm={num('innerDiameterMm')}
					outerMm={num('outerDiameterMm')}
					twistDeg={b.twistDeg}
					verdict={b.verdict}
				/>
			</div>
			<Slider
				{values}
				name="setHubToArchMm"
				label="Height it is set at"
				min={Math.round(num('rideHubToArchMm') - 90)}
				max={Math.round(num('rideHubToArchMm') + 90)}
				step={1}
				low="set in bump"
				high="set hanging"
			/>
			<p class="caption">
				Left: the arm where the car stands (dashed) and where it is set. Right: the rubber at ride
				height, its radial lines carried round by the twist. Uncertainty of tape and rubber is in
				the bands.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if b}
			<Readout
				main
				label="Twist left at ride height"
				value="{formatNumber(b.twistDeg, 1, true)}&nbsp;°"
				band="{formatNumber(b.twistExpandedDeg, 1)}&nbsp;°"
				tone={tones[b.verdict]}>{words[b.verdict]}</Readout
			>
			<Readout
				label="Holds the car up by"
				value={units.show(b.heightErrorMm, 'length', { signed: true })}
				band={units.show(b.heightErrorExpandedMm, 'length')}
			/>
			<Readout
				label="Force at the wheel"
				value={units.show(b.wheelForceN, 'force', { signed: true })}
			/>
			<Readout
				label="Moment, each bush"
				value={units.show(b.torquePerBushNm, 'torque', { signed: true })}
			/>
			<Readout
				label="Greatest shear strain"
				value="{formatNumber(100 * b.maxShearStrain, 0)}&nbsp;%"
			/>
		{/if}
	{/snippet}
</Bench>
