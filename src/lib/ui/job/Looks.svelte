<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { kindOf } from '$core/job/kinds/index';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** What two people said without knowing of each other: both, and which is to count. */
	const job = currentJob();
	let refusal = $state<Refusal>();
	const { time } = shopTime();

	async function count(look: (typeof job.record.looks)[number], id: string) {
		refusal = await job.tell(look.kind, look.subject, undefined, { again: id });
	}
</script>

<section
	class="no-print mx-4 mt-4 rounded-[3px] border-2 border-ochre bg-ochre-wash p-4 md:mx-6"
	aria-labelledby="looks"
>
	<h2 id="looks" class="text-lg">
		<span aria-hidden="true">◇</span> Said twice, neither knowing of the other
	</h2>
	<RefusalNotice {refusal} />
	{#each job.record.looks as look (look.kind + look.subject)}
		<div class="mt-2">
			<p class="font-semibold">{kindOf(look.kind).name}: which counts?</p>
			<ul class="divide-y divide-line">
				{#each look.entries as entry, i (entry.id)}
					<li class="flex flex-wrap items-center gap-3 py-1">
						<span class="me-auto"
							>{job.personName(entry.personId)}, {time(entry.enteredAt)}: {job.words(entry)}
							{#if i === look.entries.length - 1}<span class="caption">(counts until you say)</span
								>{/if}</span
						>
						<ActionButton onclick={() => count(look, entry.id)}>This one</ActionButton>
					</li>
				{/each}
			</ul>
		</div>
	{/each}
</section>
