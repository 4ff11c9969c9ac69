<script lang="ts">
	import type { MechanismLayout } from '$core/mechanism/geometry';
	import type { CornerPosture } from '$core/mechanism/points';
	import { line } from 'd3';
	import CornerFigure from '$lib/ui/corner/CornerFigure.svelte';
	import { draggable } from '$lib/ui/corner/drag';
	import { seenFromSide, shapeOf, tyreWidthMm, type Flat } from '$lib/ui/corner/view';

	/** A corner to scale at one bump, with ghosts at the ends of its travel. The wheel can be moved. */
	interface Props {
		layout: MechanismLayout;
		/** Droop end, bump end, now. */
		postures: readonly CornerPosture[];
		wheelRadiusMm: number;
		bumpMm: number;
		/** Text at the arrow of the travel. */
		bumpText: string;
		onmove: (bumpMm: number) => void;
	}
	let { layout, postures, wheelRadiusMm, bumpMm, bumpText, onmove }: Props = $props();

	const side = $derived(seenFromSide(layout));
	const ends = $derived([shapeOf(layout, postures[0]!), shapeOf(layout, postures[1]!)]);
	const now = $derived(shapeOf(layout, postures[2]!));

	/** Everything that must be seen, so that nothing jumps while the wheel moves. */
	const box = $derived.by(() => {
		const reach = side ? wheelRadiusMm : tyreWidthMm / 2 + 30;
		const all: Flat[] = [...ends, now].flatMap((shape) => [
			...shape.pivots,
			...shape.joints,
			...(shape.spring ?? []),
			...(shape.damper ?? []),
			[shape.wheel[0] - reach, shape.wheel[1] - wheelRadiusMm] as Flat,
			[shape.wheel[0] + reach, shape.wheel[1] + wheelRadiusMm] as Flat
		]);
		const xs = all.map(([x]) => x);
		const zs = all.map(([, z]) => z);
		return {
			left: Math.min(...xs) - 60,
			right: Math.max(...xs) + 30,
			low: Math.min(...zs) - 25,
			high: Math.max(...zs) + 25
		};
	});
	const width = 540;
	/** Kept free at the right for the travel and its words. */
	const words = 112;
	const height = 500;
	const scale = $derived(
		Math.min((width - words) / (box.right - box.left), (height - 22) / (box.high - box.low))
	);
	const across = $derived((width - words - (box.right - box.left) * scale) / 2);
	const to = $derived(([x, z]: Flat): Flat => [
		across + (x - box.left) * scale,
		height - 22 - (z - box.low) * scale
	]);
	const path = $derived(
		(points: Flat[], closed = false) => line()(points.map(to)) + (closed ? 'Z' : '')
	);
	const floor = $derived(to([0, now.wheel[1] - wheelRadiusMm])[1]);
	const travel = $derived(to([box.right, 0])[0] + 10);
</script>

<svg
	viewBox="0 0 {width} {height}"
	class="drawn select-none"
	role="img"
	aria-label="{side ? 'Side' : 'Front'} view of the corner to scale, wheel at {bumpText}"
>
	<path d="M 0 {floor} H {width}" class="stroke-edge" stroke-width="1.5" />
	{#each ends as ghost, i (i)}
		{#each ghost.arms as arm, j (j)}
			<path
				d={path([arm.from, arm.to])}
				class="stroke-edge"
				stroke-width="1.2"
				stroke-dasharray="5 4"
				fill="none"
			/>
		{/each}
	{/each}

	<CornerFigure {layout} shape={now} {to} {scale} {wheelRadiusMm}>
		{#snippet handle(wheel)}
			<g
				class="cursor-ns-resize touch-none"
				{@attach draggable((start) => {
					const from = bumpMm;
					return (place) => onmove(from + (start.y - place.y) / scale);
				})}
			>
				{@render wheel()}
			</g>
		{/snippet}
	</CornerFigure>

	<path
		d="M {travel} {to(ends[0]!.wheel)[1]} V {to(ends[1]!.wheel)[1]}"
		class="stroke-mark"
		stroke-width="2"
		stroke-dasharray="6 4"
	/>
	{#each [['droop', ends[0]!, 20], ['bump', ends[1]!, -9]] as const as [name, end, off] (name)}
		<path d="M {travel - 7} {to(end.wheel)[1]} h 14" class="stroke-mark" stroke-width="2" />
		<text
			x={travel}
			y={to(end.wheel)[1] + off}
			text-anchor="middle"
			font-size="14"
			class="text-mark">{name}</text
		>
	{/each}
	<path d="M {travel - 9} {to(now.wheel)[1]} l 9 -6 v 12 Z" class="fill-spruce" />
	<text x={travel + 12} y={to(now.wheel)[1] + 5} font-size="17" font-weight="700">{bumpText}</text>
	<text x="6" y={height - 6} font-size="13" class="text-soft"
		>{side
			? 'from the left, front of the car to the left'
			: 'from in front, outboard to the right'}</text
	>
</svg>
