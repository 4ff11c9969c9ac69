<script lang="ts">
	import { personalUnits } from '$lib/client/units';
	import { coilPath } from '$lib/ui/corner/coil';

	/** The spring to scale: free, in the strut, and between the hooks with its seat free. */
	interface Props {
		wireMm: number;
		meanDiameterMm: number;
		activeCoils: number;
		freeLengthMm: number;
		installedLengthMm: number;
		clearanceMm: number;
		hookedCoils: number;
		hooks: number;
		/** The hooked coils touch, or the tool is overloaded. */
		danger: boolean;
	}
	let {
		wireMm,
		meanDiameterMm,
		activeCoils,
		freeLengthMm,
		installedLengthMm,
		clearanceMm,
		hookedCoils,
		hooks,
		danger
	}: Props = $props();
	const units = personalUnits();
	const length = (mm: number) =>
		units.show(mm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 2 });

	const width = 780;
	const height = 430;
	const base = height - 46;
	const scale = $derived(Math.min((height - 90) / freeLengthMm, 140 / (meanDiameterMm + wireMm)));
	const wire = $derived(Math.max(2, wireMm * scale));
	const across = $derived(meanDiameterMm * scale);

	/** Outside the hooks free, between them squeezed: from the bottom up. */
	const parts = $derived.by(() => {
		const outside = ((activeCoils - hookedCoils) / activeCoils) * freeLengthMm;
		const between = Math.max(
			(hookedCoils / activeCoils) * freeLengthMm - (freeLengthMm - installedLengthMm + clearanceMm),
			hookedCoils * wireMm
		);
		const outCoils = (activeCoils - hookedCoils) / 2;
		return { low: outside / 2, between, outCoils };
	});
	const y = (mm: number) => base - mm * scale;
</script>

<svg
	viewBox="0 0 {width} {height}"
	class="drawn"
	role="img"
	aria-label="The spring free, in the strut, and in the compressor, to scale"
>
	<path d="M 20 {base + wire / 2} H {width - 20}" class="stroke-edge" stroke-width="1.5" />
	{#each [['free', 170, freeLengthMm], ['in the strut', 415, installedLengthMm]] as const as [name, x, mm] (name)}
		<path
			d={coilPath([x, y(0)], [x, y(mm)], activeCoils, across)}
			fill="none"
			class={name === 'free' ? 'stroke-edge' : 'stroke-spruce'}
			stroke-width={wire}
			stroke-linejoin="round"
		/>
		<path
			d="M {x - across / 2 - 26} {y(0)} V {y(mm)} m -6 0 h 12 M {x - across / 2 - 32} {y(0)} h 12"
			fill="none"
			class="stroke-mark"
			stroke-width="1.5"
		/>
		<text
			x={x - across / 2 - 34}
			y={(y(0) + y(mm)) / 2 + 5}
			text-anchor="end"
			font-size="15"
			font-weight="600"
			class="text-mark">{length(mm)}</text
		>
		<text {x} y={height - 12} text-anchor="middle" font-size="15">{name}</text>
	{/each}
	{#if installedLengthMm < freeLengthMm}
		<path
			d="M {415 - across / 2 - 10} {y(installedLengthMm) - wire / 2 - 4} h {across + 20}"
			class="stroke-ink"
			stroke-width="5"
		/>
	{/if}

	{#each [0] as _ (_)}
		{@const x = 645}
		{@const hookLow = parts.low}
		{@const hookHigh = parts.low + parts.between}
		{@const total = hookHigh + parts.low}
		<path
			d={coilPath([x, y(0)], [x, y(hookLow)], parts.outCoils, across)}
			fill="none"
			class="stroke-edge"
			stroke-width={wire}
		/>
		<path
			d={coilPath([x, y(hookLow)], [x, y(hookHigh)], hookedCoils, across)}
			fill="none"
			class={danger ? 'stroke-madder' : 'stroke-spruce'}
			stroke-width={wire}
			stroke-linejoin="round"
		/>
		<path
			d={coilPath([x, y(hookHigh)], [x, y(total)], parts.outCoils, across)}
			fill="none"
			class="stroke-edge"
			stroke-width={wire}
		/>
		{#each hooks > 1 ? [-1, 1] : [-1] as side (side)}
			{@const at = x + side * (across / 2 + wire + 12)}
			<path
				d="M {at} {y(0) + 8} V {y(total) - 18}"
				class="stroke-ink"
				stroke-width="5"
				stroke-dasharray="2.5 2"
			/>
			<path
				d="M {at} {y(hookLow) - 4} h {-side * (wire + 24)} v -12"
				fill="none"
				class="stroke-ink"
				stroke-width="7"
				stroke-linejoin="round"
			/>
			<path
				d="M {at} {y(hookHigh) + 4} h {-side * (wire + 24)} v 12"
				fill="none"
				class="stroke-ink"
				stroke-width="7"
				stroke-linejoin="round"
			/>
			<path d="M {at - 9} {y(total) - 18} h 18" class="stroke-ink" stroke-width="9" />
		{/each}
		<path
			d="M {x - across / 2 - 10} {y(installedLengthMm) - wire / 2 - 4} h {across + 20}"
			class="stroke-mark"
			stroke-width="2"
			stroke-dasharray="6 4"
		/>
		<text
			{x}
			y={y(Math.max(installedLengthMm, total)) - 26}
			text-anchor="middle"
			font-size="14"
			class="text-mark">seat, {length(clearanceMm)} free</text
		>
		<text {x} y={height - 12} text-anchor="middle" font-size="15"
			>in the compressor, {length(total)}</text
		>
	{/each}
</svg>
