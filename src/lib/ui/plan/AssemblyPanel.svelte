<script lang="ts">
	import type { Axle } from '$core/height/corners';
	import { assemblyOrRebuild } from '$core/inspect/assembly';
	import type { OldPartFate } from '$core/inspect/old-parts';
	import { kinds, type StepKind } from '$core/work/kinds';
	import { meanMinutes } from '$core/work/minutes';
	import { axlePlans } from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { showMoney, type ShopCosts } from '$core/job/costs';
	import { oldPartsOf } from '$core/job/plan';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import { line, scaleLinear } from 'd3';

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
	const number = (text: string) =>
		text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'));
	const wrong = (text: string) => {
		const value = number(text);
		if (value === undefined || (Number.isFinite(value) && value >= 0)) return undefined;
		return `‘${text}’ is not an amount: a number such as 180 or 92,50`;
	};
	const prices = $derived.by(() => {
		const [unit, damper, wearParts] = [typed.unit, typed.damper, typed.wearParts].map(number);
		const all = [unit, damper, wearParts];
		return all.every((one) => one !== undefined && Number.isFinite(one) && one >= 0)
			? { unit: unit!, damper: damper!, wearParts: wearParts! }
			: undefined;
	});
	/** Bench steps that a complete unit does not need, a first and a second side. */
	const bench: StepKind[] = ['compress', 'shaft-off', 'restack', 'shaft-on', 'release'];
	const perCorner = $derived.by(() => {
		const first = bench.reduce(
			(sum, kind) =>
				sum + meanMinutes(kinds[kind].minutes) * (job.work.pace.get(kind)?.factor ?? 1),
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

	const width = 520;
	const height = 220;
	const corners = $derived(plan?.corners.length ?? 2);
	const most = $derived(
		Math.max(2 * costs.labourPerHour, 1.4 * Math.min(answer?.breakEvenPerHour ?? 0, 400))
	);
	const x = $derived(scaleLinear([0, most], [64, width - 86]));
	const rebuildAt = $derived((rate: number) =>
		prices ? corners * (prices.damper + prices.wearParts + (perCorner / 60) * rate) : 0
	);
	const y = $derived(
		scaleLinear(
			[
				0.85 * Math.min(answer?.completeCost ?? 0, rebuildAt(0)),
				1.08 * Math.max(answer?.completeCost ?? 1, rebuildAt(most))
			],
			[height - 56, 24]
		)
	);
</script>

<section class="panel p-4" aria-labelledby="assembly-{axle}">
	<h2 id="assembly-{axle}" class="text-lg">Complete unit or rebuild, {axle}</h2>
	<fieldset disabled={closed} class="mt-2 grid gap-3 sm:grid-cols-3" onfocusout={keep}>
		<Field
			label="Complete unit"
			bind:value={typed.unit}
			inputmode="decimal"
			fault={wrong(typed.unit)}
			hint="{costs.currency} each"
		/>
		<Field
			label="Damper alone"
			bind:value={typed.damper}
			inputmode="decimal"
			fault={wrong(typed.damper)}
			hint="{costs.currency} each"
		/>
		<Field
			label="Other new parts of it"
			bind:value={typed.wearParts}
			inputmode="decimal"
			fault={wrong(typed.wearParts)}
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
		<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
		<div class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Cost over labour">
			<svg
				viewBox="0 0 {width} {height}"
				class="drawn"
				role="img"
				aria-label="Cost of both over the labour rate"
			>
				<Axes
					{x}
					{y}
					xUnit="labour, {costs.currency} an hour"
					yUnit="cost, {costs.currency}"
					xTicks={5}
					yTicks={4}
				/>
				<path
					d="M {x(costs.labourPerHour)} 24 V {height - 56}"
					class="stroke-edge"
					stroke-dasharray="4 4"
				/>
				<text
					x={x(costs.labourPerHour) - 6}
					y="36"
					text-anchor="end"
					font-size="14"
					class="text-soft">this shop</text
				>
				<path
					d={line()([
						[x(0), y(answer.completeCost)],
						[x(most), y(answer.completeCost)]
					])}
					class="stroke-mark"
					stroke-width="3"
				/>
				<path
					d={line()([
						[x(0), y(rebuildAt(0))],
						[x(most), y(rebuildAt(most))]
					])}
					class="stroke-spruce"
					stroke-width="3"
					stroke-dasharray="9 5"
				/>
				<text x={width - 80} y={y(answer.completeCost) + 5} font-size="14" class="text-mark"
					>complete</text
				>
				<text x={width - 80} y={y(rebuildAt(most)) + 5} font-size="14" class="text-spruce"
					>rebuild</text
				>
				{#if answer.breakEvenPerHour !== undefined && answer.breakEvenPerHour <= most}
					<circle
						cx={x(answer.breakEvenPerHour)}
						cy={y(answer.completeCost)}
						r="6"
						class="fill-panel stroke-ink"
						stroke-width="2.5"
					/>
				{/if}
			</svg>
		</div>
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
