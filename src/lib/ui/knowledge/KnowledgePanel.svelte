<script lang="ts">
	import { page } from '$app/state';
	import {
		offeredOwn,
		ownNotesAt,
		sourceOf,
		type OfferedKnowledge,
		type KnowledgeNote
	} from '$core/job/knowledge-offers';
	import { isAnchor, ownNames, ownScopes, stepWhats } from '$core/work/shop-knowledge';
	import type { WorkStep } from '$core/work/step';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import { KnowledgeForm } from './knowledge-form.svelte';
	import { scopeNames } from './scope-names';
	import KnowledgeOffer from './KnowledgeOffer.svelte';

	/** What cars like this one taught about the step in hand, and what this one teaches. */
	let { step }: { step: WorkStep } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const lead = $derived(page.data.person?.role === 'lead');
	const known = $derived((page.data.known ?? []) as OfferedKnowledge[]);
	const book = $derived(job.work.book);
	const notes = $derived(ownNotesAt(book, step, known));
	const offers = $derived(offeredOwn(book, [step], known).filter(({ own }) => own.what === 'step'));
	/** A step of one's own, as it is kept in this job. */
	const own = $derived(
		step.kind === 'own'
			? book.of('own').find(({ subject }) => step.id.endsWith(`/own:${subject}`))
			: undefined
	);
	const taught = $derived(
		book
			.of('own')
			.filter(({ data }) => !data.removed && data.what === 'step' && isAnchor(step, data))
	);
	let form = $state<KnowledgeForm>();
	let asked = $state(false);
	let refusal = $state<Refusal>();
	const faults = $derived(asked ? (form?.faults ?? {}) : {});
	const open = (correcting?: OfferedKnowledge) => {
		form = new KnowledgeForm(step, job.work.order.steps, job.record.vehicle);
		if (correcting) form.correct(correcting);
		asked = false;
	};
	async function save(event: SubmitEvent) {
		event.preventDefault();
		asked = true;
		if (!form || Object.keys(form.faults).length) return;
		refusal = await job.keep('own', uuidv7(), form.said, { soon: true });
		if (!refusal) form = undefined;
	}
	async function takeBack({ id, own: said, from }: KnowledgeNote) {
		const kept = book.get('own', id);
		refusal = await (kept
			? job.keep('own', id, { ...kept, removed: true })
			: job.keep('own', uuidv7(), { ...said, for: from!.scope, of: id, removed: true }));
	}
</script>

<section class="panel p-3" aria-labelledby="own-title">
	<div class="flex items-center gap-2">
		<h2 id="own-title" class="me-auto text-[17px]">What the shop knows of it</h2>
		{#if !closed && !own}<ActionButton onclick={() => (form ? (form = undefined) : open())}
				>{form ? 'Not now' : 'Teach it'}</ActionButton
			>{/if}
	</div>
	<RefusalNotice {refusal} />
	{#if own}
		<p class="mt-1">
			A step of the shop’s own{own.data.for === 'job'
				? ''
				: `, for ${scopeNames[own.data.for].toLowerCase()}`}.
		</p>
		{#if !closed}<ActionButton
				class="mt-2"
				onclick={() => takeBack({ id: own.subject, own: own.data })}
				>Out of this job{own.data.for === 'job' ? '' : ', and no longer offered'}</ActionButton
			>{/if}
	{/if}
	{#if form}
		<form class="mt-2 space-y-3" novalidate onsubmit={save} data-draft="own {step.id}">
			<Choice
				label="What"
				bind:value={form.what}
				options={stepWhats.map((value) => ({ value, name: ownNames[value] }))}
			/>
			<Field
				label={form.what === 'step'
					? 'What is done, after this step'
					: 'What the next one should know'}
				bind:value={form.text}
				fault={faults.text}
				maxlength={200}
			/>
			{#if form.what === 'step'}
				<SelectField
					label="And before"
					bind:value={form.before}
					items={[{ value: '', name: 'nothing in particular' }, ...form.choices]}
				/>
				<div class="grid grid-cols-[7rem_minmax(0,1fr)] gap-2">
					<Field
						label="Minutes"
						bind:value={form.minutes}
						inputmode="decimal"
						fault={faults.minutes}
					/>
					<Field label="What must be seen" bind:value={form.look} maxlength={200} />
				</div>
			{/if}
			<Choice
				label="Kept for"
				bind:value={form.whom}
				options={ownScopes
					.filter((value) => value !== 'model' || job.record.vehicle.model)
					.filter((value) => value !== 'layout' || step.at !== 'car')
					.map((value) => ({ value, name: scopeNames[value] }))}
			/>
			<ActionButton type="submit" weight="main">{form.of ? 'Correct it' : 'Keep it'}</ActionButton>
		</form>
	{/if}
	<ul class="mt-1 divide-y divide-line">
		{#each notes as note (note.id)}
			<li class="flex items-center gap-2 py-1.5">
				<span class="me-auto leading-tight"
					>{note.own.text}
					<span class="caption block"
						>{ownNames[note.own.what]}{note.from
							? ` · ${sourceOf(note.from)}`
							: ' · this job'}</span
					></span
				>
				{#if !closed && note.from && lead}<ActionButton onclick={() => open(note.from)}
						>Correct</ActionButton
					>{/if}
				{#if !closed && (!note.from || lead)}<ActionButton onclick={() => takeBack(note)}
						>{note.from ? 'No longer' : 'Take it back'}</ActionButton
					>{/if}
			</li>
		{/each}
		{#each offers as offer (offer.id)}<KnowledgeOffer {offer} />{/each}
		{#each taught as { subject, data } (subject)}
			<li class="py-1.5 leading-tight">
				{data.text}
				<span class="caption block">A step, stands after this one</span>
			</li>
		{/each}
	</ul>
	{#if !form && !own && notes.length + offers.length + taught.length === 0}
		<p class="caption mt-1">
			A hidden bolt, how many clips, which socket, a step that this model wants: kept here, it is
			offered with the next one.
		</p>
	{/if}
</section>
