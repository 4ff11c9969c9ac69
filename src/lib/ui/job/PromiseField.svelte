<script lang="ts">
	import { workingWeek } from '$core/schedule/bays';
	import { minutesOfDay, momentOfDay } from '$core/units/shop-day';
	import { shopTime } from '$lib/client/units';
	import TimeField from '$lib/ui/controls/TimeField.svelte';
	import DateField from '$lib/ui/controls/DateField.svelte';

	/** When the customer is told that it will be ready: touched, or a day and a time. */
	interface Props {
		value: string | null;
		label?: string;
	}
	let { value = $bindable(), label = 'Promised for' }: Props = $props();
	const times = shopTime();
	const dayMs = 86_400_000;
	const today = times.isoDay(new Date());
	const tomorrow = times.isoDay(new Date(Date.now() + dayMs));
	const usual = [
		['Today', today, workingWeek.toMin],
		['Tomorrow noon', tomorrow, 12 * 60],
		['Tomorrow', tomorrow, workingWeek.toMin]
	] as const;
	let day = $state(value ? times.isoDay(value) : '');
	let minutes = $state<number | undefined>(value ? minutesOfDay(value, times.timeZone) : undefined);
	let round = $state(0);
	/** A day without a time is its end. */
	const put = () =>
		(value = day ? momentOfDay(day, minutes ?? workingWeek.toMin, times.timeZone) : null);
	function choose(to: string, at: number | undefined) {
		[day, minutes] = [to, at];
		round++;
		put();
	}
</script>

<fieldset class="md:col-span-2" onfocusout={put}>
	<legend class="mb-1 text-[15px] font-semibold">{label}</legend>
	<div class="flex flex-wrap items-end gap-2">
		{#each usual as [name, to, at] (name)}
			<button
				type="button"
				class="touch rounded-[3px] border px-4 {day === to && minutes === at
					? 'border-2 border-spruce bg-spruce-wash font-semibold'
					: 'border-edge bg-panel hover:bg-sunk'}"
				aria-pressed={day === to && minutes === at}
				onclick={() => choose(to, at)}>{name}, {times.ofDay(at)}</button
			>
		{/each}
		{#key round}
			<DateField class="w-56" label="Day" bind:value={day} onpick={put} />
			<TimeField class="w-32" label="Time" bind:value={minutes} />
		{/key}
		{#if value}
			<button type="button" class="touch px-2 underline" onclick={() => choose('', undefined)}
				>None</button
			>
		{/if}
	</div>
	<p class="mt-1 text-[15px] text-soft" role="status">
		{value ? `${times.weekday(value)}, ${times.time(value)}` : 'Optional'}
	</p>
</fieldset>
