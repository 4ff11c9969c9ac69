<script lang="ts">
	import { page } from '$app/state';
	import { cornerNames } from '$core/height/corners';
	import { knownFor, twinOf, type KnownSpecification } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import { withMeantUnit } from '$core/units/parse';
	import { faultOf } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import { later } from '$lib/client/later';
	import { knownWords } from './joint-words';

	/** The torque of a joint that has none yet: one number, for both sides; or what is known from before. */
	let { joint }: { joint: Joint } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	const specifications = $derived((page.data.specifications ?? []) as KnownSpecification[]);
	const known = $derived(knownFor(joint, job.record.vehicle, specifications, job.record.number));
	const twin = $derived(twinOf(job.record.joints, joint));
	let torque = $state('');
	const forms = later(() => import('./programme-form'));
	const take = async (from: KnownSpecification) =>
		say((await forms()).knownInput(from, units.choice));

	async function say(said: object) {
		if (!(await write.send('joint', joint.id, said))) return;
		if (twin && twin.torqueNm === null) await write.send('joint', twin.id, said);
		torque = '';
	}
</script>

<div class="mt-2 flex flex-wrap items-end gap-3 rounded-[3px] bg-sunk p-3">
	{#if known}
		{@const from = known}
		<ActionButton class="min-h-16" onclick={() => take(from)}
			>Take {units.show(from.torqueNm, 'torque')}<span class="font-normal text-soft"
				>{knownWords(from)}</span
			></ActionButton
		>
	{/if}
	<form
		class="flex items-end gap-2"
		data-draft="specified {joint.id}"
		onsubmit={(event) => {
			event.preventDefault();
			void say({ torque: withMeantUnit(torque, units.choice.torque), torqueSource: 'maker' });
		}}
	>
		<QuantityField
			label="The maker’s torque"
			dimension="torque"
			bind:value={torque}
			fault={faultOf(write.refusal, 'torque')}
			hint={twin && twin.torqueNm === null
				? `Also for ${cornerNames[twin.corner].toLowerCase()}`
				: undefined}
		/>
		<ActionButton type="submit" disabled={!torque.trim() || write.busy}>Keep</ActionButton>
	</form>
</div>
