<script lang="ts">
	import { cornerNames, corners } from '$core/height/corners';
	import { lookAgain } from '$core/job/look-again';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { axlePlans } from '$core/work/scope';
	import { later } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import CheckedEntry from '$lib/ui/check/CheckedEntry.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import BounceEntry from '$lib/ui/inspect/BounceEntry.svelte';
	import { nextHref, setHref, stageHref } from '$lib/ui/job/places';

	/** The car stands: bounced, driven, and looked at once more before it goes. */
	const job = currentJob();
	const { id } = $derived(job.record);
	const again = $derived(lookAgain(job.job));
	/** Of all stages up to this one: what was not done cannot be looked at again. */
	const coilovers = $derived(
		axlePlans(job.work.scope).flatMap((plan) => (plan.kit ? plan.corners : []))
	);
	const setting = later(() => import('$lib/ui/bench/CoiloverSetting.svelte'));
	const unfinished = $derived(job.view.standing.owed.length);
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_400px]">
	<div class="min-w-0 space-y-4">
		<h1 class="sr-only">Bounce and drive</h1>
		<section aria-labelledby="bounces-title">
			<h2 id="bounces-title" class="mb-2 text-xl">Bounce it: movements until it stands</h2>
			<div class="grid items-start gap-3 sm:grid-cols-2">
				{#each corners as corner (corner)}<BounceEntry {corner} phase="after" />{/each}
			</div>
		</section>
		{#if coilovers.length}
			<section class="panel p-4" aria-labelledby="set-title">
				<h2 id="set-title" class="text-xl">Coilovers as they are set</h2>
				<p class="caption">Clicks are counted from full stiff, and changed two at a time.</p>
				<div class="grid gap-x-6 lg:grid-cols-2">
					{#each coilovers as corner (corner)}
						<div>
							<h3 class="mt-3 font-semibold">{cornerNames[corner]}</h3>
							<Later part={setting()} given={{ corner }} />
						</div>
					{/each}
				</div>
			</section>
		{/if}
		<section class="panel p-4" aria-labelledby="again-title">
			<h2 id="again-title" class="text-xl">Look again</h2>
			{#if again.length}
				<ul class="divide-y divide-line">
					{#each again as { text, corner, stage } (`${corner} ${text}`)}
						<li class="flex items-center gap-3 py-2 text-[15px]">
							<span class="me-auto"
								>{#if corner}<b>{corner}</b>
								{/if}{text}</span
							>
							{#if stage}
								<ActionButton href={stage === 'set' ? setHref(id, corner!) : stageHref(id, stage)}
									>{stage === 'set' ? 'Set it' : 'Read'}</ActionButton
								>
							{/if}
						</li>
					{/each}
				</ul>
			{:else if unfinished}
				<p class="mt-1">Nothing so far, but the job is not through: {unfinished} left.</p>
			{:else}
				<p class="mt-1 text-spruce">✓ Nothing that is on record asks for another look</p>
			{/if}
		</section>
	</div>
	<div class="min-w-0 space-y-4">
		<CheckedEntry check="drive" />
		<CheckedEntry check="marks" />
		{#if !job.record.signedAt}
			<ActionButton weight="main" class="min-h-16" href={nextHref(id, job.next)}
				>Next: {job.next.text} →</ActionButton
			>
		{/if}
	</div>
</div>
