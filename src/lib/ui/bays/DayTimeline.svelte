<script lang="ts">
	import type { Timeline } from '$core/schedule/timeline';
	import { shopTime } from '$lib/client/units';
	import { addMinutes } from 'date-fns';
	import { range, scaleLinear } from 'd3';

	/** Who works on which car when, and which car is on a lift; a colour and a plate for each car. */
	interface Props {
		line: Timeline;
		/** By car. */
		plates: Readonly<Record<string, string>>;
		start: Date;
	}
	let { line, plates, start }: Props = $props();

	const times = shopTime();
	const width = 1150;
	const left = 86;
	const rowHeight = 46;
	const colours = [
		'fill-spruce-wash stroke-spruce',
		'fill-ochre-wash stroke-ochre',
		'fill-mark-wash stroke-mark',
		'fill-madder-wash stroke-madder',
		'fill-sunk stroke-edge'
	];
	const order = $derived(Object.keys(plates));
	const colour = $derived((car: string) => colours[order.indexOf(car) % colours.length]!);
	const clock = (minutes: number) => times.time(addMinutes(start, minutes));

	interface Block {
		car: string;
		startMin: number;
		endMin: number;
		/** Moments within it where one step ends and the next begins. */
		joints: number[];
	}
	/** Steps on one car that follow each other without a break, as one block. */
	function blocksOf(bars: readonly Timeline['bars'][number][]): Block[] {
		const blocks: Block[] = [];
		for (const { car, startMin, endMin } of [...bars].sort((a, b) => a.startMin - b.startMin)) {
			const last = blocks.at(-1);
			if (last?.car === car && startMin - last.endMin < 0.5) {
				last.joints.push(startMin);
				last.endMin = endMin;
			} else blocks.push({ car, startMin, endMin, joints: [] });
		}
		return blocks;
	}
	const people = $derived(Math.max(0, ...line.bars.map(({ person }) => person)) + 1);
	const lifts = $derived(Math.max(-1, ...line.cars.map(({ lift }) => lift?.number ?? -1)) + 1);
	const rows = $derived([
		...range(people).map((who) => ({
			name: `Person ${who + 1}`,
			blocks: blocksOf(line.bars.filter(({ person }) => person === who))
		})),
		...range(lifts).map((number) => ({
			name: `Lift ${number + 1}`,
			blocks: line.cars.flatMap(({ id, lift }): Block[] =>
				lift?.number === number ? [{ ...lift, car: id, joints: [] }] : []
			)
		}))
	]);
	const height = $derived(34 + rows.length * rowHeight);
	const most = $derived(Math.max(line.makespanMin, line.finish.upperBound, 30) * 1.02);
	const x = $derived(scaleLinear([0, most], [left, width - 30]));
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
<div
	class="mt-3 overflow-x-auto"
	tabindex="0"
	role="region"
	aria-label="The day by person and lift"
>
	<svg viewBox="0 0 {width} {height}" class="w-full min-w-[46rem]" role="list" aria-label="Blocks">
		{#each range(0, most, most > 420 ? 60 : 30) as tick (tick)}
			<path d="M {x(tick)} 24 V {height - 6}" class="stroke-line" />
			<text x={x(tick)} y="16" text-anchor="middle" font-size="14" class="text-soft"
				>{clock(tick)}</text
			>
		{/each}
		{#each rows as row, i (row.name)}
			{@const top = 30 + i * rowHeight}
			<text x="2" y={top + 25} font-size="15" font-weight="600">{row.name}</text>
			<path d="M {left} {top + rowHeight - 3} H {width - 10}" class="stroke-line" />
			{#each row.blocks as block (block.startMin)}
				{@const wide = x(block.endMin) - x(block.startMin)}
				<g
					role="listitem"
					aria-label="{row.name}, {plates[block.car]}, {clock(block.startMin)} to {clock(
						block.endMin
					)}"
				>
					<title>{plates[block.car]}, {clock(block.startMin)} to {clock(block.endMin)}</title>
					<rect
						x={x(block.startMin) + 0.5}
						y={top + 3}
						width={Math.max(2, wide - 1)}
						height={rowHeight - 11}
						class={colour(block.car)}
						stroke-width="1.5"
					/>
					{#each block.joints as joint (joint)}
						<path
							d="M {x(joint)} {top + rowHeight - 16} V {top + rowHeight - 8}"
							class={colour(block.car)}
							stroke-width="1.5"
						/>
					{/each}
					{#if wide > 64}
						<text
							x={x(block.startMin) + wide / 2}
							y={top + 24}
							text-anchor="middle"
							font-size="15"
							font-weight="700">{plates[block.car]}</text
						>
					{/if}
				</g>
			{/each}
		{/each}
	</svg>
</div>
