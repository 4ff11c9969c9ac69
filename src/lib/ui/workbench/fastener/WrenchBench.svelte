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
	import { draggable } from '$lib/ui/corner/drag';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';

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

	const scale = $derived(440 / Math.max(num('wrenchLengthMm') + num('adapterLengthMm'), 100));
	const drive = $derived([560 - num('adapterLengthMm') * scale * 0.6, 170] as const);
	const nut = $derived.by(() => {
		const angle = (num('adapterAngleDeg') * Math.PI) / 180;
		const e = Math.max(num('adapterLengthMm') * scale, 1);
		return [drive[0] + e * Math.cos(angle), drive[1] - e * Math.sin(angle)] as const;
	});
	const slots = [0, 60, 120, 180, 240, 300];
	const hole = $derived(-num('toNextSlotDeg'));
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
		<svg
			viewBox="0 0 780 340"
			class="drawn select-none"
			role="img"
			aria-label="Wrench and adapter from above, to scale"
		>
			<path
				d="M {drive[0] - num('wrenchLengthMm') * scale} {drive[1]} H {drive[0]}"
				class="stroke-soft"
				stroke-width="12"
				stroke-linecap="round"
			/>
			<path
				d="M {drive[0] - num('wrenchLengthMm') * scale - 34} {drive[1]} h 68"
				class="stroke-ink"
				stroke-width="24"
				stroke-linecap="round"
			/>
			<path
				d="M {drive[0]} {drive[1]} L {nut[0]} {nut[1]}"
				class="stroke-spruce"
				stroke-width="14"
				stroke-linecap="round"
			/>
			<circle cx={drive[0]} cy={drive[1]} r="17" class="fill-panel stroke-ink" stroke-width="4" />
			<rect x={drive[0] - 6} y={drive[1] - 6} width="12" height="12" class="fill-ink" />
			<g
				class="cursor-grab touch-none"
				{@attach draggable(
					() => (place) =>
						values.set(
							'adapterAngleDeg',
							Math.round((Math.atan2(drive[1] - place.y, place.x - drive[0]) * 180) / Math.PI)
						)
				)}
			>
				<circle cx={nut[0]} cy={nut[1]} r="34" fill="transparent" />
				<path
					d={`M ${slots.map((a) => `${nut[0] + 22 * Math.cos((a * Math.PI) / 180)} ${nut[1] + 22 * Math.sin((a * Math.PI) / 180)}`).join(' L ')} Z`}
					class="fill-panel stroke-ink"
					stroke-width="4"
				/>
				<circle cx={nut[0]} cy={nut[1]} r="8" class="fill-ink" />
			</g>
			<path
				d="M {drive[0]} {drive[1] + 46} v 18 m 0 -9 H {drive[0] -
					num('wrenchLengthMm') * scale} m 0 -9 v 18"
				fill="none"
				class="stroke-mark"
				stroke-width="1.6"
			/>
			<text
				x={drive[0] - (num('wrenchLengthMm') * scale) / 2}
				y={drive[1] + 82}
				text-anchor="middle"
				font-size="15"
				font-weight="600"
				class="text-mark">{units.show(num('wrenchLengthMm'), 'length')}</text
			>
			<text x={nut[0] + 40} y={nut[1] - 22} font-size="16" font-weight="700"
				>{show(num('targetNm'))}</text
			>
			<text
				x={drive[0] - num('wrenchLengthMm') * scale - 40}
				y={drive[1] - 30}
				font-size="16"
				font-weight="700">set {set.value ? show(set.value.settingNm) : ''}</text
			>
		</svg>
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
			<svg
				viewBox="-110 -110 220 220"
				class="w-full max-w-52"
				role="img"
				aria-label="Castle nut: slots and the hole in the stud"
			>
				<circle r="84" class="fill-sunk stroke-ink" stroke-width="3" />
				{#each slots as slot (slot)}
					<path
						d="M 0 -88 V -44"
						transform="rotate({slot})"
						class="stroke-panel"
						stroke-width="16"
					/>
					<path
						d="M -8 -84 V -46 H 8 V -84"
						transform="rotate({slot})"
						fill="none"
						class="stroke-ink"
						stroke-width="2.5"
					/>
				{/each}
				<circle r="40" class="fill-panel stroke-ink" stroke-width="3" />
				<path d="M 0 -40 V 40" transform="rotate({-hole})" class="stroke-mark" stroke-width="7" />
			</svg>
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
