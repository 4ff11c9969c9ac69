<script lang="ts">
	import { Label, Select } from 'flowbite-svelte';

	interface Props {
		label: string;
		value?: string;
		items: { value: string; name: string }[];
		fault?: string;
		hint?: string;
		disabled?: boolean;
		class?: string;
		onchange?: (event: Event) => void;
	}
	let {
		label,
		value = $bindable(''),
		items,
		fault,
		hint,
		class: more = '',
		...rest
	}: Props = $props();
	const key = $props.id();
</script>

<div class={more}>
	<Label for={key} class="mb-1 block text-[15px]! font-semibold! text-ink!">{label}</Label>
	<Select
		id={key}
		bind:value
		{items}
		placeholder=""
		classes={{
			select: `min-h-12 rounded-[3px]! bg-panel! px-3! text-[17px]! text-ink! ${fault ? 'border-2! border-madder!' : 'border-edge!'}`
		}}
		{...rest}
	/>
	{#if fault || hint}<p class="mt-1 text-[15px] {fault ? 'font-medium text-madder' : 'text-soft'}">
			{fault ?? hint}
		</p>{/if}
</div>
