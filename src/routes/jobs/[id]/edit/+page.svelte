<script lang="ts">
	import { goto } from '$app/navigation';
	import { schoolKeys, schools, type SchoolKey } from '$core/height/schools';
	import { withMeantUnit } from '$core/units/parse';
	import { faultOf } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import JobFields from '$lib/ui/job/JobFields.svelte';

	let { data } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	// The form keeps what it was opened with: only what is changed here is said.
	const opened = job.record;
	const form = $state({
		complaint: opened.complaint,
		odometer: opened.odometerEntered ?? '',
		corners: [...opened.corners],
		technicianId: opened.technicianId ?? '',
		promisedAt: opened.promisedAt ?? null
	});
	let resetAbove = $state(`${opened.resetAboveMm} mm`);
	let school = $state<SchoolKey>(opened.school);
	const measured = $derived(job.record.readings.length > 0);
	const done = () => goto(`/jobs/${opened.id}`);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const corners = [...form.corners];
		const body = {
			...(form.complaint === opened.complaint ? {} : { complaint: form.complaint }),
			...(form.odometer === (opened.odometerEntered ?? '')
				? {}
				: { odometer: form.odometer || null }),
			...(form.technicianId === (opened.technicianId ?? '')
				? {}
				: { technicianId: form.technicianId || null }),
			...(corners.toSorted().join() === opened.corners.toSorted().join() ? {} : { corners }),
			...(resetAbove === `${opened.resetAboveMm} mm`
				? {}
				: { resetAbove: withMeantUnit(resetAbove, units.choice.length) }),
			...(school === opened.school ? {} : { school }),
			...(form.promisedAt === (opened.promisedAt ?? null) ? {} : { promisedAt: form.promisedAt })
		};
		if (Object.keys(body).length === 0 || (await write.send('head', 'car', body))) await done();
	}
</script>

<form class="mx-auto max-w-[920px] space-y-5 p-4 md:p-6" onsubmit={save} novalidate>
	<h1 class="text-2xl">Change the job</h1>
	<RefusalNotice
		refusal={write.refusal}
		fields={['complaint', 'odometer', 'corners', 'technicianId', 'resetAbove']}
	/>
	<JobFields
		bind:form={() => form, (value) => Object.assign(form, value)}
		people={data.job.people.filter(({ active }) => active)}
		refusal={write.refusal}
	/>
	<QuantityField
		label="Bushes are owed a re-set above a change of"
		dimension="length"
		bind:value={resetAbove}
		fault={faultOf(write.refusal, 'resetAbove')}
		hint="Every bonded bush of a corner that stands that much higher or lower, undone or not"
		class="max-w-md"
	/>
	<div id="school">
		<Choice
			label="Ride height is measured"
			bind:value={school}
			disabled={measured}
			options={schoolKeys.map((key) => ({
				value: key,
				name: schools[key].name,
				hint: schools[key].measured
			}))}
		/>
		{#if measured}<p class="caption mt-1">
				Heights are on record; the way they are measured stays as it is.
			</p>{/if}
	</div>
	<div class="flex gap-3">
		<ActionButton weight="main" type="submit" disabled={write.busy}>Keep the change</ActionButton>
		<ActionButton class="min-h-16" href="/jobs/{opened.id}">Cancel</ActionButton>
	</div>
</form>
