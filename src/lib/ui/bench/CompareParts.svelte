<script lang="ts">
	import { springFinding } from '$core/job/findings';
	import {
		compareParts,
		dimensionsFor,
		lowerEndOf,
		type ComparedPart,
		type Hand
	} from '$core/bench/compare';
	import { axleOf, isLeft, type Corner } from '$core/height/corners';
	import { formatNumber } from '$core/units/format';
	import { parseQuantity } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Data } from '$core/job/kinds/comparison/data';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import PartDrawing from './PartDrawing.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

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
	const handed = $derived(
		part === 'damper' && job.work.scope.layouts[axleOf(corner)].build.damper === 'strut'
	);

	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state<Record<string, string>>({ ...(kept?.typed ?? {}) });
	// svelte-ignore state_referenced_locally
	let newHand = $state<Hand | undefined>(kept?.new.hand);
	// svelte-ignore state_referenced_locally
	let reason = $state(kept?.reason ?? '');
	let refusal = $state<Refusal>();

	const read = $derived((which: 'old' | 'new', key: string, unit: 'mm' | '') => {
		const text = typed[`${which}.${key}`]?.trim();
		if (!text) return undefined;
		if (unit === '') {
			const number = Number(text.replace(',', '.'));
			return Number.isFinite(number) && number > 0
				? { si: number }
				: { fault: `‘${text}’ is not a number of coils` };
		}
		const parsed = parseQuantity(text, 'length', {
			field: 'value',
			defaultUnit: units.choice.length,
			min: 0.1,
			max: 3000
		});
		return parsed.ok ? { si: parsed.value.si } : { fault: parsed.faults[0]!.message };
	});
	const values = $derived((which: 'old' | 'new') =>
		Object.fromEntries(
			dimensions.flatMap(({ key, unit }) => {
				const si = read(which, key, unit)?.si;
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
		dimensions.some(
			({ key, unit }) => read('old', key, unit)?.fault ?? read('new', key, unit)?.fault
		)
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
	const showMm = (mm: number, unit: string) =>
		unit ? units.show(mm, 'length', { decimals: 1, signed: true }) : formatNumber(mm, 2, true);
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
			<DataTable class="min-w-[34rem]">
				<thead>
					<tr class="text-start text-[15px] text-soft">
						<th class="py-1 text-start font-medium">Dimension</th>
						<th class="text-start font-medium">Old</th>
						<th class="text-start font-medium">New</th>
						<th class="text-start font-medium" colspan="2">Difference</th>
					</tr>
				</thead>
				<tbody>
					{#each answer.rows as row (row.key)}
						<tr class="border-t border-line">
							<th class="py-1.5 pe-3 text-start font-medium"
								>{row.name}<span class="caption block">{row.matters}</span></th
							>
							{#each ['old', 'new'] as const as which (which)}
								{@const fault = read(which, row.key, row.unit)?.fault}
								<td class="pe-2">
									<input
										aria-label="{row.name}, {which}"
										class="touch w-24 rounded-[3px] border bg-panel px-2 text-[17px] {fault
											? 'border-2 border-madder'
											: 'border-edge'}"
										inputmode="decimal"
										placeholder={row.unit ? units.choice.length : 'coils'}
										disabled={closed}
										aria-invalid={fault ? 'true' : undefined}
										title={fault}
										bind:value={typed[`${which}.${row.key}`]}
									/>
								</td>
							{/each}
							<td class="num w-24 text-lg whitespace-nowrap">
								{#if row.difference !== undefined}<span
										class={row.verdict === 'differs' ? 'text-madder' : ''}
										>{showMm(row.difference, row.unit)}</span
									>{/if}
							</td>
							<td class="w-32">
								{#if row.difference !== undefined}
									{@const share = Math.max(-3, Math.min(3, row.difference / row.tolerance))}
									<svg viewBox="0 0 120 24" class="h-6 w-30" aria-hidden="true">
										<rect x="40" y="4" width="40" height="16" class="fill-spruce-wash" />
										<path d="M 60 1 V 23" class="stroke-edge" />
										<circle
											cx={60 + share * 19}
											cy="12"
											r="6"
											class={row.verdict === 'differs' ? 'fill-madder' : 'fill-spruce'}
										/>
									</svg>
									<span class="caption whitespace-nowrap"
										>{row.verdict === 'differs' ? '✕ over' : '✓ within'} ± {row.unit
											? units.show(row.tolerance, 'length', { decimals: 1 })
											: row.tolerance}</span
									>
								{/if}
							</td>
						</tr>
					{/each}
				</tbody>
			</DataTable>
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
