<script lang="ts">
	import { axleOf } from '$core/height/corners';
	import { symptomsIn } from '$core/inspect/complaint-words';
	import { suspicion } from '$core/inspect/suspects';
	import type { Check } from '$core/job/kinds/checked/data';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** One thing seen again at the end: all is well in one touch, else what was heard, felt or seen. */
	let { check }: { check: Check } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const kept = $derived(job.work.book.get('checked', check));
	const standing = $derived(kept && kept.state !== 'open' ? kept.state : undefined);
	const asked = {
		drive: {
			title: 'Drive it',
			about: 'Slowly over a hump first, brakes tried at walking pace; then as the customer drives.',
			good: 'Nothing heard or felt',
			bad: 'Heard or felt something',
			words: 'What was heard or felt, and where',
			hint: '“knock front left over cobbles”; what it may be stands below'
		},
		marks: {
			title: 'Every paint mark again',
			about: 'With the light, after the drive: each mark still in line from nut to part.',
			good: 'All in line',
			bad: 'One has moved',
			words: 'Which one has moved',
			hint: 'It is loosened and pulled again: in its corner'
		}
	};
	const said = $derived(asked[check]);

	let bad = $state(false);
	let words = $state('');
	let at = $state('');
	let missing = $state(false);
	let refusal = $state<Refusal>();

	/** What may be behind it, at the axles that were worked on. */
	const likely = $derived.by(() => {
		const symptoms = check === 'drive' ? symptomsIn(standing === 'bad' ? kept!.words : words) : [];
		if (symptoms.length === 0) return [];
		const axles = new Set(job.record.corners.map(axleOf));
		return [...axles].map((axle) => ({
			axle,
			first: suspicion(symptoms, job.work.scope.layouts[axle]).suspects.slice(0, 3)
		}));
	});

	async function keep(next: 'good' | 'bad' | 'open') {
		missing = next === 'bad' && !words.trim();
		if (missing) return;
		const open = next === 'open';
		refusal = await job.keep('checked', check, {
			state: next,
			words: open ? '' : words.trim(),
			at: open ? '' : at.trim()
		});
		if (refusal) return;
		bad = false;
		words = at = '';
	}
</script>

<section class="panel p-4" aria-labelledby="checked-{check}" data-draft="checked {check}">
	<h2 id="checked-{check}" class="text-xl">{said.title}</h2>
	{#if standing}
		<p class="mt-1 text-xl {standing === 'good' ? 'text-spruce' : 'text-madder'}" role="status">
			{standing === 'good' ? `✓ ${said.good}` : `✕ ${said.bad}`}
		</p>
		{#if kept!.words}<p>{kept!.words}</p>{/if}
		{#if kept!.at}<p class="caption">{kept!.at}</p>{/if}
	{:else}
		<p class="caption">{said.about}</p>
	{/if}
	<RefusalNotice {refusal} />
	{#if !closed}
		{#if bad}
			<div class="mt-2 space-y-2">
				<Field
					label={said.words}
					bind:value={words}
					maxlength={500}
					hint={said.hint}
					fault={missing && !words.trim() ? 'say what it was' : undefined}
				/>
				{#if check === 'drive'}
					<Field
						label="Speed and road"
						bind:value={at}
						maxlength={120}
						hint="“30 km/h, cobbles”; may stay empty"
					/>
				{/if}
				<div class="flex flex-wrap gap-2">
					<ActionButton weight="main" onclick={() => keep('bad')}>Keep it</ActionButton>
					<ActionButton onclick={() => (bad = false)}>Back</ActionButton>
				</div>
			</div>
		{:else}
			<div class="mt-2 flex flex-wrap gap-2">
				{#if standing !== 'good'}<ActionButton class="min-h-14" onclick={() => keep('good')}
						>{standing ? `Put right: ${said.good.toLowerCase()}` : said.good}</ActionButton
					>{/if}
				{#if standing !== 'bad'}<ActionButton class="min-h-14" onclick={() => (bad = true)}
						>{said.bad} …</ActionButton
					>{/if}
				{#if standing}<ActionButton onclick={() => keep('open')}>Take it back</ActionButton>{/if}
			</div>
		{/if}
	{/if}
	{#each likely as { axle, first } (axle)}
		<p class="mt-2 text-[15px]">
			<span class="text-soft">Look first, {axle}:</span>
			{first
				.filter(({ weight }) => weight > 0.05)
				.map(({ point, weight }) => `${point.name.toLowerCase()} ${Math.round(100 * weight)} %`)
				.join(', ')}
		</p>
	{/each}
</section>
