<script lang="ts">
	import { layoutsFor } from '$core/layout/catalogue';
	import { checkVin } from '$core/vehicle/vin';
	import { faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import AxleFields from './AxleFields.svelte';
	import type { VehicleForm } from './vehicle-form';

	interface Props {
		form: VehicleForm;
		refusal?: Refusal;
		/** All of it at once: a car that is on record is changed. */
		full?: boolean;
	}
	let { form = $bindable(), refusal, full = false }: Props = $props();

	/** All but what a job needs is folded away for a new car; open where something of it is known or refused. */
	// svelte-ignore state_referenced_locally
	let more = $state(full);
	const first = ['plate', 'make', 'model', 'owner', 'phone', 'front.layout', 'rear.layout'];
	$effect(() => {
		if (refusal?.faults?.some(({ field }) => !first.includes(field))) more = true;
	});
	const fault = (field: string) => faultOf(refusal, field);
	const vinHint = $derived.by(() => {
		const vin = form.vin.trim().toUpperCase();
		if (!vin) return 'Optional, 17 characters';
		const check = checkVin(vin);
		if (!check.wellFormed)
			return `${vin.length} of 17 characters; letters and digits without I, O, Q`;
		return check.checkDigitMatches
			? 'Check digit agrees'
			: `Check digit would be ${check.expectedCheckDigit}: look again, unless the maker does not use one`;
	});
	const axles = [
		{ key: 'front', name: 'Front axle' },
		{ key: 'rear', name: 'Rear axle' }
	] as const;
</script>

<div class="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
	<Field
		label="Plate"
		bind:value={form.plate}
		fault={fault('plate')}
		required
		autocapitalize="characters"
		maxlength={20}
	/>
	<Field label="Make" bind:value={form.make} fault={fault('make')} hint="Optional" maxlength={60} />
	<Field
		label="Model"
		bind:value={form.model}
		fault={fault('model')}
		hint="Optional; with it torques of its like are known"
		maxlength={60}
	/>
	<Field
		label="Owner"
		bind:value={form.owner}
		fault={fault('owner')}
		maxlength={120}
		hint="Optional"
	/>
	<Field
		label="Telephone"
		bind:value={form.phone}
		fault={fault('phone')}
		maxlength={40}
		inputmode="tel"
		hint="Optional: to call when the wheels are due"
	/>
	{#each axles as { key, name } (key)}
		<SelectField
			label="{name}: layout"
			class="lg:col-span-2"
			bind:value={form[key].layout}
			items={layoutsFor(key).map((l) => ({ value: l.key, name: l.name }))}
			fault={fault(`${key}.layout`)}
		/>
	{/each}
</div>

{#if !more}
	<div class="mt-4">
		<ActionButton onclick={() => (more = true)}
			>More of the car: year, VIN, sizes, tyres, maker’s heights, tape …</ActionButton
		>
	</div>
{:else}
	<div class="mt-4 grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
		<Field
			label="Model year"
			bind:value={form.modelYear}
			fault={fault('modelYear')}
			inputmode="numeric"
			hint="Optional"
		/>
		<Field
			label="VIN"
			class="lg:col-span-2"
			bind:value={form.vin}
			fault={fault('vin')}
			hint={vinHint}
			autocapitalize="characters"
			maxlength={17}
		/>
		<QuantityField
			label="Wheelbase"
			dimension="length"
			bind:value={form.wheelbase}
			fault={fault('wheelbase')}
			hint="Until it is measured a usual one stands in"
		/>
		<Field
			label="Modifications"
			class="sm:col-span-2 lg:col-span-4"
			bind:value={form.modifications}
			fault={fault('modifications')}
			hint="Lowered, wheels, bars, tow bar: what differs from the maker’s car"
		/>
	</div>

	<div class="mt-6 grid gap-5 lg:grid-cols-2">
		{#each axles as { key, name } (key)}
			<AxleFields {name} axle={key} bind:form={form[key]} {refusal} />
		{/each}
	</div>
{/if}
