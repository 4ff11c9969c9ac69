<script lang="ts">
	import { corners } from '$core/height/corners';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { sagOf } from '$core/job/sag';

	/** Which spring explains how the car stands, from the heights before. */
	const job = currentJob();
	const units = personalUnits();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);
	const mm = (value: number, signed = false) => units.show(value, 'length', { decimals, signed });
	const sag = $derived(sagOf(job.record, job.view));
</script>

<section class="panel p-3" aria-labelledby="sag-title">
	<h2 id="sag-title" class="text-[17px]">Which spring has sagged</h2>
	{#if sag}
		<p class="caption">
			Read minus specified: {corners
				.map((corner) => `${corner} ${mm(sag.deviationMm[corner], true)}`)
				.join(', ')}
		</p>
		<ol class="mt-1 divide-y divide-line">
			{#each sag.suspects.slice(0, 3) as one (one.springs.join())}
				<li class="flex items-center gap-2 py-1.5">
					<span class="me-auto font-medium">{one.springs.join(' and ')}</span>
					<span class="text-[15px]">−{mm(one.lossMm)} ± {mm(one.lossExpandedMm)} of length</span>
					<span class="num w-13 text-end"
						>{formatNumber(Math.max(0, one.explained) * 100, 0)} %</span
					>
				</li>
			{/each}
		</ol>
		<p class="caption">
			Share of the difference each explains. Loads, bars and tyres of a middling car. Unexplained
			twist of the floor or body: {mm(Math.abs(sag.warpMm))}.
			{#if sag.assumed.length}
				Usual wheelbase and tracks, nobody has measured them: <a
					class="underline"
					href="/cars/{job.record.vehicle.id}?job={job.record.id}">type them</a
				> for a narrower answer.
			{/if}
		</p>
	{:else}
		<p class="caption mt-1">
			Comes by itself once the heights before are read and the maker’s height of both axles is
			known.
		</p>
	{/if}
</section>
