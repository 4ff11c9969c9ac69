<script lang="ts">
	import { followJob } from '$lib/client/follow';
	import { refresh, refreshWith } from '$lib/client/refresh';
	import { JobState, provideJob } from '$lib/client/job-state.svelte';
	import { outbox } from '$lib/client/outbox.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import JobHead from '$lib/ui/job/JobHead.svelte';

	let { data, children } = $props();
	const job = provideJob(
		new JobState(
			() => data.record,
			() => ({ setDeg: data.shop.twistSetDeg, advisedDeg: data.shop.twistAdvisedDeg }),
			() => data.person!.id,
			() => data.timed
		)
	);
	const refused = $derived(
		outbox.entries.filter(
			(entry) => entry.refusal && entry.path.startsWith(`/jobs/${data.record.id}/`)
		)
	);

	$effect(() => refreshWith(() => job.reload()));

	/** Somebody on the other side of the car writes too. */
	const id = $derived(data.record.id);
	$effect(() => followJob(id, () => void refresh()));
</script>

<JobHead />
{#if refused.length}
	<div
		role="alert"
		class="no-print mx-4 mt-4 rounded-[3px] border-2 border-madder bg-madder-wash p-4 md:mx-6"
	>
		<p class="font-semibold text-madder">Not taken by the server, and kept here:</p>
		{#each refused as entry (entry.id)}
			<div class="mt-2 flex flex-wrap items-center gap-3">
				<span class="me-auto">
					{entry.body.corner ?? ''}
					{entry.body.height ?? entry.body.torque ?? ''}: {entry.refusal!.title}
					{entry.refusal!.faults?.map((fault) => fault.message).join('; ') ?? ''}
				</span>
				<ActionButton weight="stop" onclick={() => outbox.drop(entry.id)}>Drop it</ActionButton>
			</div>
		{/each}
	</div>
{/if}
{@render children()}
