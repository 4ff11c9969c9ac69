<script lang="ts">
	import { page } from '$app/state';
	import { actionsOf } from '$core/fastener/joint-programme';
	import { castleNut } from '$core/fastener/programme';
	import { calibrationState, pickWrenches, wrenchFor } from '$core/fastener/rack';
	import { threadConditionNames } from '$core/fastener/lubrication';
	import { usualSlope } from '$core/fastener/trace';
	import { jointKindNames } from '$core/layout/types';
	import { sightNames, sightsFor, type Sight } from '$core/procedure/facts';
	import { convert, findUnit, siUnit } from '$core/units/dimensions';
	import { formatNumber, formatQuantity } from '$core/units/format';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import type { Standing } from '$lib/client/car-state.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { outbox } from '$lib/client/outbox.svelte';
	import { personalUnits } from '$lib/client/units';
	import { atWork, lubricated } from '$lib/job/joints';
	import type { Joint, Torque } from '$lib/job/model';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { onMount } from 'svelte';
	import { v7 as uuidv7 } from 'uuid';
	import PatternDrawing from './PatternDrawing.svelte';
	import TorqueRows from './TorqueRows.svelte';
	import { jointMarks } from './joint-words';
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
	const wet = $derived(lubricated(joint));
	const turned = $derived(step.kind === 'angle' || step.kind === 'slacken');
	const { pattern, castle, adapter, prevailingNm } = $derived(joint.programme ?? {});
	const sights = $derived(
		sightsFor(joint.kind, car.carState).filter(
			(sight) =>
				!joint.programme?.cushionTo ||
				joint.kind !== 'cushion' ||
				sight === joint.programme.cushionTo
		)
	);
	const numbered = $derived(joint.kind !== 'cushion');
	const sources = {
		maker: 'maker’s data',
		shop: 'the shop’s figure',
		estimated: 'estimated: not the maker’s'
	};

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
	let castleTurn = $state('');
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

	onMount(() => {
		const first = input ?? section?.querySelector<HTMLElement>('[data-main]');
		first?.focus({ preventScroll: true });
		input?.select();
	});

	/** Where the castle nut would end, from the angle to the next slot and what such a joint winds up. */
	const slot = $derived.by(() => {
		const angle = Number(castleTurn.replace(',', '.'));
		if (!castle || step.torqueNm === undefined || !(angle > 0)) return undefined;
		return castleNut({
			lowNm: step.torqueNm,
			highNm: castle.highNm + (prevailingNm ?? 0),
			toNextSlotDeg: angle,
			slopeNmPerDeg: usualSlope(step.torqueNm)
		});
	});

	type What =
		| { torque: string }
		| { angle: string }
		| { seen: Sight }
		| { skipReason: string }
		| { withdraw: true; correctsId: string };
	async function send(what: What) {
		busy = true;
		const id = uuidv7();
		const jointId = joint.id;
		const height = withMeantUnit(car.hubToArch, units.choice.length);
		const tool = 'withdraw' in what || 'skipReason' in what || 'seen' in what;
		const refused = await outbox.add(`/jobs/${job.record.id}/torques`, {
			id,
			jointId,
			action: correcting?.action ?? ('withdraw' in what ? 0 : index),
			...(!tool && wrench ? { wrenchId: wrench.id, wrench: wrench.name } : {}),
			...(!tool && !wrench && otherWrench.trim() ? { wrench: otherWrench.trim() } : {}),
			...(overrideReason.trim() ? { overrideReason: overrideReason.trim() } : {}),
			carState: car.carState,
			...(car.method ? { method: car.method } : {}),
			...(car.method && height ? { hubToArch: height } : {}),
			...(correcting ? { correctsId: correcting.id } : {}),
			lastSeenId: rows[rows.length - 1]?.id ?? null,
			takenAt: new Date().toISOString(),
			...what
		});
		busy = false;
		refusal = undefined;
		if (refused) {
			outbox.drop(id);
			return onrefused(jointId, refused);
		}
		correcting = undefined;
		skipping = false;
		if (!('withdraw' in what)) onrecorded(jointId);
	}

	function record(event: SubmitEvent) {
		event.preventDefault();
		if (skipping) return void send({ skipReason: skipReason.trim() });
		if (!numbered && sights.length === 1) return void send({ seen: sights[0]! });
		if (!understood?.ok) {
			const title = understood
				? understood.faults[0]!.message
				: turned
					? 'Type the angle it was turned.'
					: 'Type the torque it reached.';
			refusal = { status: 422, title };
			return;
		}
		if (turned) return void send({ angle: withMeantUnit(text, '°') });
		// Kept as it is at the joint; with an adapter the wrench shows another number.
		void send({
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

<section bind:this={section} class="panel p-4" aria-labelledby="joint-name">
	<div class="flex flex-wrap items-baseline justify-between gap-x-4">
		<h1 id="joint-name" class="text-2xl">{joint.name}</h1>
		<StateMark
			mark={jointMarks[status.state].mark}
			word={jointMarks[status.state].word}
			class="text-lg"
		/>
	</div>
	<p class="text-[15px] text-soft">
		{jointKindNames[joint.kind]}{joint.oneTime ? ' · new hardware, used once' : ''}{joint.tool ===
		'hand'
			? ' · by hand only, no impact gun'
			: ''}{joint.holdStud ? ' · hold the stud' : ''}{joint.note ? ` · ${joint.note}` : ''}
	</p>
	{#if status.reason}<p
			class="mt-1 {status.state === 'again' ? 'font-semibold text-madder' : 'text-ochre'}"
		>
			{status.reason}
		</p>{/if}
	{#if list.length > 1}<p class="mt-1 text-lg font-semibold">
			{stepWords(joint, list, index)}
		</p>{/if}

	<div class="mt-1 flex flex-wrap items-end gap-x-8 gap-y-2">
		<p class="min-w-0">
			<span class="caption block">
				{#if turned}{step.kind === 'slacken' ? 'Slacken by' : 'Turn further by'}
				{:else if adapter && fit?.ok}On the wrench, for {units.show(step.torqueNm!, 'torque')} at the
					joint
				{:else}{castle ? 'Low limit' : 'Specified'}{joint.torqueSource
						? `, ${sources[joint.torqueSource]}`
						: ''}{prevailingNm
						? `, run-down of ${units.show(prevailingNm, 'torque')} added`
						: ''}{/if}
			</span>
			{#if turned}
				<span class="num text-[84px] leading-none"
					>{step.kind === 'slacken' ? '−' : '+'}{step.angleDeg}<span class="text-5xl">°</span></span
				>
			{:else if onWrench === undefined}
				<span class="num text-4xl text-soft"
					>{numbered
						? 'not given'
						: sights.length === 1
							? sightNames[sights[0]!]
							: 'no number'}</span
				>
			{:else}
				<span class="num text-[84px] leading-none"
					>{bare(onWrench)}<span class="ms-2 text-3xl font-medium text-soft">{unit}</span></span
				>
			{/if}
		</p>
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
		{#if !job.record.signedAt}
			<div class="ms-auto flex flex-wrap gap-2 pb-1">
				{#each sights as sight (sight)}
					<ActionButton
						weight="main"
						data-main
						disabled={busy}
						onclick={() => send({ seen: sight })}>{sightNames[sight]}</ActionButton
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
	{#if wet}
		<p class="mt-1 text-[15px] text-ochre">
			{threadConditionNames[joint.thread!.condition]} thread: {units.show(
				joint.torqueNm!,
				'torque'
			)} dry becomes {units.show(wet.torqueNm, 'torque')} ({formatNumber(wet.share * 100, 0)} %), for
			the same clamp of {formatNumber(wet.clampN / 1000, 1)}&nbsp;kN. The maker’s word on grease
			goes first.
		</p>
	{/if}

	{#if !job.record.signedAt}
		<RefusalNotice {refusal} />
		<form id={formId} class="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2" onsubmit={record}>
			{#if skipping}
				<Field
					label="Why it is passed over"
					bind:value={skipReason}
					maxlength={500}
					hint="It stays owed; the reason stands on record"
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
							{:else}As said: {turned ? '90' : '75 ft-lb, 100'}{/if}
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
				{#if castle && step.kind === 'castle'}
					<div class="flex flex-wrap items-end gap-x-4 sm:col-span-2">
						<Field
							label="To the next slot, °"
							bind:value={castleTurn}
							inputmode="decimal"
							hint="0 to {castle.slotDeg}, from the low limit"
							class="w-44"
						/>
						{#if slot}
							<p class="pb-6 {slot.refused ? 'font-semibold text-madder' : 'text-spruce'}">
								{slot.refused
									? `✕ About ${units.show(slot.torqueNm, 'torque')} there: over the high limit. Another nut or washer`
									: `✓ About ${units.show(slot.torqueNm, 'torque')} there: within its limits`}
							</p>
						{/if}
					</div>
				{/if}
				{#if joint.rule === 'ride-height' && car.carState === 'hanging'}
					<p class="text-[15px] text-soft sm:col-span-2">
						Tightened hanging, this bush would stay twisted all its life: it is kept as nipped and
						stays owed until it is set at ride height.
					</p>
				{:else if joint.rule === 'wheels-on-ground' && car.stance !== 'on-wheels'}
					<p class="text-[15px] text-soft sm:col-span-2">
						Wheel fasteners count once they are torqued with the car on its wheels, in a star, in
						two passes.
					</p>
				{/if}
				{#if skippable}
					<div class="sm:col-span-2">
						<ActionButton onclick={() => (skipping = true)}>Pass over …</ActionButton>
					</div>
				{/if}
			{/if}
		</form>
	{/if}

	{#if rows.length}
		<TorqueRows
			{rows}
			steps={list.length}
			oncorrect={(row) => {
				correcting = row;
				text = row.entered.replace(/\s*N·m$/, unit === 'N·m' ? '' : ' N·m');
				input?.focus();
			}}
			onwithdraw={(row) => send({ withdraw: true, correctsId: row.id })}
		/>
	{/if}
</section>
