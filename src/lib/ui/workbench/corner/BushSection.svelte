<script lang="ts">
	import type { TwistVerdict } from '$core/bush/verdict';
	import { formatNumber } from '$core/units/format';
	import { lineRadial } from 'd3';

	/**
	 * A bonded bush in section: radial lines of the rubber carried round by the twist. In the annulus the
	 * turn at radius r is θ·(1/r² − 1/b²)/(1/a² − 1/b²), from nothing at the outer sleeve.
	 */
	interface Props {
		innerMm: number;
		outerMm: number;
		twistDeg: number;
		verdict: TwistVerdict;
	}
	let { innerMm, outerMm, twistDeg, verdict }: Props = $props();
	const outer = 118;
	const inner = $derived(Math.min(outer * 0.92, (outer * innerMm) / outerMm));
	const twist = $derived((-twistDeg * Math.PI) / 180);
	const spokes = $derived(
		Array.from({ length: 24 }, (_, i) => {
			const start = (i / 24) * 2 * Math.PI;
			return lineRadial()(
				Array.from({ length: 15 }, (_, j): [number, number] => {
					const r = inner + ((outer - inner) * j) / 14;
					const share = (1 / r ** 2 - 1 / outer ** 2) / (1 / inner ** 2 - 1 / outer ** 2);
					return [start + twist * share, r];
				})
			)!;
		})
	);
	const colours = {
		set: 'stroke-spruce',
		're-set-advised': 'stroke-ochre',
		'wound-up': 'stroke-madder'
	};
</script>

<svg
	viewBox="-150 -150 300 300"
	class="mx-auto w-full max-w-72"
	role="img"
	aria-label="Bush in section, twisted by {formatNumber(twistDeg, 1, true)} degrees"
>
	<circle r={outer + 12} class="fill-sunk stroke-ink" stroke-width="4" />
	<circle r={outer} class="fill-panel" />
	{#each spokes as spoke, i (i)}<path
			d={spoke}
			fill="none"
			class={colours[verdict]}
			stroke-width={i === 0 ? 5 : 2}
		/>{/each}
	<path d="M 0 {-outer} V {-outer - 22}" class="stroke-mark" stroke-width="3" />
	<circle r={inner} class="fill-sunk stroke-ink" stroke-width="4" />
	<g transform="rotate({(twist * 180) / Math.PI})">
		<path d="M 0 {-inner} V {-inner * 0.45}" class="stroke-ink" stroke-width="5" />
	</g>
	<circle r={inner * 0.4} class="fill-ink" />
</svg>
