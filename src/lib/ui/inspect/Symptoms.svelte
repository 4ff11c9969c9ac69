<script lang="ts">
	import { axleOf, type Axle } from '$core/height/corners';
	import { suspicion } from '$core/inspect/suspects';
	import { symptomKeys, symptomNames, type SymptomKey } from '$core/inspect/symptoms';
	import { symptomsIn } from '$core/inspect/complaint-words';
	import { currentJob } from '$lib/client/job-state.svelte';

	/** What the customer hears and feels, and what to look at first because of it. */
	let { axle }: { axle: Axle } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const heard = $derived(symptomsIn(job.record.complaint));
	const kept = $derived(job.work.book.get('symptoms')?.symptoms);
	const symptoms = $derived(kept ?? heard);
	const found = $derived(suspicion(symptoms, job.work.scope.layouts[axle]));
	const list = $derived(found.suspects.filter(({ weight }) => weight > 0.005));
	const looked = $derived((point: string) =>
		job.work.book
			.of('finding')
			.some(({ data }) => data.point === point && data.state && axleOf(data.corner) === axle)
	);

	function toggle(symptom: SymptomKey) {
		const next = symptoms.includes(symptom)
			? symptoms.filter((one) => one !== symptom)
			: [...symptoms, symptom];
		void job.keep('symptoms', 'car', { symptoms: next });
	}
</script>

<section class="panel p-4" aria-labelledby="symptoms-title">
	<h2 id="symptoms-title" class="text-lg">Heard and felt</h2>
	{#if !kept && heard.length}<p class="caption">Read out of the complaint; touch to change.</p>{/if}
	<div class="all mt-2 flex flex-wrap gap-1.5">
		{#each symptomKeys as symptom (symptom)}
			{@const on = symptoms.includes(symptom)}
			<button aria-pressed={on} disabled={closed} onclick={() => toggle(symptom)}
				>{on ? '✓ ' : ''}{symptomNames[symptom]}</button
			>
		{/each}
	</div>
	<h3 class="mt-4 text-[17px]">Look here first, {axle}</h3>
	{#if list.length}
		<ol class="mt-1 divide-y divide-line">
			{#each list.slice(0, 6) as { point, weight, why } (point.key)}
				<li class="py-1.5">
					<div class="flex items-center gap-2">
						<span class="me-auto font-medium"
							>{point.name}{#if looked(point.key)}&ensp;<span class="whitespace-nowrap text-spruce"
									>✓ looked at</span
								>{/if}</span
						>
						<svg viewBox="0 0 72 12" class="h-3 w-18" aria-hidden="true">
							<rect width="72" height="12" class="fill-sunk" />
							<rect width={72 * weight} height="12" class="fill-ochre" />
						</svg>
						<span class="num w-11 text-end">{Math.round(weight * 100)} %</span>
					</div>
					<p class="caption leading-snug">{why.map((one) => one.why).join('; ')}</p>
				</li>
			{/each}
		</ol>
		<p class="caption mt-1">
			Each beside the others and beside something else ({Math.round(100 * found.somethingElse)} %); common
			practice, not a diagnosis.
		</p>
	{:else}
		<p class="caption mt-1">Touch what fits, and what to look at first stands here.</p>
	{/if}
</section>

<style>
	.all > :global(button) {
		min-width: 48px;
		min-height: 48px;
		padding-inline: 0.5rem;
		border: 1px solid var(--color-edge);
		border-radius: 3px;
		background: var(--color-panel);
		font-size: 15px;
	}
	.all > :global(button:hover) {
		background: var(--color-sunk);
	}
	.all > :global([aria-pressed='true']) {
		border: 2px solid var(--color-spruce);
		background: var(--color-spruce-wash);
		font-weight: 600;
	}
</style>
