<script lang="ts">
	import {
		absentOf,
		checkStack,
		checkUnit,
		fateNames,
		fatesOf,
		kitBrings,
		oneSided,
		stackOf,
		type Changed,
		type Changes,
		type StackItem,
		type StackPart,
		type UnitChecks
	} from '$core/bench/stack';
	import {
		springFitFault,
		springHandNames,
		springHands,
		type SpringHand
	} from '$core/bench/spring-fit';
	import { boughtAs } from '$core/inspect/old-parts';
	import { jobParts } from '$core/job/parts';
	import { axleOf, otherSide, type Corner } from '$core/height/corners';
	import { axlePlans } from '$core/work/scope';
	import { numberOf, parseQuantity } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StackDrawing from './StackDrawing.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** The unit put together part by part; a missing or swapped one is caught, marks and strokes are checked. */
	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const closed = $derived(job.record.signedAt !== null);
	const plan = $derived(axlePlans(job.work.scope).find(({ axle }) => axle === axleOf(corner))!);
	const layout = $derived(plan.layout);
	const kept = $derived(job.work.book.get('stack', corner));
	const changed = $derived<Changes>(kept?.changed ?? {});
	const absent = $derived(absentOf(changed));
	const items = $derived(stackOf(layout, absent, plan.kit));
	const none = $derived(stackOf(layout, [], plan.kit).filter(({ key }) => absent.includes(key)));
	const order = $derived(kept?.order ?? []);
	const faults = $derived(checkStack(layout, order, absent, plan.kit));
	const wrong = $derived(faults.map(({ part }) => part));
	const next = $derived(items.find(({ key }) => !order.includes(key)));
	const verdicts = $derived(checkUnit(kept?.checks ?? {}));
	let refusal = $state<Refusal>();

	const has = $derived((part: StackPart) => items.some(({ key }) => key === part));
	const all: { key: keyof UnitChecks; label: string; hint: string; length?: boolean }[] = [
		{ key: 'clockOldDeg', label: 'Mount to bracket, old', hint: '° clockwise from above' },
		{ key: 'clockNewDeg', label: 'Mount to bracket, new', hint: '° clockwise from above' },
		{ key: 'strokes', label: 'Priming strokes', hint: 'upright, all the way' },
		{ key: 'reboundOldS', label: 'Comes out, old', hint: 's from full in to full out' },
		{ key: 'reboundNewS', label: 'Comes out, new', hint: 's from full in to full out' },
		{ key: 'threadMm', label: 'Thread above the nut', hint: 'this side', length: true },
		{ key: 'threadOtherMm', label: 'The same, other side', hint: 'as measured there', length: true }
	];
	/** A mount is clocked where there is one, a thread measured where a nut is. */
	const fields = $derived(
		all.filter(
			({ key }) =>
				(!key.startsWith('clock') || has('upper-seat')) &&
				(!key.startsWith('thread') || has('shaft-nut'))
		)
	);
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state<Record<string, string>>({
		...Object.fromEntries(all.map(({ key }) => [key, ''])),
		...kept?.typed
	});
	const read = $derived((key: string, length?: boolean): { value?: number; fault?: string } => {
		const text = (typed[key] ?? '').trim();
		if (!text) return {};
		if (length) {
			const parsed = parseQuantity(text, 'length', {
				field: key,
				defaultUnit: units.choice.length,
				max: 100
			});
			return parsed.ok ? { value: parsed.value.si } : { fault: parsed.faults[0]!.message };
		}
		const number = numberOf(text, '°');
		return Number.isFinite(number) ? { value: number } : { fault: `‘${text}’ is not a number` };
	});
	const checks = $derived(
		Object.fromEntries(
			fields.flatMap(({ key, length }) => {
				const { value } = read(key, length);
				return value === undefined ? [] : [[key, value] as const];
			})
		) as UnitChecks
	);

	/** The spring is asked for its side as it goes on, and until that is said and right. */
	const marked = $derived(changed.spring?.marked);
	const wrongSide = $derived(marked && springFitFault(corner, { hand: marked }));
	const asksSide = $derived(
		has('spring') &&
			!plan.kit &&
			(next?.key === 'spring' || (order.includes('spring') && (!marked || wrongSide)))
	);
	const other = $derived(job.work.book.get('stack', otherSide(corner))?.changed);
	const otherHand = $derived(other?.spring?.marked);
	const alone = $derived(
		other && next === undefined ? oneSided(layout, changed, other, plan.kit) : []
	);
	const sayMarked = (hand: SpringHand) =>
		say(
			items.find(({ key }) => key === 'spring')!,
			{ marked: hand }
		);

	/** A part that a person has said nothing of: new where new ones were ordered, else from the old damper. */
	const saidOf = $derived(({ key, ways, fresh }: StackItem): Changed => {
		const ordered = jobParts(job.record).some(
			({ part, corner: at }) => part === boughtAs[key] && at === corner
		);
		const comes = fresh || ordered || (plan.kit && kitBrings.includes(key));
		return { fate: comes ? 'renewed' : 'kept', way: ways[0], ...changed[key] };
	});
	async function keep(change: StackPart[], of: Changes = changed) {
		refusal = await job.keep('stack', corner, {
			order: change,
			checks,
			...(Object.keys(of).length && { changed: of }),
			typed: Object.fromEntries(Object.entries(typed).filter(([, text]) => text.trim()))
		});
	}
	function keepChecks() {
		if (closed || JSON.stringify(checks) === JSON.stringify(kept?.checks ?? {})) return;
		void keep([...order]);
	}
	const put = (part: StackPart) => {
		const item = items.find(({ key }) => key === part)!;
		if (order.includes(part)) return keep(order.filter((one) => one !== part));
		const asked = fatesOf(item).length > 0;
		return keep([...order, part], asked ? { ...changed, [part]: saidOf(item) } : changed);
	};
	const say = (item: StackItem, of: Partial<Changed>) =>
		keep([...order], { ...changed, [item.key]: { ...saidOf(item), ...of } });
