<script lang="ts">
	import { retorqueAfterKm, retorqueDue } from '$core/procedure/retorque';
	import { withMeantUnit } from '$core/units/parse';
	import { faultOf, type Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits, shopTime } from '$lib/client/units';
	import { wheelTorqueNm } from '$core/job/retorque';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** The slip for the customer, and the record of the check when the car is back. */
	let { data } = $props();
	const job = currentJob();
	const units = personalUnits();
	const record = $derived(job.record);
	const torque = $derived(wheelTorqueNm(record));
	const due = $derived(retorqueDue(record.odometerKm ?? undefined));
	const { longDay: day } = shopTime();
	const distance = (km: number) => units.show(km, 'distance');

	// svelte-ignore state_referenced_locally (the specified torque stands ready)
	let typed = $state({
		odometer: '',
		torque: torque === null ? '' : units.show(torque, 'torque'),
		note: ''
	});
	let found = $state<'held' | 'moved'>('held');
	let refusal = $state<Refusal>();
	let busy = $state(false);

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		refusal = await job.tell('retorque', 'car', {
			odometer: withMeantUnit(typed.odometer, units.choice.distance),
			torque: withMeantUnit(typed.torque, units.choice.torque),
			found,
			note: typed.note
		});
		busy = false;
		if (!refusal) typed.note = '';
	}
</script>

<div
	class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_380px] print:block print:p-0"
>
	<article
		class="sheet mx-auto w-full max-w-[720px] bg-panel p-8 shadow-sm print:p-0 print:shadow-none"
	>
		<p class="text-soft">{data.shop.name}</p>
		<h1 class="text-3xl">Wheel fasteners: please come back</h1>
		<p class="num mt-2 text-4xl">{record.vehicle.plate}</p>
		<p>{record.vehicle.make} {record.vehicle.model} {record.vehicle.modelYear ?? ''}</p>
		<p class="mt-5 text-lg">
			The wheels of this car were off and were tightened{torque === null
				? ''
				: ` to ${units.show(torque, 'torque')}`}{record.signedAt
				? ` by ${day(record.signedAt)}`
				: ''}. Fasteners bed in: have them checked after {distance(retorqueAfterKm.from)} to {distance(
				retorqueAfterKm.to
			)}.
		</p>
		{#if due.fromKm !== undefined}
			<p class="mt-3 border-y-2 border-ink py-3 text-lg">
				Odometer between <span class="num text-3xl">{distance(due.fromKm)}</span> and
				<span class="num text-3xl">{distance(due.toKm!)}</span>
			</p>
		{/if}
		<p class="mt-4">
			A knock, a shake or a wheel that looks loose: stop, do not drive on, call us. The maker’s
			torque and the maker’s instructions decide.
		</p>
		<p class="caption mt-4">Job {record.number}</p>
		<div class="mt-10 grid grid-cols-2 gap-10">
			<p class="border-t border-ink pt-1">Checked at, torque</p>
			<p class="border-t border-ink pt-1">By, date</p>
		</div>
	</article>
	<aside class="no-print space-y-4">
		<section class="panel flex flex-wrap gap-2 p-4">
			<ActionButton onclick={() => window.print()}>Print the slip</ActionButton>
			<ActionButton href="/api/v1/jobs/{record.id}/retorque.ics" download
				>Calendar (iCal)</ActionButton
			>
		</section>
		<section class="panel space-y-3 p-4" aria-label="Check">
			<h2 class="text-xl">The car is back</h2>
			{#each record.retorques as check (check.id)}
				<p class="border-b border-line pb-2">
					<span class="font-semibold {check.found === 'held' ? 'text-spruce' : 'text-ochre'}"
						>{check.found === 'held' ? '✓ All held' : '◇ Some moved'}</span
					>
					at {check.entered}{check.odometerEntered ? `, ${check.odometerEntered}` : ''}
					<span class="caption block"
						>{job.personName(check.personId)}, {day(check.takenAt)}{check.note
							? `: ${check.note}`
							: ''}</span
					>
				</p>
			{/each}
			{#if record.signedAt}
				<form class="space-y-3" onsubmit={keep} novalidate>
					<RefusalNotice {refusal} fields={['odometer', 'torque', 'note']} />
					<QuantityField
						label="Odometer"
						dimension="distance"
						bind:value={typed.odometer}
						fault={faultOf(refusal, 'odometer')}
					/>
					<QuantityField
						label="Torque of the wrench"
						dimension="torque"
						bind:value={typed.torque}
						fault={faultOf(refusal, 'torque')}
					/>
					<Choice
						label="The fasteners"
						bind:value={found}
						options={[
							{ value: 'held', name: 'all held' },
							{ value: 'moved', name: 'some moved' }
						]}
					/>
					<Field
						label="Note"
						bind:value={typed.note}
						maxlength={500}
						fault={faultOf(refusal, 'note')}
						hint={found === 'moved' ? 'Which, and how far' : undefined}
					/>
					<ActionButton weight="main" class="w-full" type="submit" disabled={busy}
						>Record the check</ActionButton
					>
				</form>
			{:else}
				<p class="text-soft">The check is recorded once the job is signed.</p>
			{/if}
		</section>
	</aside>
</div>
