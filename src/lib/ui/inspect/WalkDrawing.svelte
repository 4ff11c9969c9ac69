<script lang="ts">
	import { axleOf, type Corner } from '$core/height/corners';
	import { findState, inspectionPoints, type InspectionPoint } from '$core/inspect/points';
	import type { JointPlace } from '$core/layout/types';
	import { currentJob } from '$lib/client/job-state.svelte';
	import CornerView from '../corner/CornerView.svelte';
	import type { Flat } from '../corner/view';

	/** The corner to scale with a number at each point to look at; touch one to open it. */
	let { corner, point = $bindable() }: { corner: Corner; point: string | undefined } = $props();
	const job = currentJob();
	const points = $derived(inspectionPoints(job.work.scope.layouts[axleOf(corner)]));
	/** Any height will do to draw it: the target, the height read, or a middling one. */
	const heightMm = $derived.by(() => {
		const { target, before } = job.view.corners[corner];
		const mm = target?.heightMm ?? before?.meanMm;
		return mm !== undefined && job.record.school === 'hub-to-arch' ? mm : 365;
	});

	/** Several points share a place: they are set beside each other. */
	function spot(of: InspectionPoint, at: (place: JointPlace) => Flat): Flat {
		const along = ([ax, ay]: Flat, [bx, by]: Flat, share: number): Flat => [
			ax + (bx - ax) * share,
			ay + (by - ay) * share
		];
		const [top, bottom] = [at('damper-top'), at('damper-bottom')];
		const base = of.place === 'spring' || of.place === 'damper' ? undefined : at(of.place);
		const fellows = points.filter(({ place }) => place === of.place);
		const turn = fellows.indexOf(of);
		if (!base) {
			const [x, y] = along(bottom, top, of.place === 'spring' ? 0.82 : 0.12 + 0.15 * turn);
			return [x + (of.place === 'spring' ? 34 : -30), y];
		}
		return [base[0] + turn * 32 - (fellows.length - 1) * 16, base[1] - (turn % 2 ? 4 : 0)];
	}
	const look = $derived((of: InspectionPoint) => {
		const kept = job.work.book.get('finding', `${corner}/${of.key}`);
		const state = kept?.state ? findState(of, kept.state) : undefined;
		return state?.gravity;
	});
	const shown = $derived((of: InspectionPoint, i: number) => {
		const gravity = look(of);
		return gravity === 'worn' ? '✕' : gravity === 'watch' ? '◇' : String(i + 1);
	});
	const fills = {
		sound: 'fill-spruce stroke-spruce',
		watch: 'fill-ochre stroke-ochre',
		worn: 'fill-madder stroke-madder'
	} as const;
</script>

<CornerView {corner} targetMm={heightMm} {heightMm} plain fixed>
	{#snippet overlay(at)}
		{#each points as of, i (of.key)}
			{@const [x, y] = spot(of, at)}
			{@const gravity = look(of)}
			<g
				role="button"
				tabindex="-1"
				class="cursor-pointer outline-none"
				aria-label="{shown(of, i)} {of.name}"
				onclick={() => (point = point === of.key ? undefined : of.key)}
				onkeydown={(event) => event.key === 'Enter' && (point = of.key)}
			>
				<circle cx={x} cy={y} r="24" fill="transparent" />
				{#if point === of.key}<circle
						cx={x}
						cy={y}
						r="20"
						fill="none"
						class="stroke-mark"
						stroke-width="4"
					/>{/if}
				<circle
					cx={x}
					cy={y}
					r="14"
					class={gravity ? fills[gravity] : 'fill-panel stroke-ink'}
					stroke-width="2"
				/>
				<text
					{x}
					y={y + 5.5}
					text-anchor="middle"
					font-size="15"
					font-weight="700"
					class={gravity ? 'text-on-spruce' : 'text-ink'}>{shown(of, i)}</text
				>
			</g>
		{/each}
	{/snippet}
</CornerView>
