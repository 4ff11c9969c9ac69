<script lang="ts">
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { page } from '$app/state';
	import type { HeightComparison } from '$core/height/compare';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import { scaleLinear } from 'd3';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import { readList } from '../frame/columns';
	import Readout from '../frame/Readout.svelte';
	import TextBlock from '../frame/TextBlock.svelte';
	import { BenchValues } from '../frame/values.svelte';

	let { choices }: { choices: Snippet } = $props();
	const units = personalUnits();
	const toMm = (value: number) => units.si(value, 'length');
	const written = (mm: number[]) =>
		mm.map((value) => Number(units.number(value, 'length').toFixed(3))).join(', ');
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[
			{
				key: 'resolutionMm',
				label: 'Smallest step of the tape',
				dimension: 'length',
				decimals: 1,
				initial: 1,
				min: 0,
				max: 20
			},
			{
				key: 'repeatToleranceMm',
				label: 'Readings may differ by',
				dimension: 'length',
				decimals: 1,
				initial: 5,
				min: 0.1,
				max: 100
			}
		],
		[
			{ key: 'before', label: 'Before', initial: written([352, 353, 352]) },
			{ key: 'after', label: 'After', initial: written([366, 365, 366]) }
		]
	);
	const before = $derived(readList(values.text.before!));
	const after = $derived(readList(values.text.after!));
	const wrong = ({ numbers, wrong }: { numbers: number[]; wrong: string[] }) =>
		wrong.length
			? `'${wrong[0]}' is not a number`
			: numbers.length < 2
				? 'needs two readings or more'
				: undefined;
	const compared = new Live<HeightComparison>(() =>
		wrong(before) || wrong(after)
			? undefined
			: {
					name: 'height-compare',
					input: {
						beforeMm: before.numbers.map(toMm),
						afterMm: after.numbers.map(toMm),
						...values.nums('resolutionMm', 'repeatToleranceMm')
					}
				}
	);
	const c = $derived(compared.value);
	const verdicts = {
		changed: { words: '✓ Changed', tone: 'good' },
		'not-shown-to-have-changed': { words: '◇ Not shown to have changed', tone: 'doubt' },
		'read-again': { words: '✕ Readings too far apart: read again', tone: 'bad' }
	} as const;

	const x = $derived.by(() => {
		const all = [...before.numbers, ...after.numbers].map(toMm);
		const [low, high] = [Math.min(...all), Math.max(...all)];
		const pad = Math.max(3, (high - low) * 0.15, c?.expandedUncertaintyMm ?? 0);
		return scaleLinear(
			[low - pad, high + pad].map((mm) => units.number(mm, 'length')),
			[70, 750]
		).nice();
	});
	const at = $derived((mm: number) => x(units.number(mm, 'length')));
	const length = (mm: number) => units.show(mm, 'length');
</script>

<Bench
	title="Did the height change?"
	lead="Two sets of readings, their means, and whether the difference is more than the reading can hide."
	{values}
	{choices}
	faults={compared.faults}
	groups={[{ title: 'The tape', keys: ['resolutionMm', 'repeatToleranceMm'] }]}
>
	{#snippet drawing()}
		{#if c}
			<svg
				viewBox="0 0 780 330"
				class="drawn"
				role="img"
				aria-label="Readings before and after with their means, and the difference with its interval"
			>
				<Axes {x} top={30} bottom={215} xUnit="hub to arch, {units.choice.length}" />
				{#each [['before', before.numbers, c.meanBefore, 80], ['after', after.numbers, c.meanAfter, 170]] as const as [name, readings, mean, y] (name)}
					<text x="0" y={y + 5} font-size="16" font-weight="600">{name}</text>
					{#each readings as reading, i (i)}
						<circle
							cx={x(reading)}
							cy={y + ((i % 5) - 2) * 8}
							r="6"
							class={name === 'before' ? 'fill-edge' : 'fill-spruce'}
							fill-opacity="0.75"
						/>
					{/each}
					<path d="M {at(mean)} {y - 32} v 64" class="stroke-ink" stroke-width="3" />
					<text x={at(mean)} y={y - 38} text-anchor="middle" font-size="15" font-weight="700"
						>{length(mean)}</text
					>
				{/each}
				<path
					d="M {at(c.meanBefore)} 285 H {at(c.meanAfter)}"
					class="stroke-mark"
					stroke-width="5"
				/>
				<path
					d="M {at(c.meanAfter - c.expandedUncertaintyMm)} 277 v 16 m 0 -8 H {at(
						c.meanAfter + c.expandedUncertaintyMm
					)} m 0 -8 v 16"
					fill="none"
					class="stroke-ink"
					stroke-width="2.5"
				/>
				<text
					x={(at(c.meanBefore) + at(c.meanAfter)) / 2}
					y="317"
					text-anchor="middle"
					font-size="17"
					font-weight="700"
					>{units.show(c.differenceMm, 'length', { signed: true })} ± {length(
						c.expandedUncertaintyMm
					)}</text
				>
			</svg>
			<p class="caption">
				Dots: readings. Bars: means. Below: the difference with its 95 % interval.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if c}
			<Readout
				main
				label="After − before"
				value={units.show(c.differenceMm, 'length', { signed: true })}
				band={length(c.expandedUncertaintyMm)}
				tone={verdicts[c.verdict].tone}>{verdicts[c.verdict].words}</Readout
			>
			<Readout label="Mean before" value={length(c.meanBefore)} />
			<Readout label="Mean after" value={length(c.meanAfter)} />
			<Readout
				label="Degrees of freedom"
				value={c.degreesOfFreedom > 1e5 ? 'many' : formatNumber(c.degreesOfFreedom, 1)}
			/>
		{/if}
	{/snippet}
	{#snippet more()}
		<TextBlock
			label="Before, {units.choice.length}"
			bind:value={values.text.before!}
			rows={2}
			fault={wrong(before)}
			hint="{before.numbers.length} readings"
		/>
		<TextBlock
			label="After, {units.choice.length}"
			bind:value={values.text.after!}
			rows={2}
			fault={wrong(after)}
			hint="{after.numbers.length} readings"
		/>
	{/snippet}
</Bench>
