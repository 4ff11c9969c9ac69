<script lang="ts">
	import type { ComparedPart } from '$core/bench/compare';
	import { personalUnits } from '$lib/client/units';
	import { coilPath } from '../corner/coil';

	/** The old part and the new one beside each other, to one scale, as far as they are measured. */
	interface Props {
		part: ComparedPart;
		/** Measured values by their names in the core, mm and coils. */
		old: Readonly<Record<string, number>>;
		fresh: Readonly<Record<string, number>>;
	}
	let { part, old, fresh }: Props = $props();
	const units = personalUnits();
	const width = 560;
	const height = 150;
	const main = $derived(part === 'damper' ? 'extendedMm' : 'freeLengthMm');
	const lengths = $derived([old[main], fresh[main]]);
	const longest = $derived(Math.max(...lengths.map((mm) => mm ?? 0)));
	/** Of one scale for both, lying side by side: lengths are compared by their ends. */
	const scale = $derived(longest > 0 ? (width - 130) / longest : 0);
	const rows = $derived([
		{ name: 'old', of: old, y: 42, tone: 'stroke-soft', fill: 'fill-sunk' },
		{ name: 'new', of: fresh, y: 110, tone: 'stroke-spruce', fill: 'fill-spruce-wash' }
	]);
	const mm = (value: number) => units.show(value, 'length', { decimals: 1 });
</script>

{#if longest > 0}
	<svg
		viewBox="0 0 {width} {height}"
		class="mt-3 w-full max-w-[46rem]"
		role="img"
		aria-label="Old and new {part} to one scale: {rows
			.map(({ name, of }) => `${name} ${of[main] === undefined ? 'not measured' : mm(of[main])}`)
			.join(', ')}"
	>
		<path d="M 50 8 V {height - 8}" class="stroke-edge" stroke-dasharray="4 4" />
		{#each rows as { name, of, y, tone, fill } (name)}
			{@const length = of[main]}
			<text x="0" y={y + 5} font-size="15" font-weight="600">{name}</text>
			{#if length === undefined}
				<text x="58" y={y + 5} font-size="15" class="text-soft">not measured</text>
			{:else if part === 'spring'}
				{@const wide = Math.min(58, (of.outerMm ?? 120) * scale)}
				<path
					d={coilPath([50, y], [50 + length * scale, y], of.coils ?? 6, wide)}
					fill="none"
					class={tone}
					stroke-width={Math.max(2, (of.wireMm ?? 12) * scale)}
					stroke-linecap="round"
				/>
			{:else}
				{@const tube = Math.min(length * 0.62, of.compressedMm ?? length * 0.62) * scale}
				<rect
					x="50"
					y={y - 14}
					width={tube}
					height="28"
					rx="3"
					class="{fill} {tone}"
					stroke-width="2"
				/>
				<path
					d="M {50 + tube} {y} H {50 + length * scale}"
					class={tone}
					stroke-width="8"
					stroke-linecap="round"
				/>
				{#if of.compressedMm !== undefined}
					<path
						d="M {50 + of.compressedMm * scale} {y - 22} V {y + 22}"
						class={tone}
						stroke-width="2"
						stroke-dasharray="5 4"
					/>
				{/if}
			{/if}
			{#if length !== undefined}
				<text x={58 + length * scale} y={y + 5} font-size="15" font-weight="600">{mm(length)}</text>
			{/if}
		{/each}
		{#if lengths[0] !== undefined && lengths[1] !== undefined}
			{@const [from, to] = [50 + lengths[0] * scale, 50 + lengths[1] * scale]}
			<path
				d="M {from} 66 V 86 M {to} 66 V 86 M {from} 76 H {to}"
				class={Math.abs(lengths[1] - lengths[0]) > 5 ? 'stroke-madder' : 'stroke-ink'}
				stroke-width="2"
			/>
		{/if}
	</svg>
{/if}
