<script lang="ts">
	import { axleOf, cornerNames, type Corner } from '$core/height/corners';
	import { inspectionPoints, type InspectionPoint, type PointState } from '$core/inspect/points';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Field from '$lib/ui/controls/Field.svelte';

	/** One corner walked point by point; what is found is touched. */
	let {
		corner,
		point = $bindable(),
		onphoto
	}: { corner: Corner; point: string | undefined; onphoto: () => void } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const points = $derived(inspectionPoints(job.work.scope.layouts[axleOf(corner)]));
	const found = $derived((key: string) => job.work.book.get('finding', `${corner}/${key}`));
	const looks = { sound: '✓', watch: '◇', worn: '✕' } as const;
	const tones = {
		sound: 'border-spruce bg-spruce-wash text-spruce',
		watch: 'border-ochre bg-ochre-wash text-ochre',
		worn: 'border-madder bg-madder-wash text-madder'
	} as const;

	/** Typed for the point in hand, until it is kept. */
	let where = $state('');
	let note = $state('');
	$effect(() => {
		const kept = point ? found(point) : undefined;
		where = kept?.where ?? '';
		note = kept?.note ?? '';
	});

	function keep(of: InspectionPoint, state: string | null) {
		point = of.key;
		const kept = found(of.key);
		void job.keep('finding', `${corner}/${of.key}`, {
			corner,
			point: of.key,
			state,
			where: kept?.where ?? '',
			note: kept?.note ?? ''
		});
	}
	const touch = (of: InspectionPoint, state: PointState) =>
		keep(of, found(of.key)?.state === state.key ? null : state.key);

	function keepWords(of: InspectionPoint) {
		const kept = found(of.key);
		if (!kept?.state || (kept.where === where && kept.note === note)) return;
		void job.keep('finding', `${corner}/${of.key}`, { ...kept, where, note });
	}
</script>

<section class="panel" aria-label="{cornerNames[corner]}, point by point">
	<ol class="divide-y divide-line">
		{#each points as one, i (one.key)}
			{@const kept = found(one.key)}
			{@const here = point === one.key}
			<li class="px-3 py-1.5 {here ? 'bg-sunk' : ''}">
				<div class="flex flex-wrap items-center gap-2">
					<button
						type="button"
						class="touch me-auto flex items-center gap-2 text-start"
						aria-expanded={here}
						onclick={() => (point = here ? undefined : one.key)}
					>
						<span
							class="num flex size-7 shrink-0 items-center justify-center rounded-full border border-edge text-[15px]"
							>{i + 1}</span
						>
						<span class="font-medium">{one.name}</span>
					</button>
					<div class="flex flex-wrap gap-1.5" role="group" aria-label={one.name}>
						{#each one.states as state (state.key)}
							{@const on = kept?.state === state.key}
							<button
								type="button"
								class="touch rounded-[3px] border px-3 text-[15px] {on
									? `border-2 font-semibold ${tones[state.gravity]}`
									: 'border-edge bg-panel hover:bg-sunk'}"
								aria-pressed={on}
								disabled={closed}
								onclick={() => touch(one, state)}
								>{on ? `${looks[state.gravity]} ` : ''}{state.name}</button
							>
						{/each}
					</div>
				</div>
				{#if here}
					<p class="caption ps-9">{one.how}</p>
					{#if kept?.state && !closed}
						<div
							data-draft="{corner} {one.key}"
							class="grid gap-3 ps-9 pt-1 pb-2 sm:grid-cols-[1fr_1fr_auto]"
							onfocusout={() => keepWords(one)}
						>
							{#if one.where}<Field label={one.where} bind:value={where} maxlength={120} />{/if}
							<Field label="Note" bind:value={note} maxlength={500} />
							<div class="flex items-end">
								<button
									type="button"
									class="touch rounded-[3px] border border-edge bg-panel px-4 font-semibold hover:bg-sunk"
									onclick={onphoto}>Photo of it</button
								>
							</div>
						</div>
					{/if}
				{:else if kept?.where || kept?.note}
					<p class="caption ps-9">{[kept.where, kept.note].filter(Boolean).join(' · ')}</p>
				{/if}
			</li>
		{/each}
	</ol>
</section>
