<script lang="ts">
	import { page } from '$app/state';
	import { actionsOf } from '$core/fastener/joint-programme';
	import { hardwareOpen, type HardwarePiece } from '$core/fastener/hardware';
	import { questionBefore } from '$core/job/turn';
	import { calibrationState, pickWrenches, wrenchFor } from '$core/fastener/rack';
	import { sightNames, sightsFor, type Sight } from '$core/procedure/facts';
	import { convert, findUnit, siUnit } from '$core/units/dimensions';
	import { formatNumber, formatQuantity } from '$core/units/format';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import type { Standing } from '$lib/ui/round/round.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { atWork, plausible } from '$core/job/joints';
	import type { Joint, Torque } from '$core/job/model';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { tick } from 'svelte';
	import AcceptBush from './AcceptBush.svelte';
	import AskedNumber from './AskedNumber.svelte';
	import CastleSlot from './CastleSlot.svelte';
	import HardwareEntry from './HardwareEntry.svelte';
	import JointHead from './JointHead.svelte';
	import PatternDrawing from './PatternDrawing.svelte';
	import QuestionBefore from './QuestionBefore.svelte';
	import SpecifyTorque from './SpecifyTorque.svelte';
	import ThreadNote from './ThreadNote.svelte';
	import TorqueRows from './TorqueRows.svelte';
	import { scaleWords, stepWords, wrenchUnit } from './step-words';

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
	const status = $derived(job.view.standing.joints.get(joint.id)!);
	const rows = $derived(job.record.torques.filter((torque) => torque.jointId === joint.id));
	const worked = $derived(atWork(joint));
	const list = $derived(actionsOf(worked));
	const index = $derived(Math.min(action ?? status.next, list.length - 1));
	const step = $derived(list[index]!);
	const turned = $derived(step.kind === 'angle' || step.kind === 'slacken');
	const { pattern, castle, adapter, prevailingNm } = $derived(joint.programme ?? {});
	const question = $derived(
		job.record.signedAt
			? undefined
			: questionBefore(job.record, job.work, status, joint, {
					action: index,
					carState: car.carState,
					method: car.method,
					loosenedFirst,
					aheadReason
				})
	);
	const sights = $derived(
		sightsFor(joint.kind, car.carState).filter(
			(sight) =>
				!joint.programme?.cushionTo ||
				joint.kind !== 'cushion' ||
				sight === joint.programme.cushionTo
		)
	);
	const numbered = $derived(joint.kind !== 'cushion');

	// The rack: what is planned, else what fits, else what was used last.
	const rack = $derived((page.data.wrenches ?? []) as ShopWrench[]);
	const today = new Date().toISOString().slice(0, 10);
	const demand = $derived(
		step.torqueNm === undefined ? undefined : { torqueNm: step.torqueNm, adapter }
	);
	/** Chosen by hand; until then the one that is planned, or fits what is asked or typed. */
	let chosenWrench = $state<string>();
	let text = $state('');
	const typedNm = $derived.by(() => {
		const parsed = parseQuantity(text, 'torque', {
			field: 'torque',
			defaultUnit: units.choice.torque
		});
		return parsed.ok && !turned ? parsed.value.si : undefined;
	});
	const wanted = $derived(
		demand ?? (typedNm === undefined ? undefined : { torqueNm: typedNm, adapter })
	);
	const fitting = $derived(
		plannedWrench ?? (wanted ? pickWrenches([wanted], rack, today).picks[0] : undefined)
	);
	const wrenchId = $derived(chosenWrench ?? fitting ?? '');
	let otherWrench = $state('');
	const wrench = $derived(rack.find(({ id }) => id === wrenchId));
	const fit = $derived(wrench && wanted ? wrenchFor(wrench, wanted, today) : undefined);
	const calibration = $derived(wrench && calibrationState(wrench, today));
	/** Number on the wrench over the torque at the joint: an adapter makes them differ. */
	const leverage = $derived(
		adapter && demand && fit?.ok ? fit.value.settingNm / demand.torqueNm : 1
	);
	/** What is asked is read on the wrench, in the unit it is marked in; what is only typed, as it is said. */
	const unit = $derived((demand && wrench && wrenchUnit(wrench)) ?? units.choice.torque);
	const inUnit = $derived((nm: number) => convert(nm, siUnit('torque'), findUnit(unit, 'torque')!));
	const decimalsFor = $derived((nm: number) => (nm < 20 || unit === 'kgf·m' ? 1 : 0));
	const bare = $derived((nm: number) => formatNumber(inUnit(nm), decimalsFor(nm)));
	const onWrench = $derived(step.torqueNm === undefined ? undefined : step.torqueNm * leverage);

	// What is asked stands ready, so that Enter alone records a joint that clicked at its number.
	text = asked();
	function asked(): string {
		if (turned) return String(step.angleDeg ?? '');
		return onWrench === undefined ? '' : bare(onWrench).replace(/\s/g, '');
	}
	/** Another wrench, another number. */
	function rewrite() {
		if (!correcting && demand) text = asked();
	}

	const formId = $props.id();
	let refusal = $state<Refusal>();
	let busy = $state(false);
	let correcting = $state<Torque>();
	let skipping = $state(false);
	let skipReason = $state('');
	let overrideReason = $state('');
	let input = $state<HTMLInputElement>();
	let section = $state<HTMLElement>();
	const understood = $derived.by(() => {
		if (!text.trim()) return undefined;
		return turned
			? parseQuantity(text, 'angle', { field: 'angle', defaultUnit: '°', min: 1, max: 720 })
			: parseQuantity(text, 'torque', { field: 'torque', defaultUnit: unit, min: 0.5, max: 1000 });
	});

	// When the entry comes, and when a question before it is answered.
	$effect(() => {
		void question?.kind;
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

	type What =
		| { torque: string }
		| { angle: string }
		| { seen: Sight }
		| { skipReason: string }
		| { withdraw: true };
	/** What waits until it is said what became of the one-time hardware. */
	let waiting = $state.raw<{ what: What; seen: number }>();
	/** The last step of a joint that counts wants that known; a bush nipped for later does not yet. */
	const asksHardware = $derived(
		index === list.length - 1 &&
			!(joint.rule === 'ride-height' && car.carState === 'hanging') &&
			hardwareOpen(joint, job.record.hardware[joint.id]).length > 0
	);
	function attempt(what: What) {
		// What somebody else records while it is asked was not seen at this pull.
		if (asksHardware && !correcting) waiting = { what, seen: job.seq };
		else void send(what);
	}
	function hardwareSaid(piece: HardwarePiece) {
		const open = hardwareOpen(joint, job.record.hardware[joint.id]);
		if (!waiting || open.some((one) => one !== piece)) return;
		const { what, seen } = waiting;
		waiting = undefined;
		void send(what, undefined, seen);
	}
	async function send(what: What, corrects = correcting?.id, seen = job.seq) {
		busy = true;
		const jointId = joint.id;
		const height = withMeantUnit(car.hubToArch, units.choice.length);
		const tool = 'withdraw' in what || 'skipReason' in what || 'seen' in what;
		const { skipReason, withdraw, ...said } = what as {
			skipReason?: string;
			withdraw?: true;
		} & Record<string, string>;
		// A correction is of the number: how it stood when it was pulled stays.
		const stands = correcting
			? {
					carState: correcting.carState,
					method: correcting.method ?? undefined,
					hubToArch: correcting.hubToArchEntered ?? undefined
				}
			: {
					carState: car.carState,
					method: car.method,
					hubToArch: car.method && height ? height : undefined
				};
		const answers = correcting || withdraw ? {} : { loosenedFirst, aheadReason };
		const stood = {
			action: correcting?.action ?? (withdraw ? 0 : index),
			...(overrideReason.trim() ? { overrideReason: overrideReason.trim() } : {}),
			...stands
		};
		const refused = skipReason
			? await job.tell('skip', jointId, { ...stood, reason: skipReason })
			: await job.tell(
					'torque',
					jointId,
					{
						...stood,
						...answers,
						...(!tool && wrench ? { wrenchId: wrench.id, wrench: wrench.name } : {}),
						...(!tool && !wrench && otherWrench.trim() ? { wrench: otherWrench.trim() } : {}),
						...(withdraw ? { withdraw } : said)
					},
					{ seen, ...(corrects && { corrects }) }
				);
		busy = false;
		refusal = undefined;
		if (refused) return onrefused(jointId, refused);
		correcting = undefined;
		skipping = false;
		if (!('withdraw' in what)) onrecorded(jointId);
	}

	/** A key that is held down is one pull, not many. */
	function onePull(event: KeyboardEvent) {
		if (event.key === 'Enter' && event.repeat) event.preventDefault();
	}
	function record(event: SubmitEvent) {
		event.preventDefault();
		if (skipping) return void send({ skipReason: skipReason.trim() });
		if (!numbered && sights.length === 1) return attempt({ seen: sights[0]! });
		if (!understood?.ok) {
			const title = understood
				? understood.faults[0]!.message
				: turned
					? 'Type the angle it was turned.'
					: 'Type the torque it reached.';
			refusal = { status: 422, title };
			return;
		}
		if (turned) return attempt({ angle: withMeantUnit(text, '°') });
		// Kept as it is at the joint; with an adapter the wrench shows another number.
		attempt({
			torque:
				leverage === 1
					? withMeantUnit(text, unit)
					: formatQuantity(understood.value.si / leverage, 'torque', unit, { decimals: 1 })
		});
	}

	const wrenchItems = $derived([
		...rack.map((one) => ({
			value: one.id,
			name: `${one.name}, ${scaleWords(one)}`
		})),
		{ value: '', name: 'Another, not of the rack' }
	]);
</script>

<section
	bind:this={section}
	class="panel p-4"
	aria-labelledby="joint-name"
	data-draft="{joint.id} {index}"
>
	<JointHead {joint} {status} />
	{#if list.length > 1}<p class="mt-1 text-lg font-semibold">
			{stepWords(joint, list, index, bare)}
		</p>{/if}

	<div class="mt-1 flex flex-wrap items-end gap-x-8 gap-y-2">
		<AskedNumber
			{joint}
			{step}
			instead={numbered ? 'not given' : sights.length === 1 ? sightNames[sights[0]!] : 'no number'}
			shown={onWrench === undefined ? undefined : bare(onWrench)}
			{unit}
			corrected={adapter !== undefined && fit?.ok === true}
		/>
		{#if pattern}
			{@const inPass = list.filter((a) => a.step === step.step && a.pass === step.pass)}
			<PatternDrawing
				fasteners={pattern.fasteners}
				done={Math.max(
					0,
					inPass.findIndex((a) => a.fastener === step.fastener)
				)}
				now={status.owed ? step.fastener : undefined}
				class="size-32"
			/>
		{/if}
		{#if !job.record.signedAt && !question}
			<div class="ms-auto flex flex-wrap gap-2 pb-1">
				{#each sights as sight (sight)}
					<ActionButton
						weight="main"
						data-main
						disabled={busy}
						onclick={() => attempt({ seen: sight })}>{sightNames[sight]}</ActionButton
					>
				{/each}
				{#if correcting}<ActionButton class="min-h-16" onclick={() => (correcting = undefined)}
						>Cancel</ActionButton
					>{/if}
				{#if numbered && !skipping}
					<ActionButton
						weight={sights.length ? 'plain' : 'main'}
						class="min-h-16 sm:min-w-40"
						type="submit"
						form={formId}
						disabled={busy}
					>
						{joint.rule === 'ride-height' && car.carState === 'hanging'
							? 'Record as nipped'
							: correcting
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
	{#if joint.torqueNm === null && numbered && !job.record.signedAt}<SpecifyTorque {joint} />{/if}
	{#if plausible(joint)?.plausible === false}
		<p class="mt-1">
			<StateMark mark="again" word="This torque does not belong to its thread: unit or thread?" />
		</p>
	{/if}
	<ThreadNote {joint} />

	{#if question}
		<QuestionBefore
			{question}
			onloosened={(first) => (loosenedFirst = first)}
			onahead={(reason) => (aheadReason = reason)}
		/>
	{:else if !job.record.signedAt}
		<RefusalNotice {refusal} />
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
			{#if skipping}
				<Field
					label="Why it is passed over"
					bind:value={skipReason}
					maxlength={500}
					hint="It stays to be done; the reason stands on record"
				/>
				<div class="flex items-end gap-2 pb-1">
					<ActionButton
						class="min-h-16"
						type="submit"
						disabled={busy || skipReason.trim().length < 3}>Pass over</ActionButton
					>
					<ActionButton class="min-h-16" onclick={() => (skipping = false)}>Back</ActionButton>
				</div>
			{:else}
				{#if numbered}
					<div>
						<label for="torque" class="text-[15px] font-semibold"
							>{correcting
								? `Instead of ${correcting.entered}`
								: turned
									? 'Turned'
									: 'Reached'}</label
						>
						<div
							class="flex items-baseline gap-2 border-b-4 {understood && !understood.ok
								? 'border-madder'
								: 'border-spruce'}"
						>
							<input
								id="torque"
								bind:this={input}
								bind:value={text}
								autocomplete="off"
								inputmode="decimal"
								enterkeyhint="done"
								aria-describedby="torque-understood"
								class="num w-full min-w-0 bg-transparent text-5xl outline-none"
							/>
							<span class="text-xl text-soft">{turned ? '°' : unit}</span>
						</div>
						<p
							id="torque-understood"
							class="mt-1 text-[15px] {understood && !understood.ok ? 'text-madder' : 'text-soft'}"
						>
							{#if understood?.ok}{turned
									? `= ${formatNumber(understood.value.si, 0)}°`
									: `= ${units.show(understood.value.si / leverage, 'torque')}${leverage === 1 ? '' : ' at the joint'}`}
							{:else if understood}{understood.faults[0]!.message}
							{:else}As said: {turned ? '90' : '62 ft-lb, 100'}{/if}
						</p>
					</div>
					{#if step.kind !== 'slacken'}
						<div class="space-y-2">
							{#if rack.length}
								<SelectField
									label="Wrench"
									bind:value={
										() => wrenchId,
										(id) => {
											chosenWrench = id;
											rewrite();
										}
									}
									items={wrenchItems}
								/>
							{/if}
							{#if !wrench}
								<Field
									label={rack.length ? 'Its name' : 'Wrench'}
									bind:value={otherWrench}
									maxlength={80}
									hint="Optional"
									autocomplete="off"
								/>
							{:else if fit && !fit.ok}
								<p class="text-[15px] text-madder">✕ {fit.faults[0]!.message}</p>
								<Field
									label="Used all the same, because"
									bind:value={overrideReason}
									maxlength={500}
									hint="Ten letters or more; it prints on the sheet"
								/>
							{:else if calibration}
								<p class="caption {calibration.state === 'soon' ? 'text-ochre' : ''}">
									{calibration.state === 'soon' ? '◇ ' : '✓ '}{calibration.words}{adapter
										? `; corrected for the ${formatNumber(adapter.lengthMm, 0)} mm adapter`
										: ''}
								</p>
							{/if}
						</div>
					{/if}
				{/if}
				{#if castle && step.kind === 'castle' && step.torqueNm !== undefined}
					<CastleSlot {castle} lowNm={step.torqueNm} {prevailingNm} />
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
					{#if skippable}<ActionButton onclick={() => (skipping = true)}>Pass over …</ActionButton
						>{/if}
					{#if onchange}<ActionButton onclick={onchange}>Change this joint …</ActionButton>{/if}
				</div>
			{/if}
		</form>
	{/if}

	<HardwareEntry {joint} asked={waiting !== undefined} onsaid={hardwareSaid} />
	<AcceptBush {joint} />

	{#if rows.length}
		<TorqueRows
			{rows}
			steps={list.length}
			oncorrect={(row) => {
				correcting = row;
				text = row.entered.replace(/\s*N·m$/, unit === 'N·m' ? '' : ' N·m');
				input?.focus();
			}}
			onwithdraw={(row) => send({ withdraw: true }, row.id)}
		/>
	{/if}
</section>
