<script lang="ts">
	import { page } from '$app/state';
	import { cornerNames, corners } from '$core/height/corners';
	import { knownTorques, type KnownSpecification } from '$core/job/joints';
	import { isUpper } from '$core/job/arm';
	import { loadMethodNames } from '$core/procedure/facts';
	import type { RoundPart } from '$core/procedure/round';
	import type { Refusal } from '$lib/client/api';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later, whenIdle } from '$lib/client/later';
	import { currentJob } from '$lib/client/job-state.svelte';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import JumpMarks from '$lib/ui/controls/JumpMarks.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { untrack } from 'svelte';
	import JointEntry from '../joints/JointEntry.svelte';
	import RoundList from './RoundList.svelte';
	import { Round } from './round.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** One joint at a time, in the order of the work: the list, the one in hand, and where it sits. */
	let { part }: { part: RoundPart } = $props();
	const job = currentJob();
	const round = new Round(
		job,
		() => part,
		() => (page.data.wrenches ?? []) as ShopWrench[]
	);
	const { record } = $derived(job);
	const angles = whenIdle(() => import('../angles/ArmAngles.svelte'));
	const devices = whenIdle(() => import('./RoundDevices.svelte'));
	const known = $derived(
		knownTorques(record, (page.data.specifications ?? []) as KnownSpecification[])
	);
	const offer = whenIdle(() => import('../joints/KnownTorques.svelte'));
	const target = whenIdle(() => import('../joints/TargetPanel.svelte'));
	const drawing = whenIdle(() => import('./RoundDrawing.svelte'));
	const loadGate = later(() => import('./LoadGate.svelte'));
	const roundEnd = later(() => import('./RoundEnd.svelte'));
	const jointForm = later(() => import('../joints/JointForm.svelte'));
	const stop = $derived(round.stop);
	const joint = $derived(round.joint);
	/** Why the last entry was not taken; the round had gone on by then. */
	let refused = $state.raw<Refusal>();
	/** The joint whose data are changed here, or a new one. */
	let editing = $state<string>();
	/** What is typed at the gate, for the drawing. */
	let typedMm = $state<number>();

	$effect(() => {
		void part;
		untrack(() => {
			round.pick(undefined);
			editing = undefined;
		});
	});
	$effect(() => {
		void round.key;
		untrack(() => {
			round.loosened = round.ahead = undefined;
			typedMm = undefined;
		});
	});
	const taken = () => (refused = undefined);
	const mine = $derived(round.newestOf(page.data.person?.id));
	const undo = () => round.undo(page.data.person?.id);
	const nameOf = (jointId: string) => {
		const of = record.joints.find(({ id }) => id === jointId);
		return of ? `${of.corner} ${of.name}` : '';
	};
	/** The corner whose target is shown: where rubber is set, or no height is known to set it at. */
	const targetOf = $derived.by(() => {
		const corner = stop?.corner ?? corners.find((one) => one === part);
		if (!corner) return undefined;
		const missing = job.view.standing.owed.some(
			(item) => item.kind === 'target' && item.corner === corner
		);
		return missing || stop?.phase === 'load' || stop?.phase === 'rubber' ? corner : undefined;
	});
	let hand = $state<HTMLElement>();
	/**
	 * Enter where nothing has the focus, as a foot switch may send it while the next joint is being drawn: what stands
	 * there does what it would do with it. Nothing else takes it, and a question that is not drawn yet is not answered.
	 */
	function enter(): void {
		const asked = hand?.querySelector<HTMLElement>('[data-asked] [data-new]');
		// The pull's own number, or the height at the gate: not one of the other forms that stand with a joint.
		const field = hand?.querySelector<HTMLInputElement>(
			'#torque, [data-draft^="load "] input:is([type=text], :not([type]))'
		);
		const main = asked ?? (field ? undefined : hand?.querySelector<HTMLElement>('[data-main]'));
		if (main) main.click();
		else if (field) {
			field.focus({ preventScroll: true });
			field.form?.requestSubmit();
		}
	}
	function keys(event: KeyboardEvent) {
		const loose = event.key === 'Enter' && !event.repeat && event.target === document.body;
		const behind = document.querySelector('dialog[open]') !== null;
		if (loose && stop && !editing && !behind && !event.defaultPrevented) {
			event.preventDefault();
			enter();
			return;
		}
		if (!event.altKey || event.ctrlKey || event.metaKey) return;
		if (event.code === 'KeyU' && mine) {
			event.preventDefault();
			void undo();
		}
	}
</script>

<svelte:window onkeydown={keys} />

<JumpMarks
	marks={[
		['where', 'The corner'],
		['the-round', 'The whole round']
	]}
