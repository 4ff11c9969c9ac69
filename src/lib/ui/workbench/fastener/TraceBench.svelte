<script lang="ts">
	import { page } from '$app/state';
	import { traceFlagWords, type TraceResult } from '$core/fastener/trace/read';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import TraceChart from '$lib/ui/trace/TraceChart.svelte';
	import Bench from '../frame/Bench.svelte';
	import { countOf, readColumns, writeColumns } from '../frame/columns';
	import Readout from '../frame/Readout.svelte';
	import TextBlock from '../frame/TextBlock.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import { pulls, type PullName } from './pulls';

	const units = personalUnits();
	const toNm = (value: number) => units.si(value, 'torque');
	const inUnit = (nm: number) => units.number(nm, 'torque');
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[
			{
				key: 'targetNm',
				label: 'Torque wanted',
				dimension: 'torque',
				initial: 100,
				min: 1,
				max: 2000
			},
			{
				key: 'tolerancePercent',
				label: 'either way',
				unit: '%',
				initial: 5,
				min: 0,
				max: 50,
				decimals: 1
			},
			{
				key: 'slopeNmPerDeg',
				label: 'Joint’s slope, if known',
				unit: 'N·m/°',
				initial: 1.5,
				min: 0.01,
				max: 100,
				hint: 'tells rubber being wound from a joint being clamped'
			},
			{
				key: 'rubberNmPerDeg',
				label: 'Rubber at this bolt, its rate',
				unit: 'N·m/°',
				initial: 0,
				min: 0,
				max: 100,
				hint: '0: none is there; a bonded bush has 1 to 2'
			}
		],
		[
			{ key: 'sample', label: 'Start from', initial: 'good', options: Object.keys(pulls) },
			{ key: 'trace', label: 'Trace', initial: '' }
		]
	);
	const num = (key: string) => values.num(key);
	const text = $derived.by(() => {
		if (values.text.trace) return values.text.trace;
		const { angleDeg, torqueNm } = pulls[values.text.sample as PullName].pull();
		return writeColumns(angleDeg, torqueNm.map(inUnit));
	});
	const columns = $derived(readColumns(text));
	const read = new Live<TraceResult>(() => ({
		name: 'torque-trace',
		input: {
			angleDeg: columns.first,
			torqueNm: columns.second.map(toNm),
			programme: {
				targetNm: num('targetNm'),
				tolerance: num('tolerancePercent') / 100,
				slopeNmPerDeg: num('slopeNmPerDeg'),
				...(num('rubberNmPerDeg') > 0 && { rubberNmPerDeg: num('rubberNmPerDeg') })
			}
		}
	}));
	const t = $derived(read.value);
	const verdicts = {
		accepted: { words: '✓ Accepted', tone: 'good' },
		'cannot-tell': { words: '◇ Cannot tell: look', tone: 'doubt' },
		rejected: { words: '✕ Rejected', tone: 'bad' }
	} as const;

	const wanted = $derived(t ? num('targetNm') + t.prevailingNm : num('targetNm'));
	const low = $derived(wanted * (1 - num('tolerancePercent') / 100));
	const high = $derived(wanted * (1 + num('tolerancePercent') / 100));
	const show = (nm: number) => units.show(nm, 'torque');
</script>

<Bench
	title="Torque trace"
	lead="Torque over angle of one pull: run-down, snug point, slope, peak, and what looks wrong with it."
	{values}
	faults={read.faults}
	entryOf={(field) => field.replace('programme.', '').replace('tolerance', 'tolerancePercent')}
	groups={[
		{
			title: 'Programme',
			keys: ['targetNm', 'tolerancePercent', 'slopeNmPerDeg', 'rubberNmPerDeg']
		}
	]}
>
	{#snippet choices()}
		<SelectField
			label="Start from"
			bind:value={values.text.sample}
			onchange={() => (values.text.trace = '')}
			items={Object.entries(pulls).map(([value, { name }]) => ({ value, name }))}
			class="w-80"
		/>
	{/snippet}
	{#snippet drawing()}
		{#if t}
			<TraceChart
				angleDeg={columns.first}
				torqueNm={columns.second.map(toNm)}
				read={t}
				wanted={{ lowNm: low, nm: wanted, highNm: high }}
			/>
			<p class="caption">
				Blue band: what is wanted. Dashed ochre: the elastic slope carried down to the run-down
				torque; they meet at snug.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if t}
			<Readout main label="Peak" value={show(t.peakNm)} tone={verdicts[t.verdict].tone}>
				{verdicts[t.verdict].words}
				{#each t.flags as flag (flag)}<span class="block">{traceFlagWords[flag]}</span>{/each}
			</Readout>
			<Readout label="Run-down" value={show(t.prevailingNm)} />
			<Readout label="Slope" value="{formatNumber(t.slopeNmPerDeg, 2)}&nbsp;N·m/°" />
			<Readout label="From snug to the end" value="{formatNumber(t.finalAngleDeg, 0)}&nbsp;°" />
			<Readout label="Pulls" value={String(t.hits)} />
		{/if}
	{/snippet}
	{#snippet more()}
		<TextBlock
			label="Trace: angle in °, torque in {units.choice.torque}"
			bind:value={() => text, (typed) => (values.text.trace = typed)}
			rows={7}
			file
			hint={countOf(columns)}
		/>
	{/snippet}
</Bench>
