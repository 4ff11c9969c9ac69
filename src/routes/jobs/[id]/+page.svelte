<script lang="ts">
	import { cornerNames, corners, perCorner } from '$core/height/corners';
	import { schools } from '$core/height/schools';
	import { stageNames } from '$core/procedure/owed';
	import { currentJob } from '$lib/client/job-state.svelte';
	import CarPlan from '$lib/ui/car-plan/CarPlan.svelte';
	import CornerPanel from '$lib/ui/car-plan/CornerPanel.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import CarNotes from '$lib/ui/job/CarNotes.svelte';

	const job = currentJob();
	let noting = $state(false);
	const record = $derived(job.record);
	const standing = $derived(job.view.standing);
	const owed = $derived(
		perCorner((corner) => standing.owed.filter((item) => item.corner === corner).length)
	);
	const base = $derived(`/jobs/${record.id}`);
	/** The step of the order of work that comes next; none once the round has taken over. */
	const step = $derived(
		job.work.next && !['round', 'heights-after'].includes(job.work.next.doneIn ?? '')
			? job.work.next
			: undefined
	);

	/** The one thing to do next. */
	const next = $derived.by(() => {
		if (standing.stage === 'signed') return { href: `${base}/sheet`, text: 'The signed sheet' };
		if (standing.stage === 'ready')
			return { href: `${base}/sheet`, text: 'Look over the sheet and sign' };
		const rules = new Map(record.joints.map((joint) => [joint.id, joint.rule]));
		const rigid = (item: (typeof standing.owed)[number]) =>
			item.kind === 'joint' && rules.get(item.jointId!) === 'any-time';
		const wanted = {
			'heights-before': (item: (typeof standing.owed)[number]) => item.kind === 'height-before',
			work: rigid,
			joints: rigid,
			set: (item: (typeof standing.owed)[number]) =>
				item.kind === 'joint' || item.kind === 'target',
			'heights-after': () => true
		}[standing.stage];
		const item = standing.owed.find(wanted) ?? standing.owed[0]!;
		const where = cornerNames[item.corner].toLowerCase();
		if (item.kind === 'height-before' || (item.kind === 'doubt' && item.text.includes('before'))) {
			return {
				href: `${base}/heights/before?corner=${item.corner}`,
				text: `Read the height before, ${where}`
			};
		}
		if (item.kind === 'height-after' || item.kind === 'doubt') {
			return {
				href: `${base}/heights/after?corner=${item.corner}`,
				text: `Read the height after, ${where}`
			};
		}
		if (item.kind === 'hardware')
			return { href: `${base}/joints`, text: 'One-time hardware: new, or the old one?' };
		if (['step', 'hazard', 'tray', 'work'].includes(item.kind))
			return { href: `${base}/work`, text: item.text };
		if (item.kind === 'part') return { href: `${base}/plan/parts`, text: item.text };
		const verb = standing.stage === 'set' ? 'Set at ride height' : 'Torque the joints';
		return { href: `${base}/corners/${item.corner}`, text: `${verb}, ${where}` };
	});
</script>

<div class="p-4 md:px-6">
	<h1 class="sr-only">Car board</h1>
	<CarNotes bind:adding={noting} />
	<div class="grid gap-3 sm:grid-cols-2 lg:grid-cols-[1fr_300px_1fr] lg:grid-rows-2">
		<div class="lg:order-1"><CornerPanel corner="FL" /></div>
		<div class="row-span-2 hidden h-[440px] lg:order-2 lg:block">
			<CarPlan
				vehicle={record.vehicle}
				worked={record.corners}
				{owed}
				href={(corner) => `${base}/corners/${corner}`}
			/>
		</div>
		<div class="lg:order-3"><CornerPanel corner="FR" /></div>
		<div class="lg:order-4"><CornerPanel corner="RL" /></div>
		<div class="lg:order-5"><CornerPanel corner="RR" /></div>
	</div>
	<div class="mt-3 flex flex-wrap items-center gap-3 bg-paper py-2 lg:sticky lg:bottom-0">
		<p class="me-auto">
			<b>{stageNames[standing.stage]}</b>
			<span class="text-soft"
				>· heights {schools[record.school].name.toLowerCase()} · {job.personName(
					record.technicianId ?? ''
				) || 'nobody named'} · {corners.filter((c) => record.corners.includes(c)).join(' ')}</span
			>
		</p>
		<ActionButton class="min-h-16" onclick={() => (noting = true)}>Add a note</ActionButton>
		<ActionButton href="{base}/history" class="min-h-16">History</ActionButton>
		{#if !record.signedAt}<ActionButton href="{base}/edit" class="min-h-16"
				>Change the job</ActionButton
			>{/if}
		{#if step && !record.signedAt}
			{#if standing.stage === 'heights-before'}
				<ActionButton class="min-h-16" href={next.href}>{next.text}</ActionButton>
			{/if}
			<ActionButton weight="main" href="{base}/work"
				>{step.at === 'car' ? '' : `${step.at}: `}{step.title} →</ActionButton
			>
		{:else if !record.signedAt && record.torques.length === 0 && !record.entries.some(({ kind }) => kind === 'scope' || kind === 'finding' || kind === 'symptoms')}
			<ActionButton class="min-h-16" href={next.href}>{next.text}</ActionButton>
			<ActionButton weight="main" href="{base}/inspect">Inspect the car →</ActionButton>
		{:else}
			<ActionButton weight="main" href={next.href}>{next.text} →</ActionButton>
		{/if}
	</div>
</div>
