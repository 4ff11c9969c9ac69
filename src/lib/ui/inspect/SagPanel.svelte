<script lang="ts">
	import { corners } from '$core/height/corners';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { otherCauseWords } from '$core/car/sag';
	import { sagOf } from '$core/job/sag';

	/** Which spring explains how the car stands, from the heights before. */
	const job = currentJob();
	const units = personalUnits();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);
	const mm = (value: number, signed = false) => units.show(value, 'length', { decimals, signed });
	const sag = $derived(sagOf(job.record, job.work.book, job.view));
	const likeliest = $derived(
		[...(sag?.suspects ?? [])].sort((a, b) => b.likelihood - a.likelihood).slice(0, 3)
	);
</script>

<section class="panel p-3" aria-labelledby="sag-title">
	<h2 id="sag-title" class="text-[17px]">Which spring has sagged</h2>
	{#if sag}
		<p class="caption">
			Read minus specified: {corners
				.map((corner) => `${corner} ${mm(sag.deviationMm[corner], true)}`)
				.join(', ')}
		</p>
		<p
			class="mt-1 text-[15px] font-medium {sag.verdict === 'sound' ? 'text-spruce' : 'text-ochre'}"
		>
			{#if sag.verdict === 'sound'}✓ Within what sound cars scatter
			{:else if sag.verdict === 'sagged'}◇ Nothing else explains it as well
			{:else}◇ Something is there; {sag.measured.length
					? 'with the springs measured too'
					: 'from the heights alone'} it may be any of these{/if}
		</p>
		<ol class="mt-1 divide-y divide-line">
			{#each likeliest as one (one.springs.join())}
				<li class="flex items-center gap-2 py-1.5">
					<span class="me-auto font-medium">{one.springs.join(' and ')}</span>
					<span class="text-[15px]">−{mm(one.lossMm)} ± {mm(one.lossExpandedMm)} of length</span>
					<span class="num w-13 text-end">{formatNumber(one.likelihood * 100, 0)} %</span>
				</li>
			{/each}
			{#each sag.others.filter(({ likelihood }) => likelihood > 0.05) as one (one.cause)}
				<li class="flex items-center gap-2 py-1.5 text-[15px]">
					<span class="me-auto">{otherCauseWords[one.cause]}</span>
					<span class="num w-13 text-end">{formatNumber(one.likelihood * 100, 0)} %</span>
				</li>
			{/each}
		</ol>
		<p class="caption">
			How likely each is beside the others and beside a sound car.
			{#if sag.measured.length}
				Free lengths of {sag.measured.join(', ')} from the bench count with them.
			{:else}
				Heights alone tell a loss of 12 mm in one car of three; compared free at the bench, both
				springs of an axle tell it in nine of ten.
			{/if}
			Bars and tyres of a middling car. Unexplained twist of the floor or body: {mm(
				Math.abs(sag.warpMm)
			)}.
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
