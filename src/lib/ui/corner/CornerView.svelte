<script lang="ts">
	import { axleOf, isLeft, type Corner } from '$core/height/corners';
	import type { JointPlace } from '$core/layout/types';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { judgeBush } from '$core/job/rubber';
	import { armOfRubber, rubberOf } from '$core/job/rubber-turns';
	import { polyline, ringPiece } from './paths';
	import CornerFigure from './CornerFigure.svelte';
	import HeightDimension from './HeightDimension.svelte';
	import type { Snippet } from 'svelte';
	import { draggable } from './drag';
	import { cornerSheet, sheetHeight, sheetWidth } from './sheet';
	import TwistWedge from './TwistWedge.svelte';
	import { placeOf, type Flat } from './view';

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
	const path = $derived((points: Flat[]) => (drawn ? polyline(points.map(drawn.to)) : ''));

	/** What a bush turning with this arm would keep if it was tightened at the height shown. */
	const judgedFor = $derived((which: 'lower' | 'upper') => {
		const judged = judgeBush(job.record, corner, shown, job.limits, {
			key: null,
			place: `${which}-pivot`
		});
		return judged.ok ? judged.value : undefined;
	});
	/** Rubber of this corner that turns with the arm. */
	const hasRubber = $derived((which: 'lower' | 'upper') =>
		job.record.joints.some(
			(joint) =>
				joint.corner === corner &&
				joint.kind === 'bonded-bush' &&
				armOfRubber(rubberOf(axle.layout, joint)) === which
		)
	);

	const shows = $derived((which: 'lower' | 'upper') => {
		if (plain || judge === 'none' || !hasRubber(which)) return false;
		// Of the joint in hand only where it is an arm's own pivot: other rubber turns otherwise.
		return judge === 'all' || place === `${which}-pivot`;
	});

	/** Where the joint may be, for what is known of the geometry. */
	const spread = $derived((joint: Flat): Flat[] => [
		[joint[0], joint[1] + drawn!.expandedMm],
		[joint[0], joint[1] - drawn!.expandedMm]
	]);
	/** Room for the ring around the joint in hand. */
	const ringed = $derived((which: 'lower' | 'upper') => (place === `${which}-pivot` ? 24 : 0));
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
				d={ringPiece((wheelRadius + 22) * scale, (wheelRadius + 22) * scale + 5, -0.95, 0.95)}
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
				<TwistWedge {arm} {judged} at={to(arm.pivot)} clear={ringed(arm.which)} />
			{/if}
		{/each}

		{#if !plain}
			<HeightDimension
				x={dimension}
				wheelY={wheelNow[1]}
				wheelX={wheelNow[0]}
				{lipAt}
				droopY={to(shapes.droop.wheel)[1]}
				targetY={to(shapes.target.wheel)[1]}
				height={showMm(shown)}
				target={showMm(targetMm)}
			/>
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
				oninput={(event) => onmove(event.currentTarget.valueAsNumber)}
			/>
		</label>
	{/if}
{/if}
