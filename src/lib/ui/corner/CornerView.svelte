<script lang="ts">
	import type { BushSetBand } from '$core/bush/band';
	import { axleOf, isLeft, type Corner } from '$core/height/corners';
	import type { JointPlace } from '$core/layout/types';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { judgeBush } from '$core/job/view';
	import { arc, line } from 'd3';
	import CornerFigure from './CornerFigure.svelte';
	import type { Snippet } from 'svelte';
	import { draggable } from './drag';
	import { cornerSheet, sheetHeight, sheetWidth } from './sheet';
	import { placeOf, wedgeOf, type Arm, type Flat } from './view';

	/** This car's corner to scale: where it hangs, where it is now, where it will stand, and what its rubber keeps. */
	interface Props {
		corner: Corner;
		/** Hub to arch at which it will stand. */
		targetMm: number;
		/** Hub to arch shown; moved by the wheel. */
		heightMm: number;
		/** Where the joint in hand sits. */
		place?: JointPlace | null;
		/** Why the wheel cannot be moved here; undefined where it can. */
		fixed?: boolean;
		/** The corner alone: no target, no twist, no dimension. */
		plain?: boolean;
		/** Whose twist is shown: of every arm with rubber, of the arm in hand, or of none. */
		judge?: 'all' | 'in-hand' | 'none';
		/** Drawn over it, given where each place is. */
		overlay?: Snippet<[(place: JointPlace) => Flat]>;
		onmove?: (heightMm: number) => void;
	}
	let {
		corner,
		targetMm,
		heightMm,
		place,
		fixed = false,
		plain = false,
		judge = 'all',
		overlay,
		onmove
	}: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);

	const axle = $derived(job.record.vehicle.axles[axleOf(corner)]);
	const sheet = $derived(cornerSheet(axle, targetMm, heightMm, plain));
	const drawn = $derived(sheet.ok ? sheet.value : undefined);
	const shown = $derived(drawn?.shownMm ?? heightMm);
	const path = $derived((points: Flat[]) => (drawn && line()(points.map(drawn.to))) ?? '');

	/** What a bush turning with this arm would keep if it was tightened at the height shown. */
	const judgedFor = $derived((which: 'lower' | 'upper') => {
		const judged = judgeBush(
			job.record,
			corner,
			shown,
			job.limits,
			which === 'upper' ? 'upper-pivot' : 'lower-pivot'
		);
		return judged.ok ? judged.value : undefined;
	});
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
	const hasRubber = $derived((which: 'lower' | 'upper') =>
		job.record.joints.some(
			(joint) =>
				joint.corner === corner &&
				joint.kind === 'bonded-bush' &&
				(joint.place?.startsWith('upper') ?? false) === (which === 'upper')
		)
	);

	const shows = $derived((which: 'lower' | 'upper') => {
		if (plain || judge === 'none' || !hasRubber(which)) return false;
		return judge === 'all' || (place?.startsWith('upper') ?? false) === (which === 'upper');
	});

	function wedge(arm: Arm & { rest: Flat }, twistDeg: number): string {
		const [startAngle, endAngle] = wedgeOf(arm, arm.rest, twistDeg);
		return arc()({ innerRadius: 0, outerRadius: 84, startAngle, endAngle })!;
	}
	/** Where the joint may be, for what is known of the geometry. */
	const spread = $derived((joint: Flat): Flat[] => [
		[joint[0], joint[1] + drawn!.expandedMm],
		[joint[0], joint[1] - drawn!.expandedMm]
	]);
	/** Room for the ring around the joint in hand. */
	const ringed = $derived((which: 'lower' | 'upper') => (place === `${which}-pivot` ? 24 : 0));
	const twistText = (judged: BushSetBand) =>
		`${formatNumber(judged.twistDeg, 1, true)}° ± ${formatNumber(judged.twistExpandedDeg, 1)}°`;
	const showMm = (mm: number) => units.show(mm, 'length', { decimals });
</script>