</script>

{#snippet side()}
	{#if asksSide && !closed}
		<div class="mt-2">
			<Choice
				label="The spring is marked for{otherHand
					? `; the other one: ${springHandNames[otherHand].toLowerCase()}`
					: ''}"
				value={marked}
				options={springHands.map((hand) => ({ value: hand, name: springHandNames[hand] }))}
				onpick={sayMarked}
			/>
		</div>
	{/if}
	{#if wrongSide}<Notice role="alert" class="mt-2 font-semibold text-madder!">✕ {wrongSide}</Notice
		>{/if}
	{#if alone.length}<Notice tone="mind" class="mt-2 text-ochre">
			◇ On one side only: {alone.join(', ')}. Is it meant so?
		</Notice>{/if}
{/snippet}

<section class="panel p-4" aria-labelledby="stack-title">
	<h2 id="stack-title" class="text-lg">
		{has('spring') ? 'Put together' : 'Change over'}, {corner}
	</h2>
	<div class="mt-2 grid gap-5 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
		<StackDrawing
			{items}
			on={order}
			{wrong}
			wayOf={(part) => changed[part]?.way}
			picked={next?.key}
			onpick={closed ? undefined : (part) => void put(part)}
		/>
		<div>
			{#if next}
				<p class="caption">Goes on next</p>
				<p class="text-[28px] leading-tight font-bold">{next.name}</p>
				{@const said = saidOf(next)}
				<p class="text-xl">{said.way}</p>
				{#if !closed}
					{#key next.key}
						<div class="mt-2 grid gap-2">
							{#if next.ways.length > 1}
								<Choice
									label="Way round, as on the old one"
									value={said.way}
									options={next.ways.map((way) => ({ value: way, name: way }))}
									onpick={(way) => say(next, { way })}
								/>
							{/if}
							{#if fatesOf(next).length}
								<Choice
									label="Where it comes from"
									value={said.fate}
									options={fatesOf(next).map((fate) => ({ value: fate, name: fateNames[fate] }))}
									onpick={(fate) => say(next, { fate })}
								/>
							{/if}
						</div>
					{/key}
					{@render side()}
					<div class="mt-3 flex flex-wrap gap-3">
						<ActionButton weight="main" onclick={() => put(next.key)}
							>It is on, that way</ActionButton
						>
						{#if order.length}<ActionButton
								class="min-h-16"
								onclick={() => keep(order.slice(0, -1))}>Last one off again</ActionButton
							>{/if}
					</div>
					<p class="caption mt-2">Something else went on? Touch it in the drawing.</p>
				{/if}
			{:else}
				<p class="text-2xl text-spruce">✓ Every part is on</p>
				{@render side()}
				{#if !closed}<div class="mt-2">
						<ActionButton onclick={() => keep(order.slice(0, -1))}>Last one off again</ActionButton>
					</div>{/if}
			{/if}
			{#each none as item (item.key)}
				<p class="mt-2 flex flex-wrap items-center gap-3">
					<span>{item.name}: this car has none</span>
					{#if !closed}<ActionButton
							onclick={() => say(item, { fate: item.fresh ? 'renewed' : 'kept' })}
							>It has one</ActionButton
						>{/if}
				</p>
			{/each}
			{#if faults.length}
				<Notice role="alert" class="mt-3">
					<p class="font-semibold text-madder">✕ Not like this</p>
					<ul class="list-disc ps-5">
						{#each faults as fault (fault.kind + fault.part)}<li>{fault.words}</li>{/each}
					</ul>
				</Notice>
			{/if}
			<RefusalNotice {refusal} />
			<h3 class="mt-5 text-[17px]">Marks and measures</h3>
			<fieldset
				disabled={closed}
				class="mt-1 grid grid-cols-2 gap-3 xl:grid-cols-3"
				onfocusout={keepChecks}
			>
				{#each fields as field (field.key)}
					<Field
						label={field.label}
						bind:value={typed[field.key]}
						inputmode={field.length ? undefined : 'decimal'}
						hint={field.hint}
						fault={read(field.key, field.length).fault}
					/>
				{/each}
			</fieldset>
			<ul class="mt-2">
				{#each verdicts as verdict (verdict.key)}
					<li class={verdict.ok ? 'text-spruce' : 'font-medium text-madder'}>
						{verdict.ok ? '✓' : '✕'}
						{verdict.words}
					</li>
				{/each}
			</ul>
		</div>
	</div>
</section>
