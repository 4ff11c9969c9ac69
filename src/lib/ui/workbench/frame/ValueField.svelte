<script lang="ts">
	import { personalUnits } from '$lib/client/units';
	import { Input } from 'flowbite-svelte';
	import type { BenchValues } from './values.svelte';

	/** One number of a bench on one line: name, entry, unit. What is wrong stands below it. */
	interface Props {
		values: BenchValues;
		name: string;
		/** What the computation says of it. */
		fault?: string;
	}
	let { values, name, fault }: Props = $props();
	const units = personalUnits();
	const key = $props.id();
	const entry = $derived(values.entries.find((one) => one.key === name)!);
	const wrong = $derived(values.fault(name) ?? fault);
	const unit = $derived(values.unitOf(entry));
	/** Shown when it was typed in another unit than the one that stands beside it. */
	const understood = $derived(
		!wrong && entry.dimension && /[a-z"'″]/i.test(values.typed[name]!)
			? `= ${units.show(values.num(name), entry.dimension)}`
			: undefined
	);
</script>

<div class="border-b border-line py-1 last:border-0">
	<div class="grid grid-cols-[minmax(0,1fr)_7.25rem_3.1rem] items-center gap-x-2">
		<label for={key} class="text-[15px] leading-tight">{entry.label}</label>
		<Input
			color={'ours' as never}
			id={key}
			bind:value={values.typed[name]}
			inputmode="text"
			autocomplete="off"
			spellcheck="false"
			aria-invalid={wrong ? 'true' : undefined}
			aria-describedby={wrong || understood || entry.hint ? `${key}-hint` : undefined}
			class="min-h-12 rounded-[3px]! border bg-panel px-2! text-end text-[17px]! font-semibold text-ink {wrong
				? 'border-2 border-madder'
				: 'border-edge'}"
		/>
		<span class="text-[15px] text-soft">{unit}</span>
	</div>
	{#if wrong || understood || entry.hint}
		<p
			id="{key}-hint"
			class="pb-1 text-[14px] leading-snug {wrong ? 'font-medium text-madder' : 'text-soft'}"
		>
			{#if wrong}<span class="me-1" aria-hidden="true">✕</span>{/if}{wrong ??
				understood ??
				entry.hint}
		</p>
	{/if}
</div>
