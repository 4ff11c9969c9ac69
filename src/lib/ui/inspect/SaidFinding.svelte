<script lang="ts">
	import { axleOf, cornerNames, type Corner } from '$core/height/corners';
	import type { hearFinding, HeardFinding } from '$core/inspect/said';
	import type { Refusal } from '$lib/client/api';
	import { later } from '$lib/client/later';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { gravityLooks } from './gravity';

	/** A finding in a sentence, typed or dictated whenever it is seen: it lands at its point. */
	let { corner, onkept }: { corner?: Corner; onkept?: (found: HeardFinding) => void } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	let words = $state('');
	let last = $state<HeardFinding>();
	let refusal = $state<Refusal>();
	/** What reads a sentence comes once there is one. */
	let hearing = $state.raw<typeof hearFinding>();
	const reads = later(() => import('$core/inspect/said'));
	$effect(() => {
		if (words && !hearing) void reads().then(({ hearFinding }) => (hearing = hearFinding));
	});
	const heard = $derived(
		hearing?.(words, (at) => job.work.scope.layouts[axleOf(at)], corner) ?? []
	);
	const name = ({ corner: at, point, state }: HeardFinding) =>
		`${at} ${point.name.toLowerCase()}: ${state.name.toLowerCase()}`;

	async function keep(found: HeardFinding) {
		const { corner: at, point, state } = found;
		// What was written at this point before stays beside it.
		const kept = job.work.book.get('finding', `${at}/${point.key}`);
		const note = [kept?.note, words.trim()].filter(Boolean).join('; ').slice(0, 500);
		const said = {
			corner: at,
			point: point.key,
			state: state.key,
			where: kept?.where ?? '',
			note
		};
		refusal = await job.keep('finding', `${at}/${point.key}`, said, { soon: true });
		if (refusal) return;
		words = '';
		last = found;
		onkept?.(found);
	}
</script>

{#if !closed}
	<form
		class="panel p-3"
		data-draft="said finding"
		onsubmit={(event) => {
			event.preventDefault();
			// One meaning is kept at once; of several a person picks.
			if (heard.length === 1) void keep(heard[0]!);
		}}
	>
		<Field
			label="Seen something? Say it"
			hint={corner
				? `“link loose, ${corner}”, “spring snapped”; the corner in hand where none is said`
				: '“FL link loose”, “rear left spring snapped”'}
			bind:value={words}
			maxlength={300}
		/>
		{#if heard.length}
			<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Understood">
				{#each heard as one (name(one))}
					<button
						type="button"
						class="touch rounded-[3px] border px-3 text-start text-[15px] font-semibold {gravityLooks[
							one.state.gravity
						].tone}"
						onclick={() => keep(one)}>{gravityLooks[one.state.gravity].sign} {name(one)}</button
					>
				{/each}
			</div>
		{:else if words.trim() && hearing}
			<p class="caption mt-1">Which corner? {Object.keys(cornerNames).join(', ')}</p>
		{/if}
		{#if last && !words}<p role="status" class="mt-1 text-[15px] text-spruce">
				✓ Kept: {name(last)}
			</p>{/if}
		<RefusalNotice {refusal} />
	</form>
{/if}
