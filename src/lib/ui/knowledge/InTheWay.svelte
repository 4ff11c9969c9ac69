<script lang="ts">
	import { page } from '$app/state';
	import type { Axle } from '$core/height/corners';
	import { offeredOfCar } from '$core/job/in-the-way';
	import { sourceOf, type OfferedKnowledge } from '$core/job/knowledge-offers';
	import { layoutsOf } from '$core/job/scope';
	import { coverPlaces } from '$core/layout/types';
	import { carOf, isOfCar, ownScopes } from '$core/work/shop-knowledge';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import { another, InTheWayForm } from './in-the-way-form.svelte';
	import { scopeNames } from './scope-names';

	/** What of this car comes off besides: covers that it has or has not, the caliper, the disc. */
	let { axle }: { axle: Axle } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const usual = $derived(layoutsOf(job.record)[axle].assembly.covers);
	const layout = $derived(job.work.scope.layouts[axle]);
	const cleared = $derived(job.work.scope.axles[axle]?.clear ?? []);
	const said = $derived(
		job.work.book
			.of('own')
			.filter(({ data }) => !data.removed && isOfCar(data) && data.where === axle)
	);
	const offers = $derived(
		offeredOfCar(
			job.work.book,
			layoutsOf(job.record),
			(page.data.known ?? []) as OfferedKnowledge[]
		).filter(({ own }) => own.where === axle)
	);
	/** Covers over what this job does not touch stay on. */
	const comesOff = (key: string) =>
		job.work.order.steps.some(
			({ kind, acts }) =>
				kind === 'cover-off' && acts.some((act) => 'cover' in act && act.cover === key)
		);
	const left = $derived(
		usual.filter(({ key }) => layout.assembly.covers.some((cover) => cover.key === key))
	);
	const ownCovers = $derived(said.filter(({ data }) => data.what === 'cover'));
	const others = $derived(said.filter(({ data }) => data.what !== 'cover'));
	const usualOnly = $derived(
		left.filter(({ key }) => !ownCovers.some(({ data }) => carOf(data) === key))
	);
	let form = $state<InTheWayForm>();
	let asked = $state(false);
	let refusal = $state<Refusal>();
	const faults = $derived(asked ? (form?.faults ?? {}) : {});
	const places = {
		boot: 'Boot',
		cabin: 'Cabin',
		bonnet: 'Bonnet',
		arch: 'Arch',
		under: 'Under it'
	};
	const open = () => {
		form = new InTheWayForm(layout, axle, cleared, job.record.vehicle);
		asked = false;
	};
	async function save(event: SubmitEvent) {
		event.preventDefault();
		asked = true;
		if (!form?.pick || Object.keys(form.faults).length) return;
		refusal = await job.keep('own', uuidv7(), form.said, { soon: true });
		if (!refusal) form = undefined;
	}
	const takeBack = async (id: string) => {
		refusal = await job.keep('own', id, { ...job.work.book.get('own', id)!, removed: true });
	};
	const notHere = async (key: string, name: string) => {
		refusal = await job.keep('own', uuidv7(), {
			what: 'not-there',
			text: name,
			where: axle,
			anchor: `cover:${key}`,
			for: job.record.vehicle.model ? 'model' : 'car'
		});
	};
	const take = async ({ id, own }: OfferedKnowledge, more: { removed?: true } = {}) => {
		refusal = await job.keep('own', uuidv7(), { ...own, for: 'job', of: id, ...more });
	};
	const heldBy = (held: readonly { what: string; count?: number }[] = []) =>
		held.map(({ what, count }) => (count ? `${count} ${what}` : what)).join(', ');
	const saying = { cover: '', 'not-there': 'Not on this car: ', part: 'Comes off besides: ' };
	const inWords = ({ what, text }: OfferedKnowledge['own']) =>
		`${saying[what as keyof typeof saying]}${text}`;
</script>

