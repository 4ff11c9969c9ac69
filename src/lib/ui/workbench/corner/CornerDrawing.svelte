<script lang="ts">
	import type { MechanismLayout } from '$core/mechanism/geometry';
	import type { CornerPosture } from '$core/mechanism/points';
	import { line } from 'd3';
	import { coilPath } from '../frame/coil';
	import { draggable } from '../frame/drag';
	import { seenFromSide, shapeOf, type Flat } from './view';

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
	const tyreWidth = 205;

	/** Everything that must be seen, so that nothing jumps while the wheel moves. */
	const box = $derived.by(() => {
		const reach = side ? wheelRadiusMm : tyreWidth / 2 + 30;
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
	const degrees = 180 / Math.PI;
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

	{#if now.damper}
		{@const [top, bottom] = now.damper.map(to) as [Flat, Flat]}
		{@const mid = [
			bottom[0] + (top[0] - bottom[0]) * 0.55,
			bottom[1] + (top[1] - bottom[1]) * 0.55
		]}
		<path d="M {bottom} L {mid}" class="stroke-soft" stroke-width="13" />
		<path d="M {mid} L {top}" class="stroke-soft" stroke-width="4" />
	{/if}
	{#if now.spring}
		{@const [top, bottom] = now.spring}
		{@const start =
			layout === 'macpherson'
				? ([top[0] + (bottom[0] - top[0]) * 0.62, top[1] + (bottom[1] - top[1]) * 0.62] as Flat)
				: bottom}
		<path
			d={coilPath(to(top), to(start), 6, 110 * scale)}
			fill="none"
			class="stroke-spruce"
			stroke-width="4"
			stroke-linejoin="round"
		/>
	{/if}

	{#each now.arms as arm, i (i)}
		<path
			d={path([arm.from, arm.to])}
			class={arm.light ? 'stroke-soft' : 'stroke-ink'}
			stroke-width={arm.light ? 3 : 6}
			stroke-linecap="round"
			fill="none"
		/>
	{/each}
	{#if now.knuckle.length > 2}
		<path
			d={path(now.knuckle, true)}
			class="fill-sunk stroke-ink"
			fill-opacity="0.85"
			stroke-width="3"
			stroke-linejoin="round"
		/>
	{/if}
	{#each now.joints as joint, i (i)}
		{@const [x, y] = to(joint)}
		<circle cx={x} cy={y} r="6" class="fill-panel stroke-ink" stroke-width="3" />
	{/each}
	{#each now.pivots as pivot, i (i)}
		{@const [x, y] = to(pivot)}
		<rect
			x={x - 9}
			y={y - 9}
			width="18"
			height="18"
			class="fill-sunk stroke-ink"
			stroke-width="2.5"
		/>
		<circle cx={x} cy={y} r="3.5" class="fill-ink" />
	{/each}
	{#if now.damper}
		{@const [x, y] = to(now.damper[0])}
		<path d="M {x - 16} {y} h 32" class="stroke-ink" stroke-width="5" />
	{/if}

	<g
		class="cursor-ns-resize touch-none"
		{@attach draggable((start) => {
			const from = bumpMm;
			return (place) => onmove(from + (start.y - place.y) / scale);
		})}
	>
		{#if side}
			{@const [x, y] = to(now.wheel)}
			<circle
				cx={x}
				cy={y}
				r={wheelRadiusMm * scale}
				class="fill-ink stroke-ink"
				fill-opacity="0.06"
				stroke-width="3"
			/>
			<circle cx={x} cy={y} r={wheelRadiusMm * 0.62 * scale} fill="none" class="stroke-soft" />
			<circle cx={x} cy={y} r="7" class="fill-ink" />
		{:else}
			{@const [x, y] = to(now.wheel)}
			<rect
				x={x - (tyreWidth / 2) * scale}
				y={y - wheelRadiusMm * scale}
				width={tyreWidth * scale}
				height={2 * wheelRadiusMm * scale}
				rx={28 * scale}
				transform="rotate({now.lean * degrees} {x} {y})"
				class="fill-ink stroke-ink"
				fill-opacity="0.08"
				stroke-width="3"
			/>
			<circle cx={x} cy={y} r="7" class="fill-ink" />
		{/if}
	</g>

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
