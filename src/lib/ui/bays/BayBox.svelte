<script lang="ts">
	import { stageNames } from '$core/procedure/stages';
	import { formatHours } from '$core/units/format';
	import CarPlan from '$lib/ui/car-plan/CarPlan.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { setHref } from '$lib/ui/job/places';
	import type { QueueEntry } from './floor';

	/** A bay, with the car that stands in it as its board draws it. */
	interface Props {
		name: string;
		inside: QueueEntry | undefined;
		/** When the car leaves by the plan, by the shop's clock; and whether that is over. */
		leaves: string;
		over: boolean;
		onpick: (id: string) => void;
	}
	let { name, inside, leaves, over, onpick }: Props = $props();
</script>

<div class="rounded-[6px] border-2 border-ink bg-panel p-2">
	<p class="flex items-baseline justify-between">
		<span class="text-[15px] font-semibold">{name}</span>
		{#if inside}<a class="num text-2xl underline" href="/jobs/{inside.job.id}">{inside.job.plate}</a
			>{:else}<span class="text-soft">free now</span>{/if}
	</p>
	{#if inside?.job.car}
		{@const { job } = inside}
		{@const { vehicle, corners, owed } = inside.job.car}
		<div class="h-56">
			<CarPlan {vehicle} worked={corners} {owed} href={(corner) => setHref(job.id, corner)} small />
		</div>
		<p class="text-[15px]">
			{job.stage === 'signed' ? 'Signed' : stageNames[job.stage]},
			<b>{job.owed} left</b>{job.minutes ? `, ${formatHours(job.minutes)}` : ''}
		</p>
		<p class="text-[15px]">
			leaves at <b class="num text-lg">{leaves}</b>{over ? ', by the plan' : ''}
		</p>
		{#each job.dangers.slice(0, 2) as danger (danger.words)}
			<p class="text-[15px] {danger.grade === 'maybe' ? 'text-ochre' : 'text-madder'}">
				{danger.grade === 'maybe' ? '◇' : '✕'}
				{danger.words}
			</p>
		{/each}
		<div class="mt-1"><ActionButton onclick={() => onpick(job.id)}>Move it …</ActionButton></div>
	{:else}
		<div
			class="mx-auto my-3 h-40 w-24 rounded-[40px] border-2 border-dashed border-line"
			aria-hidden="true"
		></div>
	{/if}
</div>
