<script lang="ts">
	import { cornerNames, corners } from '$core/height/corners';
	import { roundParts, stopIn, type RoundPart } from '$core/procedure/round';
	import { currentJob } from '$lib/client/job-state.svelte';

	/** Of what the round is: the whole car, one side, one corner, each with what is left to set there. */
	let { part }: { part: RoundPart } = $props();
	const job = currentJob();
	const worked = $derived(job.record.corners);
	const names: Record<string, string> = {
		all: 'Whole car',
		left: 'Left side',
		right: 'Right side',
		...cornerNames
	};
	const left = $derived(
		(of: RoundPart) =>
			job.view.standing.owed.filter((item) => item.stage === 'set' && stopIn(item, of)).length
	);
	const shown = $derived(
		roundParts.filter(
			(of) => of === 'all' || of === part || worked.some((corner) => stopIn({ corner }, of))
		)
	);
	const isCorner = (of: RoundPart) => corners.some((corner) => corner === of);
</script>

<nav class="relative flex gap-1.5 overflow-x-auto" aria-label="What of the car">
	{#each shown as of (of)}
		<a
			href={of === 'all' ? '?' : `?of=${of}`}
			data-sveltekit-noscroll
			data-sveltekit-keepfocus
			data-sveltekit-replacestate
			aria-current={of === part ? 'page' : undefined}
			class="touch flex shrink-0 items-center gap-2 rounded-[3px] border-2 px-3 {of === part
				? 'border-spruce bg-spruce-wash font-semibold'
				: 'border-line bg-panel hover:border-edge'} {isCorner(of) ? '' : 'max-sm:px-2'}"
		>
			{#if isCorner(of)}<span class="sm:hidden" aria-hidden="true">{of}</span><span
					class="max-sm:sr-only">{names[of]}</span
				>{:else}{names[of]}{/if}
			{#if left(of)}<span class="num text-ochre"
					>{left(of)}<span class="sr-only">&nbsp;left</span></span
				>{/if}
		</a>
	{/each}
</nav>