{#if !sheet.ok}
	<p class="text-madder">{sheet.faults[0]!.message}</p>
{:else if drawn}
	{@const { layout, side, shapes, lip, arms, to, scale, range, dimensionX: dimension } = drawn}
	{@const [width, height] = [sheetWidth, sheetHeight]}
	{@const wheelRadius = drawn.wheelRadiusMm}
	{@const wheelNow = to(shapes.now.wheel)}
	{@const lipAt = to(lip)}
	<svg
		viewBox="0 0 {width} {height}"
		class="w-full select-none"
		role={overlay ? 'group' : 'img'}
		aria-label="{side ? 'Side' : 'Front'} view of the corner to scale: hub to arch {showMm(
			shown
		)}, target {showMm(targetMm)}"
	>
		{#each arms as arm (arm.which)}
			<polygon
				points={[arm.pivot, ...spread(arm.joint)].map((p) => to(p).join(',')).join(' ')}
				class="fill-edge"
				opacity="0.22"
			/>
		{/each}
		{#each plain ? [] : [{ shape: shapes.droop, class: 'stroke-edge' }, { shape: shapes.target, class: 'stroke-mark' }] as ghost, i (i)}
			{#each ghost.shape.arms as arm, j (j)}
				<path
					d={path([arm.from, arm.to])}
					class={ghost.class}
					stroke-width={i ? 2 : 1.3}
					stroke-dasharray={i ? '8 5' : '3 4'}
					fill="none"
				/>
			{/each}
		{/each}

		<CornerFigure {layout} shape={shapes.now} {to} {scale} wheelRadiusMm={wheelRadius}>
			{#snippet handle(wheel)}
				{#if fixed || !onmove}
					{@render wheel()}
				{:else}
					<g
						class="cursor-ns-resize touch-none"
						{@attach draggable((start) => {
							const from = shown;
							return (at) =>
								onmove(
									Math.min(range.droopMm, Math.max(range.bumpMm, from + (at.y - start.y) / scale))
								);
						})}
					>
						{@render wheel()}
					</g>
				{/if}
			{/snippet}
		</CornerFigure>

		<!-- The arch lip stands still with the body. -->
		{#if side}
			<path
				d={arc()({
					innerRadius: (wheelRadius + 22) * scale,
					outerRadius: (wheelRadius + 22) * scale + 5,
					startAngle: -0.95,
					endAngle: 0.95
				})}
				transform="translate({lipAt[0]} {lipAt[1] + (wheelRadius + 22) * scale})"
				class="fill-ink"
			/>
		{:else}
			<path
				d="M {lipAt[0] - 55 * scale} {lipAt[1] - 26} Q {lipAt[0] + 40 * scale} {lipAt[1] -
					26} {lipAt[0] + 70 * scale} {lipAt[1]}"
				class="stroke-ink"
				stroke-width="5"
				stroke-linecap="round"
				fill="none"
			/>
		{/if}

		{#each arms as arm (arm.which)}
			{@const judged = shows(arm.which) ? judgedFor(arm.which) : undefined}
			{#if judged}
				{@const look = marks[judged.verdict]}
				{@const [x, y] = to(arm.pivot)}
				<path
					d={wedge(arm, judged.twistDeg)}
					transform="translate({x} {y})"
					class={fills[look.tone]}
					stroke-width="1.5"
					fill-opacity="0.85"
				/>
				<text
					x="4"
					y={arm.which === 'upper' ? y - 36 - ringed(arm.which) : y + 52}
					font-size="15"
					font-weight="700"
					class={texts[look.tone]}>{twistText(judged)}</text
				>
				<text
					x="4"
					y={arm.which === 'upper' ? y - 19 - ringed(arm.which) : y + 69}
					font-size="14"
					class={texts[look.tone]}>{look.sign} {look.word}</text
				>
			{/if}
		{/each}

		{#if !plain}
			<!-- Hub to arch, as a dimension. -->
			<path
				d="M {wheelNow[0]} {wheelNow[1]} H {dimension + 6} M {lipAt[0]} {lipAt[1]} H {dimension +
					6}"
				class="stroke-soft"
				stroke-width="1"
			/>
			<path d="M {dimension} {wheelNow[1]} V {lipAt[1]}" class="stroke-ink" stroke-width="1.8" />
			<path
				d="M {dimension} {wheelNow[1]} l -4 -11 h 8 Z M {dimension} {lipAt[1]} l -4 11 h 8 Z"
				class="fill-ink"
			/>
			<text x={dimension + 8} y={(wheelNow[1] + lipAt[1]) / 2} font-size="20" font-weight="700"
				>{showMm(shown)}</text
			>
			<text x={dimension + 8} y={(wheelNow[1] + lipAt[1]) / 2 + 17} font-size="14" class="text-soft"
				>hub to arch</text
			>
			{#each [['droop', shapes.droop, 'text-soft', 'stroke-edge', 14], ['target', shapes.target, 'text-mark', 'stroke-mark', -5]] as const as [name, shape, tone, stroke, off] (name)}
				{@const y = to(shape.wheel)[1]}
				<path d="M {dimension - 6} {y} h 12" class={stroke} stroke-width="2" />
				<text x={dimension + 8} y={y + off} font-size="14" class={tone}
					>{name}{name === 'target' ? ` ${showMm(targetMm)}` : ''}</text
				>
			{/each}
		{/if}

		{#if place}
			{@const [x, y] = to(placeOf(layout, drawn.now, place))}
			<circle cx={x} cy={y} r="19" fill="none" class="stroke-paper" stroke-width="8" />
			<circle cx={x} cy={y} r="19" fill="none" class="stroke-ochre" stroke-width="4.5" />
			<path
				d="M {x} {y - 34} v 10 M {x} {y + 24} v 10 M {x - 34} {y} h 10 M {x + 24} {y} h 10"
				class="stroke-ochre"
				stroke-width="4.5"
			/>
		{/if}
		{#if overlay}{@render overlay((where) => to(placeOf(layout, drawn.now, where)))}{/if}
		<text x="4" y={height - 3} font-size="14" class="text-soft"
			>{side
				? `${isLeft(corner) ? '' : 'mirrored, '}front of the car to the left`
				: `${isLeft(corner) ? '' : 'mirrored, '}outboard to the right`}{drawn.assumed
				? '; grey: what the tape leaves open'
				: ''}</text
		>
	</svg>
	{#if !fixed && onmove}
		<label class="mt-1 flex items-center gap-3 text-[15px]">
			<span class="shrink-0">Wheel</span>
			<input
				type="range"
				class="min-h-12 w-full accent-spruce"
				min={Math.ceil(range.bumpMm)}
				max={Math.floor(range.droopMm)}
				step="1"
				value={shown}
				aria-valuetext={showMm(shown)}
				oninput={(event) => onmove(Number(event.currentTarget.value))}
			/>
		</label>
	{/if}
{/if}
