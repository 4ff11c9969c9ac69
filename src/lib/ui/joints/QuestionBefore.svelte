<script lang="ts">
	import { letsDown, waitWords, type Question } from '$core/job/turn';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { onMount } from 'svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** What must be known before this joint is tightened; the entry stands here once it is answered. */
	interface Props {
		question: Question;
		onloosened: (first: boolean) => void;
		onahead: (reason: string) => void;
		/** It stands in the page: it comes late. */
		onready?: () => void;
	}
	let { question, onloosened, onahead, onready }: Props = $props();
	onMount(() => onready?.());
	const job = currentJob();
	let refusal = $state<Refusal>();
	let ahead = $state(false);
	let reason = $state('');

	/** An answer that is wanted is seen, also on a small screen. */
	const inView = (box: HTMLElement) => box.scrollIntoView?.({ block: 'nearest' });

	/** Said once, where the plan says it if it has a step for it. */
	async function down() {
		const step = letsDown(job.work);
		refusal =
			step && !job.work.done.has(step.id)
				? await job.tell('step', step.id, { state: 'done', note: '' })
				: await job.tell('down', 'car', { onWheels: true });
	}
</script>

<RefusalNotice {refusal} />
{#if question.kind === 'waits'}
	<Notice tone="mind" role="alert" class="mt-2" {@attach inView}>
		<p class="text-lg font-semibold text-ochre">◇ {waitWords(question.step)}</p>
		{#if ahead}
			<form
				class="mt-2 space-y-2"
				onsubmit={(event) => {
					event.preventDefault();
					if (reason.trim().length >= 10) onahead(reason.trim());
				}}
			>
				<Field
					label="Tightened before its turn, because"
					bind:value={reason}
					maxlength={500}
					hint="10 letters or more; it prints on the sheet"
				/>
				<div class="flex gap-2">
					<ActionButton type="submit" disabled={reason.trim().length < 10}>Go on</ActionButton>
					<ActionButton onclick={() => (ahead = false)}>Back</ActionButton>
				</div>
			</form>
		{:else}
			<div class="mt-2 flex flex-wrap gap-2">
				<ActionButton weight="main" href="/jobs/{job.record.id}/work?step={question.step.id}"
					>To that step</ActionButton
				>
				<ActionButton class="min-h-16" onclick={() => (ahead = true)}>Tighten it now …</ActionButton
				>
			</div>
		{/if}
	</Notice>
{:else if question.kind === 'down'}
	<div {@attach inView} class="mt-2 rounded-[3px] border-2 border-edge p-3">
		<p class="text-lg font-semibold">Is the car down on its wheels, nothing under it?</p>
		<p class="text-[15px] text-soft">Said once; from then on wheels are torqued, pull by pull.</p>
		<ActionButton weight="main" class="mt-2" data-main onclick={down}>It stands</ActionButton>
	</div>
{:else}
	<Notice tone="mind" class="mt-2" {@attach inView}>
		<p class="text-lg font-semibold">It is clamped already. Loosened first?</p>
		<p class="text-[15px]">
			Rubber that is only checked with the weight on keeps the twist it was clamped with.
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			<ActionButton weight="main" data-main onclick={() => onloosened(true)}
				>Loosened, settled</ActionButton
			>
			<ActionButton class="min-h-16" onclick={() => onloosened(false)}>Only checked</ActionButton>
		</div>
	</Notice>
{/if}
