<script lang="ts">
	import type { knownTorques } from '$core/job/joints';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { later } from '$lib/client/later';
	import { knownWords } from './joint-words';

	/** Torques that this car's or its model's earlier jobs have and this one lacks: taken in one touch. */
	let { found }: { found: ReturnType<typeof knownTorques> } = $props();
	const job = currentJob();
	const units = personalUnits();
	const sources = $derived([...new Set(found.map(({ known }) => knownWords(known)))]);
	let refusal = $state<Refusal>();
	let busy = $state(false);
	const forms = later(() => import('./programme-form'));

	async function take() {
		busy = true;
		refusal = undefined;
		const { knownInput } = await forms();
		for (const { joint, known } of found) {
			refusal = await job.tell('joint', joint.id, knownInput(known, units.choice));
			if (refusal) break;
		}
		busy = false;
	}
</script>

<section class="panel border-2 border-mark p-3" aria-label="Torques known from before">
	<div class="flex flex-wrap items-center gap-3">
		<p class="me-auto">
			<b>{found.length} {found.length === 1 ? 'torque is' : 'torques are'} known from before</b>
			<span class="caption block">{sources.slice(0, 3).join('; ')}</span>
		</p>
		<ActionButton class="min-h-16" disabled={busy} onclick={take}
			>{found.length === 1 ? 'Take it' : `Take all ${found.length}`}</ActionButton
		>
	</div>
	<RefusalNotice {refusal} />
	<details class="mt-1">
		<summary class="touch cursor-pointer text-[15px] underline">Which</summary>
		<ul class="text-[15px]">
			{#each found as { joint, known } (joint.id)}
				<li class="flex gap-3 py-0.5">
					<b class="w-8">{joint.corner}</b><span class="me-auto">{joint.name}</span>
					<span class="num">{units.show(known.torqueNm, 'torque')}</span>
					<span class="caption w-72 text-end">{knownWords(known)}</span>
				</li>
			{/each}
		</ul>
	</details>
</section>
