<script lang="ts">
	import { page } from '$app/state';
	import type { BounceResult } from '$core/ride/bounce';
	import { formatNumber } from '$core/units/format';
	import { soundRatio } from '$core/inspect/dampers';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import { extent, line, scaleLinear } from 'd3';
	import type { Snippet } from 'svelte';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import Bench from '../frame/Bench.svelte';
	import { countOf, readColumns, writeColumns } from '../frame/columns';
	import Readout from '../frame/Readout.svelte';
	import TextBlock from '../frame/TextBlock.svelte';
	import { BenchValues } from '../frame/values.svelte';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const toMm = (value: number) => units.si(value, 'length');
	const inUnit = (mm: number) => units.number(mm, 'length');

	/** Body pushed down 40 mm and let go. The ripple stands for a hand-held reading. */
	function sample(zeta: number): string {
		const natural = 2 * Math.PI * 1.3;
		const damped = natural * Math.sqrt(1 - zeta ** 2);
		const time = Array.from({ length: 84 }, (_, i) => i * 0.03);
		const height = time.map((t, i) => {
			const swing = Math.cos(damped * t) + ((zeta * natural) / damped) * Math.sin(damped * t);
			return inUnit(655 - 40 * Math.exp(-zeta * natural * t) * swing + 0.3 * Math.sin(i * 2.4));
		});
		return writeColumns(time, height);
	}
	const samples = { good: sample(0.42), worn: sample(0.2), gone: sample(0.08) };
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[],
		[
			{ key: 'sample', label: 'Start from', initial: 'worn', options: Object.keys(samples) },
			{ key: 'trace', label: 'Trace', initial: '' }
		]
	);
	const text = $derived(values.text.trace || samples[values.text.sample as keyof typeof samples]);
	const columns = $derived(readColumns(text));
	const read = new Live<BounceResult>(() => ({
		name: 'bounce',
		input: { timeS: columns.first, heightMm: columns.second.map(toMm) }
	}));
	const b = $derived(read.value);
	const verdict = $derived(
		!b
			? undefined
			: b.dampingRatio + b.dampingRatioExpanded < soundRatio
				? {
						tone: 'bad' as const,
						words: '✕ weak: count by eye too, and compare with the other side'
					}
				: b.dampingRatio - b.dampingRatioExpanded < soundRatio
					? { tone: 'doubt' as const, words: '◇ weak or sound: the trace leaves it open' }
					: { tone: 'good' as const, words: '✓ comes to rest' }
	);

	/** Points enough for the eye. */
	const shown = $derived.by(() => {
		const { first, second } = columns;
		const every = Math.max(1, Math.ceil(first.length / 2000));
		return first.flatMap((t, i) => (i % every ? [] : [[t, second[i]!] as [number, number]]));
	});
	const x = $derived(scaleLinear(extent(shown, ([t]) => t) as [number, number], [64, 760]));
	const y = $derived(
		scaleLinear(extent(shown, ([, h]) => h) as [number, number], [330, 24]).nice()
	);
	const trace = $derived(line()(shown.map(([t, h]) => [x(t), y(h)])));
	/** The two hulls of the decay, from the release. */
	const hulls = $derived.by(() => {
		if (!b || shown.length < 2) return [];
		const [low, high] = y.domain() as [number, number];
		const sigma = b.dampingRatio * 2 * Math.PI * b.naturalFreqHz;
		const first = Math.max(...shown.map(([, h]) => Math.abs(toMm(h) - b.restMm)));
		const [from, to] = [b.releasedAtS, shown[shown.length - 1]![0]];
		const hull = line()
			.x(([t]) => x(t))
			.y(([, h]) => y(h))
			.defined(([, h]) => h >= low && h <= high);
		return [-1, 1].map((side) =>
			hull(
				Array.from({ length: 80 }, (_, i): [number, number] => {
					const t = from + ((to - from) * i) / 79;
					return [t, inUnit(b.restMm + side * first * Math.exp(-sigma * (t - from)))];
				})
			)!
		);
	});
</script>

<Bench
	title="Bounce trace"
	lead="The body pushed down and let go: how well its damper brings it to rest."
	{values}
	faults={read.faults}
	groups={[]}
>
	{#snippet choices()}
		<div class="flex flex-wrap gap-4">
			{@render mode()}
			<Choice
				label="Start from"
				bind:value={values.text.sample}
				onpick={() => (values.text.trace = '')}
				options={[
					{ value: 'good', name: 'A good damper' },
					{ value: 'worn', name: 'A worn one' },
					{ value: 'gone', name: 'Gas and oil lost' }
				]}
			/>
		</div>
	{/snippet}
	{#snippet drawing()}
		{#if b && shown.length > 1}
			<svg
				viewBox="0 0 780 390"
				class="drawn"
				role="img"
				aria-label="Height of the body over time, with the decay that was fitted"
			>
				<Axes {x} {y} xUnit="s" yUnit={units.choice.length} xTicks={8} yTicks={6} />
				{#each hulls as hull, i (i)}<path
						d={hull}
						fill="none"
						class="stroke-mark"
						stroke-width="1.8"
						stroke-dasharray="6 5"
					/>{/each}
				<path d="M 64 {y(inUnit(b.restMm))} H 760" class="stroke-ink" stroke-width="1.5" />
				<text x="756" y={y(inUnit(b.restMm)) - 8} text-anchor="end" font-size="15" font-weight="600"
					>at rest {units.show(b.restMm, 'length')}</text
				>
				<path d={trace} fill="none" class="stroke-spruce" stroke-width="2.8" />
				<path d="M {x(b.releasedAtS)} 24 V 330" class="stroke-edge" stroke-dasharray="3 4" />
				<text x={x(b.releasedAtS) + 6} y="40" font-size="14" class="text-soft">let go</text>
			</svg>
			<p class="caption">
				Dashed: the decay that fits best. Read both sides of an axle and compare.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if b && verdict}
			<Readout
				main
				label="Damping ratio"
				value={formatNumber(b.dampingRatio, 3)}
				band={formatNumber(b.dampingRatioExpanded, 3)}
				tone={verdict.tone}>{verdict.words}</Readout
			>
			<Readout label="Movements, by eye" value={String(b.movements)}>good: about 1½</Readout>
			<Readout label="Dry friction" value={units.show(b.frictionMm, 'length')}
				>holds it off rest</Readout
			>
			<Readout label="Swings at" value="{formatNumber(b.dampedFreqHz, 2)}&nbsp;Hz" />
			<Readout label="Undamped" value="{formatNumber(b.naturalFreqHz, 2)}&nbsp;Hz" />
			<Readout label="Scatter about the fit" value={units.show(b.noiseMm, 'length')} />
		{/if}
	{/snippet}
	{#snippet notes()}
		<p class="caption mt-2 border-t border-line pt-2">
			Limits 0.12 and 0.25 are this program’s own choice; a bounce by hand compares sides, it does
			not condemn a damper alone.
		</p>
	{/snippet}
	{#snippet more()}
		<TextBlock
			label="Trace: time in s, height in {units.choice.length}"
			bind:value={() => text, (typed) => (values.text.trace = typed)}
			rows={9}
			file
			hint={countOf(columns)}
		/>
	{/snippet}
</Bench>
