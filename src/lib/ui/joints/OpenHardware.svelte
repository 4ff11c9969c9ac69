<script lang="ts">
	import { hardwareOpen } from '$core/fastener/hardware';
	import { cornerNames } from '$core/height/corners';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import HardwareEntry from './HardwareEntry.svelte';

	/** Joints that are done, but nobody has said what became of their one-time hardware. */
	const job = currentJob();
	const joints = $derived(
		job.record.joints.filter(({ id }) =>
			job.view.standing.owed.some((item) => item.kind === 'hardware' && item.jointId === id)
		)
	);
	let refusal = $state<Refusal>();

	/** Somebody who fitted new ones everywhere says so once; each joint has its entry. */
	async function allNew() {
		for (const joint of joints) {
			const open = hardwareOpen(joint, job.record.hardware[joint.id]);
			const data = Object.fromEntries(open.map((piece) => [piece, { done: 'renewed' }]));
			refusal = await job.tell('hardware', joint.id, data);
			if (refusal) return;
		}
	}
</script>

{#if joints.length && !job.record.signedAt}
	<section class="panel border-2 border-ochre p-4" aria-labelledby="hardware-title">
		<div class="flex flex-wrap items-center gap-3">
			<h2 id="hardware-title" class="me-auto text-lg text-ochre">
				◇ {joints.length}
				{joints.length === 1 ? 'joint has' : 'joints have'} one-time hardware: new, or the old one?
			</h2>
			{#if joints.length > 1}<ActionButton onclick={allNew}>All {joints.length} new</ActionButton
				>{/if}
		</div>
		<RefusalNotice {refusal} />
		<ul>
			{#each joints as joint (joint.id)}
				<li>
					<p class="mt-2 font-medium">{cornerNames[joint.corner]}, {joint.name}</p>
					<HardwareEntry {joint} />
				</li>
			{/each}
		</ul>
	</section>
{/if}
