<script lang="ts">
	import { readJointId } from '$core/assembly/graph';
	import {
		fightOutcomeNames,
		fightOutcomes,
		isRuined,
		ruinedPart,
		type FightOutcome,
		type RungKey
	} from '$core/fastener/stuck-fastener';
	import { ladderFor, nextRung } from '$core/fastener/ladder';
	import { axleOf, cornerNames } from '$core/height/corners';
	import { undoneBy } from '$core/job/stuck-fasteners';
	import { partKeysRenewed } from '$core/job/parts';
	import { jointOf } from '$core/layout/shape';
	import type { WorkStep } from '$core/work/step';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/** A fastener of the step in hand that does not come: what to try next, from gentle to destructive. */
	let { step }: { step: WorkStep } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const ids = $derived([...new Set(undoneBy(step))]);
	const layoutAt = $derived((id: string) => job.work.scope.layouts[axleOf(readJointId(id).corner)]);
	const nameOf = $derived((id: string) => {
		const { corner, key } = readJointId(id);
		const { name } = jointOf(layoutAt(id), key);
		return step.corners.length > 1 ? `${name}, ${cornerNames[corner].toLowerCase()}` : name;
	});
	const fought = $derived(ids.filter((id) => job.work.book.get('fight', id)));
	let picked = $state<string>();
	const id = $derived(picked ?? fought.find((one) => ids.includes(one)));
	const kept = $derived(id === undefined ? undefined : job.work.book.get('fight', id));
	const joint = $derived(id === undefined ? undefined : jointOf(layoutAt(id), readJointId(id).key));
	const ladder = $derived(
		id === undefined
			? []
			: ladderFor(layoutAt(id), joint!, partKeysRenewed(job.work.scope, readJointId(id).corner))
	);
	const tried = $derived<RungKey[]>(kept?.tried ?? []);
	const next = $derived(nextRung(ladder, tried));
	const open = $derived(!kept || kept.outcome === 'fights');
	let note = $derived(kept?.note ?? '');
	let refusal = $state<Refusal>();

	const keep = async (of: { tried?: RungKey[]; outcome?: FightOutcome }) => {
		refusal = await job.keep('fight', id!, {
			tried,
			outcome: 'fights',
			...of,
			note: note.trim()
		});
	};
	/** A mark for each rung: what was tried, what is next, what is barred. */
	const mark = $derived((key: RungKey, barred: string | undefined) =>
		tried.includes(key) ? '✓' : barred ? '✕' : key === next?.key && open ? '▸' : '·'
	);
</script>

{#if ids.length}
	<details class="panel p-3" open={fought.length > 0 || picked !== undefined}>
		<summary class="touch flex cursor-pointer items-center gap-2 text-[17px] font-semibold"
			>It does not come
			{#if fought.length}<span class="font-normal text-ochre">◇ {fought.length} fought</span
				>{/if}</summary
		>
		{#if ids.length > 1}
			<div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="Which one">
				{#each ids as one (one)}
					<button
						type="button"
						class="min-h-12 rounded-[3px] border px-3 text-start {one === id
							? 'border-2 border-spruce bg-spruce-wash font-semibold'
							: 'border-edge bg-panel hover:bg-sunk'}"
						aria-pressed={one === id}
						onclick={() => (picked = one)}>{nameOf(one)}</button
					>
				{/each}
			</div>
		{:else if id === undefined}
			<ActionButton class="mt-2" onclick={() => (picked = ids[0])}
				>{nameOf(ids[0]!)}: what to try</ActionButton
			>
		{/if}
		{#if id !== undefined && joint}
			<RefusalNotice {refusal} />
			{#if open && next && !closed}
				<p class="caption mt-3">Try next, {nameOf(id)}</p>
				<p class="text-xl leading-tight font-bold">{next.name}</p>
				<p>{next.stop}</p>
				<div class="mt-2 flex flex-wrap gap-2">
					<ActionButton weight="main" onclick={() => keep({ tried: [...tried, next.key] })}
						>Tried, it still fights</ActionButton
					>
					<ActionButton
						class="min-h-16"
						onclick={() =>
							keep({
								tried: [...tried, next.key],
								outcome: next.key === 'cut' ? 'cut' : 'came'
							})}>{next.key === 'cut' ? 'Cut off' : 'It came'}</ActionButton
					>
				</div>
			{/if}
			<ol class="mt-3 text-[15px]">
				{#each ladder as { key, name, minutes, barred } (key)}
					<li
						class="flex gap-2 py-0.5 {barred ? 'text-soft' : ''} {key === next?.key && open
							? 'font-semibold'
							: ''}"
					>
						<span class="num w-5 shrink-0 {tried.includes(key) ? 'text-spruce' : ''}"
							>{mark(key, barred)}</span
						>
						<span class="me-auto">{name}{barred ? `. Not here: ${barred}` : ''}</span>
						<span class="num shrink-0">{minutes}<span class="unit">min</span></span>
					</li>
				{/each}
			</ol>
			{#if kept && !closed}
				<div class="mt-3 grid gap-2" data-draft="fight {id}">
					<Field label="What the next one should know of it" bind:value={note} maxlength={300} />
					<div class="flex flex-wrap gap-2" role="group" aria-label="How it ended">
						{#each fightOutcomes as outcome (outcome)}
							<button
								type="button"
								class="touch rounded-[3px] border px-3 {outcome === kept.outcome
									? 'border-2 border-spruce bg-spruce-wash font-semibold'
									: 'border-edge bg-panel hover:bg-sunk'}"
								aria-pressed={outcome === kept.outcome}
								onclick={() => keep({ outcome })}>{fightOutcomeNames[outcome]}</button
							>
						{/each}
					</div>
				</div>
			{/if}
			{#if kept && isRuined(kept.outcome)}
				<p class="mt-2 font-medium text-ochre">
					◇ On the parts list now: {ruinedPart(layoutAt(id), joint) === 'drop-link'
						? 'a drop link for this side; links of an axle are renewed together'
						: 'a new fastener'}
				</p>
			{/if}
		{/if}
	</details>
{/if}
