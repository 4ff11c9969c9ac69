<script lang="ts">
	import { Input, Label } from 'flowbite-svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLInputAttributes, 'size' | 'color'> {
		label: string;
		value?: string;
		/** What is wrong with the entry; shown in its place under the field. */
		fault?: string;
		hint?: string;
	}
	let { label, value = $bindable(''), fault, hint, id, class: more, ...rest }: Props = $props();
	const fallback = $props.id();
	const key = $derived(id ?? fallback);
</script>

<div class={more as string}>
	<Label for={key} class="mb-1 block text-[15px] font-semibold text-ink">{label}</Label>
	<Input
		id={key}
		bind:value
		aria-invalid={fault ? 'true' : undefined}
		aria-describedby={fault || hint ? `${key}-hint` : undefined}
		class="min-h-12 rounded-[3px] border bg-panel px-3 text-[17px] text-ink placeholder:text-soft {fault ? 'border-2 border-madder' : 'border-edge'}"
		{...rest}
	/>
	{#if fault || hint}
		<p id="{key}-hint" class="mt-1 text-[15px] {fault ? 'font-medium text-madder' : 'text-soft'}">
			{#if fault}<span aria-hidden="true">✕ </span>{/if}{fault ?? hint}
		</p>
	{/if}
</div>
