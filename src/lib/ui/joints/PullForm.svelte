<script lang="ts">
	import type { Joint } from '$core/job/model';
	import { formatNumber } from '$core/units/format';
	import { later } from '$lib/client/later';
	import { personalUnits } from '$lib/client/units';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import NumberEntry from '$lib/ui/controls/NumberEntry.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import type { Standing } from '$lib/ui/round/round.svelte';
	import type { Pull, Said } from './pull.svelte';
	import WrenchField from './WrenchField.svelte';

	/** One pull of a joint as it is typed: the torque reached and with which wrench; or why it is passed over. */
	interface Props {
		/** Of the form: its button may stand elsewhere. */
		id: string;
		pull: Pull;
		joint: Joint;
		car: Standing;
		rack: ShopWrench[];
		skippable: boolean;
		onchange?: () => void;
		ontold: (said: Said) => void;
		/** Where the number is typed. */
		input?: HTMLInputElement;
	}
	let {
		id,
		pull,
		joint,
		car,
		rack,
		skippable,
		onchange,
		ontold,
		input = $bindable()
	}: Props = $props();
	const units = personalUnits();
	const step = $derived(pull.step);
	const { castle, prevailingNm } = $derived(joint.programme ?? {});
	const slot = later(() => import('./CastleSlot.svelte'));

	/** Never as a number: a lead looks at it before the car goes. */
	const byFeel = 'Tight by feel: no torque wrench fits';
	/** A key that is held down is one pull, not many. */
	function onePull(event: KeyboardEvent) {
		if (event.key === 'Enter' && event.repeat) event.preventDefault();
	}
	function record(event: SubmitEvent) {
		event.preventDefault();
		// A foot switch may bounce: the same pull is not told twice while it is being kept.
		const said = pull.busy && !pull.correcting ? undefined : pull.typed();
		if (said) ontold(said);
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions (a held Enter is stopped here) -->
<form {id} class="mt-2 grid gap-x-4 gap-y-3 sm:grid-cols-2" onsubmit={record} onkeydown={onePull}>
	{#if pull.skipping}
		<Field
			label="Why it is passed over"
			bind:value={pull.skipReason}
			maxlength={500}
			hint="It stays to be done; the reason stands on record"
		/>
		<div class="flex flex-wrap items-end gap-2 pb-1">
			{#if pull.numbered}<ActionButton class="min-h-16" onclick={() => (pull.skipReason = byFeel)}
					>No torque wrench fits</ActionButton
				>{/if}
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
				Tightened hanging, this bush would stay twisted all its life: it is kept as nipped and stays
				owed until it is set at ride height.
			</p>
		{:else if joint.rule === 'wheels-on-ground' && car.method !== 'on-wheels'}
			<p class="text-[15px] text-soft sm:col-span-2">
				Wheel fasteners count once they are torqued with the car on its wheels, in a star, in two
				passes.
			</p>
		{/if}
		<div class="flex flex-wrap gap-2 sm:col-span-2">
			{#if skippable}<ActionButton onclick={() => (pull.skipping = true)}>Pass over …</ActionButton
				>{/if}
			{#if onchange}<ActionButton onclick={onchange}>Change this joint …</ActionButton>{/if}
		</div>
	{/if}
</form>
