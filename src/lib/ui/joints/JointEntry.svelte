<script lang="ts">
	import { page } from '$app/state';
	import { sightNames } from '$core/procedure/facts';
	import { formatNumber } from '$core/units/format';
	import type { Refusal } from '$lib/client/api';
	import type { Standing } from '$lib/ui/round/round.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits, shopTime } from '$lib/client/units';
	import { plausible } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import NumberEntry from '$lib/ui/controls/NumberEntry.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { tick } from 'svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import AskedNumber from './AskedNumber.svelte';
	import HardwareEntry from './HardwareEntry.svelte';
	import JointHead from './JointHead.svelte';
	import { Pull, type Said } from './pull.svelte';
	import QuestionBefore from './QuestionBefore.svelte';
	import ThreadNote from './ThreadNote.svelte';
	import { stepWords } from './step-words';
	import WrenchField from './WrenchField.svelte';

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
	const { pattern, castle, adapter, prevailingNm } = $derived(joint.programme ?? {});
	const rows = $derived(job.record.torques.filter((torque) => torque.jointId === joint.id));
	const specify = later(() => import('./SpecifyTorque.svelte'));
	const fastenersDrawn = later(() => import('./PatternDrawing.svelte'));
	const slot = later(() => import('./CastleSlot.svelte'));
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

	/** A key that is held down is one pull, not many. */
	function onePull(event: KeyboardEvent) {
		if (event.key === 'Enter' && event.repeat) event.preventDefault();
	}
	function record(event: SubmitEvent) {
		event.preventDefault();
		// A foot switch may bounce: the same pull is not told twice while it is being kept.
		const said = pull.busy && !pull.correcting ? undefined : pull.typed();
		if (said) attempt(said);
	}
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
		<QuestionBefore
			question={pull.question}
			onloosened={(first) => (loosenedFirst = first)}
			onahead={(reason) => (aheadReason = reason)}
		/>
	{:else if !job.record.signedAt}
		<RefusalNotice refusal={pull.refusal} />
		{#if status.clamped && car.carState === 'loaded' && loosenedFirst !== undefined}
			<p class="mt-1 flex flex-wrap items-center gap-2 text-[15px]">
				{loosenedFirst ? 'Loosened first.' : 'Only checked: it stays as it was clamped.'}
				<ActionButton onclick={() => (loosenedFirst = undefined)}>Change</ActionButton>
			</p>
		{/if}
		<!-- svelte-ignore a11y_no_noninteractive_element_interactions (a held Enter is stopped here) -->
		<form
			id={formId}
			class="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2"
			onsubmit={record}
			onkeydown={onePull}
		>
			{#if pull.skipping}
				<Field
					label="Why it is passed over"
					bind:value={pull.skipReason}
					maxlength={500}
					hint="It stays to be done; the reason stands on record"
				/>
				<div class="flex items-end gap-2 pb-1">
					<ActionButton
						class="min-h-16"
						type="submit"
						disabled={pull.busy || pull.skipReason.trim().length < 3}>Pass over</ActionButton
					>
					<ActionButton class="min-h-16" onclick={() => (pull.skipping = false)}>Back</ActionButton>
				</div>
			{:else}
				{#if pull.numbered}
					<div>
						<NumberEntry
							id="torque"
							label={pull.correcting
								? `Instead of ${pull.correcting.entered}`
								: pull.turned
									? 'Turned'
									: 'Reached'}
							bind:value={pull.text}
							bind:element={input}
							unit={pull.turned ? '°' : pull.unit}
							wrong={pull.understood?.ok === false}
							size="text-5xl"
						>
							{#snippet said()}
								{@const read = pull.understood}
								{#if read?.ok}{pull.turned
										? `= ${formatNumber(read.value.si, 0)}°`
										: `= ${units.show(read.value.si / pull.leverage, 'torque')}${pull.leverage === 1 ? '' : ' at the joint'}`}
								{:else if read}{read.faults[0]!.message}
								{:else}As said: {pull.turned ? '90' : '62 ft-lb, 100'}{/if}
							{/snippet}
						</NumberEntry>
					</div>
					{#if step.kind !== 'slacken'}
						<WrenchField {pull} {rack} />
					{/if}
				{/if}
				{#if castle && step.kind === 'castle' && step.torqueNm !== undefined}
					<Later part={slot()} given={{ castle, lowNm: step.torqueNm, prevailingNm }} />
				{/if}
				{#if joint.rule === 'ride-height' && car.carState === 'hanging'}
					<p class="text-[15px] text-soft sm:col-span-2">
						Tightened hanging, this bush would stay twisted all its life: it is kept as nipped and
						stays owed until it is set at ride height.
					</p>
				{:else if joint.rule === 'wheels-on-ground' && car.method !== 'on-wheels'}
					<p class="text-[15px] text-soft sm:col-span-2">
						Wheel fasteners count once they are torqued with the car on its wheels, in a star, in
						two passes.
					</p>
				{/if}
				<div class="flex flex-wrap gap-2 sm:col-span-2">
					{#if skippable}<ActionButton onclick={() => (pull.skipping = true)}
							>Pass over …</ActionButton
						>{/if}
					{#if onchange}<ActionButton onclick={onchange}>Change this joint …</ActionButton>{/if}
				</div>
			{/if}
		</form>
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
