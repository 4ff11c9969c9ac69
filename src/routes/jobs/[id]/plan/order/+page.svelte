<script lang="ts">
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import OrderList from '$lib/ui/plan/OrderList.svelte';
	import WorkTime from '$lib/ui/plan/WorkTime.svelte';

	const job = currentJob();
	let picked = $state<string>();
</script>

<h1 class="sr-only">Order and time</h1>
{#if job.work.order.steps.length}
	<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[440px_minmax(0,1fr)]">
		<div class="max-lg:order-2"><OrderList bind:picked /></div>
		<div class="space-y-4 lg:sticky lg:top-2">
			<WorkTime bind:picked />
			<div class="flex justify-end gap-3">
				<ActionButton href="/bays" class="min-h-16">Week of the bays</ActionButton>
				<ActionButton weight="main" href="/jobs/{job.record.id}/work">Start the work →</ActionButton
				>
			</div>
		</div>
	</div>
{:else}
	<div class="panel p-8">
		<p class="text-xl">Nothing is planned yet</p>
		<p class="mt-1 text-soft">Say what is renewed, and the order of work stands here.</p>
		<div class="mt-4">
			<ActionButton href="/jobs/{job.record.id}/plan">Decide</ActionButton>
		</div>
	</div>
{/if}
