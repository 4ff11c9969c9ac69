<script lang="ts">
	import type { Queued } from '$core/schedule/queue';
	import type { FloorJob } from '$lib/bays/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import PromiseField from '$lib/ui/job/PromiseField.svelte';
	import type { FloorMoves } from './floor-moves.svelte';

	/** Where the car in hand stands, and where it can go. */
	interface Props {
		job: FloorJob;
		slot: Queued;
		/** Its day and hours. */
		when: string;
		bays: number;
		moves: FloorMoves;
	}
	let { job, slot, when, bays, moves }: Props = $props();
	const index = $derived(moves.indexOf(slot));
	const others = $derived(
		Array.from({ length: bays }, (_, bay) => bay).filter((bay) => bay !== slot.bay)
	);
	const comesAt = $derived(job.slot?.comesAt ?? null);
</script>

<section
	class="panel sticky bottom-2 z-10 flex flex-wrap items-end gap-2 p-3 shadow-lg"
	aria-label="The car in hand"
>
	<p class="me-auto">
		<a class="num text-xl underline" href="/jobs/{job.id}">{job.plate}</a>
		<span class="block text-[15px]">bay {slot.bay + 1}, {when}</span>
	</p>
	<ActionButton disabled={index === 0} onclick={() => moves.move(job.id, slot.bay, index - 1)}
		>↑ Before</ActionButton
	>
	<ActionButton onclick={() => moves.move(job.id, slot.bay, index + 1)}>↓ Behind</ActionButton>
	{#each others as bay (bay)}
		<ActionButton onclick={() => moves.move(job.id, bay, 99)}>To bay {bay + 1}</ActionButton>
	{/each}
	<details class="relative">
		<summary
			class="touch flex cursor-pointer items-center rounded-[3px] border border-edge bg-panel px-4 font-semibold"
			>Comes later …</summary
		>
		<div class="panel absolute end-0 bottom-14 z-20 w-[34rem] max-w-[90vw] p-3 shadow-lg">
			{#key `${job.id} ${comesAt}`}
				<PromiseField
					label="The car comes"
					bind:value={
						() => comesAt, (moment) => moment !== comesAt && void moves.comes(job.id, moment)
					}
				/>
			{/key}
		</div>
	</details>
	<ActionButton weight="stop" onclick={() => moves.out(job.id)}>Back to the yard</ActionButton>
	<ActionButton onclick={() => (moves.picked = undefined)}
		>✕<span class="sr-only">Close</span></ActionButton
	>
</section>
