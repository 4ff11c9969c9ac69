<script lang="ts">
	import { axleOf, cornerNames, type Corner } from '$core/height/corners';
	import { tightenRuleNames } from '$core/layout/types';
	import { formatNumber } from '$core/units/format';
	import { parseQuantity } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { StandingCar, type Stance } from '$lib/client/car-state.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Joint } from '$core/job/model';
	import { armGeometry } from '$core/job/arm';
	import { waitsFor } from '$core/job/turn';
	import { judgeBush } from '$core/job/view';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import CornerView from '$lib/ui/corner/CornerView.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import JointEntry from './JointEntry.svelte';
	import { markOf } from './joint-words';
	import TargetPanel from './TargetPanel.svelte';
	import TwistVerdict from './TwistVerdict.svelte';

	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	// svelte-ignore state_referenced_locally (the station is made anew for each corner)
	const car = new StandingCar(job.record.id, corner);

	/** Why the last entry was not taken; the form it was typed in may have gone on by then. */
	let refused = $state<Refusal>();
	const joints = $derived(job.record.joints.filter((joint) => joint.corner === corner));
	const status = (joint: Joint) => job.view.standing.joints.get(joint.id)!;
	/** The next joint that can be done with the car as it stands. */
	function nextOwed(after?: string): Joint | undefined {
		const from = joints.findIndex((joint) => joint.id === after) + 1;
		const ring = [...joints.slice(from), ...joints.slice(0, from)].filter(
			(joint) => joint.id !== after
		);
		const doable = (joint: Joint) => {
			const { state, owed } = status(joint);
			if (!owed || waitsFor(job.work, joint, car.carState)) return false;
			if (joint.rule === 'any-time') return true;
			if (joint.rule === 'wheels-on-ground') return car.stance === 'on-wheels';
			return car.carState === 'loaded' || state === 'open';
		};
		return ring.find(doable);
	}

	/** Stays where it is while its torque is on the way; moves on when that is recorded. */
	let chosenId = $state(start()?.id);
	const chosen = $derived(joints.find((joint) => joint.id === chosenId));

	/** What can be done now, else what is owed anyway, else the first. */
	function start(): Joint | undefined {
		return nextOwed() ?? joints.find((joint) => status(joint).owed) ?? joints[0];
	}

	/** The car stands differently: on to a joint that this makes possible. */
	function restand() {
		car.keep();
		if (!chosen || !status(chosen).owed) chosenId = start()?.id;
	}

	const hubToArch = $derived(
		car.hubToArch.trim()
			? parseQuantity(car.hubToArch, 'length', {
					field: 'hubToArch',
					defaultUnit: units.choice.length,
					min: 150,
					max: 800
				})
			: undefined
	);
	const setMm = $derived(
		car.carState === 'loaded' && hubToArch?.ok ? hubToArch.value.si : undefined
	);
	const judged = $derived(
		setMm === undefined
			? undefined
			: judgeBush(job.record, corner, setMm, job.limits, chosen?.place)
	);
	/** What each bush would keep at the height that is drawn, in degrees and by the verdict's sign. */
	const signs = { set: '✓', 're-set-advised': '◇', 'wound-up': '✕' };
	const ifSetHere = $derived((joint: Joint) => {
		const found =
			targetMm === undefined
				? undefined
				: judgeBush(job.record, corner, shownMm, job.limits, joint.place);
		return found?.ok
			? `${formatNumber(found.value.twistDeg, 1, true)}° ${signs[found.value.verdict]}`
			: '';
	});
	/** Also without a reading: the target itself can be drawn. */
	const atTarget = $derived(judgeBush(job.record, corner, 400, job.limits));
	const targetMm = $derived(
		judged?.ok
			? judged.value.targetHubToArchMm
			: atTarget.ok
				? atTarget.value.targetHubToArchMm
				: undefined
	);
	const assumed = $derived(
		targetMm !== undefined &&
			armGeometry(job.record.vehicle.axles[axleOf(corner)], targetMm, chosen?.place).assumed
	);
	/** The height that is drawn: moved by hand, else as read, else hanging. */
	let moved = $state<number>();
	const shownMm = $derived(moved ?? setMm ?? (targetMm ?? 0) + 60);
	$effect(() => {
		void setMm;
		moved = undefined;
	});
	const stances: { value: Stance; name: string }[] = [
		{ value: 'hanging', name: 'Hanging' },
		{ value: 'on-wheels', name: 'On its wheels' },
		{ value: 'on-stands', name: 'Stands under hubs' },
		{ value: 'jack-to-height', name: 'Jacked to height' }
	];
	const owedHere = $derived(joints.filter((joint) => status(joint).owed).length);
