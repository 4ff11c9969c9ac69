<script lang="ts" module>
	/** How many times larger than the car its heights are drawn. */
	export const heightsEnlarged = 3;
</script>

<script lang="ts">
	import type { FullCarRun } from '$core/ride/full-car';

	/** The car from the left at one moment of its run. */
	interface Props {
		now: FullCarRun['rows'][number];
		/** A number of the bench. */
		num: (key: string) => number;
	}
	let { now, num }: Props = $props();
	const sideAt = (mm: number) => 330 - mm * 0.11;
	const wheelX = $derived({ front: 210, rear: 210 + num('wheelbaseMm') * 0.13 });
	const bodyY = $derived((axle: 'front' | 'rear') => {
		const arm =
			axle === 'front' ? num('massBehindFrontMm') : num('massBehindFrontMm') - num('wheelbaseMm');
		return (now.bodyMm + arm * Math.sin((now.pitchDeg * Math.PI) / 180)) * heightsEnlarged * 0.11;
	});
	const hub = $derived(
		(axle: 'front' | 'rear') =>
			bodyY(axle) - now.heightMm[axle === 'front' ? 'FL' : 'RL'] * heightsEnlarged * 0.11
	);
</script>

<svg
	viewBox="0 0 780 165"
	class="drawn"
	role="img"
	aria-label="The car from the left at {num('atMs')} milliseconds"
>
	<g transform="translate(0 -200)">
		<path d="M 40 {sideAt(0) + 24} H 740" class="stroke-edge" stroke-width="1.5" />
		<path
			d="M {wheelX.front - 80} {sideAt(0) - 34 - bodyY('front')} L {wheelX.front - 60} {sideAt(0) -
				62 -
				bodyY('front')} L {wheelX.front + 90} {sideAt(0) -
				74 -
				bodyY('front') * 0.7 -
				bodyY('rear') * 0.3} L {wheelX.front + 140} {sideAt(0) -
				108 -
				bodyY('front') * 0.6 -
				bodyY('rear') * 0.4} L {wheelX.rear - 40} {sideAt(0) - 108 - bodyY('rear')} L {wheelX.rear +
				60} {sideAt(0) - 70 - bodyY('rear')} L {wheelX.rear + 70} {sideAt(0) -
				26 -
				bodyY('rear')} Z"
			class="fill-spruce-wash stroke-spruce"
			stroke-width="3"
			stroke-linejoin="round"
		/>
		{#each ['front', 'rear'] as const as axle (axle)}
			<circle
				cx={wheelX[axle]}
				cy={sideAt(0) - 8 - hub(axle)}
				r="32"
				class="fill-panel stroke-ink"
				stroke-width="5"
			/>
			<circle cx={wheelX[axle]} cy={sideAt(0) - 8 - hub(axle)} r="5" class="fill-ink" />
		{/each}
	</g>
</svg>
