<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { page } from '$app/state';
	import { standingNotes, type CarNote } from '$core/job/kinds/note/standing';
	import { faultOf } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { untrack } from 'svelte';

	/** What the next one who works on this car should know; taken back when it is no longer so. */
	let { adding = $bindable() }: { adding: boolean } = $props();
	const job = currentJob();
	const write = new EntryInput(job);
	const notes = $derived(
		standingNotes(job.record, (page.data.carNotes ?? []) as CarNote[], (id) => job.personName(id))
	);
	let text = $state('');
	const { day } = shopTime();

	$effect(() => {
		if (adding) untrack(() => write.begin());
	});
	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (!(await write.send('note', 'car', { text }, { soon: true }))) return;
		text = '';
		adding = false;
	}
	async function withdraw({ id }: CarNote) {
		write.refusal = await job.tell('note', 'car', { withdraw: true }, { corrects: id });
	}
</script>

{#if adding || notes.length}
	<section aria-label="Notes that stay with the car" class="mb-3">
		<RefusalNotice refusal={write.refusal} fields={['text']} />
		{#if adding}
			<form class="panel mb-2 flex flex-wrap items-end gap-3 p-3" onsubmit={save} novalidate>
				<Field
					class="min-w-64 flex-1"
					label="What should the next one know?"
					bind:value={text}
					fault={faultOf(write.refusal, 'text')}
					hint="Stays with the car, in every later job, until somebody takes it back"
					maxlength={500}
				/>
				<div class="flex gap-3">
					<ActionButton type="submit" disabled={write.busy}>Keep the note</ActionButton>
					<ActionButton onclick={() => (adding = false)}>Cancel</ActionButton>
				</div>
			</form>
		{/if}
		{#if notes.length}
			<ul class="panel divide-y divide-line border-l-4 border-l-mark">
				{#each notes as note (note.id)}
					<li class="flex flex-wrap items-center gap-x-3 py-1 ps-4 pe-1">
						<span class="me-auto py-1"
							>{note.text}
							<span class="caption block"
								>{note.person}, {day(note.enteredAt)}{note.jobId === job.record.id
									? ''
									: `, job ${note.jobNumber}`}</span
							></span
						>
						<ActionButton onclick={() => withdraw(note)}
							>Take it back<span class="sr-only">: {note.text}</span></ActionButton
						>
					</li>
				{/each}
			</ul>
		{/if}
	</section>
{/if}
