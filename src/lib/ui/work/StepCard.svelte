<script lang="ts">
	import { page } from '$app/state';
	import { springFitWords, type SpringFit } from '$core/bench/spring-fit';
	import { cornerNames, type Corner } from '$core/height/corners';
	import { meanMinutes } from '$core/work/minutes';
	import { blockedBy } from '$core/work/order';
	import type { WorkStep } from '$core/work/step';
	import { withoutPhoto, workPhaseNames } from '$core/work/terms';
	import { photoBox } from '$lib/client/photo-box.svelte';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { benchWants } from '$core/job/bench-wants';
	import { addedSince } from '$core/job/work';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { later } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import { onMount } from 'svelte';
	import { benchAt } from '../job/places';
	import ArmSpringNote from './ArmSpringNote.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	/** One step, one question: what, with which tool, what to mind, and what must be seen before it counts. */
	let { step, ondone }: { step: WorkStep; ondone: (id: string) => void } = $props();
	const job = currentJob();
	const work = $derived(job.work);
	const closed = $derived(job.record.signedAt !== null);
	const lead = $derived(page.data.person?.role === 'lead');
	const kept = $derived(work.book.get('step', step.id));
	const entry = $derived(work.book.entry('step', step.id));
	const done = $derived(work.done.has(step.id));
	const added = $derived(addedSince(work, step));
	const blocked = $derived(blockedBy(work.order, step.id, work.done));
	const bench = $derived(benchWants(job.record, work.book, step));
	const minutes = $derived(work.minutes.get(step.id)!);

	const springFit = later(() => import('./SpringFit.svelte'));
	let spring = $state.raw<SpringFit>();
	const setting = later(() => import('$lib/ui/bench/CoiloverSetting.svelte'));
	const clocks = later(() => import('./BushClocks.svelte'));
	let seen = $state(false);
	let note = $state('');
	let overriding = $state(false);
	let reason = $state('');
	let refusal = $state<Refusal>();
	let asked = $state(false);
	let main = $state<HTMLElement>();
	/** One on its way to the server counts: words go with the step for it. */
	const waiting = $derived(
		photoBox.waiting.some((photo) => photo.jobId === job.record.id && photo.subject === step.id)
	);
	const pictured = $derived(
		waiting || job.record.photos.some((photo) => photo.subject === step.id && !photo.withdrawn)
	);
	const noteLabel = $derived(
		step.gate?.note ?? (step.gate?.photo && !pictured ? withoutPhoto : undefined)
	);
	const noteMissing = $derived(asked && noteLabel && !note.trim());
	const gateMissing = $derived(asked && step.gate && !seen);

	/** One Enter away: when the step opens, and once what must be seen was seen. */
	const focusMain = () =>
		main
			?.querySelector<HTMLElement>('button[data-main], a[data-main]')
			?.focus({ preventScroll: true });

	let now = $state(Date.now());
	onMount(() => {
		const timer = setInterval(() => (now = Date.now()), 1000);
		focusMain();
		return () => clearInterval(timer);
	});
	const running = $derived(
		kept?.state === 'started' && entry
			? Math.max(0, (now - Date.parse(entry.enteredAt)) / 1000)
			: undefined
	);
	const clock = (seconds: number) =>
		`${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

	/** Pages where a step is done that is not ticked off here. */
	const elsewhere = $derived.by(() => {
		const base = `/jobs/${job.record.id}`;
		if (step.doneIn === 'heights-before')
			return { href: `${base}/measure`, name: 'Read the heights' };
		if (step.doneIn === 'heights-after') return { href: `${base}/check`, name: 'Read the heights' };
		if (step.doneIn === 'round') return { href: `${base}/set`, name: 'Into the torque round' };
		if (step.doneIn === 'bench')
			return {
				href: `${base}/work/bench?corner=${step.corners[0]}&at=${benchAt(step.id)}`,
				name: 'To the bench page'
			};
		return undefined;
	});
	const ticked = $derived(!elsewhere || step.doneIn === 'bench');

	const start = () => job.keep('step', step.id, { state: 'started', note: '' });
	async function finish() {
		asked = true;
		const override = overriding && reason.trim() ? { overrideReason: reason.trim() } : {};
		if (!overriding && ((step.gate && !seen) || (noteLabel && !note.trim()))) return;
		const said = note.trim() || (step.gate?.photo && waiting ? 'Photo taken, on its way' : '');
		refusal = await job.keep('step', step.id, {
			state: 'done',
			note: said,
			...(spring && { spring }),
			...override
		});
		if (!refusal) ondone(step.id);
	}
	const reopen = () => job.keep('step', step.id, { state: 'open', note: '' });
	const place = $derived(
		step.at === 'car'
			? 'The car'
			: step.at in cornerNames
				? cornerNames[step.at as Corner]
				: `${step.at === 'front' ? 'Front' : 'Rear'} axle, both sides`
	);
</script>

<section
	class="panel p-5"
	aria-label="The step in hand"
	bind:this={main}
	data-draft="step {step.id}"
>
	<p class="text-[15px] text-soft">{workPhaseNames[step.phase]} · {place}</p>
	<h1 class="mt-1 text-[32px] leading-tight">{step.title}</h1>
	<div class="mt-2 flex flex-wrap items-baseline gap-x-6 gap-y-1 text-[17px]">
		{#if step.tool}<span>{step.tool}</span>{/if}
		{#if step.people}<b class="text-ochre">◇ Two people</b>{/if}
		<span class="text-soft"
			>about <span class="num">{Math.max(1, Math.round(meanMinutes(minutes)))}</span> min ({Math.round(
				minutes.low
			)} to {Math.round(minutes.high)})</span
		>
	</div>
	{#if step.caution}
		<Notice class="mt-3 font-semibold text-madder!">
			△ {step.caution}
		</Notice>
	{/if}
	{#if step.kind === 'lower'}<ArmSpringNote {step} />{/if}
	{#if blocked.length && !done}
		<Notice tone="mind" role="status" class="mt-3">
			<p class="font-semibold text-ochre">◇ Not yet</p>
			<ul class="text-[15px]">
				{#each blocked.slice(0, 4) as { step: earlier, rule } (earlier.id)}
					<li>
						<b>{earlier.title}</b>{earlier.at === 'car' ? '' : ` (${earlier.at})`}: {rule.words}
					</li>
				{/each}
				{#if blocked.length > 4}<li>and {blocked.length - 4} more</li>{/if}
			</ul>
		</Notice>
	{/if}
	{#if added.length}
		<Notice tone="mind" class="mt-3">
			<b class="text-ochre">◇ Done before; the plan has added:</b>
			{added.join(', ')}
		</Notice>
	{/if}
	{#if bench.length && !done}
		<Notice tone="mind" class="mt-3">
			<p class="font-semibold text-ochre">◇ The bench still wants</p>
			<ul class="list-disc ps-5 text-[15px]">
				{#each bench as one (one)}<li>{one}</li>{/each}
			</ul>
		</Notice>
	{/if}
	<RefusalNotice {refusal} />

	{#if done}
		<p class="mt-4 text-2xl text-spruce">✓ Done</p>
		{#if kept?.note}<p>{kept.note}</p>{/if}
		{#if kept?.spring}<p class="first-letter:capitalize">{springFitWords(kept.spring)}</p>{/if}
		{#if kept?.overrideReason}<p class="text-ochre">
				◇ Passed over by {job.personName(entry!.personId) || 'a lead'}: {kept.overrideReason}
			</p>{/if}
		{#if kept?.state === 'done' && !closed}<div class="mt-2">
				<ActionButton onclick={reopen}>Take it back</ActionButton>
			</div>{/if}
	{:else if !closed}
		{#if step.gate && ticked}
			<Tick
				large
				class="mt-4 min-h-16 rounded-[3px] border-2 p-3 text-xl {gateMissing
					? 'border-madder'
					: 'border-edge'} has-checked:border-spruce has-checked:bg-spruce-wash"
				bind:checked={seen}
				onchange={() => seen && !noteLabel && !step.gate?.setting && focusMain()}
			>
				<span>{step.gate.question}</span>
			</Tick>
			{#if step.gate.photo && pictured}<p class="mt-2 text-spruce">✓ A photo of it is kept</p>{/if}
			{#if step.gate.spring}<Later
					part={springFit()}
					given={{ step, onset: (fit: SpringFit | undefined) => (spring = fit) }}
				/>{/if}
			{#if step.gate.setting}<Later part={setting()} given={{ corner: step.corners[0]! }} />{/if}
			{#if step.gate.clock}<Later
					part={clocks()}
					given={{ step, onset: (words: string) => (note = words) }}
				/>{/if}
			{#if noteLabel}
				<div class="mt-3">
					<Field
						label={noteLabel}
						hint={step.gate.photo ? 'or take a photo of this step, beside' : undefined}
						bind:value={note}
						maxlength={300}
						fault={noteMissing ? 'is written down before it counts' : undefined}
					/>
				</div>
			{/if}
		{/if}
		{#if overriding}
			<div class="mt-3">
				<Field
					label="Why it may go on all the same"
					bind:value={reason}
					maxlength={500}
					hint="10 letters or more; stays on the record and prints on the sheet"
				/>
			</div>
		{/if}
		<div class="mt-4 flex flex-wrap items-center gap-3">
			{#if elsewhere}
				<ActionButton weight="main" href={elsewhere.href} data-main>{elsewhere.name} →</ActionButton
				>
			{/if}
			{#if ticked}
				{#if running === undefined && !elsewhere}
					<ActionButton class="min-h-16" onclick={start}>Start the clock</ActionButton>
				{:else if running !== undefined}
					<p class="num min-w-24 text-3xl" role="timer">{clock(running)}</p>
				{/if}
				<ActionButton
					weight={elsewhere ? 'plain' : 'main'}
					class="min-h-16"
					onclick={finish}
					data-main
					disabled={!overriding && blocked.length + bench.length > 0}>Done, next step</ActionButton
				>
			{/if}
			{#if lead && ticked && (blocked.length || bench.length || step.gate) && !overriding}
				<button type="button" class="touch px-2 underline" onclick={() => (overriding = true)}
					>Go on all the same</button
				>
			{/if}
		</div>
		{#if gateMissing}<p role="alert" class="mt-2 font-medium text-madder">
				✕ Look first, then touch the box.
			</p>{/if}
	{/if}
</section>
