<script lang="ts">
	import type { CoiloverResult } from '$core/spring/coilover';
	import { personalUnits } from '$lib/client/units';
	import { coilPath } from '$lib/ui/corner/coil';
	import { draggable } from '$lib/ui/corner/drag';

	/** A coilover to scale under its car, its collar to be moved, and the travel left at the wheel. */
	interface Props {
		stand: CoiloverResult;
		/** A number of the bench. */
		num: (key: string) => number;
		onpreload: (mm: number) => void;
	}
	let { stand: s, num, onpreload }: Props = $props();
	const units = personalUnits();
	const whole = (value: number) =>
		units.show(value, 'length', { decimals: units.choice.length === 'mm' ? 0 : 2 });

	const height = 440;
	const top = 56;
	const scale = $derived((height - 130) / (num('freeLengthMm') + num('damperStrokeMm') * 0.7));
	const x = 210;
	/** Damper now, from extended. */
	const position = $derived(s.damperFromExtendedMm);
	const collarAt = $derived(
		(fromExtended: number) => top + (num('freeLengthMm') - num('preloadMm') - fromExtended) * scale
	);
	const springEnd = $derived(
		Math.max(num('freeLengthMm') - num('preloadMm') - position, num('solidLengthMm'))
	);
	const stroke = $derived(num('damperStrokeMm') * scale);
	/** Body of the damper: its mouth stands a stroke below the top mount when extended. */
	const mouth = $derived(top + 34 + (num('damperStrokeMm') - position) * scale);
	const bar = $derived(stroke / num('motionRatio'));
	const barTop = $derived(Math.max(30, (height - bar) / 2));
	const barAt = $derived(barTop + s.bumpAtWheelMm * scale);
</script>

<svg
	viewBox="0 0 780 {height}"
	class="drawn select-none"
	role="img"
	aria-label="The coilover to scale under the car, and the travel left at the wheel"
>
	<path d="M {x - 80} {top - 8} h 160" class="stroke-ink" stroke-width="8" />
	<text {x} y={top - 22} text-anchor="middle" font-size="14" class="text-soft">top mount</text>
	<path d="M {x} {top - 4} V {mouth + 20}" class="stroke-soft" stroke-width="9" />
	<rect
		x={x - 26}
		y={mouth}
		width="52"
		height={Math.max(40, height - mouth - 24)}
		rx="5"
		class="fill-sunk stroke-ink"
		stroke-width="3"
	/>
	{#each Array.from({ length: 40 }, (_, i) => mouth + 14 + i * 7) as y (y)}
		{#if y < height - 60}<path
				d="M {x - 26} {y} h 52"
				class="stroke-line"
				stroke-width="1.5"
			/>{/if}
	{/each}
	<path
		d={coilPath(
			[x, top],
			[x, top + springEnd * scale],
			Math.max(4, num('solidLengthMm') / 13),
			118
		)}
		fill="none"
		class={s.bind === 'coil-bound' ? 'stroke-madder' : 'stroke-spruce'}
		stroke-width="10"
		stroke-linejoin="round"
	/>
	{#each [['extended', 0], ['full bump', num('damperStrokeMm')]] as const as [name, at] (name)}
		<path
			d="M {x - 92} {collarAt(at)} h 184"
			class="stroke-edge"
			stroke-width="1.5"
			stroke-dasharray="5 4"
		/>
		<text x={x + 98} y={collarAt(at) + 5} font-size="13" class="text-soft">collar, {name}</text>
	{/each}
	<g
		class="cursor-ns-resize touch-none"
		{@attach draggable((start) => {
			const from = num('preloadMm');
			return (place) => onpreload(from + (start.y - place.y) / scale);
		})}
	>
		<rect x={x - 82} y={collarAt(position) - 24} width="164" height="56" fill="transparent" />
		<rect x={x - 76} y={collarAt(position)} width="152" height="16" rx="3" class="fill-ink" />
		<rect x={x - 60} y={collarAt(position) + 19} width="120" height="9" rx="2" class="fill-soft" />
	</g>
	<text x={x + 98} y={collarAt(position) + 14} font-size="15" font-weight="700">collar now</text>

	<g transform="translate(470 0)">
		<text x="0" y={barTop - 12} font-size="14" class="text-soft">travel at the wheel</text>
		<rect x="0" y={barTop} width="60" height={bar} class="fill-sunk stroke-ink" stroke-width="2" />
		<rect x="0" y={barTop} width="60" height={Math.max(0, barAt - barTop)} class="fill-mark-wash" />
		<path d="M -10 {barAt} h 80" class="stroke-spruce" stroke-width="5" />
		<text x="80" y={barAt + 6} font-size="16" font-weight="700">wheel now</text>
		<text
			x="80"
			y={(barTop + barAt) / 2 + 2}
			font-size="24"
			font-weight="700"
			class={s.bumpAtWheelMm < 30 ? 'text-madder' : 'text-ink'}>{whole(s.bumpAtWheelMm)}</text
		>
		<text x="80" y={(barTop + barAt) / 2 + 20} font-size="14" class="text-soft">bump left</text>
		<text
			x="80"
			y={(barAt + barTop + bar) / 2 + 2}
			font-size="24"
			font-weight="700"
			class={s.droopAtWheelMm < 15 ? 'text-madder' : 'text-ink'}>{whole(s.droopAtWheelMm)}</text
		>
		<text x="80" y={(barAt + barTop + bar) / 2 + 20} font-size="14" class="text-soft"
			>droop left</text
		>
	</g>
</svg>
