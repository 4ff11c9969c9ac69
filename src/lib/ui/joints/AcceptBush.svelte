<script lang="ts">
	import { formatNumber } from '$core/units/format';
	import type { Joint } from '$core/job/model';
	import { page } from '$app/state';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** A bush that was tightened outside its band: what it costs, and somebody's name under it. */
	let { joint }: { joint: Joint } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	const row = $derived(job.view.torques.get(joint.id));
	const status = $derived(job.view.standing.joints.get(joint.id)!);
	const bush = $derived(row?.bush && row.bush.verdict !== 'set' ? row.bush : undefined);
	const accepted = $derived(job.record.accepted[joint.id]);
	const mayNot = $derived(bush?.verdict === 'wound-up' && page.data.person?.role !== 'lead');
	let open = $state(false);
	let reason = $state('');

	async function accept() {
		const data = { torqueId: row!.id, reason: reason.trim() };
		if (await write.send('accepted', joint.id, data)) open = false;
	}
</script>

{#if bush}
	<div class="mt-3 border-t border-line pt-2 text-[15px]" data-draft="accept {joint.id}">
		<p>
			It keeps <b class="num">{formatNumber(bush.twistDeg, 1, true)}°</b>: {units.show(
				bush.wheelForceN,
				'force'
			)} at the wheel, the car {units.show(Math.abs(bush.heightErrorMm), 'length', {
				decimals: 1
			})}
			{bush.heightErrorMm < 0 ? 'lower' : 'higher'} for it, and it tears early.
		</p>
		{#if status.state === 'accepted'}
			<p class="text-mark">
				Accepted by {job.personName(accepted!.personId)}: {accepted!.reason}
			</p>
		{:else if !job.record.signedAt && status.state === 'again'}
			{#if mayNot}
				<p class="caption">Wound up: only a lead may accept it as it is.</p>
			{:else if open}
				<form
					class="mt-1 space-y-2"
					onsubmit={(event) => {
						event.preventDefault();
						void accept();
					}}
				>
					<Field
						label="Accepted as it is, because"
						bind:value={reason}
						maxlength={500}
						hint="10 letters or more; it prints with your name"
					/>
					<RefusalNotice refusal={write.refusal} />
					<div class="flex gap-2">
						<ActionButton type="submit" disabled={write.busy || reason.trim().length < 10}
							>Accept</ActionButton
						>
						<ActionButton onclick={() => (open = false)}>Back</ActionButton>
					</div>
				</form>
			{:else}
				<ActionButton
					class="mt-1"
					onclick={() => {
						write.begin();
						open = true;
					}}>Accept it as it is …</ActionButton
				>
			{/if}
		{/if}
	</div>
{/if}
