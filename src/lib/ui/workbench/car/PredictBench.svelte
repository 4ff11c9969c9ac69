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
	import { area, curveStep, scaleLinear } from 'd3';
	import { onDestroy, type Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import { BenchValues } from '../frame/values.svelte';

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
	const x = $derived.by(() => {
		if (!p) return scaleLinear([0, 1], [60, 740]);
		const half = 1.9 * p.expanded.settledHeightMm;
		const low = Math.min(p.settledHeightMm - half, num('heightBeforeMm') - 4);
		const high = Math.max(p.settledHeightMm + half, p.newHeightMm + 4, num('heightBeforeMm') + 4);
		return scaleLinear([inUnit(low), inUnit(high)], [60, 740]);
	});
	const at = $derived((value: number) => x(inUnit(value)));
	const base = 300;
	/** The bell of the linear band. */
	const bell = $derived.by(() => {
		if (!p) return '';
		const s = p.expanded.settledHeightMm / 2;
		return area<number>()
			.x((z) => at(p.settledHeightMm + z * s))
			.y0(base)
			.y1((z) => base - 200 * Math.exp((-z * z) / 2))(
			Array.from({ length: 81 }, (_, i) => -4 + i * 0.1)
		)!;
	});
	const steps = $derived.by(() => {
		if (!current || !p) return '';
		const { histogram } = current.distribution;
		const s = p.expanded.settledHeightMm / 2;
		const width = histogram[0]!.to - histogram[0]!.from;
		// Scaled so that its area is that of the bell.
		const scale = (200 * s * Math.sqrt(2 * Math.PI)) / (current.answered * width);
		return area<(typeof histogram)[number]>()
			.x(({ from, to }) => at((from + to) / 2))
			.y0(base)
			.y1(({ count }) => base - count * scale)
			.curve(curveStep)(histogram)!;
	});
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
			<svg
				viewBox="0 0 780 370"
				class="drawn"
				role="img"
				aria-label="Height before, and the settled height with its spread"
			>
				{#each x.ticks(8) as tick (tick)}
					<path d="M {x(tick)} {base} v 6" class="stroke-edge" />
					<text x={x(tick)} y={base + 24} text-anchor="middle" font-size="14" class="text-soft"
						>{tick}</text
					>
				{/each}
				<text x="740" y={base + 44} text-anchor="end" font-size="14" class="text-soft"
					>hub to arch, {units.choice.length}</text
				>
				{#if steps}<path d={steps} class="fill-mark-wash stroke-mark" stroke-width="1.5" />{/if}
				<path
					d={bell}
					class={steps ? 'stroke-spruce' : 'fill-spruce-wash stroke-spruce'}
					fill={steps ? 'none' : undefined}
					stroke-width="2.5"
				/>
				<path d="M 60 {base} H 740" class="stroke-ink" stroke-width="1.5" />
				<path d="M {at(num('heightBeforeMm'))} {base} V 40" class="stroke-ink" stroke-width="2.5" />
				<text
					x={at(num('heightBeforeMm')) - 8}
					y="54"
					text-anchor="end"
					font-size="15"
					font-weight="600">now {length(num('heightBeforeMm'))}</text
				>
				<path d="M {at(p.settledHeightMm)} {base} V 74" class="stroke-spruce" stroke-width="3" />
				<text x={at(p.settledHeightMm) + 8} y="66" font-size="17" font-weight="700"
					>settled {length(p.settledHeightMm)}</text
				>
				<path
					d="M {at(p.newHeightMm)} {base} V 250"
					class="stroke-mark"
					stroke-dasharray="5 4"
					stroke-width="2"
				/>
				<text x={at(p.newHeightMm) + 8} y={base - 10} font-size="14" class="text-mark"
					>at first {length(p.newHeightMm)}</text
				>
				{#each [p.settledHeightMm - p.expanded.settledHeightMm, p.settledHeightMm + p.expanded.settledHeightMm] as edge (edge)}
					<path d="M {at(edge)} {base - 10} v 20" class="stroke-ink" stroke-width="2.5" />
				{/each}
				<path
					d="M {at(p.settledHeightMm - p.expanded.settledHeightMm)} {base} H {at(
						p.settledHeightMm + p.expanded.settledHeightMm
					)}"
					class="stroke-ink"
					stroke-width="5"
				/>
			</svg>
			<p class="caption">
				Green: what a linear band says. {steps ? 'Blue: the draws. ' : ''}Heavy line: 95 %. Old
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
