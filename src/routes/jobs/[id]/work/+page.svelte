<script lang="ts">
	import { page } from '$app/state';
	import type { Corner } from '$core/height/corners';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { whenIdle } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import JumpMarks from '$lib/ui/controls/JumpMarks.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import CornerView from '$lib/ui/corner/CornerView.svelte';
	import PhotoStrip from '$lib/ui/inspect/PhotoStrip.svelte';
	import { nextHref } from '$lib/ui/job/places';
	import StepCard from '$lib/ui/work/StepCard.svelte';
	import StepList from '$lib/ui/work/StepList.svelte';
	import TrayMap from '$lib/ui/work/TrayMap.svelte';

	const job = currentJob();
	const fightPanel = whenIdle(() => import('$lib/ui/work/StuckPanel.svelte'));
	const extraPanel = whenIdle(() => import('$lib/ui/extras/ExtraPanel.svelte'));
	const saidFinding = whenIdle(() => import('$lib/ui/inspect/SaidFinding.svelte'));
	const ownPanel = whenIdle(() => import('$lib/ui/knowledge/KnowledgePanel.svelte'));
	const work = $derived(job.work);
	/** From the address: what somebody was sent here for. */
	let picked = $state(page.url.searchParams.get('step') ?? undefined);
	const step = $derived(work.order.steps.find(({ id }) => id === picked) ?? work.next);
	const owed = $derived(job.view.standing.owed.filter(({ stage }) => stage === 'work'));
	const here = $derived(owed.length);
	const count = $derived((kinds: string[], one: string, many: string) => {
		const n = owed.filter(({ kind }) => kinds.includes(kind)).length;
		return n ? [`${n} ${n === 1 ? one : many}`] : [];
	});
	const parts = $derived([
		...count(['step', 'hazard'], 'step', 'steps'),
		...count(['part'], 'part to fit', 'parts to fit'),
		...count(['tray'], 'thing in the trays', 'things in the trays'),
		...count(['work'], 'thing to settle', 'things to settle')
	]);
	/** What comes after the step in hand. */
	const then = $derived.by(() => {
		const ahead = work.order.steps.filter(({ id }) => !work.done.has(id) && id !== step?.id);
		return ahead.slice(0, 4);
	});
	const corner = $derived<Corner | undefined>(step?.corners[0]);
	const heightMm = $derived.by(() => {
		const { target, before } = job.view.corners[corner ?? 'FL'];
		const mm = target?.heightMm ?? before?.meanMm;
		return mm !== undefined && job.record.school === 'hub-to-arch' ? mm : 365;
	});
</script>

<div class="p-4 md:px-6">
	{#if work.order.steps.length === 0}
		<div class="panel p-8">
			<h1 class="text-2xl">Nothing is planned yet</h1>
			<p class="mt-1 text-soft">Say what is renewed; the steps follow from the layout.</p>
			<div class="mt-4 flex gap-3">
				<ActionButton weight="main" href="/jobs/{job.record.id}/plan">Plan the job</ActionButton>
				<ActionButton class="min-h-16" href="/jobs/{job.record.id}/set"
					>Straight to the torque round</ActionButton
				>
			</div>
		</div>
	{:else}
		<div class="mb-3">
			<JumpMarks
				marks={[
					['where', 'Corner, trays, photos'],
					['all-steps', 'All steps']
				]}
			/>
		</div>
		<div class="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[286px_minmax(0,1fr)_350px]">
			<section
				id="all-steps"
				aria-label="All steps"
				class="panel relative max-lg:order-3 lg:max-h-[calc(100dvh-11.5rem)] lg:overflow-y-auto"
			>
				<StepList now={step?.id} onpick={(id) => (picked = id)} />
			</section>
			<div class="min-w-0 space-y-3">
				<p role="status" class="text-lg">
					<span class="num text-3xl {here ? 'text-ochre' : 'text-spruce'}">{here}</span>
					left to do here{#if parts.length > 1}<span class="text-soft">: {parts.join(', ')}</span
						>{/if}
				</p>
				{#if step}
					{#key step.id}
						<StepCard {step} ondone={() => (picked = undefined)} />
					{/key}
					{#key step.id}<Later part={fightPanel} given={{ step }} />{/key}
					{#if then.length}
						<section class="px-1" aria-labelledby="then-title">
							<h2 id="then-title" class="caption">Then</h2>
							<ol class="text-[17px]">
								{#each then as one (one.id)}
									<li class="flex gap-3 py-0.5">
										<span class="num w-12 capitalize">{one.at}</span>
										<span>{one.title}</span>
									</li>
								{/each}
							</ol>
						</section>
					{/if}
				{:else}
					<div class="panel p-6">
						<p class="text-2xl text-spruce">✓ Every step is done</p>
						<div class="mt-4">
							<ActionButton weight="main" href={nextHref(job.record.id, job.next)}
								>{job.next.text} →</ActionButton
							>
						</div>
					</div>
				{/if}
			</div>
			<aside id="where" class="min-w-0 space-y-3" aria-label="Where, trays and photos">
				{#if corner && step?.at !== 'car'}
					<section class="panel p-2" aria-label="Corner, to scale">
						{#key corner}<CornerView
								{corner}
								targetMm={heightMm}
								{heightMm}
								place={step?.place ?? null}
								plain
								fixed
							/>{/key}
					</section>
				{/if}
				{#if step}{#key step.id}<Later part={ownPanel} given={{ step }} />{/key}{/if}
				<TrayMap {step} />
				<Later part={extraPanel} given={{}} />
				<Later part={saidFinding} given={{ corner }} />
				<PhotoStrip
					corner={step && step.at === corner ? corner : null}
					subject={step?.id ?? ''}
					title="Photos of this step"
				/>
			</aside>
		</div>
	{/if}
</div>
