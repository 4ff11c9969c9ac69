<script lang="ts">
	import { springSeat } from '$core/layout/shape';
	import { jobsOf } from '$core/work/jobs';
	import { axlePlans } from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { whenIdle } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import AdviceList from '$lib/ui/plan/AdviceList.svelte';
	import ScopeForm from '$lib/ui/plan/ScopeForm.svelte';

	const extraPanel = whenIdle(() => import('$lib/ui/extras/ExtraPanel.svelte'));
	const assemblyPanel = whenIdle(() => import('$lib/ui/plan/AssemblyPanel.svelte'));
	const armPanel = whenIdle(() => import('$lib/ui/plan/ArmPanel.svelte'));
	const inTheWay = whenIdle(() => import('$lib/ui/knowledge/InTheWay.svelte'));
	const offers = whenIdle(() => import('$lib/ui/knowledge/KnowledgeOffers.svelte'));
	let { data } = $props();
	const job = currentJob();
	const units = $derived(
		axlePlans(job.work.scope).filter(
			({ damperOut, kit, layout }) => damperOut && !kit && springSeat(layout) === 'on-damper'
		)
	);
	/** Arms that come out, whole or for their bushes. */
	const arms = $derived(
		axlePlans(job.work.scope).flatMap(({ axle, layout, jobs }) => {
			const keys = jobs.flatMap(({ part }) => (part?.kind === 'arm' ? [part.key] : []));
			const pressed = jobsOf(layout).flatMap(({ job: one, part }) =>
				one.press ? [part?.key] : []
			);
			return [...new Set(keys)].flatMap((part) => (pressed.includes(part) ? [{ axle, part }] : []));
		})
	);
</script>

<h1 class="sr-only">Plan</h1>
<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[400px_minmax(0,1fr)]">
	<ScopeForm />
	<div class="min-w-0 space-y-4">
		<Later part={offers} given={{}} />
		<AdviceList costs={{ ...data.shop.costs, links: data.linksUndone }} />
		{#each axlePlans(job.work.scope) as { axle } (axle)}
			<Later part={inTheWay} given={{ axle }} />
		{/each}
		<Later part={extraPanel} given={{}} />
		{#each units as { axle } (axle)}
			<Later part={assemblyPanel} given={{ axle, costs: data.shop.costs }} />
		{/each}
		{#each arms as { axle, part } (`${axle} ${part}`)}
			<Later part={armPanel} given={{ axle, part, costs: data.shop.costs }} />
		{/each}
		{#if job.work.order.steps.length}
			<div class="flex flex-wrap justify-end gap-3">
				<ActionButton class="min-h-16" href="/jobs/{job.record.id}/plan/parts"
					>Parts and tools</ActionButton
				>
				<ActionButton weight="main" href="/jobs/{job.record.id}/plan/order"
					>Order and time →</ActionButton
				>
			</div>
		{/if}
	</div>
</div>
