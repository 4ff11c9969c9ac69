<script lang="ts">
	import { cornerNames, corners, isLeft, axleOf, type Corner } from '$core/height/corners';
	import type { Vehicle } from '$core/job/model';
	import { personalUnits } from '$lib/client/units';

	interface Props {
		vehicle: Vehicle;
		worked: readonly Corner[];
		/** How many things each corner owes. */
		owed: Record<Corner, number>;
		href: (corner: Corner) => string;
		/** How each corner stands, where that is known: written beside its wheel. */
		heightsMm?: Partial<Record<Corner, number>>;
		/** In small: without its dimensions, its marks large enough to be read. */
		small?: boolean;
	}
	let { vehicle, worked, owed, href, heightsMm = {}, small = false }: Props = $props();
	const units = personalUnits();

	// Drawn in millimetres of the car: nose up, left on the left, as seen from the driver's seat.
	const wheelbase = $derived(vehicle.wheelbaseMm);
	const tracks = $derived({ front: vehicle.axles.front.trackMm, rear: vehicle.axles.rear.trackMm });
	const halfWidth = $derived(Math.max(tracks.front, tracks.rear) / 2 + 130);
	const nose = 830;
	const tail = 760;
	const beside = $derived(small ? 620 : 330);
	const box = $derived({
		x: -halfWidth - beside,
		y: -nose - 160,
		w: 2 * (halfWidth + beside),
		h: wheelbase + nose + tail + 300
	});
	const wheel = { w: 215, h: 640 };
	const at = $derived((corner: Corner) => ({
		x: (isLeft(corner) ? -1 : 1) * (tracks[axleOf(corner)] / 2),
		y: axleOf(corner) === 'front' ? 0 : wheelbase
	}));
	const body = $derived(
		`M ${-halfWidth * 0.72} ${-nose} Q 0 ${-nose - 95} ${halfWidth * 0.72} ${-nose}
		 Q ${halfWidth} ${-nose + 90} ${halfWidth} ${-nose + 480} L ${halfWidth} ${wheelbase + tail - 380}
		 Q ${halfWidth} ${wheelbase + tail} ${halfWidth * 0.74} ${wheelbase + tail} L ${-halfWidth * 0.74} ${wheelbase + tail}
		 Q ${-halfWidth} ${wheelbase + tail} ${-halfWidth} ${wheelbase + tail - 380} L ${-halfWidth} ${-nose + 480}
		 Q ${-halfWidth} ${-nose + 90} ${-halfWidth * 0.72} ${-nose} Z`
	);
	const length = (mm: number) =>
		units.show(mm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 1 });
</script>

<svg
	viewBox="{box.x} {box.y} {box.w} {box.h}"
	class="h-full w-full"
	role="group"
	aria-label="Plan of {vehicle.plate}"
>
	<path d={body} class="fill-panel stroke-edge" stroke-width="14" />
	<path
		d="M {-halfWidth * 0.74} {wheelbase * 0.2} Q 0 {wheelbase * 0.06} {halfWidth *
			0.74} {wheelbase * 0.2} L {halfWidth * 0.66} {wheelbase * 0.36} Q 0 {wheelbase *
			0.27} {-halfWidth * 0.66} {wheelbase * 0.36} Z
		   M {-halfWidth * 0.64} {wheelbase * 0.92} L {halfWidth * 0.64} {wheelbase * 0.92} L {halfWidth *
			0.7} {wheelbase * 1.07} L {-halfWidth * 0.7} {wheelbase * 1.07} Z"
		class="fill-sunk stroke-line"
		stroke-width="10"
	/>
	{#if !small}
		<g class="stroke-edge text-soft" stroke-width="8" fill="none">
			<path
				d="M {-tracks.front / 2} 0 H {tracks.front / 2} M {-tracks.rear /
					2} {wheelbase} H {tracks.rear / 2}"
				stroke-dasharray="40 26"
			/>
			<path d="M 0 0 V {wheelbase}" stroke-dasharray="40 26" />
		</g>
		<g class="text-soft" font-size="118" text-anchor="middle" stroke="none">
			<text x="0" y="-40">{length(tracks.front)}</text>
			<text x="0" y={wheelbase + 140}>{length(tracks.rear)}</text>
			<g transform="translate(48 {wheelbase * 0.62}) rotate(90)"
				><text x="0" y="-10">{length(wheelbase)}</text></g
			>
		</g>
	{/if}
	<text
		x="0"
		y={-nose + (small ? 290 : 190)}
		font-size={small ? 240 : 118}
		font-weight="600"
		text-anchor="middle"
		class="text-soft">front</text
	>
	{#each corners as corner (corner)}
		{@const place = at(corner)}
		{@const n = owed[corner]}
		{@const out = isLeft(corner) ? -1 : 1}
		<a
			href={href(corner)}
			aria-label="{cornerNames[corner]}: {n ? `${n} left` : 'nothing left'}"
			class="corner"
		>
			<rect x={place.x - 260} y={place.y - 460} width="520" height="920" fill="transparent" />
			<rect
				x={place.x - wheel.w / 2}
				y={place.y - wheel.h / 2}
				width={wheel.w}
				height={wheel.h}
				rx="60"
				class={worked.includes(corner) ? 'fill-ink stroke-ink' : 'fill-panel stroke-edge'}
				stroke-width="16"
			/>
			{#if heightsMm[corner] !== undefined}
				<text
					x={place.x - out * 160}
					y={place.y - 190}
					text-anchor={isLeft(corner) ? 'start' : 'end'}
					font-size="190"
					font-weight="700"
					>{units.show(heightsMm[corner], 'length', {
						bare: true,
						decimals: units.choice.length === 'mm' ? 0 : 1
					})}<tspan font-size="105" font-weight="400">{units.choice.length}</tspan></text
				>
			{/if}
			<g
				transform="translate({place.x + out * (small ? 420 : 285)} {place.y}) scale({small
					? 2
					: 1})"
			>
				{#if n}
					<path
						d="M 0 -150 L 150 0 L 0 150 L -150 0 Z"
						class="fill-ochre-wash stroke-ochre"
						stroke-width="18"
					/>
					<text y="52" text-anchor="middle" font-size="150" font-weight="700" class="text-ochre"
						>{n}</text
					>
				{:else}
					<circle r="120" class="fill-spruce-wash stroke-spruce" stroke-width="18" />
					<path
						d="M -55 5 L -12 48 L 60 -42"
						fill="none"
						class="stroke-spruce"
						stroke-width="26"
						stroke-linecap="round"
					/>
				{/if}
			</g>
		</a>
	{/each}
</svg>

<style>
	.corner:hover rect:nth-of-type(2),
	.corner:focus-visible rect:nth-of-type(2) {
		stroke: var(--color-mark);
		stroke-width: 40;
	}
	.corner:focus-visible {
		outline: none;
	}
</style>
