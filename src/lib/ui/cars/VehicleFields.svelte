<script lang="ts">
	import { findLayout, layoutsFor } from '$core/layout/catalogue';
	import { schoolKeys, schools } from '$core/height/schools';
	import { checkVin } from '$core/vehicle/vin';
	import { faultOf, type Refusal } from '$lib/client/api';
	import { furtherMeasures } from '$core/job/corner';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
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
	const schoolItems = schoolKeys.map((key) => ({ value: key, name: schools[key].name }));
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
			{@const layout = findLayout(form[key].layout)}
			<fieldset class="panel p-4">
				<legend class="px-1 text-lg font-bold">{name}</legend>
				<div class="grid gap-4 sm:grid-cols-2">
					<QuantityField
						label="Track"
						dimension="length"
						bind:value={form[key].track}
						fault={fault(`${key}.track`)}
						hint="Until it is measured a usual one stands in"
					/>
					<Field
						label="Tyre size"
						bind:value={form[key].tyreSize}
						fault={fault(`${key}.tyreSize`)}
						placeholder="205/55 R16"
						maxlength={40}
					/>
					<QuantityField
						label="Maker’s ride height"
						dimension="length"
						bind:value={form[key].makerHeight}
						fault={fault(`${key}.makerHeight`)}
						hint="If the maker gives one"
					/>
					<SelectField
						label="Measured"
						bind:value={form[key].makerHeightSchool}
						items={schoolItems}
						fault={fault(`${key}.makerHeightSchool`)}
					/>
				</div>
				<details
					class="mt-4"
					open={Boolean(
						form[key].armLength ||
						form[key].outerBelowInner ||
						fault(`${key}.outerBelowInner`) ||
						fault(`${key}.referenceHubToArch`)
					)}
				>
					<summary class="touch flex items-center font-semibold"
						>Arm by tape: narrows the twist figures</summary
					>
					<div class="grid gap-4 pt-2 sm:grid-cols-2">
						<QuantityField
							label="Arm length"
							dimension="length"
							bind:value={form[key].armLength}
							fault={fault(`${key}.armLength`)}
							hint={layout?.tape.armLength}
						/>
						<QuantityField
							label="Joint below pivot"
							dimension="length"
							bind:value={form[key].outerBelowInner}
							fault={fault(`${key}.outerBelowInner`)}
							hint={layout?.tape.outerBelowInner}
						/>
						<QuantityField
							label="Taped at hub to arch"
							dimension="length"
							bind:value={form[key].referenceHubToArch}
							fault={fault(`${key}.referenceHubToArch`)}
							hint="Read while the drop was taped"
						/>
						<QuantityField
							label="Wheel rate"
							dimension="rate"
							bind:value={form[key].wheelRate}
							fault={fault(`${key}.wheelRate`)}
							hint="If known; else {layout?.assumed.wheelRateNPerMm} N/mm is assumed"
						/>
					</div>
				</details>
				{#if layout}
					<details
						class="mt-2"
						open={Object.values(form[key].tape).some(Boolean) ||
							Object.keys(furtherMeasures(layout.key)).some((name) => fault(`${key}.tape.${name}`))}
					>
						<summary class="touch flex items-center font-semibold"
							>The rest of the corner by tape: draws it as it is</summary
						>
						<div class="grid gap-4 pt-2 sm:grid-cols-2">
							{#each Object.entries(furtherMeasures(layout.key)) as [name, measure] (name)}
								<QuantityField
									label={measure.label.charAt(0).toUpperCase() + measure.label.slice(1)}
									dimension={measure.unit === 'deg' ? 'angle' : 'length'}
									bind:value={
										() => form[key].tape[name] ?? '', (text) => (form[key].tape[name] = text)
									}
									fault={fault(`${key}.tape.${name}`)}
									hint={layout.assumed.measures[name] === undefined
										? 'Left out unless taped'
										: `Else ${layout.assumed.measures[name]} ${measure.unit === 'deg' ? '°' : 'mm'} is assumed`}
								/>
							{/each}
						</div>
					</details>
					{@const hardpointFault = refusal?.faults?.find(({ field }) =>
						field.startsWith(`${key}.hardpoints`)
					)}
					<details class="mt-2" open={Boolean(form[key].hardpoints || hardpointFault)}>
						<summary class="touch flex items-center font-semibold"
							>Hardpoints of the left side: go before the tape</summary
						>
						<label for="{key}-hardpoints" class="text-[15px]"
							>JSON as the computation corner-sweep takes it, layout {layout.mechanism}, mm, at the
							hub to arch noted above</label
						>
						<textarea
							id="{key}-hardpoints"
							rows="6"
							spellcheck="false"
							bind:value={form[key].hardpoints}
							aria-invalid={hardpointFault ? 'true' : undefined}
							class="mt-1 w-full rounded-[3px] border bg-panel p-2 font-mono text-[14px] {hardpointFault
								? 'border-2 border-madder'
								: 'border-edge'}"
						></textarea>
						{#if hardpointFault}<p class="text-[15px] font-medium text-madder">
								✕ {hardpointFault.field.replace(`${key}.hardpoints`, 'hardpoints')}: {hardpointFault.message}
							</p>{/if}
					</details>
				{/if}
			</fieldset>
		{/each}
	</div>
{/if}
