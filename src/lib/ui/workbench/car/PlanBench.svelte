<script lang="ts">
	import { page } from '$app/state';
	import type { CollarPlanResult } from '$core/car/collar-plan';
	import { cornerNames, corners, perCorner, type Corner } from '$core/height/corners';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import {
		carEntries,
		carEntryOf,
		carGroups,
		carInput,
		cornerEntries,
		cornerNumbers
	} from './car-values';
	import PlaneDrawing from './PlaneDrawing.svelte';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const mm = { dimension: 'length' as const, decimals: 1 };
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[
			...cornerEntries(
				'target',
				(corner) => `Wanted ${corner}, + = up`,
				{ FL: -12, FR: -10, RL: -8, RR: -10 },
				{ min: -150, max: 150 }
			),
			{
				key: 'threadPitchMm',
				label: 'Thread pitch',
				...mm,
				decimals: 2,
				initial: 1.5,
				min: 0.25,
				max: 10
			},
			{ key: 'min', label: 'Collar may go down to', ...mm, initial: -25, min: -150, max: 0 },
			{ key: 'max', label: 'Collar may go up to', ...mm, initial: 15, min: 0, max: 150 },
			{
				key: 'crossPercent',
				label: 'Cross weight wanted',
				unit: '%',
				initial: 50,
				min: 30,
				max: 70
			},
			...carEntries
		],
		[{ key: 'cross', label: 'Cross weight', initial: 'keep', options: ['keep', 'target'] }]
	);
	const byScales = $derived(values.text.cross === 'target');
	const plan = new Live<CollarPlanResult>(() => ({
		name: 'collar-plan',
		input: {
			...carInput(values),
			targetHeightChangeMm: cornerNumbers(values, 'target'),
			threadPitchMm: values.num('threadPitchMm'),
			limitsMm: values.nums('min', 'max'),
			...(byScales && { targetCrossWeight: values.num('crossPercent') / 100 })
		}
	}));
	const percent = (share: number) => `${formatNumber(100 * share, 2)}\u00a0%`;
	const length = (value: number) => units.show(value, 'length', { signed: true });
</script>

<Bench
	title="Four corners, collar plan"
	lead="How many quarter-turns of which collar bring the car to the heights wanted."
	{values}
	faults={plan.faults}
	entryOf={carEntryOf}
	groups={[
		{
			title: 'Wanted at the wheel',
			keys: [...corners.map((corner) => `target${corner}`), ...(byScales ? ['crossPercent'] : [])]
		},
		{ title: 'Collars', keys: ['threadPitchMm', 'min', 'max'] },
		...carGroups
	]}
>
	{#snippet choices()}
		<div class="flex flex-wrap gap-4">
			{@render mode()}
			<Choice
				label="Cross weight"
				bind:value={values.text.cross}
				options={[
					{ value: 'keep', name: 'Leave as it is', hint: 'no scales' },
					{ value: 'target', name: 'Bring to a target', hint: 'read on scales' }
				]}
			/>
		</div>
	{/snippet}
	{#snippet drawing()}
		{#if plan.value}
			{@const { predicted, turns } = plan.value}
			<PlaneDrawing
				wheelbaseMm={values.num('wheelbaseMm')}
				trackFrontMm={values.num('trackFrontMm')}
				trackRearMm={values.num('trackRearMm')}
				heightMm={predicted.heightChangeMm}
				targetMm={cornerNumbers(values, 'target')}
				note={perCorner((corner) => `wanted ${length(values.num(`target${corner}`))}`)}
				marked={plan.value.atLimit as Corner[]}
				label="How the body will stand after the plan, against what is wanted"
			/>
			<div class="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
				{#each corners as corner (corner)}
					<div class="rounded-[3px] border border-line p-2 text-center">
						<p class="text-[15px] font-semibold">{cornerNames[corner]}</p>
						<p class="num text-[34px] leading-tight">{formatNumber(turns[corner], 2, true)}</p>
						<p class="caption">
							{turns[corner] === 0 ? 'leave' : `turns ${turns[corner] > 0 ? 'up' : 'down'}`}, {length(
								plan.value.perchMm[corner]
							)}
							{#if plan.value.atLimit.includes(corner)}<strong class="text-madder"
									>✕ at its limit</strong
								>{/if}
						</p>
					</div>
				{/each}
			</div>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if plan.value}
			{@const { predicted, residualMm, unroundedResidualMm } = plan.value}
			<Readout
				main
				label="Left to the heights wanted, mean"
				value={units.show(residualMm, 'length')}
				tone={residualMm < 2 ? 'good' : 'doubt'}
			>
				{units.show(unroundedResidualMm, 'length')} of it no collar can give
			</Readout>
			{#each corners as corner (corner)}
				<Readout
					label="{cornerNames[corner]}, will change"
					value={length(predicted.heightChangeMm[corner])}
				>
					load {units.show(predicted.loadChangeN[corner], 'force', { signed: true })}
				</Readout>
			{/each}
			<Readout label="Cross weight, FR + RL" value={percent(predicted.crossWeight.after)}
				>was {percent(predicted.crossWeight.before)}</Readout
			>
		{/if}
	{/snippet}
</Bench>
