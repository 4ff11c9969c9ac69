<script lang="ts">
	import { page } from '$app/state';
	import { refresh } from '$lib/client/refresh';
	import { assumedSizes } from '$core/vehicle/sizes';
	import { findLayout } from '$core/layout/catalogue';
	import { call, type Refusal } from '$lib/client/api';
	import { personalUnits, shopTime } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import VehicleFields from '$lib/ui/cars/VehicleFields.svelte';
	import { formOf, toInput, type VehicleForm } from '$lib/ui/cars/vehicle-form';
	import PageLinks from '$lib/ui/controls/PageLinks.svelte';
	import CarHistory from '$lib/ui/cars/CarHistory.svelte';
	import JobRows from '$lib/ui/job/JobRows.svelte';

	let { data } = $props();
	const times = shopTime();
	const units = personalUnits();
	const car = $derived(data.car);
	let form = $state<VehicleForm>();
	/** The open job from whose page one came to measure the car. */
	const fromJob = $derived(
		data.jobs.open.find(({ id }) => id === page.url.searchParams.get('job'))?.id
	);
	/** The version the form was opened at. */
	let version = $state(0);
	let refusal = $state<Refusal>();

	function edit() {
		form = formOf(car);
		version = car.version;
		refusal = undefined;
	}

	async function save(event?: SubmitEvent) {
		event?.preventDefault();
		const answer = await call('PUT', `/vehicles/${car.id}`, {
			...toInput(form!, car.id, units.choice),
			version,
			...(fromJob && { jobId: fromJob })
		});
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) {
			form = undefined;
			await refresh();
		}
	}

	async function applyOnTop() {
		version = refusal!.currentVersion!;
		await save();
	}

	const jobs = $derived([...(data.page === 0 ? data.jobs.open : []), ...data.jobs.signed]);
	const axles = $derived([
		{ name: 'Front', size: 'front.trackMm' as const, ...car.axles.front },
		{ name: 'Rear', size: 'rear.trackMm' as const, ...car.axles.rear }
	]);
	const assumed = $derived(assumedSizes(car));
	/** What the drawing of its corners rests on. */
	const cornerKnown = ({ hardpoints, tape }: (typeof axles)[number]) => {
		if (hardpoints) return 'by hardpoints';
		const taped = Object.keys(tape ?? {}).length;
		return taped ? `${taped} more by tape, the rest assumed` : 'the rest assumed';
	};
	const length = (mm: number | null) =>
		mm === null ? 'assumed' : units.show(mm, 'length', { decimals: 0 });
</script>

<div class="mx-auto max-w-[1240px] space-y-6 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<div class="me-auto">
			<h1 class="num text-4xl">{car.plate}</h1>
			<p class="text-lg">
				{car.make}
				{car.model}
				{car.modelYear ?? ''}{car.owner ? ` · ${car.owner}` : ''}
				{#if car.phone}<a class="num ms-2 underline" href="tel:{car.phone.replace(/[^+\d]/g, '')}"
						>{car.phone}</a
					>{/if}
			</p>
		</div>
		{#if !form}
			<ActionButton onclick={edit}>Change the car</ActionButton>
			<ActionButton weight="main" href="/jobs/new?car={car.id}">Open a job</ActionButton>
		{/if}
	</div>

	{#if form}
		<form onsubmit={save} novalidate>
			<div class="mb-4 space-y-3">
				<RefusalNotice {refusal} />
				{#if refusal?.currentVersion}
					<div class="flex gap-2">
						<ActionButton onclick={applyOnTop}>Write mine over theirs</ActionButton>
						<ActionButton
							onclick={async () => {
								await refresh();
								edit();
							}}>Look at theirs</ActionButton
						>
					</div>
				{/if}
			</div>
			<VehicleFields bind:form {refusal} full />
			<div class="mt-6 flex gap-3">
				<ActionButton weight="main" type="submit">Keep the change</ActionButton>
				<ActionButton class="min-h-16" onclick={() => (form = undefined)}>Cancel</ActionButton>
			</div>
		</form>
	{:else}
		<div class="grid gap-4 lg:grid-cols-3">
			<dl class="panel grid grid-cols-[auto_1fr] content-start gap-x-4 gap-y-1 p-4">
				<dt class="caption">Wheelbase</dt>
				<dd>
					{units.show(car.wheelbaseMm, 'length', {
						decimals: units.choice.length === 'mm' ? 0 : 1
					})}{assumed.includes('wheelbaseMm') ? ', as usual: not measured' : ''}
				</dd>
				<dt class="caption">VIN</dt>
				<dd class="break-all">{car.vin ?? 'not noted'}</dd>
				<dt class="caption">Modifications</dt>
				<dd>{car.modifications || 'none noted'}</dd>
				{#if data.measuredIn}
					<dt class="caption">Measured in</dt>
					<dd>
						job <a class="underline" href="/jobs/{data.measuredIn.id}">{data.measuredIn.number}</a>
					</dd>
				{/if}
			</dl>
			{#each axles as axle (axle.name)}
				<dl class="panel grid grid-cols-[auto_1fr] content-start gap-x-4 gap-y-1 p-4">
					<dt class="caption">{axle.name}</dt>
					<dd class="font-semibold">{findLayout(axle.layout)?.name}</dd>
					<dt class="caption">Track, tyre</dt>
					<dd>
						{length(axle.trackMm)}{assumed.includes(axle.size) ? ' as usual, not measured' : ''}, {axle.tyreSize ||
							'no size noted'}
					</dd>
					<dt class="caption">Arm, drop</dt>
					<dd>{length(axle.armLengthMm)}, {length(axle.outerBelowInnerMm)}</dd>
					<dt class="caption">Corner</dt>
					<dd>{cornerKnown(axle)}</dd>
					<dt class="caption">Maker’s height</dt>
					<dd>{axle.makerHeightMm === null ? 'not noted' : length(axle.makerHeightMm)}</dd>
				</dl>
			{/each}
		</div>
		{#if data.notes.length}
			<section class="space-y-2" aria-labelledby="car-notes">
				<h2 id="car-notes" class="text-xl">Notes that stay with the car</h2>
				<ul class="panel divide-y divide-line">
					{#each data.notes as note (note.id)}
						<li class="px-4 py-2">
							{note.text}
							<span class="caption block"
								>{note.person}, {times.day(note.enteredAt)}, job
								<a class="underline" href="/jobs/{note.jobId}">{note.jobNumber}</a></span
							>
						</li>
					{/each}
				</ul>
			</section>
		{/if}
		<section class="space-y-2">
			<h2 class="text-xl">History</h2>
			<CarHistory entries={data.history} />
			{#if jobs.length}
				<JobRows {jobs} />
				<PageLinks page={data.page} more={data.jobs.more} />
			{:else}<p class="panel p-6 text-soft">No jobs on this car yet.</p>{/if}
		</section>
	{/if}
</div>
