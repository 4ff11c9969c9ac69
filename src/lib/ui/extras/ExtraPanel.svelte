<script lang="ts">
	import { page } from '$app/state';
	import { showMoney, usualCosts, type ShopCosts } from '$core/job/costs';
	import { extraStateNames, extraStates } from '$core/job/extra-states';
	import { extraStepId, extrasOf, isExtraDone, type Extra } from '$core/job/extras';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import { readExtra } from './extra-form';

	/** What was found on the way: told, priced, agreed or declined, and into the plan when it is agreed. */
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const costs = $derived<ShopCosts>(page.data.shop?.costs ?? usualCosts);
	const book = $derived(job.work.book);
	const extras = $derived(extrasOf(book));
	const open = $derived(extras.filter(({ state }) => state === 'found' || state === 'told').length);
	const inPlan = $derived((id: string) =>
		job.work.order.steps.some((step) => step.id === extraStepId(id))
	);
	let adding = $state(false);
	let asked = $state(false);
	let typed = $state({ what: '', price: '', minutes: '' });
	/** Of the one in hand: why not, or how it was said. */
	let answering = $state<string>();
	let words = $state('');
	let refusal = $state<Refusal>();
	const read = $derived(readExtra(typed));
	const faults = $derived(asked ? read.faults : {});

	async function add(event: SubmitEvent) {
		event.preventDefault();
		asked = true;
		if (!read.said) return;
		const said = { ...read.said, state: 'found', words: '' } as const;
		refusal = await job.keep('extra', uuidv7(), said, { soon: true });
		if (refusal) return;
		adding = asked = false;
		typed = { what: '', price: '', minutes: '' };
	}
	async function change({ id, ...kept }: Extra, of: Partial<Extra>) {
		refusal = await job.keep('extra', id, { ...kept, ...of });
	}
	async function answer(extra: Extra, state: Extra['state']) {
		await change(extra, { state, words: words.trim() || extra.words });
		if (refusal) return;
		answering = undefined;
		words = '';
	}
</script>

<section class="panel p-3" aria-labelledby="extra-title">
	<div class="flex items-center gap-2">
		<h2 id="extra-title" class="me-auto text-[17px]">
			Found on the way {#if open}<span class="text-ochre">◇ {open} to be answered</span>{/if}
		</h2>
		{#if !closed}<ActionButton onclick={() => (adding = !adding)}
				>{adding ? 'Not now' : 'Something found'}</ActionButton
			>{/if}
	</div>
	<RefusalNotice {refusal} />
	{#if adding}
		<form class="mt-2 space-y-2" novalidate onsubmit={add} data-draft="found on the way">
			<Field
				label="What, and what is to be done"
				bind:value={typed.what}
				fault={faults.what}
				maxlength={200}
			/>
			<div class="grid grid-cols-2 gap-2">
				<Field
					label="Price, {costs.currency}"
					bind:value={typed.price}
					inputmode="decimal"
					fault={faults.price}
				/>
				<Field
					label="Minutes"
					bind:value={typed.minutes}
					inputmode="decimal"
					fault={faults.minutes}
				/>
			</div>
			<ActionButton type="submit">Keep it</ActionButton>
		</form>
	{/if}
	<ul class="mt-1 divide-y divide-line">
		{#each extras as extra (extra.id)}
			{@const done = isExtraDone(book, extra)}
			<li class="py-1.5">
				<p class="leading-tight">
					<b>{extra.what}</b>
					<span class="caption block"
						><span
							class={extra.state === 'agreed'
								? 'text-spruce'
								: extra.state === 'declined'
									? 'text-madder'
									: 'text-ochre'}
							>{{ found: '◇', told: '◇', agreed: '✓', declined: '✕' }[extra.state]}
							{extraStateNames[extra.state]}{done ? ', done' : ''}</span
						>{extra.price === undefined ? '' : ` · ${showMoney(extra.price, costs)}`}{extra.minutes
							? ` · ${extra.minutes} min`
							: ''}{extra.words ? ` · ${extra.words}` : ''}{extra.state === 'agreed' &&
						inPlan(extra.id)
							? ' · a step of the plan'
							: ''}</span
					>
				</p>
				{#if !closed}
					{#if answering === extra.id}
						<div class="mt-2 space-y-2" data-draft="answer {extra.id}">
							<Field label="How it was said, or why not" bind:value={words} maxlength={300} />
							<Choice
								label="The customer"
								value={extra.state}
								options={extraStates.map((value) => ({ value, name: extraStateNames[value] }))}
								onpick={(state) => void answer(extra, state)}
							/>
						</div>
					{:else}
						<div class="mt-1 flex flex-wrap gap-2">
							<ActionButton onclick={() => (answering = extra.id)}
								>Answer<span class="sr-only">: {extra.what}</span></ActionButton
							>
							{#if extra.state === 'agreed' && !inPlan(extra.id)}
								<ActionButton onclick={() => change(extra, { done: !extra.done })}
									>{extra.done ? 'Not done after all' : 'It is done'}</ActionButton
								>
							{/if}
							{#if extra.state === 'found'}
								<ActionButton onclick={() => change(extra, { removed: true })}
									>Typed by mistake</ActionButton
								>
							{/if}
						</div>
					{/if}
				{/if}
			</li>
		{:else}
			<li class="caption">
				A leak, a worn tyre, an old fault: told and priced here, agreed or declined before a hand is
				laid on it.
			</li>
		{/each}
	</ul>
</section>
