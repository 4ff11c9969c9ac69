<script lang="ts">
	import { cornerNames, type Corner } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { setHref } from '../job/places';
	import { cornerLines } from './corner-lines';

	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const view = $derived(job.view.corners[corner]);
	const owed = $derived(job.view.standing.owed.filter((item) => item.corner === corner));
	const worked = $derived(job.record.corners.includes(corner));
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);
	const shown = (mm: number | undefined) =>
		mm === undefined ? '–' : units.show(mm, 'length', { bare: true, decimals });
	const offTarget = (mm: number | undefined) =>
		mm === undefined || !view.target || view.target.source === 'before'
			? ''
			: `${units.show(mm - view.target.heightMm, 'length', { signed: true, decimals })} to target`;
	const lines = $derived(cornerLines(owed, job.record.joints, job.view.standing.joints));
	const href = $derived(
		worked
			? setHref(job.record.id, corner)
			: `/jobs/${job.record.id}/${job.view.standing.stage === 'measure' ? 'measure' : 'check'}?corner=${corner}`
	);
</script>

<a
	{href}
	class="panel flex h-full flex-col p-4 hover:border-edge hover:bg-sunk {worked
		? ''
		: 'border-dashed'}"
>
	<span class="flex items-baseline justify-between gap-2">
		<span class="text-lg font-bold">{cornerNames[corner]}</span>
		<span class="caption">{worked ? '' : 'heights only'}</span>
	</span>
	<span class="mt-1 grid grid-cols-3 gap-2">
		{#each [{ name: 'Before', mm: view.before?.meanMm, off: view.after ? undefined : view.before?.meanMm }, { name: 'Target', mm: worked || view.after || view.target?.source !== 'before' ? view.target?.heightMm : undefined, off: undefined }, { name: 'Now', mm: view.after?.meanMm, off: view.after?.meanMm }] as cell (cell.name)}
			<span class={cell.name === 'Target' ? 'text-mark' : ''}>
				<span class="caption block">{cell.name}</span>
				<span class="num block text-[42px] leading-none"
					>{shown(cell.mm)}{#if cell.mm !== undefined}<span class="unit text-base"
							>{units.choice.length}</span
						>{/if}</span
				>
				<span class="block min-h-5 text-[15px] text-soft">{offTarget(cell.off)}</span>
			</span>
		{/each}
	</span>
	<span class="mt-auto block space-y-0.5 pt-2 text-[15px]">
		{#each lines.slice(0, 4) as line (line.text)}
			<span class="flex gap-1.5"
				><StateMark mark={line.mark} class="mt-0.5 self-start" /><span
					class={line.mark === 'again' ? 'font-semibold text-madder' : ''}>{line.text}</span
				></span
			>
		{:else}
			<StateMark mark="set" word="Nothing left" />
		{/each}
	</span>
</a>
