<script lang="ts">
	import { page } from '$app/state';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';

	const job = currentJob();
	const units = personalUnits();
	const record = $derived(job.record);
	const base = $derived(`/jobs/${record.id}`);
	const signed = $derived(job.view.standing.stage === 'signed');

	const steps = $derived.by(() => {
		const { owed } = job.view.standing;
		const joints = owed.filter((item) => item.kind === 'joint');
		const first = record.corners[0]!;
		return [
			{ name: 'Board', href: base, owed: 0, exact: true },
			{ name: 'Inspect', href: `${base}/inspect`, owed: 0 },
			{ name: 'Plan', href: `${base}/plan`, owed: 0 },
			{
				name: 'Work',
				href: `${base}/work`,
				owed: owed.filter((o) => ['step', 'hazard', 'part', 'tray', 'work'].includes(o.kind)).length
			},
			{ name: 'Bench', href: `${base}/bench`, owed: 0 },
			{
				name: 'Heights before',
				href: `${base}/heights/before`,
				owed: owed.filter(
					(o) => o.kind === 'height-before' || (o.kind === 'doubt' && o.text.includes('before'))
				).length
			},
			{
				name: 'Joints',
				href: `${base}/joints`,
				owed: owed.filter((o) => o.kind === 'hardware').length
			},
			{
				name: 'Round',
				href: `${base}/round`,
				owed: joints.length
			},
			{
				name: 'Corners',
				href: `${base}/corners/${first}`,
				match: `${base}/corners`,
				owed: 0
			},
			{
				name: 'Heights after',
				href: `${base}/heights/after`,
				owed: owed.filter(
					(o) => o.kind === 'height-after' || (o.kind === 'doubt' && o.text.includes('after'))
				).length
			},
			{ name: 'Sheet', href: `${base}/sheet`, owed: 0 }
		];
	});
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
				: ` · ${units.show(record.odometerKm, 'distance')}`}</span
		>
	</div>
	<nav aria-label="Job" class="flex overflow-x-auto px-2 md:px-4">
		{#each steps as step (step.name)}
			{@const here = step.exact
				? page.url.pathname === step.href
				: page.url.pathname.startsWith(step.match ?? step.href)}
			<a
				href={step.href}
				aria-current={here ? 'page' : undefined}
				class="relative flex min-h-12 shrink-0 items-center gap-2 border-b-4 px-3 {here
					? 'border-spruce font-semibold'
					: 'border-transparent text-soft hover:border-line hover:text-ink'}"
			>
				{step.name}
				{#if step.owed && !signed}
					<span class="num rounded-[3px] bg-ochre-wash px-1.5 text-[15px] text-ochre"
						>{step.owed}<span class="sr-only"> owed</span></span
					>
				{/if}
			</a>
		{/each}
		{#if record.addendum}<span class="ms-auto flex items-center pe-3 font-semibold text-ochre"
				>◇ Open for an addendum</span
			>{/if}
		{#if record.signedAt}<span class="ms-auto flex items-center pe-3 font-semibold text-spruce"
				>Signed: the record is closed</span
			>{/if}
	</nav>
</div>
