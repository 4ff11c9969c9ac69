<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { kinds } from '$core/job/kinds/index';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { outbox } from '$lib/client/outbox.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import ProofLine from '$lib/ui/job/ProofLine.svelte';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	/** The job's book, line by line. */
	const job = currentJob();
	let kind = $state('');
	const entries = $derived(job.record.entries);
	const there = $derived(new Set<string>(entries.map((entry) => entry.kind)));
	const shown = $derived(entries.filter((entry) => !kind || entry.kind === kind).toReversed());
	const replacedBy = $derived(
		new Map(entries.flatMap(({ corrects, seq }) => (corrects ? [[corrects, seq] as const] : [])))
	);
	const unsent = $derived(new Set(outbox.waiting.map(({ id }) => id)));
	const { moment } = shopTime();
	/** Days are said once. */
	const day = (at: string) => moment(at).split(', ')[0]!;
	/** When the server had it, where that is far from the device's clock: it was away, or its clock is wrong. */
	const farMs = 2 * 60_000;
	const apart = ({ enteredAt, storedAt }: { enteredAt: string; storedAt: string }) =>
		Math.abs(Date.parse(storedAt) - Date.parse(enteredAt)) > farMs ? moment(storedAt) : '';
	const time = (at: string) => moment(at).split(', ')[1]!;
</script>

<div class="space-y-4 p-4 md:px-6">
	<div class="flex flex-wrap items-end gap-4">
		<h1 class="me-auto text-2xl">
			History <span class="num text-soft">{shown.length}</span>
		</h1>
		<SelectField
			label="Show"
			bind:value={kind}
			items={[
				{ value: '', name: 'Everything' },
				...kinds
					.filter((one) => there.has(one.kind))
					.map(({ kind: value, name }) => ({ value, name }))
			]}
		/>
	</div>
	<div class="text-[15px] text-soft"><ProofLine /></div>
	<!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls sideways on a phone, also by keyboard) -->
	<div class="overflow-x-auto" tabindex="0" role="region" aria-label="The book">
		<DataTable size="text-[15px]!" class="panel">
			<thead class="caption text-left">
				<tr>
					<th scope="col" class="px-3 py-2 text-right">No.</th>
					<th scope="col" class="px-3 py-2">When</th>
					<th scope="col" class="px-3 py-2">Who</th>
					<th scope="col" class="px-3 py-2">What</th>
				</tr>
			</thead>
			<tbody>
				{#each shown as entry, i (entry.id)}
					{@const replaced = replacedBy.get(entry.id)}
					<tr class="border-t border-line align-baseline">
						<td class="num px-3 py-2 text-right text-soft"
							>{unsent.has(entry.id) ? '…' : entry.seq}</td
						>
						<td class="px-3 py-2 whitespace-nowrap">
							{#if i === 0 || day(shown[i - 1]!.enteredAt) !== day(entry.enteredAt)}<span
									class="block font-semibold">{day(entry.enteredAt)}</span
								>{/if}
							<span class="num">{time(entry.enteredAt)}</span>
							{#if apart(entry)}<span class="caption block">kept {apart(entry)}</span>{/if}
						</td>
						<td class="px-3 py-2 whitespace-nowrap"
							>{job.personName(entry.personId)}{#if entry.vouchedBy}<span class="caption block"
									>vouched for by {job.personName(entry.vouchedBy)}</span
								>{/if}</td
						>
						<td class="px-3 py-2 {replaced ? 'text-soft' : ''}">
							{job.words(entry)}
							{#if replaced}<span class="caption block">corrected by number {replaced}</span>{/if}
							{#if unsent.has(entry.id)}<span class="caption block text-ochre"
									>kept here, waiting for the server</span
								>{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</DataTable>
	</div>
</div>
