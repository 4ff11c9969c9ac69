<script lang="ts">
	import { wrenchKindNames, wrenchKinds, type WrenchKind } from '$core/fastener/rack';
	import { withMeantUnit } from '$core/units/parse';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import { refresh } from '$lib/client/refresh';
	import { personalUnits } from '$lib/client/units';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import Tick from '$lib/ui/controls/Tick.svelte';

	interface Props {
		/** The wrench to change; without it a new one is added. */
		wrench?: ShopWrench;
		onclose: () => void;
	}
	let { wrench, onclose }: Props = $props();
	const units = personalUnits();
	// svelte-ignore state_referenced_locally (the form is made anew for each wrench)
	const start = wrench;
	const form = $state({
		name: start?.name ?? '',
		kind: (start?.kind ?? 'click') as WrenchKind,
		lowest: start?.entered.lowestNm ?? '',
		highest: start?.entered.highestNm ?? '',
		length: start?.entered.lengthMm ?? '',
		retired: start?.retired ?? false
	});
	let refusal = $state<Refusal>();

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const body = {
			...form,
			lowest: withMeantUnit(form.lowest, units.choice.torque),
			highest: withMeantUnit(form.highest, units.choice.torque),
			length: withMeantUnit(form.length, units.choice.length)
		};
		const answer = start
			? await call('PUT', `/wrenches/${start.id}`, { ...body, version: start.version })
			: await call('POST', '/wrenches', { ...body, id: uuidv7() });
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		await refresh();
		onclose();
	}
</script>

<form
	class="panel space-y-4 border-2 border-spruce p-4"
	onsubmit={save}
	novalidate
	data-draft="wrench {wrench?.id ?? 'new'}"
>
	<h2 class="text-xl">{start ? start.name : 'A wrench for the rack'}</h2>
	<RefusalNotice {refusal} fields={['name', 'lowest', 'highest', 'length']} />
	<div class="grid gap-4 sm:grid-cols-2">
		<Field
			label="Name"
			bind:value={form.name}
			fault={faultOf(refusal, 'name')}
			maxlength={80}
			hint="As it is called in the shop"
		/>
		<QuantityField
			label="Grip to drive"
			dimension="length"
			bind:value={form.length}
			fault={faultOf(refusal, 'length')}
			hint="Middle of the grip to the drive; needed with an adapter"
		/>
		<QuantityField
			label="Lowest on its scale"
			dimension="torque"
			bind:value={form.lowest}
			fault={faultOf(refusal, 'lowest')}
		/>
		<QuantityField
			label="Highest on its scale"
			dimension="torque"
			bind:value={form.highest}
			fault={faultOf(refusal, 'highest')}
			hint="In the unit it is marked in"
		/>
	</div>
	<Choice
		label="Kind"
		bind:value={form.kind}
		options={wrenchKinds.map((value) => ({ value, name: wrenchKindNames[value] }))}
	/>
	{#if start}<Tick bind:checked={form.retired}
			>Retired: kept for the records, not picked any more</Tick
		>{/if}
	<div class="flex gap-3">
		<ActionButton weight="main" type="submit">{start ? 'Keep' : 'Add the wrench'}</ActionButton>
		<ActionButton class="min-h-16" onclick={onclose}>Cancel</ActionButton>
	</div>
</form>
