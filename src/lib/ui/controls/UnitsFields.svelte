<script lang="ts">
	import { units } from '$core/units/dimensions';
	import type { UnitPreference } from '$core/units/format';
	import Choice from './Choice.svelte';
	import SelectField from './SelectField.svelte';

	let { value = $bindable() }: { value: UnitPreference } = $props();
</script>

<div class="flex flex-wrap gap-x-8 gap-y-3">
	<Choice
		label="Lengths"
		bind:value={value.system}
		options={[
			{ value: 'metric', name: 'mm' },
			{ value: 'imperial', name: 'inches' }
		]}
	/>
	<SelectField
		class="w-40"
		label="Torque"
		bind:value={value.torque}
		items={units.torque.map((unit) => ({ value: unit.symbol, name: unit.symbol }))}
	/>
</div>
