<script lang="ts">
	import { cornerNames, corners, type Corner } from '$core/height/corners';
	import type { JobPurpose } from '$core/job/model';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import { faultOf, type Refusal } from '$lib/client/api';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import PromiseField from './PromiseField.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	interface Props {
		form: {
			complaint: string;
			odometer: string;
			corners: Corner[];
			technicianId: string;
			/** Only where a job is opened. */
			purpose?: JobPurpose;
			wheelsOff?: boolean;
			/** When the customer was told it would be ready. */
			promisedAt: string | null;
		};
		people: { id: string; name: string }[];
		refusal?: Refusal;
	}
	const sets = [
		['Front axle', ['FL', 'FR']],
		['Rear axle', ['RL', 'RR']],
		['All four', corners]
	] as const;
	let { form = $bindable(), people, refusal }: Props = $props();
</script>

<div class="grid gap-5 md:grid-cols-2">
	{#if form.purpose}
		<div class="md:col-span-2">
			<Choice
				label="What for"
				row
				bind:value={form.purpose}
				options={[
					{ value: 'renew', name: 'Look over and renew' },
					{ value: 'set', name: 'Measure and set only' }
				]}
			/>
			{#if form.purpose === 'set'}
				<p class="mt-1 text-[15px] text-soft">
					Heights, and the rubber loosened and set at ride height; nothing else is undone.
				</p>
				<Tick bind:checked={form.wheelsOff}>Wheels come off</Tick>
			{/if}
		</div>
	{/if}
	<Field
		class="md:col-span-2"
		label="Complaint"
		bind:value={form.complaint}
		fault={faultOf(refusal, 'complaint')}
		maxlength={2000}
		placeholder="Knock over bumps, front left"
		required
	/>
	<QuantityField
		label="Odometer"
		dimension="distance"
		bind:value={form.odometer}
		fault={faultOf(refusal, 'odometer')}
		hint="Optional"
		inputmode="numeric"
	/>
	<SelectField
		label="Technician"
		bind:value={form.technicianId}
		items={people.map((p) => ({ value: p.id, name: p.name }))}
		fault={faultOf(refusal, 'technicianId')}
	/>
	<PromiseField bind:value={form.promisedAt} />
	<fieldset class="md:col-span-2">
		<legend class="mb-1 text-[15px] font-semibold">Corners to work on</legend>
		<div class="mb-2 flex flex-wrap gap-2" role="group" aria-label="At once">
			{#each sets as [name, of] (name)}
				<button
					type="button"
					class="touch rounded-[3px] border border-edge bg-panel px-4 hover:bg-sunk"
					onclick={() => (form.corners = [...of])}>{name}</button
				>
			{/each}
		</div>
		<div class="grid max-w-xl grid-cols-2 gap-2">
			{#each corners as corner (corner)}
				<Tick
					class="min-h-16 rounded-[3px] border border-edge bg-panel px-4 has-checked:border-2 has-checked:border-spruce has-checked:bg-spruce-wash has-focus-visible:outline-3 has-focus-visible:outline-mark"
					bind:checked={
						() => form.corners.includes(corner),
						(on) =>
							(form.corners = corners.filter((one) =>
								one === corner ? on : form.corners.includes(one)
							))
					}><span class="text-lg font-medium">{cornerNames[corner]}</span></Tick
				>
			{/each}
		</div>
		<p
			class="mt-1 text-[15px] {faultOf(refusal, 'corners')
				? 'font-medium text-madder'
				: 'text-soft'}"
		>
			{faultOf(refusal, 'corners') ?? 'Heights are read at all four, whatever is worked on.'}
		</p>
	</fieldset>
</div>
