<script lang="ts">
	import type { Axle } from '$core/height/corners';
	import { schoolKeys, schools } from '$core/height/schools';
	import { furtherMeasures } from '$core/job/corner';
	import { findLayout } from '$core/layout/catalogue';
	import { faultOf, type Refusal } from '$lib/client/api';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import type { VehicleForm } from './vehicle-form';

	/** Sizes of an axle and its corner by tape or by hardpoints: what is known narrows every figure. */
	interface Props {
		axle: Axle;
		name: string;
		form: VehicleForm[Axle];
		refusal?: Refusal;
	}
	let { axle, name: axleName, form = $bindable(), refusal }: Props = $props();
	const layout = $derived(findLayout(form.layout));
	const fault = (field: string) => faultOf(refusal, field);
	const schoolItems = schoolKeys.map((key) => ({ value: key, name: schools[key].name }));
	const hardpointFault = $derived(
		refusal?.faults?.find(({ field }) => field.startsWith(`${axle}.hardpoints`))
	);
</script>

<fieldset class="panel p-4">
	<legend class="px-1 text-lg font-bold">{axleName}</legend>
	<div class="grid gap-4 sm:grid-cols-2">
		<QuantityField
			label="Track"
			dimension="length"
			bind:value={form.track}
			fault={fault(`${axle}.track`)}
			hint="Until it is measured a usual one stands in"
		/>
		<Field
			label="Tyre size"
			bind:value={form.tyreSize}
			fault={fault(`${axle}.tyreSize`)}
			placeholder="205/55 R16"
			maxlength={40}
		/>
		<QuantityField
			label="Maker’s ride height"
			dimension="length"
			bind:value={form.makerHeight}
			fault={fault(`${axle}.makerHeight`)}
			hint="If the maker gives one"
		/>
		<SelectField
			label="Measured"
			bind:value={form.makerHeightSchool}
			items={schoolItems}
			fault={fault(`${axle}.makerHeightSchool`)}
		/>
	</div>
	<details
		class="mt-4"
		open={Boolean(
			form.armLength ||
			form.outerBelowInner ||
			fault(`${axle}.outerBelowInner`) ||
			fault(`${axle}.referenceHubToArch`)
		)}
	>
		<summary class="touch flex items-center font-semibold"
			>Arm by tape: narrows the twist figures</summary
		>
		<div class="grid gap-4 pt-2 sm:grid-cols-2">
			<QuantityField
				label="Arm length"
				dimension="length"
				bind:value={form.armLength}
				fault={fault(`${axle}.armLength`)}
				hint={layout?.tape.armLength}
			/>
			<QuantityField
				label="Joint below pivot"
				dimension="length"
				bind:value={form.outerBelowInner}
				fault={fault(`${axle}.outerBelowInner`)}
				hint={layout?.tape.outerBelowInner}
			/>
			<QuantityField
				label="Taped at hub to arch"
				dimension="length"
				bind:value={form.referenceHubToArch}
				fault={fault(`${axle}.referenceHubToArch`)}
				hint="Read while the drop was taped"
			/>
			<QuantityField
				label="Wheel rate"
				dimension="rate"
				bind:value={form.wheelRate}
				fault={fault(`${axle}.wheelRate`)}
				hint="If known; else {layout?.assumed.wheelRateNPerMm} N/mm is assumed"
			/>
		</div>
	</details>
	{#if layout}
		<details
			class="mt-2"
			open={Object.values(form.tape).some(Boolean) ||
				Object.keys(furtherMeasures(layout.key)).some((name) => fault(`${axle}.tape.${name}`))}
		>
			<summary class="touch flex items-center font-semibold"
				>The rest of the corner by tape: draws it as it is</summary
			>
			<div class="grid gap-4 pt-2 sm:grid-cols-2">
				{#each Object.entries(furtherMeasures(layout.key)) as [name, measure] (name)}
					<QuantityField
						label={measure.label.charAt(0).toUpperCase() + measure.label.slice(1)}
						dimension={measure.unit === 'deg' ? 'angle' : 'length'}
						bind:value={() => form.tape[name] ?? '', (text) => (form.tape[name] = text)}
						fault={fault(`${axle}.tape.${name}`)}
						hint={layout.assumed.measures[name] === undefined
							? 'Left out unless taped'
							: `Else ${layout.assumed.measures[name]} ${measure.unit === 'deg' ? '°' : 'mm'} is assumed`}
					/>
				{/each}
			</div>
		</details>
		<details class="mt-2" open={Boolean(form.hardpoints || hardpointFault)}>
			<summary class="touch flex items-center font-semibold"
				>Hardpoints of the left side: go before the tape</summary
			>
			<label for="{axle}-hardpoints" class="text-[15px]"
				>JSON as the computation corner-sweep takes it, layout {layout.mechanism}, mm, at the hub to
				arch noted above</label
			>
			<textarea
				id="{axle}-hardpoints"
				rows="6"
				spellcheck="false"
				bind:value={form.hardpoints}
				aria-invalid={hardpointFault ? 'true' : undefined}
				class="mt-1 w-full rounded-[3px] border bg-panel p-2 font-mono text-[14px] {hardpointFault
					? 'border-2 border-madder'
					: 'border-edge'}"></textarea>
			{#if hardpointFault}<p class="text-[15px] font-medium text-madder">
					✕ {hardpointFault.field.replace(`${axle}.hardpoints`, 'hardpoints')}: {hardpointFault.message}
				</p>{/if}
		</details>
	{/if}
</fieldset>
