<script lang="ts">
	import { axleOf, cornerNames } from '$core/height/corners';
	import { roundPhaseNames, roundPhases, type RoundStop } from '$core/procedure/round';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { atWork } from '$core/job/joints';
	import StateMark, { type Mark } from '$lib/ui/status/StateMark.svelte';
	import { markOf } from '../joints/joint-words';

	/** The whole round in its order; what is behind, what is in hand, what is to come. */
	interface Props {
		stops: readonly RoundStop[];
		now?: RoundStop;
		done: (stop: RoundStop) => boolean;
		/** Its turn has not come. */
		waits: (stop: RoundStop) => boolean;
		onpick: (stop: RoundStop) => void;
	}
	let { stops, now, done, waits, onpick }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const joints = $derived(new Map(job.record.joints.map((joint) => [joint.id, joint])));

	/** One line for each joint, whatever its steps, and one for each corner to be loaded. */
	const lineKey = (stop: RoundStop) => (stop.phase === 'load' ? stop.corner : stop.jointId);
	const lines = $derived(
		stops.filter(
			(stop, i) => (i === 0 || lineKey(stops[i - 1]!) !== lineKey(stop)) && !isLeftAlone(stop)
		)
	);
	/** A joint that comes apart only by a way that nobody went, as a hub nut: no line of the round. */
	function isLeftAlone(stop: RoundStop): boolean {
		if (stop.phase === 'load') return false;
		const { corner, key } = joints.get(stop.jointId)!;
		const { state } = job.view.standing.joints.get(stop.jointId)!;
		const layout = job.work.scope.layouts[axleOf(corner)];
		return (
			state === 'untouched' &&
			layout.joints.some((joint) => joint.key === key && joint.onlyByWay === true)
		);
	}
	const lineOf = (stop: RoundStop) => {
		if (stop.phase === 'load') {
			const mark: Mark = done(stop) ? 'set' : 'owed';
			return {
				name: 'Bring to height',
				mark,
				word: done(stop) ? 'at height' : waits(stop) ? 'waits' : 'to do',
				number: ''
			};
		}
		const joint = joints.get(stop.jointId)!;
		const status = job.view.standing.joints.get(joint.id)!;
		const { torqueNm } = atWork(joint);
		const steps = status.actions > 1 ? ` ${status.done}/${status.actions}` : '';
		return {
			name: joint.name,
			mark: markOf(status).mark,
			word: `${markOf(status).word}${status.state === 'begun' ? steps : ''}${waits(stop) ? ', waits' : ''}`,
			number:
				torqueNm === null
					? joint.kind === 'cushion' || !status.owed
						? ''
						: '?'
					: units.show(torqueNm, 'torque', { bare: true, decimals: 0 })
		};
	};
	const isNow = (stop: RoundStop) =>
		now !== undefined &&
		(stop.phase === 'load'
			? now.phase === 'load' && now.corner === stop.corner
			: now.phase !== 'load' && now.jointId === stop.jointId);
	let list = $state<HTMLElement>();
	$effect(() => {
		void now;
		const line = list?.querySelector<HTMLElement>('[aria-current]');
		// Only the list moves, never the page: the hands are on the number.
		const box = list?.parentElement;
		if (!line || !box) return;
		const [at, frame] = [line.getBoundingClientRect(), box.getBoundingClientRect()];
		if (at.top < frame.top) box.scrollTop += at.top - frame.top;
		else if (at.bottom > frame.bottom) box.scrollTop += at.bottom - frame.bottom;
	});
</script>

<div class="round" bind:this={list}>
	{#each roundPhases as phase (phase)}
		{@const inPhase = lines.filter((stop) =>
			phase === 'rubber' ? stop.phase === 'load' || stop.phase === 'rubber' : stop.phase === phase
		)}
		{#if phase !== 'load' && inPhase.length}
			<h2 class="caption flex justify-between bg-sunk px-3 py-1">
				<span>{roundPhaseNames[phase]}</span>
				<span>{inPhase.filter((stop) => stop.phase !== 'load' && !done(stop)).length} left</span>
			</h2>
			<ul>
				{#each inPhase as stop (lineKey(stop))}
					{@const line = lineOf(stop)}
					<li>
						<button onclick={() => onpick(stop)} aria-current={isNow(stop) ? 'step' : undefined}
							><span
								><b>{stop.corner}</b>
								{line.name}<small
									><StateMark mark={line.mark} word={line.word} /><span class="sr-only"
										>, {cornerNames[stop.corner]}</span
									></small
								></span
							><i class="num">{line.number}</i></button
						>
					</li>
				{/each}
			</ul>
		{/if}
	{/each}
</div>

<style>
	/* Lines are many: they are styled from here, so that none carries its own words of style. */
	.round :global {
		li > button {
			display: flex;
			align-items: center;
			gap: 8px;
			width: 100%;
			min-height: 48px;
			padding: 4px 12px;
			border-inline-start: 4px solid transparent;
			text-align: start;
		}
		li > button:hover {
			background: var(--color-sunk);
		}
		[aria-current] {
			border-color: var(--color-spruce);
			background: var(--color-spruce-wash);
		}
		button > span {
			min-width: 0;
			flex: 1;
			font-size: 15px;
			line-height: 1.25;
		}
		small {
			display: block;
			font-size: 13px;
		}
		i {
			font-style: normal;
			color: var(--color-soft);
		}
	}
</style>
