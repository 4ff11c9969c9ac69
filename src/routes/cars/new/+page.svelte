<script lang="ts">
	import { goto } from '$app/navigation';
	import { call, type Refusal } from '$lib/client/api';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import VehicleFields from '$lib/ui/cars/VehicleFields.svelte';
	import { emptyForm, toInput } from '$lib/ui/cars/vehicle-form';
	import { v7 as uuidv7 } from 'uuid';

	let { data } = $props();
	const units = personalUnits();
	const id = uuidv7();
	// svelte-ignore state_referenced_locally (the form starts with the plate that was searched for)
	let form = $state({ ...emptyForm(), plate: data.plate });
	let refusal = $state<Refusal>();
	let busy = $state(false);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call('POST', '/vehicles', toInput(form, id, units.choice));
		busy = false;
		if (answer.ok) await goto(data.forJob ? `/jobs/new?car=${id}` : `/cars/${id}`);
		else refusal = answer.refusal;
	}
</script>

<form class="mx-auto max-w-[1240px] p-4 md:p-6" onsubmit={save} novalidate>
	<h1 class="mb-4 text-3xl">New car</h1>
	<div class="mb-4"><RefusalNotice {refusal} /></div>
	<VehicleFields bind:form {refusal} />
	<div class="mt-6 flex gap-3">
		<ActionButton weight="main" type="submit" disabled={busy}
			>{data.forJob ? 'Keep the car and go on' : 'Keep the car'}</ActionButton
		>
		<ActionButton class="min-h-16" href={data.forJob ? '/jobs/new' : '/cars'}>Cancel</ActionButton>
	</div>
</form>
