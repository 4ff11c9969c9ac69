<script lang="ts">
	import { page } from '$app/state';
	import type { FourCornerResult } from '$core/car/four-corner';
	import { cornerNames, corners, perCorner, type Corner } from '$core/height/corners';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
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

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, [
		{
			key: 'threadPitchMm',
			label: 'Thread pitch',
			dimension: 'length',
			decimals: 2,
			initial: 1.5,
			min: 0.25,
			max: 10
		},
		...cornerEntries(
			'perch',
			(corner) => `Perch ${corner}, + = up`,
			{ FL: 6, FR: 0, RL: 0, RR: 0 },
			{ min: -100, max: 100 }
		),
		...carEntries
	]);
	const stand = new Live<Banded<FourCornerResult>>(() => ({
		name: 'four-corner',
		input: {
			...carInput(values),
			perchMm: cornerNumbers(values, 'perch'),
			uncertainty: Object.fromEntries(
				corners.flatMap((corner) => [
					[`wheelRatesNPerMm.${corner}`, 0.05 * carInput(values).wheelRatesNPerMm[corner]],
					[`motionRatio.${corner}`, 0.01 * carInput(values).motionRatio[corner]]
				])
			)
		}
	}));
	const quarter = $derived(values.num('threadPitchMm') / 4);
	const turns = (corner: Corner) => values.num(`perch${corner}`) / values.num('threadPitchMm');
	function turn(corner: Corner, quarters: number) {
		const now = Math.round(values.num(`perch${corner}`) / quarter) + quarters;
		values.set(`perch${corner}`, now * quarter);
	}
	const percent = (share: number) => `${formatNumber(100 * share, 2)}\u00a0%`;
</script>

<Bench
	title="Four corners, collars turned"
	lead="Turn a collar at one corner and all four heights and loads move: a table with a short leg."
	{values}
	{choices}
	faults={stand.faults}
	entryOf={carEntryOf}
	groups={[
		{ title: 'Collars', keys: [...corners.map((corner) => `perch${corner}`), 'threadPitchMm'] },
		...carGroups
	]}
>
	{#snippet drawing()}
		{#if stand.value}
			<PlaneDrawing
				wheelbaseMm={values.num('wheelbaseMm')}
				trackFrontMm={values.num('trackFrontMm')}
				trackRearMm={values.num('trackRearMm')}
				heightMm={stand.value.heightChangeMm}
				note={perCorner(
					(corner) =>
						`load ${units.show(stand.value!.loadChangeN[corner], 'force', { signed: true })}`
				)}
				label="How the body stands after the collars were turned"
			/>
			<div class="no-print mt-2 grid gap-2 sm:grid-cols-2">
				{#each corners as corner (corner)}
					<div class="flex items-center gap-2 rounded-[3px] border border-line p-2">
						<div class="min-w-0 flex-1">
							<p class="font-semibold">{cornerNames[corner]}</p>
							<p class="caption">collar {formatNumber(turns(corner), 2, true)} turns</p>
						</div>
						<button
							type="button"
							class="min-h-14 min-w-16 rounded-[3px] border border-edge bg-panel text-lg font-bold hover:bg-sunk"
							onclick={() => turn(corner, -1)}
							>− ¼<span class="sr-only"> turn, {cornerNames[corner]}</span></button
						>
						<button
							type="button"
							class="min-h-14 min-w-16 rounded-[3px] border border-edge bg-panel text-lg font-bold hover:bg-sunk"
							onclick={() => turn(corner, 1)}
							>+ ¼<span class="sr-only"> turn, {cornerNames[corner]}</span></button
						>
					</div>
				{/each}
			</div>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if stand.value}
			{@const { heightChangeMm, loadChangeN, crossWeight } = stand.value}
			{@const expanded = stand.value.expanded}
			<Readout
				main
				label="Cross weight, FR + RL"
				value={percent(crossWeight.after)}
				tone={Math.abs(crossWeight.after - 0.5) < 0.005 ? 'good' : 'doubt'}
			>
				was {percent(crossWeight.before)}
			</Readout>
			{#each corners as corner (corner)}
				<Readout
					label="{cornerNames[corner]}, height"
					value={units.show(heightChangeMm[corner], 'length', { signed: true })}
					band={expanded && units.show(expanded.heightChangeMm[corner], 'length')}
				>
					load {units.show(values.num(`load${corner}`) + loadChangeN[corner], 'force')}
				</Readout>
			{/each}
		{/if}
	{/snippet}
</Bench>
