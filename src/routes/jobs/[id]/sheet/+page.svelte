<script lang="ts">
	import { owedLine } from '$core/procedure/owed';
	import { currentJob, Telling } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import JobSheet from '$lib/ui/job/JobSheet.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { faultOf } from '$lib/client/api';

	let { data } = $props();
	const job = currentJob();
	const write = new Telling(job);
	const owed = $derived(job.view.standing.owed);
	const lead = $derived(data.person?.role === 'lead');
	const api = $derived(`/api/v1/jobs/${job.record.id}`);
	let reason = $state('');

	const sign = (overrideReason?: string) =>
		write.send('signed', 'car', overrideReason ? { overrideReason } : {});
</script>

<div
	class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_320px] print:block print:p-0"
>
	<JobSheet shopName={data.shop.name} />
	<aside class="no-print space-y-4 max-lg:order-first">
		<section class="panel space-y-3 p-4">
			{#if job.record.signedAt}
				<p class="text-lg">
					<StateMark mark="set" word="Signed by {job.personName(job.record.signOff!.personId)}" />
				</p>
			{:else if owed.length === 0}
				<p class="text-lg"><StateMark mark="set" word="Nothing owed" /></p>
				<RefusalNotice refusal={write.refusal} />
				<ActionButton weight="main" class="w-full" disabled={write.busy} onclick={() => sign()}
					>Sign the job</ActionButton
				>
			{:else}
				<p class="text-lg">
					<StateMark mark="owed" word="{owed.length} owed: not ready to sign" />
				</p>
				<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
				<ul class="max-h-64 overflow-y-auto text-[15px]" tabindex="0" aria-label="Still owed">
					{#each owed as item (item.corner + item.text)}<li class="border-b border-line py-1">
							{owedLine(item)}
						</li>{/each}
				</ul>
				<RefusalNotice refusal={write.refusal} fields={['overrideReason']} />
				{#if lead}
					<form
						class="space-y-2 border-t border-line pt-3"
						onsubmit={(event) => {
							event.preventDefault();
							void sign(reason);
						}}
					>
						<Field
							label="Sign all the same, because"
							bind:value={reason}
							fault={faultOf(write.refusal, 'overrideReason')}
							hint="10 characters or more; prints on the sheet"
							minlength={10}
							maxlength={1000}
							required
						/>
						<ActionButton weight="stop" type="submit" disabled={write.busy}
							>Sign by override</ActionButton
						>
					</form>
				{:else}
					<p class="caption">Only a lead may sign with something still owed.</p>
				{/if}
			{/if}
		</section>
		<section class="panel flex flex-col gap-2 p-4">
			<ActionButton onclick={() => window.print()}>Print</ActionButton>
			<ActionButton href="/jobs/{job.record.id}/retorque">Wheels: slip and check</ActionButton>
			<ActionButton href="{api}/job.json" download>Job file (JSON)</ActionButton>
			<ActionButton href="{api}/book.csv" download>The book (CSV)</ActionButton>
			<ActionButton href="{api}/readings.csv" download>Readings (CSV)</ActionButton>
			<ActionButton href="{api}/torques.csv" download>Torques (CSV)</ActionButton>
			<p class="caption">
				Another Vane Set can import the job file; its schema is at <a
					class="underline"
					href="/api/v1/schema/job.json">/api/v1/schema/job.json</a
				>.
			</p>
		</section>
	</aside>
</div>
