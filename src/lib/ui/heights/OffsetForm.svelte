<script lang="ts">
	import { schools } from '$core/height/schools';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { faultOf } from '$lib/client/api';

	/** Heights of another school need a stated way to hub to arch before a bush can be judged. */
	const job = currentJob();
	const write = new EntryInput(job);
	const school = $derived(schools[job.record.school]);
	const texts = $state({
		front: job.record.offsets.front?.entered ?? '',
		rear: job.record.offsets.rear?.entered ?? ''
	});

	async function save(axle: 'front' | 'rear') {
		if (await write.send('offset', axle, { offset: texts[axle] })) write.begin();
	}
</script>

{#if school.toHubToArch}
	<details class="panel p-3" open={!job.record.offsets.front || !job.record.offsets.rear}>
		<summary class="touch flex items-center font-semibold"
			>To hub to arch: {school.toHubToArch}</summary
		>
		<RefusalNotice refusal={write.refusal} fields={['offset']} />
		<div class="grid gap-4 pt-2 sm:grid-cols-2">
			{#each ['front', 'rear'] as const as axle (axle)}
				<form
					class="flex items-start gap-2"
					onsubmit={(event) => {
						event.preventDefault();
						void save(axle);
					}}
				>
					<QuantityField
						class="flex-1"
						label="{axle === 'front' ? 'Front' : 'Rear'}: added to the reading"
						dimension="length"
						bind:value={texts[axle]}
						fault={faultOf(write.refusal, 'offset')}
						placeholder={job.record.school === 'ground-to-arch' ? '-316 mm' : ''}
					/>
					<ActionButton type="submit" class="mt-7">Keep</ActionButton>
				</form>
			{/each}
		</div>
	</details>
{/if}
