<script lang="ts">
	import { page } from '$app/state';
	import type { PredictHeightResult } from '$core/car/predict-height';
	import { usualPredictUncertainty, usualSettlingMm } from '$core/car/predict-height';
	import type { Banded } from '$core/uncertainty/band';
	import type { Distribution } from '$core/uncertainty/monte-carlo';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { Run } from '$lib/client/run.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RunProgress from '$lib/ui/controls/RunProgress.svelte';
	import { onDestroy, type Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import HeightBell from './HeightBell.svelte';

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const mm = { dimension: 'length' as const, decimals: 1 };
	const rate = { dimension: 'rate' as const, min: 1, max: 500 };
	const values = new BenchValues(units, page.url.searchParams, [
		{ key: 'heightBeforeMm', label: 'Hub to arch now', ...mm, initial: 352, min: 50, max: 1000 },
		{
			key: 'sprungLoadN',
			label: 'Sprung load at the wheel',
			dimension: 'force',
			initial: 3600,
			min: 100,
			max: 30000
		},
		{ key: 'motionRatio', label: 'Motion ratio', initial: 0.95, min: 0.1, max: 2, decimals: 3 },
		{
			key: 'motionRatioPerMm',
			label: 'gained per mm of bump',
			initial: 0,
			min: -0.01,
			max: 0.01,
			decimals: 5
		},
		{ key: 'oldRate', label: 'Rate', ...rate, initial: 25 },
		{ key: 'oldFree', label: 'Free length', ...mm, decimals: 0, initial: 340, min: 50, max: 1000 },
		{ key: 'newRate', label: 'Rate', ...rate, initial: 27 },
		{ key: 'newFree', label: 'Free length', ...mm, decimals: 0, initial: 346, min: 50, max: 1000 },
		{
			key: 'seatChangeMm',
			label: 'New seat higher by',
			...mm,
			initial: 0,
			min: -100,
			max: 100,
			hint: 'perch, mount and pad together'
		},
		{
			key: 'settlingMm',
			label: 'Will settle by',
			...mm,
			initial: usualSettlingMm,
			min: 0,
			max: 30,
			hint: 'new springs: 3 to 8 mm in the first weeks'
		},
		{ key: 'samples', label: 'Draws', initial: 100000, min: 1000, max: 200000, decimals: 0 }
	]);
	const num = (key: string) => values.num(key);
	const input = $derived({
		...(values.nums(
			'heightBeforeMm',
			'sprungLoadN',
			'motionRatio',
			'motionRatioPerMm',
			'seatChangeMm',
			'settlingMm'
		) as Record<
			| 'heightBeforeMm'
			| 'sprungLoadN'
			| 'motionRatio'
			| 'motionRatioPerMm'
			| 'seatChangeMm'
			| 'settlingMm',
			number
		>),
		oldSpring: { rateNPerMm: num('oldRate'), freeLengthMm: num('oldFree') },
		newSpring: { rateNPerMm: num('newRate'), freeLengthMm: num('newFree') }
	});
	const predicted = new Live<Banded<PredictHeightResult>>(() => ({
		name: 'predict-height',
		input
	}));
	const p = $derived(predicted.value);

	/** A drawn distribution belongs to the input it was drawn for. */
	interface Drawn {
		for: string;
		distribution: Distribution;
		answered: number;
	}
	let drawn = $state.raw<Drawn>();
	const draws = new Run<{ results: Distribution[]; answered: number }>();
	const current = $derived(drawn?.for === JSON.stringify(input) ? drawn : undefined);

	async function draw() {
		const asked = JSON.stringify(input);
		const value = await draws.start('monte-carlo', {
			computation: 'predict-height',
			input: $state.snapshot(input),
			uncertainty: usualPredictUncertainty(input),
			results: ['settledHeightMm'],
			samples: Math.round(num('samples')),
			seed: 1
		});
		if (value) {
			drawn = { for: asked, distribution: value.results[0]!, answered: value.answered };
		}
	}
	onDestroy(() => draws.stop());

	const inUnit = (value: number) => units.number(value, 'length');
	const length = (value: number, signed = false) => units.show(value, 'length', { signed });
</script>

<Bench
	title="Height with another spring"
	lead="Both springs carry the same load: where the corner will stand, settled, and how sure that is."
	{values}
	{choices}
	faults={[...predicted.faults, ...draws.faults]}
	entryOf={(field) =>
		({
			'oldSpring.rateNPerMm': 'oldRate',
			'newSpring.rateNPerMm': 'newRate',
			'oldSpring.freeLengthMm': 'oldFree',
			'newSpring.freeLengthMm': 'newFree'
		})[field] ?? field}
	groups={[
		{ title: 'Car', keys: ['heightBeforeMm', 'sprungLoadN', 'motionRatio', 'motionRatioPerMm'] },
		{ title: 'Old spring', keys: ['oldRate', 'oldFree'] },
		{ title: 'New spring', keys: ['newRate', 'newFree', 'seatChangeMm', 'settlingMm'] },
		{ title: 'By random draws', keys: ['samples'] }
	]}
>
	{#snippet drawing()}
		{#if p}
			<HeightBell predicted={p} heightBeforeMm={num('heightBeforeMm')} draws={current} />
			<p class="caption">
				Green: what a linear band says. {current ? 'Blue: the draws. ' : ''}Heavy line: 95 %. Old
				spring under the car {length(p.oldSpringLengthMm)}, new {length(p.newSpringLengthMm)}.
			</p>
			<div class="no-print mt-3 flex flex-wrap items-center gap-3">
				{#if draws.share === undefined}
					<ActionButton onclick={draw}
						>Draw {formatNumber(num('samples'), 0)} cars like this</ActionButton
					>
				{:else}
					<RunProgress label="Draws done" share={draws.share} onstop={() => draws.stop()} />
				{/if}
			</div>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if p}
			<Readout
				main
				label="Hub to arch, settled"
				value={length(p.settledHeightMm)}
				band={length(p.expanded.settledHeightMm)}
			/>
			<Readout label="Change" value={length(p.changeMm, true)} band={length(p.expanded.changeMm)} />
			<Readout label="At first" value={length(p.newHeightMm)} />
			{#if current}
				<Readout
					label="By draws, 95 %"
					value="{formatNumber(inUnit(current.distribution.lowerBound), 1)} to {length(
						current.distribution.upperBound
					)}"
				>
					mean {length(current.distribution.mean)}, {current.answered} draws
				</Readout>
			{/if}
		{/if}
	{/snippet}
</Bench>
