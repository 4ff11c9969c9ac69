<script lang="ts">
	import { page } from '$app/state';
	import { cornerNames, corners, type Corner } from '$core/height/corners';
	import {
		defaultRule,
		jointKindNames,
		jointToolNames,
		jointTools,
		jointKinds,
		tightenRuleNames,
		tightenRules,
		type JointKind,
		type TightenRule
	} from '$core/layout/types';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import { faultOf } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { knownFor, twinOf, type KnownSpecification } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import ProgrammeFields from './ProgrammeFields.svelte';
	import { knownWords } from './joint-words';
	import { programmeForm, programmeInput, threadInput } from './programme-form';
	import Tick from '$lib/ui/controls/Tick.svelte';

	interface Props {
		/** The joint to change; without it a new one is added. */
		joint?: Joint;
		onclose: () => void;
	}
	let { joint, onclose }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	// svelte-ignore state_referenced_locally (the form is made anew for each joint)
	const start = joint;
	const form = $state({
		corner: (start?.corner ?? job.record.corners[0]!) as string,
		name: start?.name ?? '',
		kind: (start?.kind ?? 'rigid') as string,
		rule: (start?.rule ?? 'any-time') as string,
		torque: start?.torqueEntered ?? '',
		torqueSource: (start?.torqueSource ?? 'maker') as string,
		oneTime: start?.oneTime ?? false,
		tool: (start?.tool ?? 'run-down') as string,
		holdStud: start?.holdStud ?? false,
		loosened: start?.loosened ?? true,
		note: start?.note ?? ''
	});
	let programme = $state(programmeForm(start?.programme ?? null, start?.thread ?? null));
	const torqueNm = $derived.by(() => {
		const parsed = parseQuantity(form.torque, 'torque', {
			field: 'torque',
			defaultUnit: units.choice.torque
		});
		return parsed.ok ? parsed.value.si : undefined;
	});
	const twin = $derived(start && twinOf(job.record.joints, start));
	/** All but its torque is folded away: the layout has said it. Open where something of it is refused. */
	let more = $state(!start);
	$effect(() => {
		const shown = ['torque', 'torqueSource'];
		if (write.refusal?.faults?.some(({ field }) => !shown.includes(field))) more = true;
	});
	let both = $state(true);
	/** What this joint was last specified with, in another job; nothing where the form says the same. */
	const known = $derived.by(() => {
		if (!start) return undefined;
		const all = (page.data.specifications ?? []) as KnownSpecification[];
		const found = knownFor(start, job.record.vehicle, all, job.record.number);
		return found && (torqueNm === undefined || Math.abs(found.torqueNm - torqueNm) > 0.01)
			? found
			: undefined;
	});
	function take({ entered, source, programme: how, thread }: KnownSpecification) {
		form.torque = entered;
		form.torqueSource = source;
		programme = programmeForm(how, thread);
	}

	function body() {
		const torque = withMeantUnit(form.torque, units.choice.torque) || null;
		const { corner, ...fields } = form;
		return {
			...fields,
			torque,
			torqueSource: torque && form.torqueSource,
			programme: programmeInput(programme, start?.programme ?? null, units.choice),
			thread: threadInput(programme),
			...(start ? {} : { corner })
		};
	}

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (!(await write.send('joint', start?.id ?? uuidv7(), body()))) return;
		if (start && twin && both) {
			const { torque, torqueSource, oneTime, tool, holdStud, programme, thread, loosened } = body();
			const same = { torque, torqueSource, oneTime, tool, holdStud, programme, thread, loosened };
			if (!(await write.send('joint', twin.id, same))) return;
		}
		onclose();
	}

	async function remove() {
		if (await write.send('joint', start!.id, { remove: true })) onclose();
	}
</script>

<form
	class="panel space-y-4 border-2 border-spruce p-4"
	onsubmit={save}
	novalidate
	data-draft="joint {joint?.id ?? 'new'}"
