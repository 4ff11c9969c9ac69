<script lang="ts">
	import { page } from '$app/state';
	import type { FullCarRun } from '$core/ride/full-car';
	import { rideVerdict, type QuarterCarModes } from '$core/ride/quarter-car';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import { extent, line, scaleLinear } from 'd3';
	import type { Snippet } from 'svelte';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import { bumpEntries, bumpTexts, overBump, quarterOf } from './over-a-bump';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, bumpEntries, bumpTexts);
	const num = (key: string) => values.num(key);
	const inUnit = (mm: number) => units.number(mm, 'length');
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

	const x = scaleLinear([0, 3], [64, 760]);
	const y = $derived(
		r
			? scaleLinear(
					extent(
						r.rows.flatMap((row) => [row.bodyMm, row.heightMm.FL, row.heightMm.RL]).map(inUnit)
					) as [number, number],
					[250, 20]
				).nice()
			: undefined
	);
	const curve = $derived((pick: (row: FullCarRun['rows'][number]) => number) =>
		line()(r!.rows.map((row): [number, number] => [x(row.timeS), y!(inUnit(pick(row)))]))!
	);
	const now = $derived(r?.rows[Math.round((num('atMs') / 3000) * (r.rows.length - 1))]);
	/** The car from the side, heights three times enlarged. */
	const big = 3;
	const sideAt = (mm: number) => 330 - mm * 0.11;
	const wheelX = $derived({ front: 210, rear: 210 + num('wheelbaseMm') * 0.13 });
	const bodyY = $derived((axle: 'front' | 'rear') => {
		if (!now) return 0;
		const arm =
			axle === 'front' ? num('massBehindFrontMm') : num('massBehindFrontMm') - num('wheelbaseMm');
		return (now.bodyMm + arm * Math.sin((now.pitchDeg * Math.PI) / 180)) * big * 0.11;
	});
	const hub = $derived((axle: 'front' | 'rear') =>
		now ? bodyY(axle) - now.heightMm[axle === 'front' ? 'FL' : 'RL'] * big * 0.11 : 0
	);
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
		{#if r && y && now}
			<svg
				viewBox="0 0 780 165"
				class="drawn"
				role="img"
				aria-label="The car from the left at {num('atMs')} milliseconds"
			>
				<g transform="translate(0 -200)">
					<path d="M 40 {sideAt(0) + 24} H 740" class="stroke-edge" stroke-width="1.5" />
					<path
						d="M {wheelX.front - 80} {sideAt(0) - 34 - bodyY('front')} L {wheelX.front -
							60} {sideAt(0) - 62 - bodyY('front')} L {wheelX.front + 90} {sideAt(0) -
							74 -
							bodyY('front') * 0.7 -
							bodyY('rear') * 0.3} L {wheelX.front + 140} {sideAt(0) -
							108 -
							bodyY('front') * 0.6 -
							bodyY('rear') * 0.4} L {wheelX.rear - 40} {sideAt(0) -
							108 -
							bodyY('rear')} L {wheelX.rear + 60} {sideAt(0) - 70 - bodyY('rear')} L {wheelX.rear +
							70} {sideAt(0) - 26 - bodyY('rear')} Z"
						class="fill-spruce-wash stroke-spruce"
						stroke-width="3"
						stroke-linejoin="round"
					/>
					{#each ['front', 'rear'] as const as axle (axle)}
						<circle
							cx={wheelX[axle]}
							cy={sideAt(0) - 8 - hub(axle)}
							r="32"
							class="fill-panel stroke-ink"
							stroke-width="5"
						/>
						<circle cx={wheelX[axle]} cy={sideAt(0) - 8 - hub(axle)} r="5" class="fill-ink" />
					{/each}
				</g>
			</svg>
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
				<path d="M {x(num('atMs') / 1000)} 20 V 250" class="stroke-ink" stroke-dasharray="4 4" />
				<g font-size="15">
					<path d="M 500 30 h 40" class="stroke-spruce" stroke-width="3" /><text x="548" y="35"
						>body, at its mass</text
					>
					<path
						d="M 500 52 h 40"
						class="stroke-mark"
						stroke-width="2"
						stroke-dasharray="7 4"
					/><text x="548" y="57">hub to arch, front left</text>
					<path
						d="M 500 74 h 40"
						class="stroke-ochre"
						stroke-width="2"
						stroke-dasharray="2 3"
					/><text x="548" y="79">hub to arch, rear left</text>
				</g>
			</svg>
			<p class="caption">
				Above: heights ×{big}. Seven degrees of freedom; dampers differ in bump and rebound; tyres
				do not leave the road in this model.
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
