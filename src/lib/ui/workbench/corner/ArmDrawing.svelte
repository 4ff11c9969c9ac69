<script lang="ts">
	import type { BushSetBand } from '$core/bush/band';
	import { outerBelowInnerMm, type TapedArm } from '$core/bush/arm';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import { arc } from 'd3';

	/** The arm to scale: where the car will stand, where it hangs now, and the twist between. */
	interface Props {
		arm: TapedArm;
		targetMm: number;
		setMm?: number;
		judged?: BushSetBand;
	}
	let { arm, targetMm, setMm, judged }: Props = $props();
	const units = personalUnits();

	/** Arm angle below the horizontal, rad; the drawing stops where the arm would stand straight down. */
	const angleAt = $derived((heightMm: number) =>
		Math.asin(Math.max(-0.99, Math.min(0.99, outerBelowInnerMm(arm, heightMm) / arm.armLengthMm)))
	);
	const length = 220;
	const target = $derived(angleAt(targetMm));
	const now = $derived(setMm === undefined ? undefined : angleAt(setMm));
	const pivot = $derived({
		x: 40,
		y: 34 + Math.max(0, -length * Math.sin(Math.min(target, now ?? target)))
	});
	const end = $derived((angle: number) => ({
		x: pivot.x + length * Math.cos(angle),
		y: pivot.y + length * Math.sin(angle)
	}));
	const at = $derived({ target: end(target), now: now === undefined ? undefined : end(now) });
	const height = $derived(Math.max(pivot.y + 34, at.target.y + 40, (at.now?.y ?? 0) + 44));
	// d3's arc counts from twelve o'clock, clockwise; the drawing's angles from three o'clock, downwards.
	const quarter = Math.PI / 2;
	const wedge = $derived(
		now === undefined
			? null
			: arc()({
					innerRadius: 30,
					outerRadius: 190,
					startAngle: quarter + Math.min(target, now),
					endAngle: quarter + Math.max(target, now)
				})
	);
	const band = $derived(
		now === undefined || !judged
			? null
			: arc()({
					innerRadius: 196,
					outerRadius: 202,
					startAngle: quarter + now - (judged.twistExpandedDeg * Math.PI) / 180,
					endAngle: quarter + now + (judged.twistExpandedDeg * Math.PI) / 180
				})
	);
	const colour = $derived(
		judged?.verdict === 'set' ? 'spruce' : judged?.verdict === 're-set-advised' ? 'ochre' : 'madder'
	);
	const fills = {
		spruce: 'fill-spruce-wash stroke-spruce',
		ochre: 'fill-ochre-wash stroke-ochre',
		madder: 'fill-madder-wash stroke-madder'
	};
</script>

<svg
	viewBox="0 0 340 {height}"
	class="w-full"
	role="img"
	aria-label={judged
		? `Bush twist ${formatNumber(judged.twistDeg, 1, true)} degrees at ride height`
		: 'Arm at target height'}
>
	{#if wedge}<path
			d={wedge}
			transform="translate({pivot.x} {pivot.y})"
			class={fills[colour]}
			stroke-width="1.5"
		/>{/if}
	{#if band}<path
			d={band}
			transform="translate({pivot.x} {pivot.y})"
			class="fill-soft"
			opacity="0.55"
		/>{/if}
	<path
		d="M {pivot.x} {pivot.y} L {at.target.x} {at.target.y}"
		class="stroke-mark"
		stroke-width="3.5"
		stroke-dasharray="9 6"
		stroke-linecap="round"
	/>
	{#if at.now}
		<path
			d="M {pivot.x} {pivot.y} L {at.now.x} {at.now.y}"
			class="stroke-ink"
			stroke-width="4"
			stroke-linecap="round"
		/>
		<circle cx={at.now.x} cy={at.now.y} r="8" class="fill-ink" />
	{/if}
	<circle cx={at.target.x} cy={at.target.y} r="6" class="fill-panel stroke-mark" stroke-width="3" />
	<circle cx={pivot.x} cy={pivot.y} r="22" class="fill-sunk stroke-ink" stroke-width="4" />
	<circle cx={pivot.x} cy={pivot.y} r="7" class="fill-ink" />
	<text
		x={at.target.x + 14}
		y={at.target.y + (now !== undefined && now < target ? 18 : -4)}
		font-size="14"
		class="text-mark">target</text
	>
	<text
		x={at.target.x + 14}
		y={at.target.y + (now !== undefined && now < target ? 34 : 12)}
		font-size="14"
		class="text-mark"
		>{units.show(targetMm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 2 })}</text
	>
	{#if at.now && setMm !== undefined}
		<text
			x={at.now.x - 10}
			y={at.now.y + (now! < target ? -18 : 30)}
			text-anchor="end"
			font-size="14"
			font-weight="600"
			>now {units.show(setMm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 2 })}</text
		>
	{/if}
</svg>
