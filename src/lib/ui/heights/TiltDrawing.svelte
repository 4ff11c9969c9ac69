<script lang="ts">
	import { balance } from '$core/height/balance';
	import { corners, isLeft, axleOf, type Corner, type PerCorner } from '$core/height/corners';
	import { personalUnits } from '$lib/client/units';
	import type { Vehicle } from '$core/job/model';
	import { polyline } from '../corner/paths';

	interface Props {
		vehicle: Vehicle;
		/** Mean heights; undefined where nothing is read yet. */
		heightsMm: PerCorner<number | undefined>;
		/** How far each mean may be off, 95 %. */
		expandedMm: PerCorner<number | undefined>;
	}
	let { vehicle, heightsMm, expandedMm }: Props = $props();
	const units = personalUnits();

	const all = $derived(corners.every((corner) => heightsMm[corner] !== undefined));
	const heights = $derived(heightsMm as PerCorner<number>);
	const stance = $derived(all ? balance(heights) : undefined);
	/** The plane is drawn against the mean height, many times enlarged, as a body seen from above and behind. */
	const enlarge = $derived.by(() => {
		const most = Math.max(...corners.map((c) => Math.abs(heights[c] - mean)));
		return all ? ([40, 20, 10, 5].find((times) => most * times * 0.1 <= 36) ?? 3) : 10;
	});
	const mean = $derived(all ? corners.reduce((sum, corner) => sum + heights[corner], 0) / 4 : 0);

	/** Oblique view: x right, y depth. Millimetres of the car to drawing units. */
	function project(leftMm: number, frontMm: number, upMm: number): [number, number] {
		const scale = 0.1;
		return [(frontMm * 0.22 - leftMm) * scale, -frontMm * 0.42 * scale - upMm * scale];
	}
	const ground = $derived((corner: (typeof corners)[number]) => {
		const axle = axleOf(corner);
		const left = (isLeft(corner) ? 1 : -1) * (vehicle.axles[axle].trackMm / 2);
		const front = axle === 'front' ? vehicle.wheelbaseMm / 2 : -vehicle.wheelbaseMm / 2;
		return { left, front };
	});
	const point = $derived((corner: (typeof corners)[number], up: number) => {
		const { left, front } = ground(corner);
		return project(left, front, up);
	});
	const ring = ['FL', 'FR', 'RR', 'RL', 'FL'] as const;
	const level = $derived(polyline(ring.map((corner) => point(corner, 0))));
	const stands = $derived(
		all ? polyline(ring.map((corner) => point(corner, (heights[corner] - mean) * enlarge))) : ''
	);
	/** From level up or down to where it stands, side by side: what hangs below level is seen at once. */
	const walls = $derived(
		all
			? ring.slice(1).map((to, i) => {
					const from = ring[i]!;
					const up = (corner: Corner) => (heights[corner] - mean) * enlarge;
					return {
						low: up(from) + up(to) < 0,
						d: polyline(
							[point(from, 0), point(to, 0), point(to, up(to)), point(from, up(from))],
							true
						)
					};
				})
			: []
	);
	/** None where the car stands as even as it is read. */
	const lowest = $derived(
		all &&
			Math.max(...corners.map((c) => heights[c])) - Math.min(...corners.map((c) => heights[c])) > 5
			? corners.reduce((a, b) => (heights[b] < heights[a] ? b : a))
			: undefined
	);
	const off = (mm: number) => units.show(mm, 'length', { signed: true });
</script>

<figure>
	<svg
		viewBox="-172 -125 344 250"
		class="w-full"
		role="img"
		aria-label={all
			? 'How the body stands against level, height differences enlarged'
			: 'The tilt is drawn once all four corners are read'}
	>
		<path d={level} fill="none" class="stroke-edge" stroke-width="1.2" stroke-dasharray="5 4" />
		{#if stance}
			{#each walls as wall, i (i)}
				<path
					d={wall.d}
					class={wall.low ? 'fill-ochre stroke-ochre' : 'fill-spruce stroke-spruce'}
					fill-opacity="0.28"
					stroke-width="0.8"
				/>
			{/each}
			<path
				d={stands}
				class="fill-spruce-wash stroke-spruce"
				stroke-width="2.2"
				stroke-linejoin="round"
				fill-opacity="0.8"
			/>
			{#each corners as corner (corner)}
				{@const [x, y0] = point(corner, 0)}
				{@const up = (heights[corner] - mean) * enlarge}
				{@const [, y] = point(corner, up)}
				{@const u = (expandedMm[corner] ?? 0) * enlarge * 0.1}
				<path d="M {x} {y0} V {y}" class="stroke-mark" stroke-width="1.6" />
				<path
					d="M {x - 4} {y - u} h 8 M {x} {y - u} V {y + u} M {x - 4} {y + u} h 8"
					class="stroke-ink"
					stroke-width="1"
				/>
				<circle cx={x} cy={y} r="3" class="fill-spruce" />
				<text
					{x}
					y={axleOf(corner) === 'front' ? Math.min(y, y0) - 12 : Math.max(y, y0) + 24}
					text-anchor="middle"
					font-size="15"
					font-weight="700"
					class={corner === lowest ? 'text-ochre' : 'text-ink'}
					>{corner === lowest ? '▼ ' : ''}{corner} {off(heights[corner] - mean)}</text
				>
			{/each}
		{:else}
			<text text-anchor="middle" y="88" font-size="14" class="text-soft"
				>read all four corners to see the tilt</text
			>
		{/if}
	</svg>
	<figcaption class="caption">
		Height above (+) or below (−) the mean of four, differences ×{enlarge} larger than the car. Dashed:
		level. Bars: 95 %.
	</figcaption>
</figure>

{#if stance}
	<dl class="mt-3 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1">
		{#each [['Front, left − right', stance.leftMinusRightMm.front, stance.sideVerdict.front], ['Rear, left − right', stance.leftMinusRightMm.rear, stance.sideVerdict.rear]] as const as [name, mm, verdict] (name)}
			<dt>{name}</dt>
			<dd class="text-end">
				<span class="num text-xl">{off(mm)}</span>
				<span
					class="block text-[15px] {verdict === 'even'
						? 'text-spruce'
						: verdict === 'uneven'
							? 'text-ochre'
							: 'font-semibold text-madder'}"
					>{verdict === 'even' ? 'even' : verdict === 'uneven' ? 'uneven' : 'needs a reason'}</span
				>
			</dd>
		{/each}
		<dt>Front − rear</dt>
		<dd class="num text-end text-xl">{off(stance.frontMinusRearMm)}</dd>
		<dt>Off one plane <span class="caption block">body, floor or reading</span></dt>
		<dd class="num text-end text-xl">{units.show(Math.abs(stance.warpMm), 'length')}</dd>
	</dl>
{/if}
