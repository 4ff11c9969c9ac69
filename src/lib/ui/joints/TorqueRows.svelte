<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { loadMethodNames, sightNames } from '$core/procedure/facts';
	import { currentJob } from '$lib/client/job-state.svelte';
	import type { Torque } from '$core/job/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';

	/** Everything on record for one joint, newest last; the row that counts can be corrected or withdrawn. */
	interface Props {
		rows: readonly Torque[];
		/** Steps are only named where there are several. */
		steps: number;
		oncorrect: (row: Torque) => void;
		onwithdraw: (row: Torque) => void;
	}
	let { rows, steps, oncorrect, onwithdraw }: Props = $props();
	const job = currentJob();
	const replaced = $derived(new Set(rows.map((row) => row.correctsId)));
	const newest = $derived(
		rows.findLast((row) => !row.withdrawn && row.skipReason === null && !replaced.has(row.id))
	);
	const { short: time } = shopTime();
	const standing = (row: Torque) =>
		row.carState === 'hanging'
			? 'hanging'
			: `${loadMethodNames[row.method!].toLowerCase()}${row.hubToArchEntered ? ` at ${row.hubToArchEntered}` : ''}`;
	const what = (row: Torque) => {
		if (row.skipReason !== null) return 'Passed over';
		return row.seen ? sightNames[row.seen] : row.entered;
	};
</script>

<h2 class="mt-4 text-[15px] font-semibold">On record</h2>
<ul class="divide-y divide-line border-y border-line">
	{#each rows as row (row.id)}
		{@const counts = !row.withdrawn && !replaced.has(row.id)}
		<li class="flex min-h-12 flex-wrap items-center gap-x-3 py-1 {counts ? '' : 'text-soft'}">
			<span class="num {counts ? 'text-xl' : 'text-lg'} {counts ? '' : 'line-through'}"
				>{what(row)}</span
			>
			<span class="caption me-auto min-w-0 basis-48">
				{steps > 1 ? `step ${row.action + 1} · ` : ''}{standing(row)} · {row.wrench
					? `${row.wrench} · `
					: ''}{job.personName(row.personId)}, {time(row.takenAt)}{row.correctsId
					? row.withdrawn
						? ' · withdraws'
						: ' · corrects'
					: ''}{row.deviceReadingId ? ' · by the device' : ''}
				{#if row.skipReason}<span class="block text-ochre">{row.skipReason}</span>{/if}
				{#if row.overrideReason}<span class="block text-ochre"
						>used all the same: {row.overrideReason}</span
					>{/if}
			</span>
			{#if row.id === newest?.id && !job.record.signedAt}
				<span class="ms-auto flex gap-2">
					{#if row.torqueNm !== null}<ActionButton onclick={() => oncorrect(row)}
							>Correct</ActionButton
						>{/if}
					<ActionButton weight="stop" onclick={() => onwithdraw(row)}>Withdraw</ActionButton>
				</span>
			{/if}
		</li>
	{/each}
</ul>
