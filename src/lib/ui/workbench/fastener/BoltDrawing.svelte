<script lang="ts">
	import { personalUnits } from '$lib/client/units';
	import { formatNumber } from '$core/units/format';
	import { scaleLinear } from 'd3';

	/** The screw to scale, and its clamp against what it can bear. */
	interface Props {
		diameterMm: number;
		pitchMm: number;
		headMm: number;
		clampN: number;
		preload90N: number;
		proofLoadN: number;
		/** Clamp with the other friction at the same torque. */
		oiledN: number;
	}
	let { diameterMm, pitchMm, headMm, clampN, preload90N, proofLoadN, oiledN }: Props = $props();
	const units = personalUnits();

	const scale = $derived(62 / diameterMm);
	const head = $derived(headMm * 1.22 * scale);
	const axis = 130;
	const teeth = $derived.by(() => {
		const step = pitchMm * scale;
		const depth = 0.613 * pitchMm * scale;
		const half = (diameterMm * scale) / 2;
		const side = (way: number) => {
			let path = '';
			for (let y = 190; y + step <= 320; y += step) {
				path += ` L ${axis + way * (half - depth)} ${y + step / 2} L ${axis + way * half} ${y + step}`;
			}
			return path;
		};
		return { left: side(-1), right: side(1), half };
	});
	const most = $derived(1.12 * Math.max(proofLoadN, clampN, oiledN, preload90N));
	const y = $derived(scaleLinear([0, most], [320, 20]));
	const bars = $derived(
		[
			{ name: 'as specified', value: clampN },
			{ name: 'with the other friction', value: oiledN }
		].map((bar, i) => ({ ...bar, x: 360 + i * 150, over: bar.value > preload90N }))
	);
</script>

<svg
	viewBox="0 0 780 372"
	class="drawn"
	role="img"
	aria-label="The screw to scale and its clamp against its limits"
>
	<rect
		x={axis - head / 2}
		y="40"
		width={head}
		height={0.65 * diameterMm * scale}
		rx="5"
		class="fill-sunk stroke-ink"
		stroke-width="3"
	/>
	<path
		d="M {axis - head / 6} 40 v {0.65 * diameterMm * scale} M {axis + head / 6} 40 v {0.65 *
			diameterMm *
			scale}"
		class="stroke-edge"
		stroke-width="2"
	/>
	<path
		d="M {axis - teeth.half} {40 + 0.65 * diameterMm * scale} V 190 {teeth.left} M {axis +
			teeth.half} {40 + 0.65 * diameterMm * scale} V 190 {teeth.right}"
		fill="none"
		class="stroke-ink"
		stroke-width="3"
		stroke-linejoin="round"
	/>
	<path
		d="M {axis - teeth.half * 0.6} 322 h {teeth.half * 1.2}"
		class="stroke-ink"
		stroke-width="3"
	/>
	<text x={axis} y="352" text-anchor="middle" font-size="18" font-weight="700"
		>M{formatNumber(diameterMm, 0)}×{pitchMm}</text
	>

	<path d="M 300 320 H 760" class="stroke-ink" stroke-width="1.5" />
	{#each bars as bar (bar.name)}
		<rect
			x={bar.x}
			y={y(bar.value)}
			width="84"
			height={320 - y(bar.value)}
			class={bar.over ? 'fill-madder-wash stroke-madder' : 'fill-spruce-wash stroke-spruce'}
			stroke-width="2.5"
		/>
		<text x={bar.x + 42} y={y(bar.value) - 8} text-anchor="middle" font-size="17" font-weight="700"
			>{units.show(bar.value, 'force')}</text
		>
		<text x={bar.x + 42} y="342" text-anchor="middle" font-size="14">{bar.name}</text>
	{/each}
	{#each [['90 % of yield', preload90N, 'stroke-mark'], ['proof load', proofLoadN, 'stroke-madder']] as const as [name, value, stroke] (name)}
		<path d="M 320 {y(value)} H 620" class={stroke} stroke-width="2" stroke-dasharray="7 5" />
		<text x="628" y={y(value) + 5} font-size="14">{name}, {units.show(value, 'force')}</text>
	{/each}
	<text x="300" y="364" font-size="13" class="text-soft">clamp</text>
</svg>