/>
<div class="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[262px_minmax(0,1fr)_372px]">
	<section
		id="the-round"
		aria-label="The round"
		class="panel relative max-lg:order-3 lg:max-h-[calc(100dvh-15rem)] lg:overflow-y-auto"
	>
		<RoundList
			stops={round.stops}
			now={stop}
			done={(one) => round.done(one)}
			waits={(one) => !round.done(one) && !!round.waits(one)}
			onpick={(one) => {
				round.pick(one);
				editing = undefined;
			}}
		/>
		{#if !record.signedAt}
			<div class="border-t border-line p-2">
				<ActionButton class="w-full" onclick={() => (editing = 'new')}>Add a joint</ActionButton>
			</div>
		{/if}
	</section>

	<section
		bind:this={hand}
		class="min-w-0 space-y-3"
		aria-label="In hand"
		data-keeps-enter={stop ? '' : undefined}
		data-pulls={record.torques.length}
	>
		<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
			<p role="status" class="me-auto text-lg">
				<span class="num text-3xl {round.toSet ? 'text-ochre' : 'text-spruce'}">{round.toSet}</span>
				left to set<span class="text-soft">, {round.left} {round.left === 1 ? 'act' : 'acts'}</span>
				{#if round.skipped.length}<span class="text-ochre"
						>, {round.skipped.length} passed over</span
					>{/if}
			</p>
			{#if stop}
				<p>
					<span class="text-xl font-semibold">{cornerNames[stop.corner]}</span>
					<span class="ms-2 text-[15px] text-soft">
						{#if stop.phase === 'ground'}needs the car down on its wheels
						{:else if stop.phase === 'rubber'}
							{round.standing.method
								? `${loadMethodNames[round.standing.method].toLowerCase()} at ${round.standing.hubToArch}`
								: 'hangs: needs the corner loaded'}
						{:else if stop.phase === 'rigid'}any state of the car{/if}
					</span>
				</p>
			{/if}
		</div>
		{#if known.length && !record.signedAt}<Later part={offer} given={{ found: known }} />{/if}
		<RefusalNotice refusal={refused} />
		{#if editing}
			{#key editing}
				<Later
					part={jointForm()}
					given={{
						joint: record.joints.find(({ id }) => id === editing),
						onclose: () => (editing = undefined)
					}}
				/>
			{/key}
		{:else if stop?.phase === 'load'}
			{#key stop.corner}
				<Later
					part={loadGate()}
					given={{
						corner: stop.corner,
						onlook: (mm) => (typedMm = mm),
						onrecorded: taken,
						onrefused: (corner, refusal) =>
							(refused = { ...refusal, title: `${cornerNames[corner]}: ${refusal.title}` })
					}}
				/>
			{/key}
		{:else if stop && joint}
			{@const loaded = round.loaded(stop.corner)}
			{#if stop.phase === 'rubber' && round.standing.method && loaded && loaded.verdict !== 'in-band'}
				<Notice role="alert" class="font-semibold text-madder!">
					✕ {loaded.words}
				</Notice>
			{/if}
			{#key round.key}
				<JointEntry
					{joint}
					action={stop.action}
					car={round.standing}
					plannedWrench={round.wrench}
					skippable
					bind:loosenedFirst={round.loosened}
					bind:aheadReason={round.ahead}
					onchange={() => (editing = joint.id)}
					onrecorded={taken}
					onrefused={(jointId, refusal) =>
						(refused = { ...refusal, title: `${nameOf(jointId)}: ${refusal.title}` })}
				/>
			{/key}
		{:else}
			<Later part={roundEnd()} given={{ round }} />
		{/if}
		<div class="flex flex-wrap items-center gap-3">
			{#if stop?.phase === 'rubber' && !editing}
				{@const { corner } = stop}
				<ActionButton onclick={() => round.pick({ phase: 'load', corner })}
					>{round.standing.method ? 'Read the height again' : 'Bring it to height'}</ActionButton
				>
				{#if round.standing.method}
					<ActionButton onclick={() => round.letHang(corner)}>It hangs again</ActionButton>
				{/if}
			{/if}
			{#if mine && !record.signedAt}
				<ActionButton onclick={undo}
					>Undo {nameOf(mine.jointId)}, {mine.skipReason !== null
						? 'passed over'
						: mine.seen
							? 'as seen'
							: mine.entered}</ActionButton
				>
			{/if}
			{#if round.wrenches.changes}<span class="caption"
					>{round.wrenches.changes}
					{round.wrenches.changes === 1 ? 'change' : 'changes'} of wrench to the end of the round</span
				>{/if}
		</div>
	</section>

	<aside id="where" class="flex min-w-0 flex-col gap-3" aria-label="Where">
		{#if stop}
			{#key stop.corner}
				<Later part={drawing} given={{ stop, joint, round, typedMm }} />
			{/key}
		{/if}
		{#if targetOf}{#key targetOf}<Later part={target} given={{ corner: targetOf }} />{/key}{/if}
		{#if stop && (stop.phase === 'rubber' || stop.phase === 'load')}
			{#key stop.corner}
				{#await angles then { default: ArmAngles }}
					<ArmAngles
						corner={stop.corner}
						which={isUpper(joint?.place) ? 'upper' : 'lower'}
						hubToArchMm={typedMm ?? round.look(stop.corner)?.hubToArchMm}
					/>
				{/await}
			{/key}
		{/if}
		{#await devices then { default: RoundDevices }}<RoundDevices {round} />{/await}
	</aside>
</div>
