<script lang="ts">
	import type { Fault } from '$core/result';
	import { Input } from 'flowbite-svelte';
	import type { BenchValues } from '../frame/values.svelte';
	import { readPoint } from './points';

	/** Hardpoints, three numbers each. */
	let { values, faults }: { values: BenchValues; faults: readonly Fault[] } = $props();
	const wrong = (key: string) =>
		readPoint(values.text[key]!) === undefined
			? 'needs three numbers: forward, left, up, in mm'
			: faults.find(({ field }) => field === key)?.message;
</script>

<h2 class="mt-3 border-b-2 border-ink pb-0.5 text-[16px]">Hardpoints, mm: forward, left, up</h2>
{#each values.texts as entry (entry.key)}
	{@const fault = wrong(entry.key)}
	<div class="border-b border-line py-1 last:border-0">
		<div class="grid grid-cols-[minmax(0,1fr)_11rem] items-center gap-2">
			<label for="at-{entry.key}" class="text-[15px] leading-tight">{entry.label}</label>
			<Input
				color={'ours' as never}
				id="at-{entry.key}"
				bind:value={values.text[entry.key]}
				autocomplete="off"
				spellcheck="false"
				aria-invalid={fault ? 'true' : undefined}
				class="min-h-12 rounded-[3px]! border bg-panel px-2! text-end text-[16px]! font-semibold text-ink {fault
					? 'border-2 border-madder'
					: 'border-edge'}"
			/>
		</div>
		{#if fault}<p class="pb-1 text-[14px] font-medium text-madder">✕ {fault}</p>{/if}
	</div>
{/each}
