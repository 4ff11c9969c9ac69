<script lang="ts">
	import { parseTimeOfDay } from '$core/units/moments';
	import { shopTime } from '$lib/client/units';
	import Field from './Field.svelte';

	/** A time of day as people type it, shown as the shop tells time. */
	interface Props {
		label: string;
		/** Minutes from midnight; undefined where nothing is typed, or nothing that is a time. */
		value: number | undefined;
		hint?: string;
		class?: string;
	}
	let { label, value = $bindable(), hint, class: more }: Props = $props();
	const times = shopTime();
	let text = $state(value === undefined ? '' : times.ofDay(value));
	const understood = $derived(parseTimeOfDay(text));
	const fault = $derived(
		text.trim() && understood === undefined
			? `‘${text.trim()}’ is no time: write it as ${times.ofDay(990)}`
			: undefined
	);
</script>

<Field
	{label}
	{hint}
	{fault}
	class={more}
	bind:value={
		() => text,
		(typed) => {
			text = typed;
			value = parseTimeOfDay(typed);
		}
	}
	maxlength={10}
	autocomplete="off"
/>
