<script lang="ts">
	import type { Dimension } from '$core/units/dimensions';
	import { parseQuantity } from '$core/units/parse';
	import { personalUnits } from '$lib/client/units';
	import type { FieldProps } from './field-props';
	import Field from './Field.svelte';

	let {
		label,
		dimension,
		value = $bindable(''),
		fault,
		hint,
		...rest
	}: FieldProps & { dimension: Dimension } = $props();

	const units = personalUnits();
	/** What was understood, shown at once in the person's own unit. */
	const understood = $derived.by(() => {
		if (!value.trim()) return undefined;
		const parsed = parseQuantity(value, dimension, {
			field: label,
			defaultUnit: units.choice[dimension]
		});
		if (!parsed.ok) return { ok: false, text: parsed.faults[0]!.message };
		return { ok: true, text: `= ${units.show(parsed.value.si, dimension)}` };
	});
</script>

<Field
	{label}
	bind:value
	fault={fault ?? (understood && !understood.ok ? understood.text : undefined)}
	hint={understood?.ok ? understood.text : hint}
	autocomplete="off"
	spellcheck="false"
	placeholder={units.choice[dimension]}
	{...rest}
/>
