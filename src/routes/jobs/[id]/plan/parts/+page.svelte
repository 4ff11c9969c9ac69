<script lang="ts">
	import { consumables, socketLines, toolLines } from '$core/bench/tools';
	import { actionsOf } from '$core/fastener/joint-programme';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { atWork } from '$core/job/joints';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import PartsTable from '$lib/ui/plan/PartsTable.svelte';

	const job = currentJob();
	const units = personalUnits();
	const tools = $derived(toolLines(job.work.scope));
	const used = $derived(consumables(job.work.scope));
	const sockets = $derived(
		socketLines(
			job.record.joints.flatMap(({ name, thread, loosened }) =>
				loosened && thread ? [{ name: name.toLowerCase(), diameterMm: thread.diameterMm }] : []
			)
		)
	);
	/** Lowest and highest torque of the joints that come loose: which wrenches to lay out. */
	const range = $derived.by(() => {
		const torques = job.record.joints
			.filter(({ loosened }) => loosened)
			.flatMap((joint) => actionsOf(atWork(joint)).flatMap(({ torqueNm }) => torqueNm ?? []));
		return torques.length ? [Math.min(...torques), Math.max(...torques)] : undefined;
	});
</script>

<h1 class="sr-only">Parts and tools</h1>
<p class="hidden text-lg print:block">
	{job.record.vehicle.plate}, job {job.record.number}
</p>
<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[minmax(0,1fr)_380px]">
	<PartsTable />
	<div class="space-y-4">
		<section class="panel p-4" aria-labelledby="tools-title">
			<h2 id="tools-title" class="text-lg">Tools</h2>
			<ul class="mt-1 divide-y divide-line">
				{#each tools as tool (tool.name)}
					<li class="py-1.5 leading-tight">
						<span class="font-medium">{tool.name}</span>
						{#if tool.special}<span class="text-ochre"> ◇ special tool</span>{/if}
						<span class="caption block"
							>{tool.for.slice(0, 2).join('; ')}{tool.for.length > 2
								? ` and ${tool.for.length - 2} more`
								: ''}</span
						>
					</li>
				{:else}<li class="py-2 text-soft">Nothing is planned yet.</li>{/each}
			</ul>
			{#if sockets.length}
				<h3 class="mt-3 text-[17px]">Sockets, by thread</h3>
				<ul class="divide-y divide-line">
					{#each sockets as socket (socket.diameterMm)}
						<li class="py-1 leading-tight">
							<span class="num text-lg">{socket.widthMm}<span class="unit">mm</span></span>
							<span class="text-soft">M{socket.diameterMm}: {socket.for.join(', ')}</span>
						</li>
					{/each}
				</ul>
			{:else if tools.length}
				<p class="caption mt-2">Sockets stand here once threads are typed at their joints.</p>
			{/if}
			{#if range}
				<p class="caption mt-2">
					Torque wrenches for {units.show(range[0]!, 'torque', { decimals: 0 })} to {units.show(
						range[1]!,
						'torque',
						{ decimals: 0 }
					)}; the round picks them from the rack.
				</p>
			{/if}
		</section>
		{#if job.work.order.steps.length}
			<ActionButton weight="main" class="no-print w-full" href="/jobs/{job.record.id}/plan/order"
				>Order and time →</ActionButton
			>
		{/if}
		{#if used.length}
			<section class="panel p-4" aria-labelledby="used-title">
				<h2 id="used-title" class="text-lg">Used up</h2>
				<ul class="mt-1 list-disc ps-5">
					{#each used as one (one)}<li>{one}</li>{/each}
				</ul>
			</section>
		{/if}
	</div>
</div>
