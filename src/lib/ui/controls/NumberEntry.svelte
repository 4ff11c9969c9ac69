<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';
	import type { Snippet } from 'svelte';

	/** The one number in hand: large, its unit beside it, what was understood below it. */
	interface Props {
		/** Also the field's own name for whoever looks for it. */
		id: string;
		label: string;
		value: string;
		unit: string;
		/** Cannot be read as it stands. */
		wrong?: boolean;
		/** What was understood, or what is wrong. */
		said: Snippet;
		/** What keeps it, in the same line. */
		keep?: Snippet;
		size?: string;
		inputmode?: HTMLInputAttributes['inputmode'];
		element?: HTMLInputElement;
		oninput?: () => void;
	}
	let {
		id,
		label,
		value = $bindable(),
		unit,
		wrong = false,
		said,
		keep,
		size = 'py-1 text-[72px] leading-none',
		inputmode = 'decimal',
		element = $bindable(),
		oninput
	}: Props = $props();
</script>

<label for={id} class="text-[15px] font-semibold">{label}</label>
<div class="flex items-baseline gap-2 border-b-4 {wrong ? 'border-madder' : 'border-spruce'}">
	<input
		{id}
		bind:this={element}
		bind:value
		{oninput}
		{inputmode}
		autocomplete="off"
		spellcheck="false"
		enterkeyhint="done"
		aria-describedby="{id}-said"
		class="num w-full min-w-0 bg-transparent outline-none {size}"
	/>
	<span class="text-2xl text-soft">{unit}</span>
	{@render keep?.()}
</div>
<p
	id="{id}-said"
	role="status"
	class="mt-1 min-h-6 text-[16px] {wrong ? 'font-medium text-madder' : 'text-soft'}"
>
	{@render said()}
</p>
