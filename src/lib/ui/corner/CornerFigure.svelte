<script lang="ts">
	import type { MechanismLayout } from '$core/mechanism/geometry';
	import { polyline } from './paths';
	import type { Snippet } from 'svelte';
	import { coilPath } from './coil';
	import { seenFromSide, tenth, tyreWidthMm, type Flat, type Shape } from './view';

	/** Arms, knuckle, spring, damper and wheel of a corner in one posture, for inside an SVG drawing. */
	interface Props {
		layout: MechanismLayout;
		shape: Shape;
		/** From mm to the drawing. */
		to: (place: Flat) => Flat;
		scale: number;
		wheelRadiusMm: number;
		/** Puts something around the wheel, such as a handle. */
		handle?: Snippet<[Snippet]>;
	}
	let { layout, shape: now, to, scale, wheelRadiusMm, handle }: Props = $props();
	const side = $derived(seenFromSide(layout));
	const degrees = 180 / Math.PI;
	const path = $derived((points: Flat[], closed = false) => polyline(points.map(to), closed));
</script>

{#snippet wheel()}
	{#if side}
		{@const [x, y] = to(now.wheel)}
		<circle
			cx={x}
			cy={y}
			r={tenth(wheelRadiusMm * scale)}
			class="fill-ink stroke-ink"
			fill-opacity="0.06"
			stroke-width="3"
		/>
		<circle cx={x} cy={y} r={tenth(wheelRadiusMm * 0.62 * scale)} fill="none" class="stroke-soft" />
		<circle cx={x} cy={y} r="7" class="fill-ink" />
	{:else}
		{@const [x, y] = to(now.wheel)}
		<rect
			x={tenth(x - (tyreWidthMm / 2) * scale)}
			y={tenth(y - wheelRadiusMm * scale)}
			width={tenth(tyreWidthMm * scale)}
			height={tenth(2 * wheelRadiusMm * scale)}
			rx={tenth(28 * scale)}
			transform="rotate({tenth(now.lean * degrees)} {x} {y})"
			class="fill-ink stroke-ink"
			fill-opacity="0.08"
			stroke-width="3"
		/>
		<circle cx={x} cy={y} r="7" class="fill-ink" />
	{/if}
{/snippet}

{#if now.damper}
	{@const [top, bottom] = now.damper.map(to) as [Flat, Flat]}
	{@const mid = [0, 1].map((i) => tenth(bottom[i]! + (top[i]! - bottom[i]!) * 0.55))}
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

{#if handle}{@render handle(wheel)}{:else}{@render wheel()}{/if}