{#snippet row(name: string, words: string, key?: string)}
	<span class="me-auto min-w-40 flex-1 leading-tight"
		><b>{name}</b><span class="caption block"
			>{words}{key && !comesOff(key) ? `${words ? ' · ' : ''}stays on in this job` : ''}</span
		></span
	>
{/snippet}

<section class="panel p-4" aria-labelledby="way-{axle}">
	<div class="flex items-center gap-3">
		<h2 id="way-{axle}" class="me-auto text-lg">In the way, {axle}</h2>
		{#if !closed}
			<ActionButton onclick={() => (form ? (form = undefined) : open())}
				>{form ? 'Not now' : 'Something else is'}</ActionButton
			>
		{/if}
	</div>
	<RefusalNotice {refusal} />
	{#if form}
		<form class="mt-2 space-y-3" novalidate onsubmit={save} data-draft="in the way {axle}">
			<SelectField
				label="What"
				value={form.pick}
				onchange={(event) => form?.choose((event.target as HTMLSelectElement).value)}
				fault={asked && !form.pick ? 'choose what it is' : undefined}
				items={[
					{ value: '', name: 'Choose what it is' },
					...form.covers.map(({ key, name }) => ({ value: `cover:${key}`, name })),
					...form.parts.map(({ key, name }) => ({ value: `part:${key}`, name })),
					{ value: another, name: 'Another cover' }
				]}
			/>
			{#if form.isCover}
				<Field label="Called" bind:value={form.name} fault={faults.name} maxlength={80} />
				<div class="grid gap-3 sm:grid-cols-2">
					<SelectField
						label="Where it is got at"
						bind:value={form.where}
						items={coverPlaces.map((value) => ({ value, name: places[value] }))}
					/>
					<SelectField
						label="What it lies over"
						bind:value={form.reach}
						items={[
							{ value: 'top', name: 'The damper’s upper end' },
							{ value: 'bottom', name: 'The damper’s lower end' },
							{ value: 'pivots', name: 'Bolts of arms or subframe at the body' },
							...(form.known?.liesOn ? [{ value: 'none', name: 'Other covers only' }] : [])
						]}
					/>
				</div>
				<fieldset class="space-y-2">
					<legend class="text-[15px] font-semibold">Held by</legend>
					{#each form.held as fastener, i (i)}
						<div class="grid grid-cols-[minmax(0,1fr)_5rem_minmax(0,1.4fr)] gap-2">
							<Field label="What" bind:value={fastener.what} maxlength={60} />
							<Field label="How many" bind:value={fastener.count} inputmode="numeric" />
							<Field label="A hidden one" bind:value={fastener.hidden} maxlength={120} />
						</div>
					{/each}
					{#if faults.held}<p class="font-medium text-madder">
							<span class="me-1" aria-hidden="true">✕</span>{faults.held}
						</p>{/if}
					{#if form.held.length < 6}<ActionButton onclick={() => form?.more()}
							>Another kind</ActionButton
						>{/if}
				</fieldset>
				<Choice
					label="It is there"
					bind:value={form.shared}
					options={[
						{ value: 'each', name: 'Once a side' },
						{ value: 'both', name: 'One for both sides' }
					]}
				/>
			{:else if form.pick}
				<p class="caption">
					It comes off at every corner that is worked on at this axle, hung or laid aside, and goes
					back to its torque.
				</p>
			{/if}
			<Choice
				label="Kept for"
				bind:value={form.whom}
				options={ownScopes
					.filter((value) => value !== 'model' || job.record.vehicle.model)
					.map((value) => ({ value, name: scopeNames[value] }))}
			/>
			<ActionButton type="submit" weight="main">Keep it</ActionButton>
		</form>
	{/if}
	<ul class="mt-1 divide-y divide-line">
		{#each usualOnly as { key, name, held } (key)}
			<li class="flex flex-wrap items-center gap-2 py-1.5">
				{@render row(
					name,
					['usual with this layout', heldBy(held)].filter(Boolean).join(' · '),
					key
				)}
				{#if !closed}<ActionButton onclick={() => notHere(key, name)}>Not on this car</ActionButton
					>{/if}
			</li>
		{/each}
		{#each ownCovers as { subject, data } (subject)}
			<li class="flex flex-wrap items-center gap-2 py-1.5">
				{@render row(data.text, heldBy(data.cover?.held), carOf(data))}
				{#if !closed}<ActionButton onclick={() => takeBack(subject)}>Take it back</ActionButton
					>{/if}
			</li>
		{/each}
		{#each others as { subject, data } (subject)}
			<li class="flex flex-wrap items-center gap-2 py-1.5">
				{@render row(data.text, data.what === 'part' ? 'comes off besides' : 'not on this car')}
				{#if !closed}<ActionButton onclick={() => takeBack(subject)}>Take it back</ActionButton
					>{/if}
			</li>
		{/each}
		{#each offers as offer (offer.id)}
			<li class="flex flex-wrap items-center gap-2 py-1.5">
				{@render row(inWords(offer.own), sourceOf(offer))}
				{#if !closed}
					<ActionButton aria-label="Take in: {inWords(offer.own)}" onclick={() => take(offer)}
						>Take in</ActionButton
					>
					<ActionButton onclick={() => take(offer, { removed: true })}>Not here</ActionButton>
				{/if}
			</li>
		{/each}
	</ul>
	{#if !form && usualOnly.length + said.length + offers.length === 0}
		<p class="caption mt-1">
			Nothing usual. What lies over a bolt on this car, or has to come off for room, is said here
			once and offered with the next one.
		</p>
	{/if}
</section>
