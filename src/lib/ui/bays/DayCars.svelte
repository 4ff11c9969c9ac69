<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import DataTable from '$lib/ui/controls/DataTable.svelte';
	import { addMinutes, parseISO } from 'date-fns';
	import type { DayLine } from './proposal';

	/** The cars of a day: when each is begun, lifted and ready by the schedule, and as the plan stands. */
	interface Props {
		lines: readonly DayLine[];
		/** More than one lift: which is said. */
		lifts: number;
		/** A minute of the schedule, by the shop's clock. */
		clock: (minutes: number) => string;
	}
	let { lines, lifts, clock }: Props = $props();
	const times = shopTime();
</script>

<DataTable size="text-[15px]!">
	<thead>
		<tr class="text-left text-soft">
			<th class="py-1">Car</th><th>Bay</th><th>From</th><th>On a lift</th><th>Ready</th>
			<th>19 times in 20</th><th>In the plan now</th>
		</tr>
	</thead>
	<tbody class="divide-y divide-line border-y border-line">
		{#each lines as { job, bay, startMin, lift, finish } (job.id)}
			<tr>
				<td class="py-2 pe-3">
					<a class="num text-xl" href="/jobs/{job.id}">{job.plate}</a>
					<span class="caption block max-w-[26rem] truncate" title={job.complaint}
						>{job.complaint}</span
					>
					{#if !job.car}<span class="text-ochre">◇ not planned: the minutes of its block</span>{/if}
				</td>
				<td class="num">{bay + 1}</td>
				<td class="num">{clock(startMin)}</td>
				<td class="num whitespace-nowrap"
					>{#if lift}{clock(lift.startMin)}–{clock(lift.endMin)}{#if lifts > 1}, lift {lift.number +
								1}{/if}{:else}–{/if}</td
				>
				<td class="num text-xl">{clock(finish.mean)}</td>
				<td class="num whitespace-nowrap">{clock(finish.lowerBound)}–{clock(finish.upperBound)}</td>
				<td class="num whitespace-nowrap"
					>bay {job.slot.bay + 1}, {times.time(job.slot.startsAt)}–{times.time(
						addMinutes(parseISO(job.slot.startsAt), job.slot.minutes)
					)}</td
				>
			</tr>
		{/each}
	</tbody>
</DataTable>
