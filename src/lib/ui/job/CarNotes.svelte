<script lang="ts">
	import { page } from '$app/state';
	import { standingNotes, type CarNote } from '$core/job/kinds/note/standing';
	import { faultOf } from '$lib/client/api';
	import { currentJob, Telling } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** What the next one who works on this car should know; taken back when it is no longer so. */
	const job = currentJob();
	const write = new Telling(job);
	const notes = $derived(
		standingNotes(job.record, (page.data.carNotes ?? []) as CarNote[], (id) => job.personName(id))
	);
	let text = $state<string>();
	const day = (at: string) => new Date(at).toLocaleDateString('en-GB', { dateStyle: 'medium' });

	function open() {
		write.begin();
		text = '';
	}
	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (await write.send('note', 'car', { text })) text = undefined;
	}
	async function withdraw({ id }: CarNote) {
		write.refusal = await job.tell('note', 'car', { withdraw: true }, { corrects: id });
	}
</script>

<section aria-labelledby="car-notes" class="mt-3">
	<div class="flex flex-wrap items-center gap-3">
		<h2 id="car-notes" class="me-auto text-lg">Notes that stay with the car</h2>
		{#if text === undefined}<ActionButton onclick={open}>Add a note</ActionButton>{/if}
	</div>
	<RefusalNotice refusal={write.refusal} fields={['text']} />
	{#if text !== undefined}
		<form class="panel mt-2 flex flex-wrap items-end gap-3 p-3" onsubmit={save} novalidate>
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
				<ActionButton onclick={() => (text = undefined)}>Cancel</ActionButton>
			</div>
		</form>
	{/if}
	{#if notes.length}
		<ul class="panel mt-2 divide-y divide-line">
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