>
	<h2 class="text-xl">
		{start ? `${cornerNames[start.corner]}: ${start.name}` : 'A joint the layout does not list'}
	</h2>
	<RefusalNotice
		refusal={write.refusal}
		fields={['name', 'kind', 'rule', 'torque', 'torqueSource', 'note', 'corner']}
	/>
	{#if known}
		<p class="flex flex-wrap items-center gap-3">
			<span
				>Known: <b class="num">{units.show(known.torqueNm, 'torque')}</b>, {knownWords(known)}</span
			>
			<ActionButton onclick={() => take(known)}>Take it</ActionButton>
		</p>
	{/if}
	<div class="grid items-end gap-4 sm:grid-cols-[1fr_1fr_auto]">
		{#if form.kind !== 'cushion'}
			<QuantityField
				label="Specified torque"
				dimension="torque"
				bind:value={form.torque}
				fault={faultOf(write.refusal, 'torque')}
			/>
			<SelectField
				label="Where it comes from"
				bind:value={form.torqueSource}
				items={[
					{ value: 'maker', name: 'Maker’s data' },
					{ value: 'shop', name: 'The shop’s figure' },
					{ value: 'estimated', name: 'Estimated' }
				]}
				fault={faultOf(write.refusal, 'torqueSource')}
			/>
		{/if}
		{#if twin}<Tick bind:checked={both}>The same at {cornerNames[twin.corner].toLowerCase()}</Tick
			>{/if}
	</div>
	{#if !more}
		<ActionButton onclick={() => (more = true)}>More of this joint …</ActionButton>
	{:else}
		<div class="grid gap-4 sm:grid-cols-2">
			{#if !start}
				<SelectField
					label="Corner"
					bind:value={form.corner}
					items={corners
						.filter((c: Corner) => job.record.corners.includes(c))
						.map((c) => ({ value: c, name: cornerNames[c] }))}
					fault={faultOf(write.refusal, 'corner')}
				/>
			{/if}
			<Field
				label="Name"
				bind:value={form.name}
				fault={faultOf(write.refusal, 'name')}
				maxlength={120}
				required
			/>
			<SelectField
				label="Kind"
				bind:value={form.kind}
				items={jointKinds.map((k) => ({ value: k, name: jointKindNames[k] }))}
				fault={faultOf(write.refusal, 'kind')}
				onchange={() => (form.rule = defaultRule(form.kind as JointKind))}
			/>
			<SelectField
				label="Tightened for good"
				bind:value={form.rule}
				items={tightenRules.map((r: TightenRule) => ({ value: r, name: tightenRuleNames[r] }))}
				fault={faultOf(write.refusal, 'rule')}
			/>
			<ProgrammeFields bind:form={programme} kind={form.kind} {torqueNm} refusal={write.refusal} />
			<SelectField
				label="Tool"
				bind:value={form.tool}
				items={jointTools.map((tool) => ({ value: tool, name: jointToolNames[tool] }))}
				fault={faultOf(write.refusal, 'tool')}
			/>
			<Field
				label="Note"
				bind:value={form.note}
				fault={faultOf(write.refusal, 'note')}
				maxlength={500}
			/>
		</div>
		<div class="flex flex-wrap gap-x-8">
			<Tick bind:checked={form.oneTime}>Hardware is used once</Tick>
			<Tick bind:checked={form.holdStud}>Hold the stud</Tick>
			{#if start}<Tick bind:checked={form.loosened}>Undone in this job</Tick>{/if}
		</div>
	{/if}
	<div class="flex flex-wrap gap-3">
		<ActionButton weight="main" type="submit" disabled={write.busy}
			>{start ? 'Keep' : 'Add the joint'}</ActionButton
		>
		<ActionButton class="min-h-16" onclick={onclose}>Cancel</ActionButton>
		{#if start}<ActionButton weight="stop" class="ms-auto min-h-16" onclick={remove}
				>Remove from the job</ActionButton
			>{/if}
	</div>
</form>
