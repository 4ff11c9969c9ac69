<script lang="ts">
	import { stageNames } from '$core/procedure/stages';
	import { formatHours } from '$core/units/format';
	import { shopTime } from '$lib/client/units';
	import type { FloorJob } from '$lib/bays/model';
	import { carried, type Carried } from './carry';
	import { blockMinutes } from './floor';

	/** A car that waits: its length is its hours. Touched, it is in hand; carried, it goes elsewhere. */
	interface Props {
		job: FloorJob;
		/** Where it begins and ends, by the shop's clock; absent in the yard. */
		from?: string;
		until?: string;
		picked: boolean;
		onpick: () => void;
		oncarried: Carried['onover'];
		ondropped: Carried['ondrop'];
	}
	let { job, from, until, picked, onpick, oncarried, ondropped }: Props = $props();
	// Made once: news of the floor that come while it is carried must not let it fall.
	const carry = carried({
		onover: (place, at) => oncarried(place, at),
		ondrop: (place) => ondropped(place)
	});
	const times = shopTime();
	const minutes = $derived(job.slot?.minutes ?? blockMinutes(job));
	/** Pixels for an hour; a block is never too small to touch. */
	const tall = $derived(Math.max(76, Math.round((minutes / 60) * 44)));
	const danger = $derived(job.dangers[0]);
</script>

<button
	type="button"
	class="flex w-full cursor-grab gap-2.5 rounded-[3px] border-2 p-1.5 text-start leading-tight select-none {picked
		? 'border-mark bg-mark-wash'
		: 'border-edge bg-panel hover:bg-sunk'}"
	aria-pressed={picked}
	onclick={onpick}
	{@attach carry}
>
	<!-- As long as its hours. -->
	<svg width="8" height={tall} class="shrink-0" aria-hidden="true">
		<rect width="8" height={tall} rx="3" class={job.slot ? 'fill-spruce' : 'fill-edge'} />
	</svg>
	<span class="min-w-0 flex-1">
		<span class="flex items-baseline justify-between gap-2">
			<span class="num text-xl">{job.plate}</span>
			<span class="num text-[15px] {job.minutes === null ? 'text-ochre' : 'text-soft'}"
				>{job.minutes === null && !job.slot ? 'not planned' : formatHours(minutes)}</span
			>
		</span>
		<span class="block text-[15px] text-soft"
			>{#if from}<b class="num text-ink">{from}</b>{`–${until} · `}{/if}{job.stage === 'signed'
				? 'Signed'
				: stageNames[job.stage]}, {job.owed} left</span
		>
		{#if job.slot?.comesAt}<span class="block text-[15px] text-mark"
				>comes {times.short(job.slot.comesAt)}</span
			>{/if}
		{#if job.soakHours && !job.slot}<span class="block text-[15px] text-ochre"
				>◇ soak {job.soakHours} h first</span
			>{/if}
		{#if danger}<span
				class="block text-[15px] {danger.grade === 'maybe' ? 'text-ochre' : 'text-madder'}"
				>{danger.grade === 'maybe' ? '◇' : '✕'} {danger.words}</span
			>{/if}
	</span>
</button>
