<script lang="ts">
	import { page } from '$app/state';
	import { schools } from '$core/height/schools';
	import { leftByStage } from '$core/procedure/owed';
	import { stageNames, stages } from '$core/procedure/stages';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { nextHref, pagesOf, stageHref } from './places';

	const job = currentJob();
	const units = personalUnits();
	const record = $derived(job.record);
	const base = $derived(`/jobs/${record.id}`);
	const signed = $derived(job.view.standing.stage === 'signed');

	const left = $derived(leftByStage(job.view.standing.owed));
	const next = $derived(job.next);
	const path = $derived(page.url.pathname.slice(base.length + 1));
	const here = $derived(stages.find((stage) => path === stage || path.startsWith(`${stage}/`)));
	const pages = $derived(here ? (pagesOf[here] ?? []) : []);
	const isPage = (to: string) => path === `${here}${to}`;
</script>

<div class="no-print border-b border-line bg-panel">
	<div class="flex flex-wrap items-baseline gap-x-4 px-4 pt-2 md:px-6">
		<a
			class="num -my-2 inline-flex min-h-12 items-center text-3xl hover:underline"
			href="/cars/{record.vehicle.id}{record.signedAt ? '' : `?job=${record.id}`}"
			title="The car, its measures and history">{record.vehicle.plate}</a
		>
		<span class="font-medium"
			>{record.vehicle.make} {record.vehicle.model} {record.vehicle.modelYear ?? ''}</span
		>
		<span class="min-w-0 flex-1 truncate text-soft" title={record.complaint}
			>{record.complaint}</span
		>
		{#if record.imported}<span
				class="text-[15px] font-semibold {record.imported.verified ? 'text-mark' : 'text-ochre'}"
				>{record.imported.verified
					? `Imported from ${record.imported.from}, verified`
					: '◇ Imported, not verified'}</span
			>{/if}
		<span class="caption max-md:hidden"
			>Job {record.number}{record.odometerKm === null
				? ''
				: ` · ${units.show(record.odometerKm, 'distance')}`} · {schools[
				record.school
			].name.toLowerCase()} · {job.personName(record.technicianId ?? '') || 'nobody named'}</span
		>
	</div>
	<div class="flex flex-wrap items-stretch px-2 md:px-4">
		<nav aria-label="Stages" class="flex max-w-full min-w-0 overflow-x-auto">
			<a
				href={base}
				aria-current={path === '' ? 'page' : undefined}
				class="stage {path === '' ? 'here' : ''}"
				><span class="sm:hidden" aria-hidden="true">▢</span><span
					class={path === '' ? '' : 'max-sm:sr-only'}>Board</span
				></a
			>
			{#each stages as stage, i (stage)}
				<a
					href={stageHref(record.id, stage)}
					aria-current={stage === here ? 'page' : undefined}
					class="stage {stage === here ? 'here' : ''}"
				>
					<span class="num text-[15px] text-soft" aria-hidden="true">{i + 1}</span>
					<span class={stage === here ? '' : 'max-sm:sr-only'}>{stageNames[stage]}</span>
					{#if left[stage] && !signed}
						<span
							class="num rounded-[3px] bg-ochre-wash px-1.5 text-[15px] text-ochre {stage === here
								? ''
								: 'max-sm:px-0.5 max-sm:text-[13px]'}"
							>{left[stage]}<span class="sr-only">&nbsp;left</span></span
						>
					{/if}
				</a>
			{/each}
		</nav>
		<span class="flex-1"></span>
		{#if record.addendum}<span class="flex items-center px-3 font-semibold text-ochre"
				>◇ Open for an addendum</span
			>{/if}
		{#if record.signedAt}<span class="flex items-center px-3 font-semibold text-spruce"
				>Signed: the record is closed</span
			>
		{:else if path !== '' && next.stage !== here}
			<a
				href={nextHref(record.id, next)}
				class="my-1 flex min-h-12 max-w-full items-center gap-2 rounded-[3px] border-2 border-spruce px-3 font-semibold text-spruce hover:bg-spruce-wash sm:max-w-[26rem]"
				data-next
				><span class="text-[15px] font-normal text-soft">Next</span><span class="truncate"
					>{next.text}</span
				><span aria-hidden="true">→</span></a
			>
		{/if}
	</div>
	{#if pages.length}
		<nav aria-label="In this stage" class="flex gap-2 border-t border-line px-4 md:px-6">
			{#each pages as { to, name } (to)}
				<a
					href="{base}/{here}{to}"
					aria-current={isPage(to) ? 'page' : undefined}
					class="inline-flex min-h-12 items-center px-2 {isPage(to)
						? 'font-semibold underline decoration-2 underline-offset-8'
						: 'text-soft hover:text-ink'}">{name}</a
				>
			{/each}
		</nav>
	{/if}
</div>

<style>
	.stage {
		display: flex;
		flex-shrink: 0;
		min-height: 3rem;
		align-items: center;
		gap: 0.5rem;
		border-bottom: 4px solid transparent;
		padding-inline: 0.75rem;
	}
	@media (width < 40rem) {
		.stage {
			min-width: 2.25rem;
			justify-content: center;
			gap: 0.25rem;
			padding-inline: 0.3rem;
		}
	}
	.here {
		border-color: var(--color-spruce);
		font-weight: 600;
	}
</style>
