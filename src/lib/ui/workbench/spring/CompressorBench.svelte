<script lang="ts">
	import { page } from '$app/state';
	import type { CompressorResult } from '$core/spring/compressor';
	import { shearModulusGPa, type IdentifiedSpring } from '$core/spring/rate';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import { compressorEntries } from './compressor-entries';
	import SpringDrawing from './SpringDrawing.svelte';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, compressorEntries, [
		{ key: 'rate', label: 'Rate', initial: 'caliper', options: ['caliper', 'known'] },
		{ key: 'steel', label: 'Wire', initial: 'oil-tempered', options: Object.keys(shearModulusGPa) }
	]);
	const byCaliper = $derived(values.text.rate === 'caliper');
	const modulus = $derived(shearModulusGPa[values.text.steel as keyof typeof shearModulusGPa]);
	const num = (key: string) => values.num(key);

	const identified = new Live<Banded<IdentifiedSpring>>(() => ({
		name: 'spring-identify',
		input: {
			...values.nums(
				'wireDiameterMm',
				'outerDiameterMm',
				'totalCoils',
				'deadCoils',
				'coatMm',
				'freeLengthMm'
			),
			shearModulusGPa: modulus
		}
	}));
	const rate = $derived(byCaliper ? identified.value?.rateNPerMm : num('rateNPerMm'));
	const squeezed = new Live<CompressorResult & Partial<Banded<CompressorResult>>>(() =>
		identified.value && rate !== undefined
			? {
					name: 'spring-compressor',
					input: {
						...values.nums(
							'hookedCoils',
							'freeLengthMm',
							'installedLengthMm',
							'clearanceMm',
							'screwLeadMm',
							'ratedLoadPerHookN'
						),
						screws: Math.round(num('screws')),
						hooksPerScrew: Math.round(num('hooksPerScrew')),
						rateNPerMm: rate,
						activeCoils: identified.value.activeCoils,
						wireDiameterMm: identified.value.wireDiameterMm,
						...(byCaliper && {
							uncertainty: {
								rateNPerMm: identified.value.expanded.rateNPerMm / 2,
								installedLengthMm: 1.5,
								freeLengthMm: 1.5
							}
						})
					}
				}
			: undefined
	);
	const stressed = new Live<{ stressMPa: number }>(() =>
		identified.value && squeezed.value
			? {
					name: 'spring-rate',
					input: {
						wireDiameterMm: identified.value.wireDiameterMm,
						meanDiameterMm: identified.value.meanDiameterMm,
						activeCoils: identified.value.activeCoils,
						shearModulusGPa: modulus,
						forceN: squeezed.value.hookForceTotalN
					}
				}
			: undefined
	);
	const force = (n: number) => units.show(n, 'force');
	const length = (value: number) => units.show(value, 'length');
	const danger = $derived(
		!!squeezed.value && (squeezed.value.coilBind || !!squeezed.value.overloaded)
	);
</script>

<Bench
	title="Spring in a compressor"
	lead="The hooked coils alone take the whole squeeze: what each hook bears, and what is stored."
	{values}
	faults={[...identified.faults, ...squeezed.faults]}
	groups={[
		{
			title: 'The spring',
			keys: [
				'wireDiameterMm',
				'outerDiameterMm',
				'totalCoils',
				'deadCoils',
				'coatMm',
				'freeLengthMm',
				...(byCaliper ? [] : ['rateNPerMm'])
			]
		},
		{
			title: 'Strut and compressor',
			keys: [
				'installedLengthMm',
				'hookedCoils',
				'screws',
				'hooksPerScrew',
				'screwLeadMm',
				'clearanceMm',
				'ratedLoadPerHookN'
			]
		}
	]}
>
	{#snippet choices()}
		<div class="flex flex-wrap gap-4">
			{@render mode()}
			<Choice
				label="Rate"
				bind:value={values.text.rate}
				options={[
					{ value: 'caliper', name: 'By caliper' },
					{ value: 'known', name: 'Known' }
				]}
			/>
			<Choice
				label="Wire"
				bind:value={values.text.steel}
				options={[
					{ value: 'oil-tempered', name: 'Oil-tempered', hint: 'G 79.5 GPa' },
					{ value: 'drawn', name: 'Drawn', hint: 'G 81.5 GPa' }
				]}
			/>
		</div>
	{/snippet}
	{#snippet drawing()}
		{#if identified.value}
			<SpringDrawing
				wireMm={identified.value.wireDiameterMm}
				meanDiameterMm={identified.value.meanDiameterMm}
				activeCoils={identified.value.activeCoils}
				freeLengthMm={num('freeLengthMm')}
				installedLengthMm={num('installedLengthMm')}
				clearanceMm={num('clearanceMm')}
				hookedCoils={Math.min(num('hookedCoils'), identified.value.activeCoils)}
				hooks={num('screws')}
				{danger}
			/>
		{/if}
		{#if squeezed.value}
			<div class="border-t border-line pt-2">
				<h2 class="text-[16px]">Wind each screw in turn</h2>
				<ol class="mt-1 flex flex-wrap gap-1.5">
					{#each squeezed.value.steps as turns, i (i)}
						<li class="num min-w-11 rounded-[3px] border border-edge px-2 py-1 text-center text-lg">
							{formatNumber(turns, turns % 1 ? 1 : 0)}
						</li>
					{/each}
				</ol>
				<p class="caption mt-1">
					Turns for one screw before the other follows; count them off. Keep out of the spring’s
					line. No impact gun. The shaft nut comes off only when the spring turns loosely in its
					seat. The maker of the tool and of the car decide.
				</p>
			</div>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if squeezed.value && identified.value}
			{@const s = squeezed.value}
			<Readout
				main
				label="Force on each hook"
				value={force(s.forcePerHookN)}
				band={s.expanded && force(s.expanded.forcePerHookN!)}
				tone={danger ? 'bad' : 'good'}
			>
				{#if s.overloaded}✕ Over what the tool is rated for. Use another tool, or hook more coils.
				{:else if s.coilBind}✕ The hooked coils touch before the seat is free. Hook more coils.
				{:else}✓ {formatNumber((100 * s.forcePerHookN) / num('ratedLoadPerHookN'), 0)} % of the tool’s
					rated load{/if}
			</Readout>
			<Readout label="Force on each screw" value={force(s.forcePerScrewN)}
				>all screws together {force(s.hookForceTotalN)}</Readout
			>
			<Readout label="On the seat before" value={force(s.seatForceN)} />
			<Readout label="Energy between the hooks" value="{formatNumber(s.energyJ, 0)}&nbsp;J">
				as {units.show(10, 'mass', { decimals: 0 })} dropped from {units.show(
					(s.dropOf10KgMm / 1000) * 1000,
					'length',
					{ decimals: 0 }
				)}
			</Readout>
			<Readout label="Each screw" value="{formatNumber(s.turnsPerHook, 1)}&nbsp;turns"
				>{length(s.screwTravelMm)} of travel</Readout
			>
			<Readout
				label="Left between hooked coils"
				value={length(s.coilGapMm)}
				tone={s.coilBind ? 'bad' : undefined}
			/>
			<Readout
				label="Rate"
				value={units.show(rate!, 'rate')}
				band={byCaliper ? units.show(identified.value.expanded.rateNPerMm, 'rate') : undefined}
			/>
			<Readout label="Index, mean coil over wire" value={formatNumber(identified.value.index, 1)} />
			{#if stressed.value}<Readout
					label="Stress in the hooked wire"
					value="{formatNumber(stressed.value.stressMPa, 0)}&nbsp;MPa"
				/>{/if}
		{/if}
	{/snippet}
</Bench>
