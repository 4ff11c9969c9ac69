<script lang="ts">
	import { axleOf, type Corner } from '$core/height/corners';
	import { findState, inspectionPoints, type InspectionPoint } from '$core/inspect/points';
	import type { JointPlace } from '$core/layout/types';
	import { currentJob } from '$lib/client/job-state.svelte';
	import CornerView from '../corner/CornerView.svelte';
	import type { Flat } from '../corner/view';
	import { gravityLooks } from './gravity';
	import { apart, placesOf, touched, worstAt, type PointPlace } from './places';

	/** The corner to scale with a mark at each place to look at; a touch opens the next point of it. */
	let { corner, point = $bindable() }: { corner: Corner; point: string | undefined } = $props();
	const job = currentJob();
	const places = $derived(placesOf(inspectionPoints(job.work.scope.layouts[axleOf(corner)])));
	/** Any height will do to draw it: the target, the height read, or a middling one. */
	const heightMm = $derived.by(() => {
		const { target, before } = job.view.corners[corner];
		const mm = target?.heightMm ?? before?.meanMm;
		return mm !== undefined && job.record.school === 'hub-to-arch' ? mm : 365;
	});

	/** Half a touch target in the drawing's own units: 48 px and more where it is 330 px wide. */
	const radius = 30;
	const size: Flat = [400, 400];

	function anchor({ name }: PointPlace, at: (place: JointPlace) => Flat): Flat {
		if (name !== 'spring' && name !== 'damper') return at(name);
		const [top, bottom] = [at('damper-top'), at('damper-bottom')];
		const share = name === 'spring' ? 0.72 : 0.34;
		return [bottom[0] + (top[0] - bottom[0]) * share, bottom[1] + (top[1] - bottom[1]) * share];
	}
	const gravityOf = $derived((of: InspectionPoint) => {
		const kept = job.work.book.get('finding', `${corner}/${of.key}`);
		return kept?.state ? findState(of, kept.state)?.gravity : undefined;
	});
	const marks = $derived.by(() => (at: (place: JointPlace) => Flat) => {
		const homes = places.map((place) => anchor(place, at));
		return apart(homes, radius, size).map((spot, i) => ({
			place: places[i]!,
			home: homes[i]!.map(Math.round) as [number, number],
			spot: spot.map(Math.round) as [number, number]
		}));
	});
</script>

<CornerView {corner} targetMm={heightMm} {heightMm} plain fixed>
	{#snippet overlay(at)}
		{@const placed = marks(at)}
		{#each placed as { home, spot, place } (place.name)}
			<path class="from" d="M{home}L{spot}" />
			<circle class="home" cx={home[0]} cy={home[1]} r="3.5" />
		{/each}
		{#each placed as { place, spot: [x, y] }, i (place.name)}
			{@const gravity = worstAt(place, gravityOf)}
			{@const left = place.points.filter((of) => !gravityOf(of)).length}
			<g
				role="button"
				tabindex="-1"
				class="mark"
				transform="translate({x} {y})"
				aria-label="{i + 1} {place.points.map(({ name }) => name).join(', ')}{left
					? `: ${left} to look at`
					: ''}"
				onclick={() => (point = touched(place, point, (of) => gravityOf(of) !== undefined))}
				onkeydown={(event) => {
					if (event.key === 'Enter') point = touched(place, point, (of) => !!gravityOf(of));
				}}
			>
				<circle r={radius} class="reach" />
				{#if place.points.some(({ key }) => key === point)}<circle r="22" class="here" />{/if}
				<circle r="16" class={gravity ? gravityLooks[gravity].fill : 'free'} />
				<text y="6" class={gravity ? 'text-on-spruce' : undefined}
					>{gravity && gravity !== 'sound' ? gravityLooks[gravity].sign : i + 1}</text
				>
			</g>
		{/each}
	{/snippet}
</CornerView>

<style>
	.from {
		stroke: var(--color-ink);
		stroke-width: 1.5;
	}
	.home {
		fill: var(--color-ink);
	}
	.mark {
		cursor: pointer;
		outline: none;
		stroke-width: 2;
	}
	.mark :global {
		circle.free {
			fill: var(--color-panel);
			stroke: var(--color-ink);
		}
		.reach {
			fill: transparent;
		}
		.here {
			fill: none;
			stroke: var(--color-mark);
			stroke-width: 4;
		}
		text {
			stroke: none;
			text-anchor: middle;
			font-size: 17px;
			font-weight: 700;
		}
	}
</style>
