<script lang="ts">
	import { inItsHole, mixedPlaces, nextPlace, trayFaults, type TrayItem } from '$core/bench/trays';
	import { axleOf } from '$core/height/corners';
	import { numberOf, parseQuantity } from '$core/units/parse';
	import type { WorkStep } from '$core/work/step';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { trayItems } from '$core/job/work-owed';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { v7 as uuidv7 } from 'uuid';

	/** What came out, where it lies, and what went back: nothing left over, nothing missing. */
	let { step }: { step: WorkStep | undefined } = $props();
	const job = currentJob();
	const units = personalUnits();
	const closed = $derived(job.record.signedAt !== null);
	const book = $derived(job.work.book);
	const items = $derived(trayItems(book));
	const open = $derived(new Set(trayFaults(items).map(({ id }) => id)));
	const mixed = $derived(mixedPlaces(items));

	const capital = (words: string) => `${words[0]!.toUpperCase()}${words.slice(1)}`;
	let adding = $state(false);
	/** Of the step in hand, to be typed over. */
	const usualName = $derived.by(() => {
		if (step?.comesOut?.[0]) return capital(step.comesOut[0].what);
		const [first] = step?.joints ?? [];
		const { joints } = job.work.scope.layouts[first ? axleOf(first.corner) : 'front'];
		return first ? (joints.find(({ key }) => key === first.key)?.name ?? '') : '';
	});
	let name = $derived(usualName);
	let count = $derived(String(step?.comesOut?.[0]?.count ?? 2));
	let length = $state('');
	let refusal = $state<Refusal>();
	let fault = $state('');
	const place = $derived(nextPlace(items.map((item) => item.place)));
	async function add(to: string) {
		const number = numberOf(count);
		const parsed = length.trim()
			? parseQuantity(length, 'length', { field: 'length', defaultUnit: units.choice.length })
			: undefined;
		fault =
			!Number.isInteger(number) || number < 1 || number > 99
				? 'how many: 1 to 99'
				: !name.trim()
					? 'say what it is'
					: parsed && !parsed.ok
						? parsed.faults[0]!.message
						: '';
		if (fault) return;
		const item = {
			step: step?.id ?? '',
			place: to,
			name: name.trim(),
			count: number,
			back: to === inItsHole ? number : 0,
			...(parsed?.ok && { lengthMm: parsed.value.si })
		};
		refusal = await job.keep('tray', uuidv7(), item, { soon: true });
		if (refusal) return;
		adding = false;
		length = '';
	}
	const change = (item: TrayItem, part: Partial<TrayItem & { removed: boolean }>) => {
		const { id, ...rest } = item;
		const kept = book.get('tray', id)!;
		void job.keep('tray', id, { ...kept, ...rest, ...part });
	};
	let explaining = $state<string>();
	let why = $state('');
</script>

<section class="panel p-3" aria-labelledby="tray-title">
	<div class="flex items-center gap-2">
		<h2 id="tray-title" class="me-auto text-[17px]">
			Trays {#if open.size}<span class="text-ochre">◇ {open.size} not back</span>
			{:else if items.length}<span class="text-spruce">✓ all back</span>{/if}
		</h2>
		{#if !closed}<ActionButton onclick={() => (adding = !adding)}
				>{adding ? 'Not now' : 'Came out'}</ActionButton
			>{/if}
	</div>
	{#if adding}
		<form
			class="mt-2 space-y-2"
			novalidate
			onsubmit={(event) => {
				event.preventDefault();
				void add(place);
			}}
		>
			{#if step?.comesOut && step.comesOut.length > 1}
				<div class="flex flex-wrap gap-2" role="group" aria-label="Of this step">
					{#each step.comesOut as { what, count: known } (what)}
						<ActionButton
							onclick={() => {
								name = capital(what);
								if (known) count = String(known);
							}}>{capital(what)}</ActionButton
						>
					{/each}
				</div>
			{/if}
			<Field label="What, into tray {place}" bind:value={name} maxlength={120} />
			<div class="grid grid-cols-2 gap-2">
				<Field label="How many" bind:value={count} inputmode="numeric" />
				<QuantityField label="Length" dimension="length" bind:value={length} />
			</div>
			{#if fault}<p role="alert" class="text-madder">✕ {fault}</p>{/if}
			<RefusalNotice {refusal} />
			<div class="flex flex-wrap gap-2">
				<ActionButton type="submit">Into {place}</ActionButton>
				<ActionButton onclick={() => add(inItsHole)}>Back in its hole</ActionButton>
			</div>
		</form>
	{/if}
	<ul class="mt-2 divide-y divide-line">
		{#each items as item (item.id)}
			<li class="py-1.5">
				<div class="flex items-center gap-2">
					<span
						class="num flex size-10 shrink-0 items-center justify-center rounded-[3px] border-2 text-lg {open.has(
							item.id
						)
							? 'border-ochre bg-ochre-wash'
							: 'border-spruce'}">{item.place === inItsHole ? '✓' : item.place}</span
					>
					<span class="me-auto leading-tight"
						>{item.name}
						<span class="caption block"
							>{item.place === inItsHole
								? `${item.count}, in its hole`
								: `${item.back} of ${item.count} back`}{item.lengthMm === undefined
								? ''
								: ` · ${units.show(item.lengthMm, 'length', { decimals: 0 })} long`}{item.reason
								? ` · ${item.reason}`
								: ''}</span
						></span
					>
					{#if !closed && item.place !== inItsHole}
						<button
							type="button"
							class="touch num min-w-12 rounded-[3px] border border-edge text-xl hover:bg-sunk disabled:opacity-40"
							aria-label="One back less, {item.name}"
							disabled={item.back === 0}
							onclick={() => change(item, { back: item.back - 1 })}>−</button
						>
						<button
							type="button"
							class="touch num min-w-12 rounded-[3px] border border-edge text-xl hover:bg-sunk"
							aria-label="One back, {item.name}"
							onclick={() => change(item, { back: item.back + 1 })}>+</button
						>
					{/if}
				</div>
				{#if !closed && open.has(item.id)}
					{#if explaining === item.id}
						<div class="mt-1 flex items-end gap-2" data-draft="tray {item.id}">
							<Field label="Why it does not come out even" bind:value={why} class="flex-1" />
							<ActionButton
								onclick={() => {
									if (why.trim().length > 2) change(item, { reason: why.trim() });
									explaining = undefined;
								}}>Keep</ActionButton
							>
						</div>
					{:else}
						<div class="flex gap-4 text-[15px]">
							<button
								type="button"
								class="touch underline"
								onclick={() => change(item, { back: item.count })}>All back</button
							>
							<button
								type="button"
								class="touch underline"
								onclick={() => {
									explaining = item.id;
									why = '';
								}}>Replaced or lost</button
							>
							<button
								type="button"
								class="touch underline"
								onclick={() => change(item, { removed: true })}>Typed by mistake</button
							>
						</div>
					{/if}
				{/if}
			</li>
		{:else}
			<li class="caption">
				Fasteners go out by step, with their length and place, and are counted back.
			</li>
		{/each}
	</ul>
	{#if mixed.length}<p class="mt-1 text-[15px] text-ochre">
			◇ Different lengths together in {mixed.join(', ')}.
		</p>{/if}
</section>
