<script lang="ts">
	import { page } from '$app/state';
	import { sightNames } from '$core/procedure/facts';
	import type { Refusal } from '$lib/client/api';
	import type { Standing } from '$lib/ui/round/round.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits, shopTime } from '$lib/client/units';
	import { plausible } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { tick } from 'svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import AskedNumber from './AskedNumber.svelte';
	import HardwareEntry from './HardwareEntry.svelte';
	import JointHead from './JointHead.svelte';
	import { Pull, type Said } from './pull.svelte';
	import PullForm from './PullForm.svelte';
	import ThreadNote from './ThreadNote.svelte';
	import { stepWords } from './step-words';

	interface Props {
		joint: Joint;
		/** Step of its programme; the one that comes next if absent. */
		action?: number;
		car: Standing;
		/** The wrench planned for this step; the rack's own pick if absent. */
		plannedWrench?: string;
		/** May be passed over with a reason. */
		skippable?: boolean;
		/** Rubber that was clamped elsewhere: what was said of it. */
		loosenedFirst?: boolean;
		/** Why it is tightened before its turn. */
		aheadReason?: string;
		/** Its data are to be changed: torque, kind, programme. */
		onchange?: () => void;
		/** A step of this joint was recorded or passed over; told when the server has it, so perhaps late. */
		onrecorded: (jointId: string) => void;
		/** The server did not take it; by then another step may stand here. */
		onrefused: (jointId: string, refusal: Refusal) => void;
	}
	let {
		joint,
		action,
		car,
		plannedWrench,
		skippable = false,
		loosenedFirst = $bindable(),
		aheadReason = $bindable(),
		onchange,
		onrecorded,
		onrefused
	}: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const rack = $derived((page.data.wrenches ?? []) as ShopWrench[]);
	const today = shopTime().isoDay(new Date());
	const pull = new Pull(job, units, () => ({
		joint,
		action,
		car,
		plannedWrench,
		loosenedFirst,
		aheadReason,
		rack,
		today
	}));
	const status = $derived(pull.status);
	const step = $derived(pull.step);
	const { pattern, castle, adapter } = $derived(joint.programme ?? {});
	const rows = $derived(job.record.torques.filter((torque) => torque.jointId === joint.id));
	const questionBefore = later(() => import('./QuestionBefore.svelte'));
	const specify = later(() => import('./SpecifyTorque.svelte'));
	const fastenersDrawn = later(() => import('./PatternDrawing.svelte'));
	const accept = later(() => import('./AcceptBush.svelte'));
	const said = later(() => import('./TorqueRows.svelte'));
	const formId = $props.id();
	let input = $state<HTMLInputElement>();
	let section = $state<HTMLElement>();

	// When the entry comes, and when a question before it is answered.
	$effect(() => {
		void pull.question?.kind;
		void tick().then(focusFirst);
	});
	function focusFirst() {
		// Never out of a field that somebody writes in: the joint before was recorded meanwhile.
		if (document.activeElement?.matches('textarea, input:not([type=radio], [type=checkbox])'))
			return;
		const first = input ?? section?.querySelector<HTMLElement>('[data-main]');
		first?.focus({ preventScroll: true });
		input?.select();
	}

	async function send(said: Said, more: { seen?: number; corrects?: string } = {}) {
		const { id } = joint;
		const refused = await pull.tell(said, more);
		if (refused) onrefused(id, refused);
		else if (!('withdraw' in said)) onrecorded(id);
	}
	function go(told: { said: Said; seen: number } | undefined) {
		if (told) void send(told.said, { seen: told.seen });
	}
	const attempt = (said: Said) => go(pull.ready(said));
</script>

<section
	bind:this={section}
	class="panel p-4"
	aria-labelledby="joint-name"
	data-draft="{joint.id} {pull.index}"
