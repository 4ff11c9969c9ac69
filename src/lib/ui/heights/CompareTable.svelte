<script lang="ts">
	import { cornerNames, corners } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	/** Before against after against target, corner by corner, with the verdict in words. */
	const job = currentJob();
	const units = personalUnits();
	const decimals = $derived(units.choice.length === 'mm' ? 1 : 2);
	const mm = (value: number | undefined, signed = false) =>
		value === undefined ? '–' : units.show(value, 'length', { bare: true, decimals, signed });
	const verdicts = {
		changed: 'changed',
		'not-shown-to-have-changed': 'not shown to have changed',
		'read-again': 'read again'
	};
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls sideways on a phone, also by keyboard) -->
<div class="overflow-x-auto" tabindex="0" role="region" aria-label="Heights compared">
	<DataTable class="text-end!">
		<caption class="caption text-start"
			>Heights in {units.choice.length}; ± is the 95 % interval of the difference (GUM)</caption
		>
		<thead class="border-b-2 border-edge text-[15px]">
			<tr
				><th class="py-1.5 text-start">Corner</th><th>Before</th><th>After</th><th>Change</th><th
					>±</th
				><th>Target</th><th>To target</th><th class="ps-4 text-start">Verdict</th></tr
			>
		</thead>
		<tbody>
			{#each corners as corner (corner)}
				{@const view = job.view.corners[corner]}
				<tr class="border-b border-line">
					<th class="py-1.5 text-start font-medium">{cornerNames[corner]}</th>
					<td class="num">{mm(view.before?.meanMm)}</td>
					<td class="num">{mm(view.after?.meanMm)}</td>
					<td class="num">{mm(view.comparison?.differenceMm, true)}</td>
					<td class="num">{mm(view.comparison?.expandedUncertaintyMm)}</td>
					<td class="num">{mm(view.target?.heightMm)}</td>
					<td class="num"
						>{mm(
							view.after && view.target ? view.after.meanMm - view.target.heightMm : undefined,
							true
						)}</td
					>
					<td
						class="ps-4 text-start {view.comparison?.verdict === 'read-again'
							? 'font-semibold text-madder'
							: ''}">{view.comparison ? verdicts[view.comparison.verdict] : '–'}</td
					>
				</tr>
			{/each}
		</tbody>
	</DataTable>
</div>
