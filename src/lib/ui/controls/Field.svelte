<script lang="ts">
	import { Input, Label } from 'flowbite-svelte';
	import type { FieldProps } from './field-props';

	let { label, value = $bindable(''), fault, hint, class: more, ...rest }: FieldProps = $props();
	const key = $props.id();
</script>

<div class={more}>
	<Label for={key} class="mb-1 block text-[15px]! font-semibold! text-ink!">{label}</Label>
	<Input
		color={'ours' as never}
		id={key}
		bind:value
		aria-invalid={fault ? 'true' : undefined}
		aria-describedby={fault || hint ? `${key}-hint` : undefined}
		class="min-h-12 rounded-[3px]! border bg-panel px-3! text-[17px]! text-ink placeholder:text-soft {fault
			? 'border-2 border-madder'
			: 'border-edge'}"
		{...rest}
	/>
	{#if fault || hint}
		<p id="{key}-hint" class="mt-1 text-[15px] {fault ? 'font-medium text-madder' : 'text-soft'}">
			{#if fault}<span class="me-1" aria-hidden="true">✕</span>{/if}{fault ?? hint}
		</p>
	{/if}
</div>
