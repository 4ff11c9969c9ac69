<script lang="ts">
	import { goto } from '$app/navigation';
	import type { Corner } from '$core/height/corners';
	import type { JobPurpose } from '$core/job/model';
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SearchBox from '$lib/ui/controls/SearchBox.svelte';
	import JobFields from '$lib/ui/job/JobFields.svelte';
	import { v7 as uuidv7 } from 'uuid';

	let { data } = $props();
	const id = uuidv7();
	// svelte-ignore state_referenced_locally (whoever opens the form is its first technician)
	let form = $state({
		complaint: '',
		odometer: '',
		corners: [] as Corner[],
		technicianId: data.person!.id,
		purpose: 'renew' as JobPurpose,
		wheelsOff: false,
		promisedAt: null as string | null
	});
	let refusal = $state<Refusal>();
	let busy = $state(false);

	async function open(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call('POST', '/jobs', {
			...form,
			id,
			vehicleId: data.car!.id,
			odometer: form.odometer || null
		});
		busy = false;
		if (answer.ok) await goto(`/jobs/${id}`);
		else refusal = answer.refusal;
	}
</script>

<div class="mx-auto max-w-[920px] space-y-5 p-4 md:p-6">
	<h1 class="text-3xl">Open a job</h1>
	{#if data.car}
		<div class="panel flex flex-wrap items-center gap-4 p-4">
			<span class="num text-3xl">{data.car.plate}</span>
			<span class="me-auto"
				>{data.car.make}
				{data.car.model}
				{data.car.modelYear ?? ''}<span class="caption block">{data.car.owner}</span></span
			>
			<ActionButton href="/jobs/new">Another car</ActionButton>
		</div>
		<form class="space-y-5" onsubmit={open} novalidate>
			<RefusalNotice {refusal} fields={['complaint', 'odometer', 'corners', 'technicianId']} />
			<JobFields bind:form people={data.people} {refusal} />
			<ActionButton weight="main" type="submit" disabled={busy}>Open the job</ActionButton>
		</form>
	{:else}
		<div class="flex flex-wrap gap-3">
			<div class="min-w-60 flex-1">
				<SearchBox label="Which car? Plate, owner or car" value={data.search} />
			</div>
			<ActionButton
				href="/cars/new?for=job{data.search ? `&plate=${encodeURIComponent(data.search)}` : ''}"
				>A new car</ActionButton
			>
		</div>
		<ul class="panel divide-y divide-line">
			{#each data.cars as car (car.id)}
				<li>
					<a
						href="/jobs/new?car={car.id}"
						class="flex min-h-16 flex-wrap items-center gap-x-5 px-4 py-2 hover:bg-sunk"
					>
						<span class="num w-32 text-2xl">{car.plate}</span>
						<span class="me-auto"
							>{car.make}
							{car.model}
							{car.modelYear ?? ''}<span class="caption block">{car.owner}</span></span
						>
						{#if car.openJobs}<span class="text-ochre">has an open job</span>{/if}
					</a>
				</li>
			{:else}
				<li class="p-6">
					<p class="font-semibold">
						{data.search ? `No car matches “${data.search}”.` : 'No cars yet.'}
					</p>
					<p class="text-soft">Add it with “A new car”; the job follows.</p>
				</li>
			{/each}
		</ul>
	{/if}
</div>
