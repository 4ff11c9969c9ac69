<script lang="ts">
	import { page } from '$app/state';
	import { traceFlagWords, type TraceResult } from '$core/fastener/trace';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { line, scaleLinear } from 'd3';
	import Axes from '../frame/Axes.svelte';
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
				slopeNmPerDeg: num('slopeNmPerDeg')
			}
		}
	}));
	const t = $derived(read.value);
	const verdicts = {
		accepted: { words: '✓ Accepted', tone: 'good' },
		'look-again': { words: '◇ Look again', tone: 'doubt' },
		rejected: { words: '✕ Rejected', tone: 'bad' }
	} as const;

	const shown = $derived.by(() => {
		const { first, second } = columns;
		const every = Math.max(1, Math.ceil(first.length / 3000));
		return first.flatMap((angle, i) =>
			i % every ? [] : [[angle, second[i]!] as [number, number]]
		);
	});
	const x = $derived(
		scaleLinear([shown[0]?.[0] ?? 0, shown[shown.length - 1]?.[0] ?? 1], [64, 760])
	);
	const wanted = $derived(t ? num('targetNm') + t.prevailingNm : num('targetNm'));
	const y = $derived(
		scaleLinear(
			[0, 1.12 * Math.max(inUnit(wanted), ...shown.map(([, torque]) => torque))],
			[380, 20]
		)
	);
	const path = $derived(line()(shown.map(([a, torque]) => [x(a), y(torque)])));
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
	groups={[{ title: 'Programme', keys: ['targetNm', 'tolerancePercent', 'slopeNmPerDeg'] }]}
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
		{#if t && shown.length > 1}
			<svg
				viewBox="0 0 780 440"
				class="drawn"
				role="img"
				aria-label="Torque over angle, with the band wanted, the snug point and the slope"
			>
				<Axes {x} {y} xUnit="angle, °" yUnit={units.choice.torque} xTicks={9} yTicks={7} />
				<rect
					x="64"
					y={y(inUnit(high))}
					width="696"
					height={y(inUnit(low)) - y(inUnit(high))}
					class="fill-mark-wash"
				/>
				<path
					d="M 64 {y(inUnit(wanted))} H 760"
					class="stroke-mark"
					stroke-width="2"
					stroke-dasharray="7 5"
				/>
				<text x="72" y={y(inUnit(wanted)) - 7} font-size="14" class="text-mark"
					>wanted {show(wanted)}{t.prevailingNm > 0.05 ? ', run-down added' : ''}</text
				>
				<path
					d="M {x(t.snugDeg)} {y(inUnit(t.prevailingNm))} L {x(
						t.snugDeg + (t.peakNm - t.prevailingNm) / t.slopeNmPerDeg
					)} {y(inUnit(t.peakNm))}"
					class="stroke-ochre"
					stroke-width="2"
					stroke-dasharray="4 4"
				/>
				<path d={path} fill="none" class="stroke-spruce" stroke-width="3" stroke-linejoin="round" />
				<path
					d="M {x(t.snugDeg)} {y(inUnit(t.prevailingNm)) + 12} v -24"
					class="stroke-ink"
					stroke-width="3"
				/>
				<text
					x={x(t.snugDeg) - 8}
					y={y(inUnit(t.prevailingNm)) - 16}
					text-anchor="end"
					font-size="15"
					font-weight="600">snug {formatNumber(t.snugDeg, 0)}°</text
				>
			</svg>
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