</script>

<div class="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[290px_minmax(0,1fr)_340px]">
	<section
		aria-label="Joints"
		class="panel max-lg:order-3 lg:max-h-[calc(100dvh-15.5rem)] lg:overflow-y-auto"
	>
		<p class="flex justify-between border-b border-line px-3 py-2 text-[15px]">
			<span class="font-semibold">{cornerNames[corner]}</span>
			<span class={owedHere ? 'text-ochre' : 'text-spruce'}>{owedHere} of {joints.length} left</span
			>
		</p>
		<ul>
			{#each joints as joint, i (joint.id)}
				{@const s = status(joint)}
				{#if i === 0 || joints[i - 1]!.rule !== joint.rule}
					<li class="caption bg-sunk px-3 py-1">{tightenRuleNames[joint.rule]}</li>
				{/if}
				<li>
					<button
						type="button"
						onclick={() => (chosenId = joint.id)}
						aria-current={chosen?.id === joint.id ? 'true' : undefined}
						class="flex min-h-14 w-full items-center gap-2 border-s-4 px-3 py-1.5 text-start {chosen?.id ===
						joint.id
							? 'border-spruce bg-spruce-wash'
							: 'border-transparent hover:bg-sunk'}"
					>
						<span class="min-w-0 flex-1 leading-tight">
							{joint.name}
							<span class="block text-[14px]"
								><StateMark mark={markOf(s).mark} word={markOf(s).word} />
								{#if joint.kind === 'bonded-bush' && s.owed && ifSetHere(joint)}<span
										class="caption ms-2">here {ifSetHere(joint)}</span
									>{/if}</span
							>
						</span>
						<span class="num text-lg text-soft"
							>{joint.torqueNm === null
								? ''
								: units.show(joint.torqueNm, 'torque', { bare: true, decimals: 0 })}</span
						>
					</button>
				</li>
			{/each}
		</ul>
	</section>

	<section class="space-y-4" aria-label="Record">
		<div class="panel space-y-3 p-4">
			<Choice
				label="The corner is"
				row
				bind:value={car.stance}
				onpick={restand}
				options={stances}
			/>
			{#if car.carState === 'loaded'}
				<div class="grid gap-x-4 sm:grid-cols-[200px_1fr]">
					<QuantityField
						label="Hub to arch now"
						dimension="length"
						bind:value={car.hubToArch}
						oninput={() => car.keep()}
						inputmode={units.choice.length === 'mm' ? 'decimal' : 'text'}
					/>
					<p class="self-center text-[15px] text-soft">
						{#if car.stance === 'jack-to-height'}<span class="text-ochre"
								>A jack alone does not support a car: stands under the body, and the body must not
								lift off them.</span
							>
						{:else}Read it at this corner, as it stands now. Every bush set from here on is judged
							by it.{/if}
					</p>
				</div>
			{/if}
		</div>
		<RefusalNotice refusal={refused} />
		{#if chosen}
			{#key `${chosen.id} ${status(chosen).next}`}
				<JointEntry
					joint={chosen}
					{car}
					onrefused={(_, refusal) => (refused = refusal)}
					onrecorded={(id) => {
						refused = undefined;
						if (id !== chosen.id) return;
						if (status(chosen).state !== 'begun') chosenId = nextOwed(chosen.id)?.id ?? chosen.id;
					}}
				/>
			{/key}
		{:else}
			<div class="panel p-6">
				<p class="text-lg font-semibold">No joints listed at this corner.</p>
				<div class="mt-3">
					<ActionButton href="/jobs/{job.record.id}/set/joints">Add one</ActionButton>
				</div>
			</div>
		{/if}
	</section>

	<aside class="space-y-4">
		<TargetPanel {corner} />
		<section class="panel p-4" aria-label="Twist">
			<h2 class="text-lg">
				{setMm === undefined ? 'Where the bush must rest' : 'If a bush is set here'}
			</h2>
			{#if targetMm !== undefined}
				<CornerView
					{corner}
					{targetMm}
					heightMm={shownMm}
					place={chosen?.place}
					onmove={(mm) => (moved = mm)}
				/>
			{/if}
			{#if judged?.ok}
				<TwistVerdict judged={judged.value} {assumed} />
			{:else if judged && !judged.ok}
				<p class="text-madder">{judged.faults[0]!.message}</p>
			{:else if targetMm === undefined}
				<p class="text-soft">{!atTarget.ok ? atTarget.faults[0]!.message : ''}</p>
			{:else}
				<p class="text-soft">
					Load the corner and read hub to arch: the twist it would keep shows here.
				</p>
			{/if}
		</section>
	</aside>
</div>
