<script lang="ts">
	import { page } from '$app/state';
	import { otherCauseWords, type OtherCause, type SagDiagnosis } from '$core/car/sag';
	import { corners, perCorner } from '$core/height/corners';
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
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, [
		...cornerEntries(
			'off',
			(corner) => `${corner}, measured − specified`,
			{ FL: -4, FR: 1, RL: -16, RR: -3 },
			{ min: -150, max: 150 }
		),
		{
			key: 'heightUncertaintyMm',
			label: 'A height is good to ±',
			dimension: 'length',
			decimals: 1,
			initial: 2,
			min: 0.1,
			max: 50
		},
		...carEntries
	]);
	const found = new Live<SagDiagnosis>(() => ({
		name: 'sag-diagnosis',
		input: {
			...carInput(values),
			deviationMm: cornerNumbers(values, 'off'),
			heightUncertaintyMm: values.num('heightUncertaintyMm') / 2
		}
	}));
	const length = (value: number) => units.show(value, 'length');
	/** The likeliest spring; what it explains says less: two springs explain more than one. */
	const first = $derived(
		found.value?.suspects.reduce((a, b) => (b.likelihood > a.likelihood ? b : a))
	);
	const said = $derived({
		sound: { value: 'no spring is told', words: '✓ Within what sound cars scatter.' },
		sagged: {
			value: first?.springs.join(' + ') ?? '',
			words: '◇ Nothing else explains it as well: measure the spring free before it is bought.'
		},
		unclear: {
			value: 'cannot be told',
			words: `◇ Something is there; it may be ${(found.value?.cannotSeparate ?? [])
				.map((name) =>
					name in otherCauseWords
						? otherCauseWords[name as OtherCause].toLowerCase()
						: name.replaceAll('+', ' and ')
				)
				.join(', or ')}.`
		}
	});
</script>

<Bench
	title="Four corners, which spring has sagged"
	lead="For each spring, the loss of length that best explains the four heights, how likely it is beside the others and beside a sound car, and what it leaves unexplained."
	{values}
	{choices}
	faults={found.faults}
	entryOf={carEntryOf}
	groups={[
		{
			title: 'Heights against specification',
			keys: [...corners.map((corner) => `off${corner}`), 'heightUncertaintyMm']
		},
		...carGroups
	]}
>
	{#snippet drawing()}
		{#if found.value && first}
			<PlaneDrawing
				wheelbaseMm={values.num('wheelbaseMm')}
				trackFrontMm={values.num('trackFrontMm')}
				trackRearMm={values.num('trackRearMm')}
				heightMm={cornerNumbers(values, 'off')}
				note={perCorner((corner) => (first.springs.includes(corner) ? 'suspect' : ''))}
				marked={first.springs}
				label="How the body stands against specification"
			/>
			<DataTable size="text-[16px]!" class="mt-2">
				<thead>
					<tr class="border-b-2 border-ink text-start text-[15px]">
						<th class="py-1 text-start font-semibold">Spring</th>
						<th class="text-end font-semibold">Length lost</th>
						<th class="w-2/5 ps-4 text-start font-semibold">How likely</th>
						<th class="text-end font-semibold">Leaves</th>
					</tr>
				</thead>
				<tbody>
					{#each found.value.suspects as suspect (suspect.springs.join())}
						<tr class="border-b border-line">
							<td class="py-2 font-semibold">{suspect.springs.join(' and ')}</td>
							<td class="text-end"
								>{length(suspect.lossMm)}
								<span class="text-soft">± {length(suspect.lossExpandedMm)}</span></td
							>
							<td class="ps-4">
								<svg
									viewBox="0 0 200 18"
									class="w-full"
									role="img"
									aria-label="{formatNumber(100 * suspect.likelihood, 0)} % likely"
								>
									<rect width="150" height="18" class="fill-sunk" />
									<rect
										width={150 * suspect.likelihood}
										height="18"
										class={suspect === first ? 'fill-spruce' : 'fill-edge'}
									/>
									<text x="156" y="14" font-size="14"
										>{formatNumber(100 * suspect.likelihood, 0)} %</text
									>
								</svg>
							</td>
							<td class="text-end">{length(suspect.unexplainedMm)}</td>
						</tr>
					{/each}
				</tbody>
			</DataTable>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if found.value && first}
			<Readout
				main
				label="From these heights alone"
				value={said[found.value.verdict].value}
				tone={found.value.verdict === 'sound' ? 'good' : 'doubt'}
			>
				{said[found.value.verdict].words}
			</Readout>
			{#each found.value.others.filter(({ likelihood }) => likelihood > 0.02) as one (one.cause)}
				<Readout
					label={otherCauseWords[one.cause]}
					value="{formatNumber(100 * one.likelihood, 0)} %"
				/>
			{/each}
			<Readout
				label="Length lost, {first.springs.join(' and ')}"
				value={length(first.lossMm)}
				band={length(first.lossExpandedMm)}
			/>
			<Readout label="Left unexplained" value={length(first.unexplainedMm)} />
			<Readout
				label="Off one plane"
				value={units.show(found.value.warpMm, 'length', { signed: true })}
				>body, floor, reading, or a spring at one corner</Readout
			>
		{/if}
	{/snippet}
</Bench>
