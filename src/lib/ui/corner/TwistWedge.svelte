<script lang="ts">
	import type { BushSetBand } from '$core/bush/band';
	import { formatNumber } from '$core/units/format';
	import { ringPiece } from './paths';
	import { wedgeOf, type Arm, type Flat } from './view';

	/** What a bush turning with an arm would keep, as a wedge at its pivot, in words beside it. */
	interface Props {
		arm: Arm & { rest: Flat; which: 'lower' | 'upper' };
		judged: BushSetBand;
		/** Its pivot in the drawing. */
		at: Flat;
		/** Room kept above the pivot. */
		clear: number;
	}
	let { arm, judged, at, clear }: Props = $props();
	const [x, y] = $derived(at);

	const marks = {
		set: { sign: '✓', word: 'set', tone: 'spruce' },
		're-set-advised': { sign: '◇', word: 're-set', tone: 'ochre' },
		'wound-up': { sign: '✕', word: 'wound up', tone: 'madder' }
	} as const;
	const fills = {
		spruce: 'fill-spruce-wash stroke-spruce',
		ochre: 'fill-ochre-wash stroke-ochre',
		madder: 'fill-madder-wash stroke-madder'
	};
	const texts = { spruce: 'text-spruce', ochre: 'text-ochre', madder: 'text-madder' };

	const look = $derived(marks[judged.verdict]);
	const path = $derived.by(() => {
		const [startAngle, endAngle] = wedgeOf(arm, arm.rest, judged.twistDeg);
		return ringPiece(0, 84, startAngle, endAngle);
	});
	const said = $derived(
		`${formatNumber(judged.twistDeg, 1, true)}° ± ${formatNumber(judged.twistExpandedDeg, 1)}°`
	);
</script>

<path
	d={path}
	transform="translate({x} {y})"
	class={fills[look.tone]}
	stroke-width="1.5"
	fill-opacity="0.85"
/>
<text
	x="4"
	y={arm.which === 'upper' ? y - 36 - clear : y + 52}
	font-size="15"
	font-weight="700"
	class={texts[look.tone]}>{said}</text
>
<text
	x="4"
	y={arm.which === 'upper' ? y - 19 - clear : y + 69}
	font-size="14"
	class={texts[look.tone]}>{look.sign} {look.word}</text
>
