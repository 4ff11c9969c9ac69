<script lang="ts">
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Conditions, Phase } from '$core/job/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	let { phase }: { phase: Phase } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	const set = $derived(job.record.heightSets[phase]);
	const checks = [
		['levelFloor', 'Level floor'],
		['rolledAndBounced', 'Rolled back and forth, bounced'],
		['steeringAhead', 'Steering straight ahead'],
		['brakesOff', 'Brakes off']
	] as const;

	let open = $state(false);
	let form = $state(start());
	let resolution = $state('');

	function start(): Conditions {
		const before =
			job.record.heightSets[phase]?.conditions ?? job.record.heightSets.before?.conditions;
		return before
			? { ...before }
			: {
					levelFloor: false,
					rolledAndBounced: false,
					steeringAhead: false,
					brakesOff: false,
					tyrePressures: '',
					fuel: '',
					load: ''
				};
	}

	function edit() {
		form = start();
		write.begin();
		const step = set?.resolutionMm ?? (units.choice.length === 'in' ? 25.4 / 16 : 1);
		resolution = units.show(step, 'length', { decimals: units.choice.length === 'in' ? 4 : 1 });
		open = true;
	}

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (await write.send('conditions', phase, { conditions: form, resolution })) open = false;
	}
	const said = $derived(
		set &&
			[
				checks
					.filter(([key]) => !set.conditions[key])
					.map(([, name]) => `not: ${name.toLowerCase()}`)
					.join(', ') || 'level floor, bounced, straight, brakes off',
				set.conditions.tyrePressures,
				set.conditions.fuel && `fuel ${set.conditions.fuel}`,
				set.conditions.load
			]
				.filter(Boolean)
				.join(' · ')
	);
</script>

{#if open}
	<form class="panel space-y-4 p-4" onsubmit={save}>
		<h2 class="text-lg">How the car stands</h2>
		<RefusalNotice refusal={write.refusal} />
		<div class="grid gap-2 sm:grid-cols-2">
			{#each checks as [key, name] (key)}
				<Tick bind:checked={form[key]}>{name}</Tick>
			{/each}
		</div>
		<div class="grid gap-4 sm:grid-cols-2">
			<Field
				label="Tyre pressures, cold"
				bind:value={form.tyrePressures}
				maxlength={120}
				placeholder="2.3 bar front, 2.2 rear"
			/>
			<Field label="Fuel" bind:value={form.fuel} maxlength={120} placeholder="half" />
			<Field label="Load" bind:value={form.load} maxlength={120} placeholder="empty" />
			<QuantityField label="Smallest step of the tape" dimension="length" bind:value={resolution} />
		</div>
		<div class="flex gap-3">
			<ActionButton weight="main" type="submit">Keep</ActionButton><ActionButton
				class="min-h-16"
				onclick={() => (open = false)}>Cancel</ActionButton
			>
		</div>
	</form>
{:else}
	<div
		class="flex flex-wrap items-center gap-3 rounded-[3px] {set ? '' : 'bg-ochre-wash'} px-3 py-1"
	>
		<span class="me-auto text-[15px]">
			{#if set}<span class="text-soft">The car stands: {said}</span>
			{:else}<StateMark mark="note" word="Not noted yet how the car stands" />{/if}
		</span>
		{#if !job.record.signedAt}<ActionButton onclick={edit}
				>{set ? 'Change' : 'Note it'}</ActionButton
			>{/if}
	</div>
{/if}
