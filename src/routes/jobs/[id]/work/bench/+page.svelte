<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { axleOf, cornerNames, type Corner } from '$core/height/corners';
	import { axlePlans } from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { benchWants, comparedParts } from '$core/job/bench-wants';
	import type { StepKind } from '$core/work/operations';
	import { blockedBy } from '$core/work/order';
	import type { WorkStep } from '$core/work/step';
	import type { Refusal } from '$lib/client/api';
	import { nextHref } from '$lib/ui/job/places';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import CompareParts from '$lib/ui/bench/CompareParts.svelte';

	let { data } = $props();
	const job = currentJob();
	const compressor = later(() => import('$lib/ui/bench/CompressorStation.svelte'));
	const stack = later(() => import('$lib/ui/bench/StackStation.svelte'));
	const armSpring = later(() => import('$lib/ui/bench/ArmSpringForce.svelte'));
	const plans = $derived(axlePlans(job.work.scope));
	const corners = $derived(plans.flatMap((plan) => plan.corners));
	const asked = $derived(page.url.searchParams.get('corner'));
	const corner = $derived<Corner | undefined>(corners.find((one) => one === asked) ?? corners[0]);
	const plan = $derived(plans.find(({ axle }) => corner && axle === axleOf(corner)));
	/** What is done on the bench for this corner. */
	const steps = $derived(
		new Set(job.work.order.steps.flatMap(({ kind, at }) => (at === corner ? [kind] : [])))
	);
	const places = $derived(
		!plan
			? []
			: [
					{ key: 'compare', name: 'Old against new' },
					...(plan.rebuilt ? [{ key: 'compressor', name: 'Compressor' }] : []),
					...(plan.springWay ? [{ key: 'arm', name: 'Spring on the arm' }] : []),
					...(steps.has('restack') || steps.has('change-over')
						? [{ key: 'stack', name: steps.has('restack') ? 'Put together' : 'Change over' }]
						: [])
				]
	);
	const place = $derived(
		places.find(({ key }) => key === page.url.searchParams.get('at'))?.key ?? places[0]?.key
	);
	const go = (to: { corner?: string; at?: string }) => {
		const search = new URLSearchParams({ corner: corner!, at: place!, ...to });
		void goto(`?${search}`, { replaceState: true, keepFocus: true, noScroll: true });
	};
	/** Which steps stand at a place of the bench. */
	const kindsAt: Record<string, readonly StepKind[]> = {
		compare: ['compare'],
		compressor: ['compress', 'shaft-off', 'let-off', 'release'],
		stack: ['restack', 'change-over'],
		arm: []
	};
	const step = $derived(
		job.work.order.steps.find(
			({ id, kind, corners: at }) =>
				at[0] === corner && !job.work.done.has(id) && kindsAt[place ?? '']?.includes(kind)
		)
	);
	let refusal = $state<Refusal>();
	async function finish(one: WorkStep) {
		refusal = await job.keep('step', one.id, { state: 'done', note: '' });
		if (!refusal) await goto(nextHref(job.record.id, job.next));
	}
	const wants = $derived((of: Corner) =>
		job.work.order.steps
			.filter((step) => step.corners[0] === of && step.corners.length === 1)
			.filter((step) => step.doneIn === 'bench' && !job.work.done.has(step.id))
			.flatMap((step) => benchWants(job.record, job.work.book, step))
	);
</script>

<div class="p-4 md:px-6">
	<h1 class="sr-only">Bench</h1>
	{#if corner && plan}
		<div class="mb-3 flex flex-wrap items-stretch gap-2">
			{#each corners as one (one)}
				{@const left = wants(one).length}
				<button
					type="button"
					class="touch min-w-36 rounded-[3px] border px-4 py-1 text-start {one === corner
						? 'border-2 border-spruce bg-spruce-wash'
						: 'border-edge bg-panel hover:bg-sunk'}"
					aria-pressed={one === corner}
					onclick={() => go({ corner: one })}
				>
					<span class="font-semibold">{cornerNames[one]}</span>
					<span class="block text-[15px] {left ? 'text-ochre' : 'text-spruce'}"
						>{left ? `◇ ${left} to do` : '✓ ready'}</span
					>
				</button>
			{/each}
			<div class="ms-4 flex" role="group" aria-label="At the bench">
				{#each places as one (one.key)}
					<button
						type="button"
						class="touch border border-edge px-4 {one.key === place
							? 'bg-spruce-wash font-semibold'
							: 'bg-panel hover:bg-sunk'}"
						aria-pressed={one.key === place}
						onclick={() => go({ at: one.key })}>{one.name}</button
					>
				{/each}
			</div>
		</div>
		<RefusalNotice {refusal} />
		<!-- The step that stands here is ticked off here, and the next one opens. -->
		<div class="mb-3 flex flex-wrap items-center gap-3">
			{#if step}
				{@const open = benchWants(job.record, job.work.book, step)}
				<p class="me-auto min-w-0 text-lg">
					<b>{step.title}</b>
					<span class={open.length ? 'text-ochre' : 'text-spruce'}
						>{open.length
							? `◇ still: ${open[0]}${open.length > 1 ? ` and ${open.length - 1} more` : ''}`
							: '✓ nothing wanting'}</span
					>
				</p>
				{#if open.length === 0 && !step.gate && !blockedBy(job.work.order, step.id, job.work.done).length}
					<ActionButton weight="main" data-main onclick={() => finish(step)}
						>Done, next step</ActionButton
					>
				{:else}
					<ActionButton
						weight={open.length ? 'plain' : 'main'}
						class="min-h-14"
						href="/jobs/{job.record.id}/work?step={encodeURIComponent(step.id)}"
						>{open.length
							? 'To the step'
							: `${step.gate?.question ?? 'To the step'} →`}</ActionButton
					>
				{/if}
			{:else}
				<p class="me-auto text-lg text-spruce">✓ Nothing left here</p>
				<ActionButton weight="main" href={nextHref(job.record.id, job.next)}
					>Next: {job.next.text} →</ActionButton
				>
			{/if}
		</div>
		{#key `${corner} ${place}`}
			{#if place === 'compare'}
				<div class="space-y-4">
					{#each comparedParts(plan) as part (part)}<CompareParts {corner} {part} />{/each}
				</div>
			{:else if place === 'compressor'}
				<Later part={compressor()} given={{ corner, costs: data.shop.costs }} />
			{:else if place === 'arm'}
				<Later part={armSpring()} given={{ corner }} />
			{:else if place === 'stack'}
				<Later part={stack()} given={{ corner }} />
			{/if}
		{/key}
	{:else}
		<div class="panel p-8">
			<p class="text-2xl">Nothing for the bench yet</p>
			<p class="mt-1 text-soft">Say what is renewed, and its bench work stands here.</p>
			<div class="mt-4">
				<ActionButton href="/jobs/{job.record.id}/plan">Plan the job</ActionButton>
			</div>
		</div>
	{/if}
</div>
