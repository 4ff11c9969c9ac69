<script lang="ts">
	import { plausibleTorque } from '$core/fastener/plausibility';
	import {
		lubricatedTorque,
		threadConditionNames,
		threadConditions
	} from '$core/fastener/lubrication';
	import { propertyClasses, threadName } from '$core/fastener/thread';
	import { formatNumber } from '$core/units/format';
	import { faultOf, type Refusal } from '$lib/client/api';
	import { personalUnits } from '$lib/client/units';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { shapes, threadInput, type ProgrammeForm } from './programme-form';

	/** How a joint is tightened besides its torque, and what thread it has. */
	interface Props {
		form: ProgrammeForm;
		kind: string;
		/** The specified torque as understood; undefined while it is not. */
		torqueNm?: number;
		refusal?: Refusal;
	}
	let { form = $bindable(), kind, torqueNm, refusal }: Props = $props();
	const units = personalUnits();
	const fault = (field: string) => faultOf(refusal, field);
	const show = (nm: number) => units.show(nm, 'torque');
	const thread = $derived(threadInput(form));
	const plausibility = $derived.by(() => {
		if (!thread || torqueNm === undefined) return undefined;
		const found = plausibleTorque({ ...thread, torqueNm });
		return found.ok ? found.value : undefined;
	});
	const wet = $derived.by(() => {
		if (!thread || torqueNm === undefined || thread.condition === 'as-specified') return undefined;
		const found = lubricatedTorque(thread, torqueNm, thread.condition);
		return found.ok ? found.value : undefined;
	});
	const shapeItems = $derived(
		Object.entries(shapes)
			.filter(([value]) => value !== 'other' || form.shape === 'other')
			.map(([value, name]) => ({ value, name }))
	);
	const counts = ['1', '3', '4', '5', '6', '8'].map((value) => ({
		value,
		name: value === '1' ? 'One fastener' : `${value} in a star`
	}));
</script>

{#if kind === 'cushion'}
	<SelectField
		label="Ends"
		bind:value={form.cushionTo}
		items={[
			{ value: '', name: 'At either' },
			{ value: 'washer-edge', name: 'Rubber at the washer’s edge' },
			{ value: 'shoulder', name: 'Down on the shoulder' }
		]}
	/>
{:else}
	<SelectField
		label="Tightened"
		bind:value={form.shape}
		items={shapeItems}
		fault={fault('programme')}
	/>
	{#if form.shape === 'repeat'}
		<Field
			label="Slacken by, °"
			bind:value={form.slacken}
			fault={fault('programme.then.0.angle')}
		/>
		<QuantityField
			label="Then to"
			dimension="torque"
			bind:value={form.again}
			fault={fault('programme.then.1.torque')}
		/>
	{/if}
	{#if form.shape === 'angle' || form.shape === 'repeat'}
		<Field
			label="Then turn, °"
			bind:value={form.angle}
			inputmode="decimal"
			hint={form.shape === 'repeat' ? 'Optional' : 'After the torque'}
			fault={fault('programme.then.0.angle') && form.shape === 'angle'
				? fault('programme.then.0.angle')
				: fault('programme.then.2.angle')}
		/>
	{/if}
	{#if form.shape === 'angle' || (form.shape === 'repeat' && form.angle.trim())}
		<Field
			label="Give or take, °"
			bind:value={form.tolerance}
			inputmode="decimal"
			hint="Optional: as the maker has it"
			fault={fault('programme.then.0.tolerance') ?? fault('programme.then.2.tolerance')}
		/>
	{/if}
	{#if form.shape === 'castle'}
		<QuantityField
			label="High limit"
			dimension="torque"
			bind:value={form.high}
			hint="The specified torque is the low limit"
			fault={fault('programme.castle.high')}
		/>
		<SelectField
			label="A slot meets the hole"
			bind:value={form.slot}
			items={[
				{ value: '60', name: 'every 60°: one hole' },
				{ value: '30', name: 'every 30°: crossed holes' }
			]}
		/>
	{:else}
		<SelectField
			label="Fasteners"
			bind:value={form.fasteners}
			items={counts}
			fault={fault('programme.pattern')}
		/>
		{#if form.fasteners !== '1'}
			<SelectField
				label="Passes"
				bind:value={form.passes}
				items={[
					{ value: '1', name: 'One' },
					{ value: '2', name: 'Two: half, then whole' }
				]}
			/>
		{/if}
	{/if}
	<QuantityField
		label="Run-down of the nut"
		dimension="torque"
		bind:value={form.prevailing}
		hint="Measured on a nut that grips; added to every torque"
		fault={fault('programme.prevailing')}
	/>
	<div class="grid grid-cols-2 gap-3">
		<QuantityField
			label="Adapter"
			dimension="length"
			bind:value={form.adapterLength}
			hint="Only if one is needed"
			fault={fault('programme.adapter.length')}
		/>
		<Field
			label="at an angle of, °"
			bind:value={form.adapterAngle}
			inputmode="decimal"
			hint="0 in line, 90 changes nothing"
			fault={fault('programme.adapter.angleDeg')}
		/>
	</div>
	<SelectField
		label="Thread"
		bind:value={form.thread}
		items={[
			{ value: '', name: 'Not known' },
			...form.threads.map((one) => ({ value: threadName(one), name: threadName(one) }))
		]}
		fault={fault('thread.pitchMm')}
	/>
	{#if form.thread}
		<SelectField
			label="Class"
			bind:value={form.propertyClass}
			items={propertyClasses.map((value) => ({ value, name: value }))}
		/>
		<SelectField
			label="Thread goes together"
			bind:value={form.condition}
			items={threadConditions.map((value) => ({ value, name: threadConditionNames[value] }))}
		/>
	{/if}
	{#if plausibility && !plausibility.plausible}
		<p role="alert" class="text-[15px] text-madder sm:col-span-2">
			<b>✕ Wrong unit or thread?</b> About {show(plausibility.referenceNm)} is usual for {form.thread}
			of class {form.propertyClass}; this is {formatNumber(plausibility.share * 100, 0)} % of it.
			{#if plausibility.likely.length}Perhaps {plausibility.likely.join(', or ')}.{/if}
		</p>
	{/if}
	{#if wet}
		<p class="text-[15px] text-ochre sm:col-span-2">
			◇ Pulled to {show(wet.torqueNm)} instead: {formatNumber(wet.share * 100, 0)} % gives the same clamp
			of {formatNumber(wet.clampN / 1000, 1)} kN on this thread{kind === 'wheel'
				? '. Wheel fasteners stay dry unless the maker says otherwise'
				: ''}.
		</p>
	{/if}
{/if}
