<script lang="ts">
	import { jointKindNames } from '$core/layout/types';
	import { loadMethodNames, sightNames, sightsFor, type Sight } from '$core/procedure/facts';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import type { StandingCar } from '$lib/client/car-state.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { outbox } from '$lib/client/outbox.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Joint, Torque } from '$lib/job/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { onMount } from 'svelte';
	import { v7 as uuidv7 } from 'uuid';
	import { jointMarks } from './joint-words';

	interface Props {
		joint: Joint;
		car: StandingCar;
		onrecorded: () => void;
	}
	let { joint, car, onrecorded }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const unit = $derived(units.choice.torque);
	const status = $derived(job.view.standing.joints.get(joint.id)!);
	const rows = $derived(job.record.torques.filter((torque) => torque.jointId === joint.id));
	const counting = $derived(job.view.torques.get(joint.id));
	const sights = $derived(sightsFor(joint.kind, car.carState));
	const numbered = $derived(joint.kind !== 'cushion');
	const sources = {
		maker: 'maker’s data',
		shop: 'the shop’s figure',
		estimated: 'estimated: not the maker’s'
	};

	// The specified torque stands ready, so that Enter alone records a joint that clicked at its number.
	// svelte-ignore state_referenced_locally (the entry is made anew for each joint)
	let text = $state(
		joint.torqueNm === null
			? ''
			: units.show(joint.torqueNm, 'torque', { bare: true }).replace(/\.0$/, '')
	);
	let wrench = $state(lastWrench());
	const formId = $props.id();
	let refusal = $state<Refusal>();
	let busy = $state(false);
	let correcting = $state<Torque>();
	let input = $state<HTMLInputElement>();
	const understood = $derived(
		text.trim()
			? parseQuantity(text, 'torque', { field: 'torque', defaultUnit: unit, min: 0.5, max: 1000 })
			: undefined
	);

	onMount(() => {
		input?.focus({ preventScroll: true });
		input?.select();
	});

	function lastWrench(): string {
		return job.record.torques.findLast((torque) => torque.wrench)?.wrench ?? '';
	}

	async function send(
		what: { torque: string } | { seen: Sight } | { withdraw: true; correctsId: string }
	) {
		busy = true;
		const id = uuidv7();
		const height = withMeantUnit(car.hubToArch, units.choice.length);
		refusal = await outbox.add(`/jobs/${job.record.id}/torques`, {
			id,
			jointId: joint.id,
			wrench: wrench.trim(),
			carState: car.carState,
			...(car.method ? { method: car.method } : {}),
			...(car.method && height ? { hubToArch: height } : {}),
			...(correcting ? { correctsId: correcting.id } : {}),
			takenAt: new Date().toISOString(),
			...what
		});
		busy = false;
		if (refusal) return outbox.drop(id);
		correcting = undefined;
		if (!('withdraw' in what)) onrecorded();
	}

	function record(event: SubmitEvent) {
		event.preventDefault();
		if (!understood?.ok) {
			refusal = {
				status: 422,
				title: understood ? understood.faults[0]!.message : 'Type the torque it reached.'
			};
			return;
		}
		void send({ torque: withMeantUnit(text, unit) });
	}

	const time = (at: string) =>
		new Date(at).toLocaleString('en-GB', {
			day: 'numeric',
			month: 'short',
			hour: '2-digit',
			minute: '2-digit'
		});
</script>

<section class="panel p-4" aria-labelledby="joint-name">
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

	<div class="mt-1 flex flex-wrap items-end gap-x-8 gap-y-2">
		<p>
			<span class="caption block"
				>Specified{joint.torqueSource ? `, ${sources[joint.torqueSource]}` : ''}</span
			>
			{#if joint.torqueNm === null}
				<span class="num text-4xl text-soft">{numbered ? 'not given' : 'no number'}</span>
			{:else}
				<span class="num text-[76px] leading-none"
					>{units.show(joint.torqueNm, 'torque', {
						bare: true,
						decimals: joint.torqueNm < 20 || unit === 'kgf·m' ? 1 : 0
					})}<span class="ms-2 text-3xl font-medium text-soft">{unit}</span></span
				>
			{/if}
		</p>
		{#if !job.record.signedAt}
			<div class="ms-auto flex flex-wrap gap-2 pb-1">
				{#each sights as sight (sight)}
					<ActionButton weight="main" disabled={busy} onclick={() => send({ seen: sight })}
						>{sightNames[sight]}</ActionButton
					>
				{/each}
				{#if correcting}<ActionButton class="min-h-16" onclick={() => (correcting = undefined)}
						>Cancel</ActionButton
					>{/if}
				{#if numbered}
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

	{#if !job.record.signedAt}
		<RefusalNotice {refusal} />
		<form id={formId} class="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2" onsubmit={record}>
			{#if numbered}
				<div>
					<label for="torque" class="text-[15px] font-semibold"
						>{correcting ? `Instead of ${correcting.entered}` : 'Reached'}</label
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
						<span class="text-xl text-soft">{unit}</span>
					</div>
					<p
						id="torque-understood"
						class="mt-1 text-[15px] {understood && !understood.ok ? 'text-madder' : 'text-soft'}"
					>
						{#if understood?.ok}= {units.show(
								understood.value.si,
								'torque'
							)}{:else if understood}{understood.faults[0]!.message}{:else}As said: 75 ft-lb, 100{/if}
					</p>
				</div>
			{/if}
			<Field
				label="Wrench"
				bind:value={wrench}
				maxlength={80}
				hint="Optional, by its name"
				autocomplete="off"
			/>
			{#if joint.rule === 'ride-height' && car.carState === 'hanging'}
				<p class="text-[15px] text-soft sm:col-span-2">
					Tightened hanging, this bush would stay twisted all its life: it is kept as nipped and
					stays owed until it is set at ride height.
				</p>
			{:else if joint.rule === 'wheels-on-ground' && car.stance !== 'on-wheels'}
				<p class="text-[15px] text-soft sm:col-span-2">
					Wheel fasteners count once they are torqued with the car on its wheels, in a star, in two
					passes.
				</p>
			{/if}
		</form>
	{/if}

	{#if rows.length}
		<h2 class="mt-5 text-[15px] font-semibold">On record</h2>
		<ul class="divide-y divide-line border-y border-line">
			{#each rows as row (row.id)}
				{@const counts = counting?.id === row.id}
				<li class="flex min-h-12 flex-wrap items-center gap-x-3 py-1 {counts ? '' : 'text-soft'}">
					<span class="num {counts ? 'text-xl' : 'text-lg'} {row.withdrawn ? 'line-through' : ''}"
						>{row.seen ? sightNames[row.seen] : row.entered}</span
					>
					<span class="caption me-auto">
						{row.carState === 'hanging'
							? 'hanging'
							: `${loadMethodNames[row.method!].toLowerCase()}${row.hubToArchEntered ? ` at ${row.hubToArchEntered}` : ''}`}
						· {job.personName(row.personId)}, {time(row.takenAt)}{row.correctsId
							? row.withdrawn
								? ' · withdraws'
								: ' · corrects'
							: ''}
					</span>
					{#if counts && !job.record.signedAt}
						<ActionButton
							onclick={() => {
								correcting = row;
								text = row.entered.replace(/\s*N·m$/, unit === 'N·m' ? '' : ' N·m');
								input?.focus();
							}}>Correct</ActionButton
						>
						<ActionButton weight="stop" onclick={() => send({ withdraw: true, correctsId: row.id })}
							>Withdraw</ActionButton
						>
					{/if}
				</li>
			{/each}
		</ul>
	{/if}
</section>
