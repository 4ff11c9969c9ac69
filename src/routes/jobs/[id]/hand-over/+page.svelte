<script lang="ts">
	import { sheetOf } from '$core/job/sheet/sheet';
	import type { Sheet } from '$core/job/sheet/document';
	import { call } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits, shopTime } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import ProofLine from '$lib/ui/job/ProofLine.svelte';
	import SheetView from '$lib/ui/job/SheetView.svelte';
	import SignPanel from '$lib/ui/job/SignPanel.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	let { data } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	const record = $derived(job.record);
	const lead = $derived(data.person?.role === 'lead');
	const api = $derived(`/api/v1/jobs/${record.id}`);
	const times = shopTime();

	/** Of a signed job the sheet as it was sealed; of an open one as it comes to now. */
	const sealedSeq = $derived(
		record.signOff && record.seals.length ? record.signOff.seq : undefined
	);
	let sealed = $state.raw<{ seq: number; sheet: Sheet }>();
	$effect(() => {
		const seq = sealedSeq;
		if (seq === undefined) return;
		void call<{ sheet: Sheet }>('GET', `/jobs/${record.id}/sheets/${seq}`).then((answer) => {
			if (answer.ok) sealed = { seq, sheet: answer.value.sheet };
		});
	});
	const now = $derived(sheetOf(job.job, { shopName: data.shop.name, units, times }));
	const sheet = $derived(sealed && sealed.seq === sealedSeq ? sealed.sheet : now);
	const pdf = (seq: number) => `${api}/sheets/${seq}/sheet.pdf`;
	const since = $derived(record.signOff ? record.seq - record.signOff.seq - 1 : 0);

	let reopening = $state(false);
	let reason = $state('');
	async function reopen() {
		if (await write.send('addendum', 'car', { reason: reason.trim() })) {
			reopening = false;
			reason = '';
		}
	}
</script>

<div
	class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_340px] print:block print:p-0"
>
	<SheetView {sheet}>
		{#snippet proof()}<ProofLine />{/snippet}
	</SheetView>
	<aside class="no-print space-y-4 max-lg:order-first">
		{#if record.signedAt}
			<section class="panel space-y-3 p-4">
				<p class="text-lg">
					<StateMark mark="set" word="Signed by {job.personName(record.signOff!.personId)}" />
				</p>
				{#if sealedSeq !== undefined}
					<ActionButton weight="main" class="w-full" href={pdf(sealedSeq)} target="_blank"
						>The sealed sheet (PDF)</ActionButton
					>
					<p class="caption">
						As it was signed: nothing that is changed since, on the car, in the shop or in the
						program, changes it.{#if since > 0}
							{since === 1 ? 'One entry came' : `${since} entries came`} after the seal:
							<a class="underline" href="/jobs/{record.id}/history">History</a>.{/if}
					</p>
				{:else}
					<p class="caption">Signed before there were seals: its book is proved by its chain.</p>
				{/if}
				<RefusalNotice refusal={write.refusal} />
				{#if lead && !reopening}
					<ActionButton
						onclick={() => {
							write.begin();
							reopening = true;
						}}>Reopen as addendum …</ActionButton
					>
				{:else if lead}
					<form
						class="space-y-2"
						onsubmit={(event) => {
							event.preventDefault();
							void reopen();
						}}
					>
						<Field
							label="What is to be added or corrected, and why"
							bind:value={reason}
							maxlength={1000}
							hint="10 characters or more; it prints on the sheet"
							required
						/>
						<div class="flex gap-2">
							<ActionButton type="submit" disabled={write.busy || reason.trim().length < 10}
								>Reopen</ActionButton
							>
							<ActionButton onclick={() => (reopening = false)}>Back</ActionButton>
						</div>
					</form>
				{/if}
			</section>
		{:else}
			<SignPanel {lead} />
		{/if}
		{#if record.signOffs.length > 1 || (record.addendum && record.seals.length)}
			<section class="panel p-4 text-[15px]" aria-labelledby="before-title">
				<h2 id="before-title" class="text-base font-semibold">Sealed before</h2>
				<ul>
					{#each record.signOffs.filter(({ seq }) => seq !== sealedSeq) as one (one.seq)}
						{#if record.entries[one.seq]?.kind === 'sealed'}
							<li>
								<a
									class="touch inline-flex items-center underline"
									href={pdf(one.seq)}
									target="_blank">{job.personName(one.personId)}, {one.signedAt.slice(0, 10)}</a
								>
							</li>
						{/if}
					{/each}
				</ul>
			</section>
		{/if}
		<section class="panel flex flex-col gap-2 p-4">
			<ActionButton onclick={() => window.print()}>Print</ActionButton>
			<ActionButton href="/jobs/{record.id}/hand-over/retorque">Wheels: slip and check</ActionButton
			>
			<ActionButton href="{api}/job.json" download>Job file (JSON)</ActionButton>
			<ActionButton href="{api}/book.csv" download>The book (CSV)</ActionButton>
			<ActionButton href="{api}/readings.csv" download>Readings (CSV)</ActionButton>
			<ActionButton href="{api}/torques.csv" download>Torques (CSV)</ActionButton>
			<p class="caption">
				The job file carries this shop’s seal. Anybody can check it at <a
					class="underline"
					href="/verify">/verify</a
				>; another Vane Set can import it. Its schema is at
				<a class="underline" href="/api/v1/schema/job.json">/api/v1/schema/job.json</a>.
			</p>
		</section>
	</aside>
</div>
