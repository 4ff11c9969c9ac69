<script lang="ts">
	import { page } from '$app/state';
	import type { ArmSpringResult } from '$core/spring/arm-spring';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import { coilPath } from '$lib/ui/corner/coil';
	import Curves from '../frame/Curves.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const mm = { dimension: 'length' as const, decimals: 0 };
	const values = new BenchValues(units, page.url.searchParams, [
		{ key: 'rateNPerMm', label: 'Rate', dimension: 'rate', initial: 45, min: 0.5, max: 1000 },
		{ key: 'freeLengthMm', label: 'Free length', ...mm, initial: 310, min: 20, max: 1000 },
		{
			key: 'droopLengthMm',
			label: 'Length at full droop',
			...mm,
			initial: 265,
			min: 20,
			max: 1000,
			hint: 'damper still on, arm hanging'
		},
		{
			key: 'lengthPerJackMm',
			label: 'Spring gained per jack',
			initial: 0.62,
			min: 0.05,
			max: 3,
			hint: 'spring distance over jack distance from the pivot'
		},
		{ key: 'jackMm', label: 'Jack down now', ...mm, initial: 30, min: 0, max: 600 }
	]);
	const lowered = new Live<Banded<ArmSpringResult>>(() => ({
		name: 'arm-spring',
		input: {
			...values.nums('rateNPerMm', 'freeLengthMm', 'droopLengthMm', 'lengthPerJackMm'),
			uncertainty: {
				rateNPerMm: 0.03 * values.num('rateNPerMm'),
				freeLengthMm: 2,
				droopLengthMm: 2
			}
		}
	}));
	const jack = $derived(Math.min(values.num('jackMm'), lowered.value?.freeAfterMm ?? 0));
	const left = $derived(lowered.value?.freeAfterMm ? 1 - jack / lowered.value.freeAfterMm : 0);
	const scale = $derived(280 / Math.max(values.num('freeLengthMm'), values.num('droopLengthMm')));
	const now = $derived(values.num('droopLengthMm') + jack * values.num('lengthPerJackMm'));
	const inUnit = (value: number) => units.number(value, 'length');
	const inForce = (value: number) => units.number(value, 'force');
	/** Arm: pivot at the left, spring at 250, jack further out. */
	const armY = $derived(60 + now * scale);
	const pivotY = $derived(60 + values.num('droopLengthMm') * scale - 30);
</script>

<Bench
	title="Spring on an arm"
	lead="A separate coil is held by the joint’s nut and the jack alone: what is left in it on the way down."
	{values}
	{choices}
	faults={lowered.faults}
	groups={[{ title: 'Spring and jack', keys: values.entries.map(({ key }) => key) }]}
>
	{#snippet drawing()}
		<svg
			viewBox="0 0 780 400"
			class="drawn"
			role="img"
			aria-label="Arm, spring and jack, the spring to scale"
		>
			<path d="M 190 60 h 140" class="stroke-ink" stroke-width="6" />
			<text x="342" y="66" font-size="14" class="text-soft">seat on the body</text>
			<path
				d={coilPath([260, armY], [260, 60], 6, 120)}
				fill="none"
				class={left > 0 ? 'stroke-madder' : 'stroke-spruce'}
				stroke-width="9"
				stroke-linejoin="round"
			/>
			<path
				d="M 70 {pivotY} L 520 {armY + (armY - pivotY) * 1.1}"
				class="stroke-ink"
				stroke-width="9"
				stroke-linecap="round"
			/>
			<circle cx="70" cy={pivotY} r="16" class="fill-sunk stroke-ink" stroke-width="4" />
			<path
				d="M 470 {armY + (armY - pivotY) * 0.9 + 8} v {Math.max(
					12,
					388 - armY - (armY - pivotY) * 0.9
				)}"
				class="stroke-soft"
				stroke-width="22"
			/>
			<path d="M 440 396 h 62" class="stroke-ink" stroke-width="6" />
			<text x="430" y="384" text-anchor="end" font-size="15">jack</text>
			<path
				d="M 175 {60} V {armY} m -6 0 h 12 M 169 60 h 12"
				class="stroke-mark"
				stroke-width="1.5"
				fill="none"
			/>
			<text
				x="164"
				y={(60 + armY) / 2 + 5}
				text-anchor="end"
				font-size="16"
				font-weight="600"
				class="text-mark"
				>{units.show(now, 'length', { decimals: units.choice.length === 'mm' ? 0 : 2 })}</text
			>
			<text
				x="560"
				y="110"
				font-size="17"
				font-weight="700"
				class={left > 0 ? 'text-madder' : 'text-spruce'}
				>{left > 0 ? '✕ still squeezed' : '✓ loose'}</text
			>
		</svg>
		{#if lowered.value && lowered.value.freeAfterMm > 0}
			<Slider
				{values}
				name="jackMm"
				label="Jack lowered"
				min={0}
				max={Math.ceil(lowered.value.freeAfterMm)}
				step={1}
				low="full droop"
				high="free"
			/>
			<Curves
				x={lowered.value.rows.map((row) => inUnit(row.jackDownMm))}
				now={inUnit(jack)}
				xLabel="jack lowered from full droop, {units.choice.length}"
				curves={[
					{
						name: 'Spring force',
						unit: units.choice.force,
						decimals: 0,
						least: 1,
						y: lowered.value.rows.map((row) => inForce(row.springForceN))
					},
					{
						name: 'On the jack',
						unit: units.choice.force,
						decimals: 0,
						least: 1,
						y: lowered.value.rows.map((row) => inForce(row.jackForceN))
					},
					{
						name: 'Energy left',
						unit: 'J',
						decimals: 1,
						least: 1,
						y: lowered.value.rows.map((row) => row.energyJ)
					}
				]}
			/>
		{/if}
		<p class="caption">
			Crack the taper with the nut still on by several full threads. Jack under the arm, then the
			nut off, then lower slowly. Nobody in the spring’s path.
		</p>
	{/snippet}
	{#snippet numbers()}
		{#if lowered.value}
			<Readout
				main
				label="Jack down until it is free"
				value={units.show(lowered.value.freeAfterMm, 'length', {
					decimals: units.choice.length === 'mm' ? 0 : 1
				})}
				band={lowered.value.expanded && units.show(lowered.value.expanded.freeAfterMm, 'length')}
			/>
			<Readout
				label="Force at full droop"
				value={units.show(lowered.value.droopForceN, 'force')}
				band={lowered.value.expanded && units.show(lowered.value.expanded.droopForceN, 'force')}
				tone={lowered.value.droopForceN > 0 ? 'bad' : 'good'}
			/>
			<Readout
				label="Energy at full droop"
				value="{formatNumber(lowered.value.droopEnergyJ, 1)}&nbsp;J"
			/>
			<Readout label="Force now" value={units.show(lowered.value.droopForceN * left, 'force')} />
			<Readout
				label="Energy now"
				value="{formatNumber(lowered.value.droopEnergyJ * left ** 2, 1)}&nbsp;J"
			/>
		{/if}
	{/snippet}
</Bench>
