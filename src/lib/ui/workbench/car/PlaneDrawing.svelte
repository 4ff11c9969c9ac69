<script lang="ts">
	import { axleOf, corners, isLeft, type Corner, type PerCorner } from '$core/height/corners';
	import { personalUnits } from '$lib/client/units';
	import { line } from 'd3';

	/** The body as a plane on its four corners, seen from above and behind, changes many times enlarged. */
	interface Props {
		wheelbaseMm: number;
		trackFrontMm: number;
		trackRearMm: number;
		/** Change of hub to arch, + = body higher. */
		heightMm: PerCorner<number>;
		/** What was asked for. */
		targetMm?: PerCorner<number>;
		/** A second line of text at each corner. */
		note: PerCorner<string>;
		/** Corners to point out. */
		marked?: readonly Corner[];
		label: string;
	}
	let {
		wheelbaseMm,
		trackFrontMm,
		trackRearMm,
		heightMm,
		targetMm,
		note,
		marked = [],
		label
	}: Props = $props();
	const units = personalUnits();

	const largest = $derived(
		Math.max(4, ...corners.flatMap((c) => [Math.abs(heightMm[c]), Math.abs(targetMm?.[c] ?? 0)]))
	);
	/** The largest change is drawn this high. */
	const enlarge = $derived(58 / largest);
	const scale = $derived(0.17 * (2600 / Math.max(wheelbaseMm, 1)));

	/** Oblique view: left is left, front is up and away. */
	function point(corner: Corner, upMm: number): [number, number] {
		const front = ((axleOf(corner) === 'front' ? 1 : -1) * wheelbaseMm) / 2;
		const track = axleOf(corner) === 'front' ? trackFrontMm : trackRearMm;
		const right = ((isLeft(corner) ? -1 : 1) * track) / 2;
		return [390 + (right + front * 0.28) * scale, 205 - front * 0.42 * scale - upMm * enlarge];
	}
	const ring = ['FL', 'FR', 'RR', 'RL', 'FL'] as const;
	const path = line();
	const level = $derived(path(ring.map((c) => point(c, 0)))!);
	const stands = $derived(path(ring.map((c) => point(c, heightMm[c])))!);
	const wanted = $derived(targetMm && path(ring.map((c) => point(c, targetMm[c])))!);
</script>

<figure>
	<svg viewBox="0 26 780 368" class="drawn" role="img" aria-label={label}>
		<path d={level} fill="none" class="stroke-edge" stroke-width="1.6" stroke-dasharray="6 5" />
		<path
			d={stands}
			class="fill-spruce-wash stroke-spruce"
			fill-opacity="0.75"
			stroke-width="3"
			stroke-linejoin="round"
		/>
		{#if wanted}<path
				d={wanted}
				fill="none"
				class="stroke-mark"
				stroke-width="2"
				stroke-dasharray="3 4"
			/>{/if}
		{#each corners as corner (corner)}
			{@const [x, ground] = point(corner, 0)}
			{@const [, y] = point(corner, heightMm[corner])}
			{@const outward = isLeft(corner) ? -1 : 1}
			<path
				d="M {x} {ground} V {y}"
				class={marked.includes(corner) ? 'stroke-madder' : 'stroke-mark'}
				stroke-width="3"
			/>
			<circle
				cx={x}
				cy={y}
				r={marked.includes(corner) ? 9 : 6}
				class={marked.includes(corner) ? 'fill-madder' : 'fill-spruce'}
			/>
			<text
				x={x + outward * 18}
				y={y - 2}
				text-anchor={isLeft(corner) ? 'end' : 'start'}
				font-size="20"
				font-weight="700">{corner} {units.show(heightMm[corner], 'length', { signed: true })}</text
			>
			<text
				x={x + outward * 18}
				y={y + 18}
				text-anchor={isLeft(corner) ? 'end' : 'start'}
				font-size="15"
				class="text-soft">{note[corner]}</text
			>
		{/each}
		<text
			x={(point('FL', 0)[0] + point('FR', 0)[0]) / 2}
			y={point('FL', 0)[1] + 18}
			text-anchor="middle"
			font-size="14"
			class="text-soft">front</text
		>
	</svg>
	<figcaption class="caption">
		Change of hub to arch, + = body higher, drawn ×{Math.round(enlarge / scale)} larger than the car.
		Dashed: before.{targetMm ? ' Dotted: wanted.' : ''}
	</figcaption>
</figure>
