<script lang="ts">
	import { formatNumber } from '$core/units/format';
	import type { ShopWrench } from '$lib/rack/model';
	import Field from '$lib/ui/controls/Field.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import type { Pull } from './pull.svelte';
	import { scaleWords } from './step-words';

	/** The wrench in hand: of the rack, with what is to be said of it, or another by its name. */
	let { pull, rack }: { pull: Pull; rack: readonly ShopWrench[] } = $props();
	const { wrench, fit, calibration } = $derived(pull);
	const adapter = $derived(pull.joint.programme?.adapter);
	const items = $derived([
		...rack.map((one) => ({ value: one.id, name: `${one.name}, ${scaleWords(one)}` })),
		{ value: '', name: 'Another, not of the rack' }
	]);
</script>

<div class="space-y-2">
	{#if rack.length}
		<SelectField label="Wrench" bind:value={() => pull.wrenchId, (id) => pull.choose(id)} {items} />
	{/if}
	{#if !wrench}
		<Field
			label={rack.length ? 'Its name' : 'Wrench'}
			bind:value={pull.otherWrench}
			maxlength={80}
			hint="Optional"
			autocomplete="off"
		/>
	{:else if fit && !fit.ok}
		<p class="text-[15px] text-madder">✕ {fit.faults[0]!.message}</p>
		<Field
			label="Used all the same, because"
			bind:value={pull.overrideReason}
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
