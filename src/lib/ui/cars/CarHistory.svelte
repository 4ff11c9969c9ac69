<script lang="ts">
	import Axes from '$lib/ui/chart/Axes.svelte';
	import { corners, type Corner } from '$core/height/corners';
	import { schools, type SchoolKey } from '$core/height/schools';
	import type { HistoryEntry } from '$core/job/history';
	import { personalUnits, shopTime } from '$lib/client/units';
	import { extent, line, scaleLinear } from 'd3';

	/** A car over its jobs: how it stood and went at each corner, what was renewed, what was set. */
	let { entries }: { entries: readonly HistoryEntry[] } = $props();
	const units = personalUnits();
	const times = shopTime();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);

	/** Heights of the school that most jobs measure in; others are listed without them. */
	const school = $derived(entries.at(-1)?.school);
	const told = $derived(entries.filter((entry) => entry.school === school));
	const heights = $derived(
		told.flatMap(({ before, after }) => [...Object.values(before), ...Object.values(after)])
	);
	const column = 190;
	const left = 62;
	const top = 26;
	const tall = 190;
	const rowHeight = 24;
	/** Rows of new parts: as many as the richest job has. */
	const rows = $derived(Math.max(1, ...told.map(({ parts }) => parts.length)));
	const width = $derived(left + told.length * column + 20);
	const height = $derived(top + tall + 64 + rows * rowHeight + 34);
	const y = $derived.by(() => {
		const [low = 300, high = 400] = extent(heights) as [number?, number?];
		return scaleLinear([low - 6, high + 6], [top + tall, top]);
	});
	const xOf = (i: number, phase: 'before' | 'after') =>
		left + i * column + (phase === 'before' ? 45 : column - 45);
	/** Told apart by mark and word, not by colour alone. */
	const looks: Record<Corner, { dash: string; tone: string; fill: string; mark: string }> = {
		FL: { dash: '', tone: 'stroke-spruce', fill: 'text-spruce', mark: 'M -6 -6 h 12 v 12 h -12 Z' },
		FR: { dash: '', tone: 'stroke-mark', fill: 'text-mark', mark: 'M 0 -7 L 7 6 H -7 Z' },
		RL: {
			dash: '7 5',
			tone: 'stroke-ochre',
			fill: 'text-ochre',
			mark: 'M 0 -7 L 7 0 L 0 7 L -7 0 Z'
		},
		RR: { dash: '7 5', tone: 'stroke-madder', fill: 'text-madder', mark: 'M 0 7 L 7 -6 H -7 Z' }
	};
	const points = $derived((corner: Corner): [number, number][] =>
		told.flatMap((entry, i) =>
			(['before', 'after'] as const).flatMap((phase): [number, number][] => {
				const mm = entry[phase][corner];
				return mm === undefined ? [] : [[xOf(i, phase), y(mm)]];
			})
		)
	);
	const path = line();
</script>

{#if heights.length}
	<figure class="panel p-4">
		<figcaption class="flex flex-wrap items-baseline gap-x-5">
			<span class="text-lg font-semibold">Over its jobs</span>
			<span class="caption"
				>{schools[school as SchoolKey].name.toLowerCase()}, {units.choice.length}; each job from
				before to after</span
			>
			{#each corners as corner (corner)}
				<span class="inline-flex items-center gap-1.5 text-[15px]"
					><svg viewBox="-9 -9 18 18" class="size-4" aria-hidden="true"
						><path
							d={looks[corner].mark}
							class="fill-panel {looks[corner].tone}"
							stroke-width="2.5"
						/></svg
					>{corner}</span
				>
			{/each}
		</figcaption>
		<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
		<div class="mt-1 overflow-x-auto" tabindex="0" role="region" aria-label="Heights over its jobs">
			<svg
				viewBox="0 0 {width} {height}"
				{width}
				{height}
				class="max-w-none"
				role="img"
				aria-label="Heights before and after, new parts and joints set, job by job"
			>
				<Axes
					{y}
					{left}
					right={width - 10}
					yTicks={5}
					yText={(mm) => units.show(mm, 'length', { bare: true, decimals })}
				/>
				{#each told as entry, i (entry.jobId)}
					<rect
						x={left + i * column + 6}
						y={top - 8}
						width={column - 12}
						height={tall + 16}
						rx="6"
						class="fill-sunk"
						opacity="0.6"
					/>
					{#each [['before', 'before'], ['after', 'after']] as const as [phase, word] (phase)}
						<text
							x={xOf(i, phase)}
							y={top + tall + 24}
							text-anchor="middle"
							font-size="13"
							class="text-soft">{word}</text
						>
					{/each}
				{/each}
				{#each corners as corner (corner)}
					<path
						d={path(points(corner)) ?? ''}
						fill="none"
						class={looks[corner].tone}
						stroke-width="2.5"
						stroke-dasharray={looks[corner].dash}
					/>
					{#each points(corner) as [px, py], i (i)}
						<path
							d={looks[corner].mark}
							transform="translate({px} {py})"
							class="fill-panel {looks[corner].tone}"
							stroke-width="2.5"
						/>
					{/each}
				{/each}
				{#each told as entry, i (entry.jobId)}
					{@const x = left + i * column + 10}
					<a href="/jobs/{entry.jobId}">
						<text {x} y={top + tall + 46} font-size="15" font-weight="700" class="underline"
							>{entry.number}</text
						>
						<text x={x + 86} y={top + tall + 46} font-size="13" class="text-soft"
							>{times.shortDay(entry.openedAt)}</text
						>
					</a>
					{#each entry.parts as part, row (part.name)}
						<text {x} y={top + tall + 70 + row * rowHeight} font-size="14"
							>+ {part.name.toLowerCase().slice(0, 16)}
							<tspan class="text-soft">{part.corners.join(' ')}</tspan></text
						>
					{:else}
						<text {x} y={top + tall + 70} font-size="14" class="text-soft">no new parts</text>
					{/each}
					<text {x} y={height - 8} font-size="14"
						>{entry.torqued} torqued, {entry.set} set at height</text
					>
				{/each}
			</svg>
		</div>
	</figure>
{/if}
