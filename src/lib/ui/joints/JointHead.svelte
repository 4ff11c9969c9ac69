<script lang="ts">
	import type { JointStatus } from '$core/procedure/joint-status';
	import { jointKindNames } from '$core/layout/types';
	import { fastenersOf } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import { currentJob } from '$lib/client/job-state.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { markOf } from './joint-words';

	/** A joint's name, how it stands, and what is special about it. */
	let { joint, status }: { joint: Joint; status: JointStatus } = $props();
	const job = currentJob();
	const count = $derived(fastenersOf(joint, job.record.vehicle));
</script>

<div class="flex flex-wrap items-baseline justify-between gap-x-4">
	<h1 id="joint-name" class="text-2xl">{joint.name}</h1>
	<StateMark mark={markOf(status).mark} word={markOf(status).word} class="text-lg" />
</div>
<p class="text-[15px] text-soft">
	{jointKindNames[joint.kind]}{count > 1
		? ` · ${count} of them, each to this torque`
		: ''}{joint.oneTime ? ' · used once' : ''}{joint.tool === 'hand'
		? ' · by hand only, no impact gun'
		: ''}{joint.holdStud ? ' · hold the stud' : ''}{joint.note ? ` · ${joint.note}` : ''}
</p>
{#if status.reason}<p
		class="mt-1 {status.state === 'again' ? 'font-semibold text-madder' : 'text-ochre'}"
	>
		{status.reason}
	</p>{/if}
