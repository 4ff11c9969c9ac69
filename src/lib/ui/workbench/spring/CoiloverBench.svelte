<script lang="ts">
	import { page } from '$app/state';
	import type { CoiloverResult } from '$core/spring/coilover';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import Slider from '../frame/Slider.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import CoiloverDrawing from './CoiloverDrawing.svelte';
	import { coiloverEntries, coiloverInput, coiloverTexts } from './coilover';

	const units = personalUnits();
	const values = new BenchValues(units, page.url.searchParams, coiloverEntries, coiloverTexts);
	const num = (key: string) => values.num(key);
	const stand = new Live<Banded<CoiloverResult>>(() => ({
		name: 'coilover',
		input: coiloverInput(num, values.text)
	}));
	const s = $derived(stand.value);
	const length = (value: number, signed = false) => units.show(value, 'length', { signed });
</script>

<Bench
	title="Coilover"
	lead="Where the damper stands under the car, what is left each way, and how far to turn."
	{values}
	faults={stand.faults}
	groups={[
		{ title: 'Collar', keys: ['preloadMm', 'heightChangeMm', 'threadPitchMm'] },
		{
			title: 'Spring, damper, car',
			keys: [
				'springRateNPerMm',
				'freeLengthMm',
				'solidLengthMm',
				'damperStrokeMm',
				'motionRatio',
				'sprungLoadN'
			]
		}
	]}
>
	{#snippet choices()}
		<Choice
			label="Height is set by"
			bind:value={values.text.adjust}
			options={[
				{ value: 'collar', name: 'The spring collar', hint: 'moves preload too' },
				{ value: 'body', name: 'The body’s length', hint: 'keeps preload' }
			]}
		/>
	{/snippet}
	{#snippet drawing()}
		{#if s}
			<CoiloverDrawing stand={s} {num} onpreload={(mm) => values.set('preloadMm', mm)} />
			<Slider
				{values}
				name="preloadMm"
				label="Preload"
				min={-20}
				max={60}
				step={0.5}
				low="collar down"
				high="collar up"
			/>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if s}
			{#if s.turnsForHeight !== undefined}
				<Readout
					main
					label="Turns for {length(num('heightChangeMm'), true)} at the wheel"
					value="{formatNumber(s.turnsForHeight, 1, true)}&nbsp;turns"
					band={s.expanded && formatNumber(s.expanded.turnsForHeight!, 1)}
				>
					{s.turnsForHeight < 0 ? 'down' : 'up'}{values.text.adjust === 'collar'
						? `; preload then ${length(s.preloadAfterMm!, true)}`
						: '; preload stays'}
				</Readout>
			{/if}
			<Readout
				label="Damper, from extended"
				value={length(s.damperFromExtendedMm)}
				band={s.expanded && length(s.expanded.damperFromExtendedMm!)}
				tone={s.toppedOut || s.bottomedOut ? 'bad' : undefined}
			>
				{#if s.toppedOut}✕ Topped out: the preload alone carries the car{:else if s.bottomedOut}✕
					The spring cannot carry the car in this stroke{/if}
			</Readout>
			<Readout
				label="Droop left at the wheel"
				value={length(s.droopAtWheelMm)}
				band={s.expanded && length(s.expanded.droopAtWheelMm!)}
			/>
			<Readout
				label="Bump left at the wheel"
				value={length(s.bumpAtWheelMm)}
				band={s.expanded && length(s.expanded.bumpAtWheelMm!)}
			/>
			<Readout
				label="Coils at full bump"
				value={length(s.bindMarginMm, true)}
				tone={s.bind === 'clear' ? 'good' : s.bind === 'coil-bound' ? 'bad' : 'doubt'}
			>
				{s.bind === 'clear'
					? '✓ clear of solid'
					: s.bind === 'coil-bound'
						? '✕ coil bound before the damper ends'
						: '◇ within 5 % of solid'}
			</Readout>
			<Readout
				label="Spring at full droop"
				value={s.looseAtDroop ? 'loose' : 'held'}
				tone={s.looseAtDroop ? 'doubt' : 'good'}
				>{s.looseAtDroop ? '◇ fit a helper, or raise the collar' : ''}</Readout
			>
			<Readout
				label="Spring force"
				value={units.show(s.springForceN, 'force')}
				band={s.expanded && units.show(s.expanded.springForceN!, 'force')}
			/>
		{/if}
	{/snippet}
</Bench>
