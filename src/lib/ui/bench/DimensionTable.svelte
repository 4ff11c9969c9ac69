<script lang="ts">
	import type { ComparisonAnswer } from '$core/bench/compare';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import DataTable from '$lib/ui/controls/DataTable.svelte';
	import type { TypedNumber } from './typed-number';

	/** Dimensions of an old part and a new one: typed, their difference, and whether it is within what is usual. */
	interface Props {
		rows: ComparisonAnswer['rows'];
		/** By `old.` or `new.` and the dimension's key; typed into. */
		typed: Record<string, string>;
		closed: boolean;
		read: (which: 'old' | 'new', key: string, unit: 'mm' | '') => TypedNumber;
	}
	let { rows, typed = $bindable(), closed, read }: Props = $props();
	const units = personalUnits();
	const showMm = (mm: number, unit: string) =>
		unit ? units.show(mm, 'length', { decimals: 1, signed: true }) : formatNumber(mm, 2, true);
</script>

<DataTable class="min-w-[34rem]">
	<thead>
		<tr class="text-start text-[15px] text-soft">
			<th class="py-1 text-start font-medium">Dimension</th>
			<th class="text-start font-medium">Old</th>
			<th class="text-start font-medium">New</th>
			<th class="text-start font-medium" colspan="2">Difference</th>
		</tr>
	</thead>
	<tbody>
		{#each rows as row (row.key)}
			<tr class="border-t border-line">
				<th class="py-1.5 pe-3 text-start font-medium"
					>{row.name}<span class="caption block">{row.matters}</span></th
				>
				{#each ['old', 'new'] as const as which (which)}
					{@const fault = read(which, row.key, row.unit).fault}
					<td class="pe-2">
						<input
							aria-label="{row.name}, {which}"
							class="touch w-24 rounded-[3px] border bg-panel px-2 text-[17px] {fault
								? 'border-2 border-madder'
								: 'border-edge'}"
							inputmode="decimal"
							placeholder={row.unit ? units.choice.length : 'coils'}
							disabled={closed}
							aria-invalid={fault ? 'true' : undefined}
							title={fault}
							bind:value={typed[`${which}.${row.key}`]}
						/>
					</td>
				{/each}
				<td class="num w-24 text-lg whitespace-nowrap">
					{#if row.difference !== undefined}<span
							class={row.verdict === 'differs' ? 'text-madder' : ''}
							>{showMm(row.difference, row.unit)}</span
						>{/if}
				</td>
				<td class="w-32">
					{#if row.difference !== undefined}
						{@const share = Math.max(-3, Math.min(3, row.difference / row.tolerance))}
						<svg viewBox="0 0 120 24" class="h-6 w-30" aria-hidden="true">
							<rect x="40" y="4" width="40" height="16" class="fill-spruce-wash" />
							<path d="M 60 1 V 23" class="stroke-edge" />
							<circle
								cx={60 + share * 19}
								cy="12"
								r="6"
								class={row.verdict === 'differs' ? 'fill-madder' : 'fill-spruce'}
							/>
						</svg>
						<span class="caption whitespace-nowrap"
							>{row.verdict === 'differs' ? '✕ over' : '✓ within'} ± {row.unit
								? units.show(row.tolerance, 'length', { decimals: 1 })
								: row.tolerance}</span
						>
					{/if}
				</td>
			</tr>
		{/each}
	</tbody>
</DataTable>
