<script lang="ts">
	import { page } from '$app/state';
	import type { FullCarRun } from '$core/ride/full-car';
	import { rideVerdict, type QuarterCarModes } from '$core/ride/quarter-car';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import BumpChart from './BumpChart.svelte';
	import CarOverBump, { heightsEnlarged } from './CarOverBump.svelte';
	import { bumpEntries, bumpTexts, overBump, quarterOf } from './over-a-bump';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, bumpEntries, bumpTexts);
	const num = (key: string) => values.num(key);
	const run = new Live<FullCarRun>(() => ({ name: 'full-car', input: overBump(num, values.text) }));
	const r = $derived(run.value);
	const front = new Live<QuarterCarModes>(() => ({
		name: 'quarter-car',
		input: quarterOf(num, 'front')
	}));
	const rear = new Live<QuarterCarModes>(() => ({
		name: 'quarter-car',
		input: quarterOf(num, 'rear')
	}));
	const verdicts = {
		soft: '◇ soft',
		passenger: '✓ passenger car',
		sports: '✓ sports car',
		stiff: '◇ stiff'
	};

	const now = $derived(r?.rows[Math.round((num('atMs') / 3000) * (r.rows.length - 1))]);
	const length = (mm: number) => units.show(mm, 'length');
</script>

<Bench
	title="Over a bump"
	lead="The whole car over a hump or a step: body, wheels, and what springs and dampers make of it."
	{values}
	faults={[...run.faults, ...front.faults, ...rear.faults]}
	groups={[
		{ title: 'Road', keys: ['heightMm', 'obstacleMm', 'speedKmh'] },
		{
			title: 'Dampers, at the wheel',
			keys: ['bump-front', 'rebound-front', 'bump-rear', 'rebound-rear']
		},
		{
			title: 'Springs, bars, tyres',
			keys: ['rate-front', 'rate-rear', 'bar-front', 'bar-rear', 'tyre']
		},
		{
			title: 'Masses and size',
			keys: [
				'body',
				'unsprung-front',
				'unsprung-rear',
				'wheelbaseMm',
				'massBehindFrontMm',
				'trackFrontMm',
				'trackRearMm',
				'pitchInertia',
				'rollInertia'
			]
		}
	]}
>
	{#snippet choices()}
		<div class="flex flex-wrap gap-4">
			{@render mode()}
			<Choice
				label="Road"
				bind:value={values.text.shape}
				options={[
					{ value: 'hump', name: 'A hump' },
					{ value: 'step', name: 'A step up' }
				]}
			/>
			<Choice
				label="Under"
				bind:value={values.text.side}
				options={[
					{ value: 'both', name: 'Both sides' },
					{ value: 'left', name: 'The left' }
				]}
			/>
		</div>
	{/snippet}
	{#snippet drawing()}
		{#if r && now}
			<CarOverBump {now} {num} />
			<Slider
				{values}
				name="atMs"
				label="Moment shown"
				min={0}
				max={3000}
				step={10}
				low="0 s"
				high="3 s"
			/>
			<BumpChart run={r} atS={num('atMs') / 1000} />
			<p class="caption">
				Above: heights ×{heightsEnlarged}. Seven degrees of freedom; dampers differ in bump and
				rebound; tyres do not leave the road in this model.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if r && front.value && rear.value}
			<Readout main label="At rest after" value="{formatNumber(r.settledAfterS, 2)}&nbsp;s" />
			<Readout label="Most on the body" value="{formatNumber(r.peak.accelerationG, 2)}&nbsp;g" />
			<Readout
				label="Most travel, front"
				value={length(Math.max(r.peak.travelMm.FL, r.peak.travelMm.FR))}
			/>
			<Readout
				label="Most travel, rear"
				value={length(Math.max(r.peak.travelMm.RL, r.peak.travelMm.RR))}
			/>
			<Readout label="Front corner, body" value="{formatNumber(front.value.bodyFreqHz, 2)}&nbsp;Hz"
				>ζ {formatNumber(front.value.bodyDampingRatio, 2)}
				{verdicts[rideVerdict(front.value.bodyFreqHz)]}</Readout
			>
			<Readout
				label="Front corner, wheel hop"
				value="{formatNumber(front.value.hopFreqHz, 1)}&nbsp;Hz"
				>ζ {formatNumber(front.value.hopDampingRatio, 2)}</Readout
			>
			<Readout label="Rear corner, body" value="{formatNumber(rear.value.bodyFreqHz, 2)}&nbsp;Hz">
				ζ {formatNumber(rear.value.bodyDampingRatio, 2)}; {formatNumber(
					100 * (rear.value.bodyFreqHz / front.value.bodyFreqHz - 1),
					0,
					true
				)} % against front
			</Readout>
			<Readout
				label="Rear corner, wheel hop"
				value="{formatNumber(rear.value.hopFreqHz, 1)}&nbsp;Hz"
				>ζ {formatNumber(rear.value.hopDampingRatio, 2)}</Readout
			>
		{/if}
	{/snippet}
	{#snippet notes()}
		<p class="caption mt-2 border-t border-line pt-2">
			Rear 10 to 20 % above front rides flat; passenger cars 1.0 to 1.5 Hz, sports to 2: common
			practice.
		</p>
	{/snippet}
</Bench>
