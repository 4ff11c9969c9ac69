<script lang="ts">
	import { page } from '$app/state';
	import type { castleNut } from '$core/fastener/programme';
	import { workingRange } from '$core/fastener/wrench';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import CastleNut from './CastleNut.svelte';
	import WrenchDrawing from './WrenchDrawing.svelte';

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const torque = { dimension: 'torque' as const, min: 0.5, max: 2000 };
	const values = new BenchValues(units, page.url.searchParams, [
		{ key: 'targetNm', label: 'Torque at the nut', ...torque, initial: 120 },
		{
			key: 'wrenchLengthMm',
			label: 'Wrench, grip to drive',
			dimension: 'length',
			decimals: 0,
			initial: 400,
			min: 50,
			max: 2000
		},
		{
			key: 'adapterLengthMm',
			label: 'Adapter, drive to nut',
			dimension: 'length',
			decimals: 0,
			initial: 75,
			min: 0,
			max: 600
		},
		{
			key: 'adapterAngleDeg',
			label: 'Adapter’s angle',
			dimension: 'angle',
			decimals: 0,
			initial: 30,
			min: -180,
			max: 180,
			hint: '0 in line, 90 at right angles'
		},
		{ key: 'highestNm', label: 'Wrench goes to', ...torque, initial: 200 },
		{ key: 'lowestNm', label: 'Scale starts at', ...torque, initial: 20 },
		{ key: 'lowNm', label: 'Low limit', ...torque, initial: 40 },
		{ key: 'highNm', label: 'High limit', ...torque, initial: 90 },
		{
			key: 'toNextSlotDeg',
			label: 'To the next slot',
			dimension: 'angle',
			decimals: 0,
			initial: 25,
			min: 0,
			max: 60
		},
		{ key: 'slopeNmPerDeg', label: 'Joint’s slope', unit: 'N·m/°', initial: 1.1, min: 0, max: 50 }
	]);
	const num = (key: string) => values.num(key);
	const set = new Live<Banded<{ settingNm: number }>>(() => ({
		name: 'wrench-setting',
		input: {
			...values.nums('targetNm', 'wrenchLengthMm', 'adapterLengthMm', 'adapterAngleDeg'),
			uncertainty: { wrenchLengthMm: 10, adapterAngleDeg: 3 }
		}
	}));
	const castle = new Live<ReturnType<typeof castleNut>>(() => ({
		name: 'castle-nut',
		input: values.nums('lowNm', 'highNm', 'toNextSlotDeg', 'slopeNmPerDeg')
	}));
	const range = $derived(workingRange({ lowestNm: num('lowestNm'), highestNm: num('highestNm') }));
	const inRange = $derived(
		!!set.value && set.value.settingNm >= range.fromNm && set.value.settingNm <= range.toNm
	);
	const show = (nm: number) => units.show(nm, 'torque');
</script>

<Bench
	title="Wrench"
	lead="An adapter lengthens the lever: what to set so that the nut gets what it should."
	{values}
	{choices}
	faults={[...set.faults, ...castle.faults]}
	groups={[
		{
			title: 'Wrench and adapter',
			keys: [
				'targetNm',
				'wrenchLengthMm',
				'adapterLengthMm',
				'adapterAngleDeg',
				'highestNm',
				'lowestNm'
			]
		},
		{ title: 'Castle nut', keys: ['lowNm', 'highNm', 'toNextSlotDeg', 'slopeNmPerDeg'] }
	]}
>
	{#snippet drawing()}
		<WrenchDrawing
			targetNm={num('targetNm')}
			settingNm={set.value?.settingNm}
			wrenchLengthMm={num('wrenchLengthMm')}
			adapterLengthMm={num('adapterLengthMm')}
			adapterAngleDeg={num('adapterAngleDeg')}
			onangle={(deg) => values.set('adapterAngleDeg', deg)}
		/>
		<Slider
			{values}
			name="adapterAngleDeg"
			label="Adapter’s angle"
			min={-180}
			max={180}
			step={1}
			low="−180°"
			high="180°"
		/>
		<div class="mt-2 grid items-center gap-4 border-t border-line pt-3 sm:grid-cols-[13rem_1fr]">
			<CastleNut toNextSlotDeg={num('toNextSlotDeg')} />
			<div>
				<h2 class="text-[16px]">Castle nut</h2>
				{#if castle.value}
					<p class="num text-3xl {castle.value.refused ? 'text-madder' : 'text-spruce'}">
						{show(castle.value.torqueNm)} at the slot
					</p>
					<p>
						{#if castle.value.refused}✕ Over the high limit of {show(num('highNm'))}: another nut or
							washer. Never back.
						{:else}✓ From {show(num('lowNm'))} forward {formatNumber(num('toNextSlotDeg'), 0)}° to
							the slot. Never back.{/if}
					</p>
				{/if}
			</div>
		</div>
	{/snippet}
	{#snippet numbers()}
		{#if set.value}
			<Readout
				main
				label="Set the wrench to"
				value={show(set.value.settingNm)}
				band={set.value.expanded && show(set.value.expanded.settingNm)}
				tone={inRange ? 'good' : 'bad'}
			>
				{#if inRange}✓ inside what this wrench is good for{:else}✕ outside {show(range.fromNm)} to {show(
						range.toNm
					)}: take another wrench{/if}
			</Readout>
			<Readout label="Without the adapter" value={show(num('targetNm'))} />
			<Readout
				label="Nut gets, per wrench"
				value="×{formatNumber(num('targetNm') / set.value.settingNm, 3)}"
			/>
			<Readout label="Wrench is good from" value={show(range.fromNm)}
				>a fifth of its range, ISO 6789-1</Readout
			>
		{/if}
	{/snippet}
</Bench>