>
	<JointHead {joint} {status} />
	{#if pull.list.length > 1}<p class="mt-1 text-lg font-semibold">
			{stepWords(joint, pull.list, pull.index, (nm) => pull.bare(nm))}
		</p>{/if}

	<div class="mt-1 flex flex-wrap items-end gap-x-8 gap-y-2">
		<AskedNumber
			{joint}
			{step}
			instead={pull.numbered
				? 'not given'
				: pull.sights.length === 1
					? sightNames[pull.sights[0]!]
					: 'no number'}
			shown={pull.shown}
			unit={pull.unit}
			corrected={adapter !== undefined && pull.fit?.ok === true}
		/>
		{#if pattern}
			{@const inPass = pull.list.filter((a) => a.step === step.step && a.pass === step.pass)}
			<div class="size-32">
				<Later
					part={fastenersDrawn()}
					given={{
						fasteners: pattern.fasteners,
						done: Math.max(
							0,
							inPass.findIndex((a) => a.fastener === step.fastener)
						),
						now: status.owed ? step.fastener : undefined,
						class: 'size-32'
					}}
				/>
			</div>
		{/if}
		{#if !job.record.signedAt && !pull.question}
			<div class="ms-auto flex flex-wrap gap-2 pb-1">
				{#each pull.sights as sight (sight)}
					<ActionButton
						weight="main"
						data-main
						disabled={pull.busy}
						onclick={() => attempt({ seen: sight })}>{sightNames[sight]}</ActionButton
					>
				{/each}
				{#if pull.correcting}<ActionButton
						class="min-h-16"
						onclick={() => (pull.correcting = undefined)}>Cancel</ActionButton
					>{/if}
				{#if pull.numbered && !pull.skipping}
					<ActionButton
						weight={pull.sights.length ? 'plain' : 'main'}
						class="min-h-16 sm:min-w-40"
						type="submit"
						form={formId}
						disabled={pull.busy}
					>
						{joint.rule === 'ride-height' && car.carState === 'hanging'
							? 'Record as nipped'
							: pull.correcting
								? 'Record instead'
								: 'Record'}
					</ActionButton>
				{/if}
			</div>
		{/if}
	</div>
	{#if castle && step.kind === 'castle'}
		<p class="text-[15px] text-soft">
			Then forward to the slot, at most {units.show(castle.highNm, 'torque')}; never back.
		</p>
	{/if}
	{#if joint.torqueNm === null && pull.numbered && !job.record.signedAt}<Later
			part={specify()}
			given={{ joint }}
		/>{/if}
	{#if plausible(joint)?.plausible === false}
		<p class="mt-1">
			<StateMark mark="again" word="This torque does not belong to its thread: unit or thread?" />
		</p>
	{/if}
	<ThreadNote {joint} />

	{#if pull.question}
		<Later
			part={questionBefore()}
			given={{
				question: pull.question,
				onloosened: (first: boolean) => (loosenedFirst = first),
				onahead: (reason: string) => (aheadReason = reason),
				onready: focusFirst
			}}
		/>
	{:else if !job.record.signedAt}
		<RefusalNotice refusal={pull.refusal} />
		{#if status.clamped && car.carState === 'loaded' && loosenedFirst !== undefined}
			<p class="mt-1 flex flex-wrap items-center gap-2 text-[15px]">
				{loosenedFirst ? 'Loosened first.' : 'Only checked: it stays as it was clamped.'}
				<ActionButton onclick={() => (loosenedFirst = undefined)}>Change</ActionButton>
			</p>
		{/if}
		<PullForm
			id={formId}
			{pull}
			{joint}
			{car}
			{rack}
			{skippable}
			{onchange}
			ontold={attempt}
			bind:input
		/>
	{/if}

	<HardwareEntry
		{joint}
		asked={pull.asksHardware}
		onsaid={(piece) => go(pull.hardwareSaid(piece))}
	/>
	{#if job.view.torques.get(joint.id)?.bush}<Later part={accept()} given={{ joint }} />{/if}

	{#if rows.length}
		<Later
			part={said()}
			given={{
				rows,
				steps: pull.list.length,
				oncorrect(row) {
					pull.correct(row);
					input?.focus();
				},
				onwithdraw: (row) => void send({ withdraw: true }, { corrects: row.id })
			}}
		/>
	{/if}
</section>
