<script lang="ts">
	import { currentJob } from '$lib/client/job-state.svelte';
	import { jobParts, type JobPart } from '$core/job/parts';
	import { partStatuses, partStatusNames, type PartStatus } from '$core/job/kinds/part/data';

	/** What has to be here before it starts, by axle and side, with the maker's number and how far it is. */
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const parts = $derived(jobParts(job.record));
	const groups = $derived(
		(['front', 'rear'] as const)
			.map((axle) => ({ axle, parts: parts.filter((part) => part.axle === axle) }))
			.filter(({ parts }) => parts.length)
	);
	const missing = $derived(
		parts.filter(({ status }) => status === 'to-order' || status === 'ordered').length
	);
	const keep = (part: JobPart, change: Partial<JobPart['kept']>) =>
		void job.keep('part', part.id, { ...part.kept, ...change });
	async function all(status: PartStatus) {
		for (const part of parts.filter((one) => one.status === 'to-order'))
			await job.keep('part', part.id, { ...part.kept, status });
	}
	const hands = { left: 'left-hand', right: 'right-hand', either: '' } as const;
</script>

<section class="panel" aria-labelledby="parts-title">
	<div class="flex flex-wrap items-center gap-3 px-4 pt-3 pb-2">
		<div class="me-auto">
			<h2 id="parts-title" class="text-lg">Parts</h2>
			<p class="caption" role="status">
				{parts.length} lines{missing ? `, ${missing} not here yet` : ', all here'}
			</p>
		</div>
		{#if !closed && parts.some(({ status }) => status === 'to-order')}
			<button
				type="button"
				class="no-print touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
				onclick={() => all('ordered')}>All ordered</button
			>
		{/if}
		<a
			class="no-print touch flex items-center rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
			href="/api/v1/jobs/{job.record.id}/parts.csv"
			download>CSV</a
		>
		<button
			type="button"
			class="no-print touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
			onclick={() => print()}>Print</button
		>
	</div>
	{#each groups as group (group.axle)}
		<h3 class="bg-sunk px-4 py-1 text-[15px] capitalize">{group.axle}</h3>
		<ul class="divide-y divide-line">
			{#each group.parts as part (part.id)}
				<li
					class="grid grid-cols-[2.6rem_minmax(0,1fr)] items-center gap-x-3 gap-y-1 px-4 py-1.5 sm:grid-cols-[2.6rem_minmax(0,1fr)_11rem_9rem] print:grid-cols-[2.6rem_minmax(0,1fr)_11rem_9rem]"
				>
					<span class="num text-lg">{part.corner ?? ''}</span>
					<span class="leading-tight"
						>{part.name}
						<span class="caption block"
							>{[`${part.quantity} ×`, hands[part.hand]].filter(Boolean).join(' ')}</span
						></span
					>
					<input
						aria-label="Maker’s number, {part.name} {part.corner ?? ''}"
						placeholder="maker’s number"
						class="touch w-full rounded-[3px] border border-edge bg-panel px-3 text-[16px] placeholder:text-soft max-sm:col-start-2"
						value={part.kept.number}
						maxlength="60"
						disabled={closed}
						onchange={(event) => keep(part, { number: event.currentTarget.value })}
					/>
					<select
						aria-label="Status, {part.name} {part.corner ?? ''}"
						class="touch w-full rounded-[3px] border bg-panel px-2 text-[16px] max-sm:col-start-2 {part.status ===
						'to-order'
							? 'border-ochre text-ochre'
							: part.status === 'returned'
								? 'border-madder text-madder'
								: 'border-edge'}"
						value={part.status}
						disabled={closed}
						onchange={(event) => keep(part, { status: event.currentTarget.value as PartStatus })}
					>
						{#each partStatuses as status (status)}<option value={status}
								>{partStatusNames[status]}</option
							>{/each}
					</select>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="px-4 pb-4 text-soft">Nothing is to be renewed yet: decide first.</p>
	{/each}
</section>
