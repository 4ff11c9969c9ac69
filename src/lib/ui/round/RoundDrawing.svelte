<script lang="ts">
	import { axleOf } from '$core/height/corners';
	import { armGeometry } from '$core/job/arm';
	import type { Joint } from '$core/job/model';
	import { cornerLift, judgeBush } from '$core/job/rubber';
	import type { RoundStop } from '$core/procedure/round';
	import { currentJob } from '$lib/client/job-state.svelte';
	import CornerView from '$lib/ui/corner/CornerView.svelte';
	import { later } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import type { Round } from './round.svelte';

	/**
	 * The corner of the stop in hand, to scale: at the height that is typed or was read, else where it will
	 * stand. The twist is shown of rubber in hand, or where the wheel is moved to try.
	 */
	interface Props {
		stop: RoundStop;
		joint: Joint | undefined;
		round: Round;
		/** Hub to arch as it is being typed. */
		typedMm?: number;
	}
	let { stop, joint, round, typedMm }: Props = $props();
	const job = currentJob();
	const verdict = later(() => import('../joints/TwistVerdict.svelte'));
	/** Moved by hand, until the corner is read anew. */
	let moved = $state<number>();
	const atMm = $derived(round.look(stop.corner)?.hubToArchMm);
	$effect(() => {
		void [typedMm, atMm];
		moved = undefined;
	});
	const target = $derived(round.loaded(stop.corner)?.targetMm);
	const shownMm = $derived(moved ?? typedMm ?? atMm ?? target ?? 0);
	const rubber = $derived(stop.phase === 'rubber');
	/** A height that somebody typed, read or tried: until then no bush is said to be anything. */
	const tried = $derived(
		moved !== undefined || (stop.phase === 'load' && (typedMm ?? atMm) !== undefined)
	);
	const judged = $derived(
		rubber && (atMm !== undefined || moved !== undefined)
			? judgeBush(job.record, stop.corner, shownMm, job.limits, joint)
			: undefined
	);
	const lift = $derived(
		judged?.ok ? cornerLift(job.record, stop.corner, shownMm, job.limits) : undefined
	);
	const assumed = $derived(
		target !== undefined &&
			armGeometry(job.record.vehicle.axles[axleOf(stop.corner)], target, joint?.place).assumed
	);
</script>

{#if target !== undefined}
	<section class="panel p-2" aria-label="Corner, to scale">
		<CornerView
			corner={stop.corner}
			targetMm={target}
			heightMm={shownMm}
			place={joint?.place}
			judge={tried ? 'all' : rubber && atMm !== undefined ? 'in-hand' : 'none'}
			onmove={(mm) => (moved = mm)}
		/>
		{#if judged?.ok}
			<div class="border-t border-line px-2 pt-2">
				<p class="caption">
					{moved === undefined ? 'If it is set as the corner stands' : 'If it were set here'}
				</p>
				<Later part={verdict()} given={{ judged: judged.value, assumed, lift }} />
			</div>
		{/if}
	</section>
{/if}
