<script lang="ts">
	import {
		hardwareNames,
		hardwareWords,
		leastGrip,
		oneTimePieces,
		type HardwarePiece
	} from '$core/fastener/hardware';
	import type { Joint } from '$core/job/model';
	import { withMeantUnit } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	/** What became of a joint's one-time hardware: new, or the old one again. */
	interface Props {
		joint: Joint;
		/** The entry waits for it: it has the focus. */
		asked?: boolean;
		/** Said here, and on its way. */
		onsaid?: (piece: HardwarePiece) => void;
	}
	let { joint, asked = false, onsaid }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const said = $derived(job.record.hardware[joint.id]);
	const pieces = $derived(oneTimePieces(joint));
	const least = $derived(leastGrip(joint.thread));
	/** The piece that is changed or said to be used again. */
	let again = $state<HardwarePiece>();
	let changing = $state<HardwarePiece>();
	let reason = $state('');
	let grip = $state('');
	let refusal = $state<Refusal>();
	let box = $state<HTMLElement>();
	const names = { fastener: ['New', 'Old one again …'], pin: ['New pin, bent', 'Old pin again …'] };

	// Also from one piece to the next.
	$effect(() => {
		void said;
		if (asked) box?.querySelector<HTMLElement>('[data-new]')?.focus();
	});

	async function tell(piece: HardwarePiece, outcome: object) {
		const data = { [piece]: outcome };
		refusal = job.refused('hardware', joint.id, data);
		if (refusal) return;
		const telling = job.tell('hardware', joint.id, data);
		// What waits for it goes right behind it: the page may show another joint when the server answers.
		onsaid?.(piece);
		again = changing = undefined;
		reason = grip = '';
		refusal = await telling;
	}
	const reuse = (piece: HardwarePiece) =>
		tell(piece, {
			done: 'reused',
			reason: reason.trim(),
			...(grip.trim() && { grip: withMeantUnit(grip, units.choice.torque) })
		});
</script>

{#if pieces.length}
	<div
		bind:this={box}
		data-draft="hardware {joint.id}"
		data-asked={asked ? '' : undefined}
		class="mt-3 space-y-2 border-t border-line pt-2"
	>
		{#each pieces as piece (piece)}
			{@const outcome = said?.[piece]}
			<div
				class="flex flex-wrap items-center gap-2 {asked && !outcome
					? 'rounded-[3px] border-2 border-ochre bg-ochre-wash p-2'
					: ''}"
				role="group"
				aria-label={hardwareNames[piece]}
			>
				<span class="me-auto text-[15px] {asked && !outcome ? 'w-full' : 'min-w-0'}">
					<b>{hardwareNames[piece]}</b>
					{#if asked && !outcome}<span class="block font-semibold text-ochre"
							>Recorded as soon as you say: new, or the old one?</span
						>{/if}
					{#if outcome}<StateMark
							mark={outcome.done === 'renewed' ? 'done' : 'note'}
							word={hardwareWords(piece, outcome)}
						/><span class="caption"> {job.personName(said!.personId)}</span>{/if}
				</span>
				{#if !job.record.signedAt && again !== piece}
					{#if !outcome || changing === piece}
						<ActionButton data-new onclick={() => tell(piece, { done: 'renewed' })}
							>{names[piece][0]}</ActionButton
						>
						<ActionButton onclick={() => (again = piece)}>{names[piece][1]}</ActionButton>
					{:else}
						<ActionButton onclick={() => (changing = piece)}>Change</ActionButton>
					{/if}
				{/if}
			</div>
			{#if again === piece}
				<form
					class="grid gap-3 sm:grid-cols-2"
					onsubmit={(event) => {
						event.preventDefault();
						void reuse(piece);
					}}
				>
					<Field
						label="Why the old one goes on again"
						bind:value={reason}
						maxlength={300}
						hint="5 letters or more; it prints on the sheet"
					/>
					{#if piece === 'fastener' && !joint.programme?.castle}
						<QuantityField
							label="A nylon or deformed nut still takes"
							dimension="torque"
							bind:value={grip}
							hint={least === undefined
								? 'to turn on its thread, before it meets anything'
								: `to turn on its thread; at least ${units.show(least, 'torque', { decimals: 1 })}`}
						/>
					{/if}
					<div class="flex gap-2">
						<ActionButton type="submit" disabled={reason.trim().length < 5}>Keep</ActionButton>
						<ActionButton onclick={() => (again = undefined)}>Back</ActionButton>
					</div>
				</form>
			{/if}
		{/each}
		<RefusalNotice {refusal} />
	</div>
{/if}
