<script lang="ts">
	import { isStrut } from '$core/layout/shape';
	import { springFinding } from '$core/job/findings';
	import {
		compareParts,
		dimensionsFor,
		lowerEndOf,
		type ComparedPart,
		type Hand
	} from '$core/bench/compare';
	import { axleOf, isLeft, type Corner } from '$core/height/corners';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Data } from '$core/job/kinds/comparison/data';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import DimensionTable from './DimensionTable.svelte';
	import { typedNumber } from './typed-number';
	import PartDrawing from './PartDrawing.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	/** Old part against new: measured side by side, the difference drawn, explained or sent back. */
	let { corner, part }: { corner: Corner; part: ComparedPart } = $props();
	const job = currentJob();
	const units = personalUnits();
	const closed = $derived(job.record.signedAt !== null);
	const subject = $derived(`${corner}/${part}`);
	const kept = $derived(job.work.book.get('comparison', subject));
	/** A broken spring has no free length. */
	const oldBroken = $derived(springFinding(job.work.book, corner)?.state === 'broken');
	const how = $derived({
		oldBroken: part === 'spring' && oldBroken,
		lowerEnd: lowerEndOf(job.work.scope.layouts[axleOf(corner)])
	});
	const dimensions = $derived(dimensionsFor(part, how));
	const handed = $derived(part === 'damper' && isStrut(job.work.scope.layouts[axleOf(corner)]));

	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state<Record<string, string>>({ ...(kept?.typed ?? {}) });
	// svelte-ignore state_referenced_locally
	let newHand = $state<Hand | undefined>(kept?.new.hand);
	// svelte-ignore state_referenced_locally
	let reason = $state(kept?.reason ?? '');
	let refusal = $state<Refusal>();

	const read = $derived((which: 'old' | 'new', key: string, unit: 'mm' | '') =>
		typedNumber(
			typed[`${which}.${key}`],
			unit === ''
				? { what: 'a number of coils' }
				: { dimension: 'length', unit: units.choice.length, min: 0.1, max: 3000 }
		)
	);
	const values = $derived((which: 'old' | 'new') =>
		Object.fromEntries(
			dimensions.flatMap(({ key, unit }) => {
				const si = read(which, key, unit).si;
				return si === undefined ? [] : [[key, si] as const];
			})
		)
	);
	const measures = $derived({
		old: { values: values('old'), ...(handed && { hand: ownHand() }) },
		new: { values: values('new'), ...(handed && newHand && { hand: newHand }) }
	});
	const answer = $derived(compareParts(part, measures.old, measures.new, how));
	const faults = $derived(
		dimensions.some(({ key, unit }) => read('old', key, unit).fault ?? read('new', key, unit).fault)
	);
	function ownHand(): Hand {
		return isLeft(corner) ? 'left' : 'right';
	}

	async function keep(outcome: Data['outcome']) {
		refusal = await job.keep('comparison', subject, {
			corner,
			part,
			...measures,
			typed: Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim())),
			outcome,
			reason: outcome === 'explained' ? reason.trim() : ''
		});
		if (refusal || outcome === 'open') return;
		const line = `${part}:${corner}`;
		const bought = job.work.book.get('part', line) ?? { number: '', note: '' };
		const status = outcome === 'returned' ? 'returned' : 'compared';
		void job.keep('part', line, { ...bought, status });
	}
	/** Whatever is typed is kept, its outcome open until somebody says. */
	function keepTyped() {
		if (closed || faults) return;
		const same =
			JSON.stringify([measures.old, measures.new]) === JSON.stringify([kept?.old, kept?.new]);
		if (
			!same &&
			(Object.keys(measures.old.values).length || Object.keys(measures.new.values).length)
		)
			void keep('open');
	}
	const outcomes = {
		open: undefined,
		fits: { mark: 'set', word: 'fits' },
		explained: { mark: 'done', word: 'explained' },
		returned: { mark: 'again', word: 'goes back' }
	} as const;
	const outcome = $derived(kept ? outcomes[kept.outcome] : undefined);
</script>

<section class="panel p-4" aria-labelledby="compare-{part}" data-draft="{corner} {part}">
	<div class="flex flex-wrap items-baseline gap-3">
		<h2 id="compare-{part}" class="me-auto text-lg">
			{part === 'damper' ? 'Damper' : 'Spring'}, old against new
		</h2>
		{#if outcome}<StateMark mark={outcome.mark} word={outcome.word} />{/if}
	</div>
	<div
		class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-6 xl:grid-cols-[minmax(0,38rem)_minmax(0,1fr)]"
	>
		<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
		<div
			class="mt-2 overflow-x-auto"
			tabindex="0"
			role="region"
			aria-label="Dimensions, {part}"
			onfocusout={keepTyped}
		>
			<DimensionTable rows={answer.rows} {typed} {closed} {read} />
		</div>
		<div class="min-w-0">
			<PartDrawing {part} old={measures.old.values} fresh={measures.new.values} />
			{#if part === 'spring' && oldBroken}
				<p class="mt-2 text-[15px]">
					The old one was found broken: it has no free length to compare.
				</p>
			{/if}
			{#if handed}
				<div class="mt-3">
					<Choice
						label="The new one is for the"
						bind:value={newHand}
						disabled={closed}
						onpick={() => keep('open')}
						options={[
							{ value: 'left', name: 'Left' },
							{ value: 'right', name: 'Right' },
							{ value: 'either', name: 'Either side' }
						]}
					/>
				</div>
			{/if}
			<p
				class="mt-3 text-lg font-medium {answer.verdict === 'differs'
					? 'text-madder'
					: answer.verdict === 'same'
						? 'text-spruce'
						: 'text-soft'}"
				role="status"
			>
				{answer.verdict === 'differs' ? '✕ ' : answer.verdict === 'same' ? '✓ ' : ''}{answer.words}
			</p>
			<RefusalNotice {refusal} />
			{#if !closed}
				{#if answer.verdict === 'differs'}
					<Field
						label="What explains the difference"
						bind:value={reason}
						maxlength={500}
						hint="5 letters or more, for example the maker’s own word for it"
					/>
				{/if}
				<div class="mt-3 flex flex-wrap gap-3">
					{#if answer.verdict === 'same'}
						<ActionButton weight="main" onclick={() => keep('fits')}>It fits</ActionButton>
					{:else if answer.verdict === 'differs'}
						<ActionButton
							weight="main"
							disabled={reason.trim().length < 5}
							onclick={() => keep('explained')}>Explained, fit it</ActionButton
						>
						<ActionButton weight="stop" class="min-h-16" onclick={() => keep('returned')}
							>Send it back</ActionButton
						>
					{/if}
				</div>
			{/if}
		</div>
	</div>
</section>
