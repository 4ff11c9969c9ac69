<script lang="ts">
	import type { Axle } from '$core/height/corners';
	import { assemblyOrRebuild } from '$core/inspect/assembly';
	import type { OldPartFate } from '$core/inspect/old-parts';
	import { operations } from '$core/work/operations';
	import { rebuild } from '$core/work/steps/bench';
	import { meanMinutes } from '$core/work/minutes';
	import { axlePlans } from '$core/work/scope';
	import { whenIdle } from '$lib/client/later';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { showMoney, type ShopCosts } from '$core/job/costs';
	import { oldPartsOf } from '$core/job/old-units';
	import Field from '$lib/ui/controls/Field.svelte';
	import { amountFault, amountOf, isAmount } from './amounts';

	/** A complete unit or the old spring on a new damper: cost and time of both, and where they meet. */
	let { axle, costs }: { axle: Axle; costs: ShopCosts } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const plan = $derived(axlePlans(job.work.scope).find((one) => one.axle === axle));
	const kept = $derived(job.work.book.get('prices', axle));
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state({
		unit: kept ? String(kept.unit) : '',
		damper: kept ? String(kept.damper) : '',
		wearParts: kept ? String(kept.wearParts) : ''
	});
	const prices = $derived.by(() => {
		const [unit, damper, wearParts] = [typed.unit, typed.damper, typed.wearParts].map(amountOf);
		return isAmount(unit) && isAmount(damper) && isAmount(wearParts)
			? { unit, damper, wearParts }
			: undefined;
	});
	/** Bench steps that a complete unit does not need, a first and a second side. */
	const perCorner = $derived.by(() => {
		const first = rebuild.reduce(
			(sum, kind) =>
				sum + meanMinutes(operations[kind].minutes) * (job.work.pace.get(kind)?.factor ?? 1),
			0
		);
		const sides = plan?.corners.length ?? 2;
		return (first * (1 + 0.5 * (sides - 1))) / sides;
	});
	const answer = $derived(
		prices &&
			assemblyOrRebuild({
				unitPrice: prices.unit,
				damperPrice: prices.damper,
				wearPartsPrice: prices.wearParts,
				benchMinutes: perCorner,
				labourPerHour: costs.labourPerHour,
				corners: plan?.corners.length ?? 2
			})
	);
	function keep() {
		if (!prices || JSON.stringify(prices) === JSON.stringify(kept)) return;
		void job.keep('prices', axle, prices);
	}

	const parts = $derived(oldPartsOf(job.record, axle, costs));
	const fates: Record<OldPartFate, { name: string; sign: string; tone: string }> = {
		renewed: { name: 'new', sign: '+', tone: 'text-mark' },
		again: { name: 'used again', sign: '✓', tone: 'text-spruce' },
		unseen: { name: 'used again if sound', sign: '◇', tone: 'text-ochre' },
		'against-advice': { name: 'worn, and used again', sign: '✕', tone: 'text-madder' }
	};
	/** Bought with a rebuilt unit beside its damper. */
	const wear = $derived(
		parts.filter(
			({ part, fate }) => fate === 'renewed' && !['damper', 'spring', 'shaft-nut'].includes(part)
		)
	);

	const corners = $derived(plan?.corners.length ?? 2);
	const rebuildAt = $derived((rate: number) =>
		prices ? corners * (prices.damper + prices.wearParts + (perCorner / 60) * rate) : 0
	);
	const chart = whenIdle(() => import('./AssemblyChart.svelte'));
</script>

<section class="panel p-4" aria-labelledby="assembly-{axle}">
	<h2 id="assembly-{axle}" class="text-lg">Complete unit or rebuild, {axle}</h2>
	<fieldset disabled={closed} class="mt-2 grid gap-3 sm:grid-cols-3" onfocusout={keep}>
		<Field
			label="Complete unit"
			bind:value={typed.unit}
			inputmode="decimal"
			fault={amountFault(typed.unit)}
			hint="{costs.currency} each"
		/>
		<Field
			label="Damper alone"
			bind:value={typed.damper}
			inputmode="decimal"
			fault={amountFault(typed.damper)}
			hint="{costs.currency} each"
		/>
		<Field
			label="Other new parts of it"
			bind:value={typed.wearParts}
			inputmode="decimal"
			fault={amountFault(typed.wearParts)}
			hint={wear.length
				? `${costs.currency} a corner: ${wear.map(({ name }) => name.toLowerCase()).join(', ')}`
				: `${costs.currency} a corner: none by what was found; 0`}
		/>
	</fieldset>
	{#if answer && prices}
		<dl class="mt-3 grid grid-cols-3 gap-3">
			<div>
				<dt class="caption">Complete</dt>
				<dd class="num text-2xl">{showMoney(answer.completeCost, costs)}</dd>
			</div>
			<div>
				<dt class="caption">Rebuild, bench time in it</dt>
				<dd class="num text-2xl">{showMoney(answer.rebuildCost, costs)}</dd>
			</div>
			<div>
				<dt class="caption">Bench time saved</dt>
				<dd class="num text-2xl">{Math.round(answer.savedMinutes)}<span class="unit">min</span></dd>
			</div>
		</dl>
		<p class="mt-2">
			{#if answer.cheaper === 'even'}Both cost the same.
			{:else}<b>{answer.cheaper === 'complete' ? 'The complete unit' : 'The rebuild'}</b> is cheaper
				by
				{showMoney(Math.abs(answer.completeCost - answer.rebuildCost), costs)} at {showMoney(
					costs.labourPerHour,
					costs
				)} an hour.{/if}
			{#if answer.breakEvenPerHour !== undefined}
				Both cost the same at {showMoney(answer.breakEvenPerHour, costs)} an hour.{/if}
		</p>
		{#await chart then { default: AssemblyChart }}
			<AssemblyChart {answer} {costs} {rebuildAt} />{/await}
	{/if}
	<h3 class="mt-4 border-t border-line pt-3 text-[17px]">Rebuilt, of each old unit</h3>
	<ul class="mt-1 grid gap-x-6 text-[15px] sm:grid-cols-2">
		{#each parts as { part, name, fate, why } (part)}
			<li class="flex gap-2 py-0.5">
				<span class="w-4 shrink-0 {fates[fate].tone}" aria-hidden="true">{fates[fate].sign}</span>
				<span>
					<b>{name}</b>
					<span class={fates[fate].tone}>{fates[fate].name}</span><span class="text-soft"
						>: {why}</span
					>
				</span>
			</li>
		{/each}
	</ul>
	<p class="caption mt-2">
		A complete unit saves the compressor and its danger, and comes with a spring nobody in this shop
		has measured: compare its free length and wire all the same.
	</p>
</section>
