<script lang="ts">
	import { Datepicker } from 'flowbite-svelte';

	/** A day, touched in a calendar whose weeks begin on Monday; kept as `2026-11-27`. */
	interface Props {
		label: string;
		/** Empty where no day is chosen. */
		value: string;
		onpick?: () => void;
		class?: string;
	}
	let { label, value = $bindable(), onpick, class: more = '' }: Props = $props();
	const key = $props.id();

	/** Calendar days have no zone here: noon of that day by this browser's clock is never another day. */
	const toDate = (day: string) => (day ? new Date(`${day}T12:00:00`) : undefined);
	const toDay = (date: Date | undefined) =>
		date
			? [date.getFullYear(), date.getMonth() + 1, date.getDate()]
					.map((part) => String(part).padStart(2, '0'))
					.join('-')
			: '';
</script>

<div class={more}>
	<label for={key} class="mb-1 block text-[15px] font-semibold text-ink">{label}</label>
	<Datepicker
		bind:value={
			() => toDate(value),
			(date: Date | undefined) => {
				value = toDay(date);
				onpick?.();
			}
		}
		class="rounded-[4px]! border border-line bg-panel! shadow-none!"
		firstDayOfWeek={1}
		locale="en-GB"
		dateFormat={{ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' }}
		placeholder="Choose a day"
		inputProps={{ id: key }}
		inputClass="min-h-12 rounded-[3px]! border-edge! bg-panel! px-3! text-[17px]! text-ink! focus:ring-0!"
		classes={{
			grid: 'w-88! max-w-[84vw]',
			dayButton: 'h-12 rounded-[3px]! text-[17px]! leading-12!',
			columnHeader: 'text-soft!',
			nav: '[&_button]:min-h-12 [&_button]:min-w-12',
			polite: 'min-h-12 rounded-[3px]! bg-panel!'
		}}
		monthBtnSelected="bg-spruce! text-on-spruce!"
		monthBtn="min-h-12 text-ink!"
	/>
</div>
