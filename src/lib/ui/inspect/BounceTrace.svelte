<script lang="ts">
	import { upwardAcceleration } from '$core/instrument/phone';
	import type { AccelerationResult, BounceResult, Damping } from '$core/ride/bounce';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { noSensor, PhoneMotion } from '$lib/client/phone-motion.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { countOf, readColumns } from '../workbench/frame/columns';
	import TextBlock from '../workbench/frame/TextBlock.svelte';

	/** A bounce read for its damping: felt by this phone on the wing, or from a trace of any logger. */
	let { name, onkeep }: { name: string; onkeep: (read: Damping) => void } = $props();
	const units = personalUnits();
	const phone = new PhoneMotion();
	const felt = $derived(
		!phone.running && phone.samples.length ? upwardAcceleration(phone.samples) : undefined
	);
	const none = noSensor();
	let text = $state('');
	const columns = $derived(readColumns(text));
	const fromPhone = new Live<AccelerationResult>(() =>
		felt?.ok ? { name: 'bounce-acceleration', input: felt.value } : undefined
	);
	const fromTrace = new Live<BounceResult>(() =>
		text.trim()
			? {
					name: 'bounce',
					input: {
						timeS: columns.first,
						heightMm: columns.second.map((value) => units.si(value, 'length'))
					}
				}
			: undefined
	);
	const good = <T extends object>({ value, faults }: Live<T>) =>
		faults.length ? undefined : value;
	const read = $derived<Damping | undefined>(
		felt?.ok ? good(fromPhone) : text.trim() ? good(fromTrace) : undefined
	);
	const fault = $derived(
		phone.fault ??
			(felt && !felt.ok ? felt.faults[0]!.message : undefined) ??
			(felt?.ok && fromPhone.faults.length ? fromPhone.faults[0]!.message : undefined)
	);
</script>

<div class="mt-1 space-y-2">
	{#if none}
		<p class="text-[15px] text-soft">{none}</p>
	{:else if phone.running}
		<p role="status">
			{#if phone.samples.length}
				<span class="num text-2xl">{formatNumber(phone.seconds, 1)}<span class="unit">s</span></span
				>
				Push down three times in its own time, let go, wait until it lies still.
			{:else}
				No sensor has answered yet: this device may have none. A phone laid on the wing has.
			{/if}
		</p>
		<ActionButton class="min-h-14" onclick={() => phone.stop()}>It is at rest: stop</ActionButton>
	{:else}
		<p class="caption">Lay this phone flat on the wing above the wheel, face up.</p>
		<ActionButton class="min-h-14" onclick={() => phone.start()}
			>{phone.samples.length ? 'Record once more' : 'Record with this phone'}</ActionButton
		>
	{/if}
	{#if fault}<p role="alert" class="text-[15px] text-madder">✕ {fault}</p>{/if}
	<TextBlock
		label="Or a trace: time in s, height in {units.choice.length}"
		bind:value={text}
		file
		rows={3}
		hint={text.trim() ? countOf(columns) : 'Two columns, from a file or pasted: any logger will do'}
		fault={text.trim() && fromTrace.faults.length ? fromTrace.faults[0]!.message : undefined}
	/>
	{#if read}
		<p class="text-[15px]" role="status">
			<b>{formatNumber(read.dampingRatio, 2)} of critical</b> ± {formatNumber(
				read.dampingRatioExpanded,
				2
			)}, {formatNumber(read.movements, 1)} movements, {units.show(read.frictionMm, 'length')} of dry
			friction
		</p>
		<ActionButton onclick={() => onkeep(read)}>Keep it for {name}</ActionButton>
	{/if}
</div>
