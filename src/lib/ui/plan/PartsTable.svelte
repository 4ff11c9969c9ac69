<script lang="ts">
	import { currentJob } from '$lib/client/job-state.svelte';
	import { copiedTo, numberDoubt, scanned } from '$core/bench/part-numbers';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
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
		job.keep('part', part.id, { ...part.kept, ...change });
	async function all(from: readonly PartStatus[], status: PartStatus) {
		for (const part of parts.filter((one) => from.includes(one.status)))
			await keep(part, { status });
	}
	/** As numbers are compared and scanned. */
	const numbered = $derived(
		parts.map((part) => ({
			...part,
			number: part.kept.number,
			oldNumber: part.kept.oldNumber,
			here: !['to-order', 'ordered'].includes(part.status)
		}))
	);
	const doubtOf = $derived((id: string) =>
		numberDoubt(
			numbered.find((one) => one.id === id)!,
			numbered
		)
	);
	async function number(part: JobPart, text: string) {
		const own = { ...part, number: text, oldNumber: part.kept.oldNumber };
		const other = copiedTo(own, numbered);
		await keep(part, { number: text });
		if (text.trim() && other) await keep(other, { number: text });
	}

	/** A scanner types the code and Enters. */
	let code = $state('');
	let said = $state('');
	/** A code that no part has: whose it is, a person says. */
	let unplaced = $state('');
	const open = $derived(unplaced ? scanned(unplaced, numbered).open : []);
	async function scan(event: SubmitEvent) {
		event.preventDefault();
		const text = code.trim();
		if (!text) return;
		code = '';
		const { known } = scanned(text, numbered);
		unplaced = known.length ? '' : text;
		const [first] = known;
		said = first ? `✓ here: ${first.name} ${first.corner ?? ''}` : '';
		if (first && !first.here) await keep(first, { status: 'here' });
	}
	async function place(part: JobPart) {
		const text = unplaced;
		unplaced = '';
		said = `✓ here: ${part.name} ${part.corner ?? ''}`;
		await keep(part, { number: text, status: 'here' });
		const other = copiedTo({ ...part, number: text }, numbered);
		if (other) await keep(other, { number: text });
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
			<ActionButton class="no-print" onclick={() => all(['to-order'], 'ordered')}
				>All ordered</ActionButton
			>
		{/if}
		{#if !closed && missing}
			<ActionButton class="no-print" onclick={() => all(['to-order', 'ordered'], 'here')}
				>All {missing} here</ActionButton
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
	{#if !closed && parts.length}
		<div class="no-print border-t border-line px-4 py-2">
			<form class="flex flex-wrap items-end gap-3" onsubmit={scan}>
				<Field
					class="w-72"
					label="Scan a box"
					bind:value={code}
					maxlength={60}
					autocomplete="off"
					hint="The scanner types and Enters; so may you"
				/>
				{#if said}<p role="status" class="pb-8 text-spruce">{said}</p>{/if}
			</form>
			{#if unplaced}
				<div role="alert">
					<p class="font-semibold text-ochre">◇ {unplaced}: which part is it?</p>
					<div class="mt-1 flex flex-wrap gap-2">
						{#each open as part (part.id)}
							<ActionButton onclick={() => place(part)}
								>{part.corner ?? ''} {part.name}</ActionButton
							>
						{:else}<p>Every part that is looked for has another number.</p>{/each}
						<ActionButton onclick={() => (unplaced = '')}>None of these</ActionButton>
					</div>
				</div>
			{/if}
		</div>
	{/if}
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
						>{#if doubtOf(part.id)}{@const doubt = doubtOf(part.id)!}<span
								class="block text-[15px] {doubt.wrong ? 'font-semibold text-madder' : 'text-ochre'}"
								>{doubt.wrong ? '✕' : '◇'} {doubt.words}</span
							>{/if}</span
					>
					<span class="grid gap-1 max-sm:col-start-2">
						<input
							aria-label="Maker’s number, {part.name} {part.corner ?? ''}"
							placeholder="maker’s number"
							class="touch w-full rounded-[3px] border border-edge bg-panel px-3 text-[16px] placeholder:text-soft"
							value={part.kept.number}
							maxlength="60"
							disabled={closed}
							onchange={(event) => number(part, event.currentTarget.value)}
						/>
						{#if ['damper', 'spring'].includes(part.part)}
							<input
								aria-label="Number on the old part, {part.name} {part.corner ?? ''}"
								placeholder="on the old part"
								class="touch w-full rounded-[3px] border border-line bg-panel px-3 text-[15px] placeholder:text-soft"
								value={part.kept.oldNumber ?? ''}
								maxlength="60"
								disabled={closed}
								onchange={(event) =>
									keep(part, { oldNumber: event.currentTarget.value || undefined })}
							/>
						{/if}
					</span>
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
