<script lang="ts">
	import {
		mirroredHand,
		padStateNames,
		padStates,
		padsDiffer,
		springFitFault,
		springHandNames,
		springHands,
		springWaysUp,
		springWayUpNames,
		type SpringFit
	} from '$core/bench/spring-fit';
	import { otherSide, type Corner } from '$core/height/corners';
	import type { WorkStep } from '$core/work/step';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';
	import { SpringFitForm } from './spring-fit-form.svelte';

	/** The spring of this side: its hand, which way up, its pads; the other side's shows what to expect. */
	let { step, onset }: { step: WorkStep; onset: (fit: SpringFit | undefined) => void } = $props();
	const job = currentJob();
	const corner = $derived(step.corners[0] as Corner);
	const other = $derived(
		job.work.book.get('step', step.id.replace(corner, otherSide(corner)))?.spring
	);
	// svelte-ignore state_referenced_locally (starts from the other side and then leads)
	const form = new SpringFitForm(other && { ...other, hand: mirroredHand(other.hand) });
	const fault = $derived(form.fit && springFitFault(corner, form.fit));
	const differ = $derived(form.fit && other && padsDiffer(form.fit, other));
	$effect(() => onset(form.fit));
	const named = <T extends string>(values: readonly T[], names: Readonly<Record<T, string>>) =>
		values.map((value) => ({ value, name: names[value] }));
</script>

<div class="mt-3 space-y-3">
	<Choice
		label="The spring is marked for"
		bind:value={form.hand}
		options={named(springHands, springHandNames)}
	/>
	<Choice
		label="Which way up"
		bind:value={form.wayUp}
		options={named(springWaysUp, springWayUpNames)}
	/>
	{#each [['Upper pad', form.upper], ['Lower pad', form.lower]] as const as [name, pad] (name)}
		<div class="flex flex-wrap items-end gap-3">
			<Choice label={name} bind:value={pad.state} options={named(padStates, padStateNames)} />
			{#if pad.state && pad.state !== 'none'}
				<Field
					class="w-36"
					label="Thickness, mm"
					bind:value={pad.mm}
					inputmode="decimal"
					fault={form.padFault(pad)}
				/>
			{/if}
		</div>
	{/each}
	{#if fault}<Notice role="alert" class="font-semibold text-madder!">✕ {fault}</Notice>{/if}
	{#if differ}<Notice tone="mind" class="text-ochre">◇ {differ}: is it meant so?</Notice>{/if}
</div>
