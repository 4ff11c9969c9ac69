<script lang="ts">
	import type { Axle } from '$core/height/corners';
	import { armOrBush, carriesJoint } from '$core/inspect/arm-or-bush';
	import { showMoney, type ShopCosts } from '$core/job/costs';
	import { partOf } from '$core/layout/shape';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import { amountFault, amountOf, isAmount } from './amounts';

	/** A whole arm, or bushes pressed into the old one: price, labour and risk of both. */
	let { axle, part, costs }: { axle: Axle; part: string; costs: ShopCosts } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const scope = $derived(job.work.scope);
	const name = $derived(partOf(scope.layouts[axle], part)!.name);
	const jointed = $derived(carriesJoint(scope, axle, part));
	const subject = $derived(`${axle}/${part}`);
	const kept = $derived(job.work.book.get('arm-prices', subject));
	const shown = (amount?: number) => (amount === undefined ? '' : String(amount));
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state({
		arm: shown(kept?.arm),
		bushes: shown(kept?.bushes),
		joint: shown(kept?.joint)
	});
	const prices = $derived.by(() => {
		const [arm, bushes] = [amountOf(typed.arm), amountOf(typed.bushes)];
		const joint = jointed ? (amountOf(typed.joint) ?? 0) : 0;
		return isAmount(arm) && isAmount(bushes) && isAmount(joint)
			? { arm, bushes, joint }
			: undefined;
	});
	const answer = $derived(prices && armOrBush(scope, axle, part, prices, costs, job.work.pace));
	function keep() {
		if (!prices || JSON.stringify(prices) === JSON.stringify(kept)) return;
		void job.keep('arm-prices', subject, prices);
	}
	const rows = $derived(
		answer
			? ([
					['Whole arm', answer.arm],
					['Bushes pressed', answer.bushes]
				] as const)
			: []
	);
</script>

<section class="panel p-4" aria-labelledby="arm-{axle}-{part}">
	<h2 id="arm-{axle}-{part}" class="text-lg">
		Whole {name.toLowerCase()} or its bushes, {axle}
	</h2>
	<fieldset disabled={closed} class="mt-2 grid gap-3 sm:grid-cols-3" onfocusout={keep}>
		<Field
			label="Whole arm"
			bind:value={typed.arm}
			inputmode="decimal"
			fault={amountFault(typed.arm)}
			hint="{costs.currency} each"
		/>
		<Field
			label="Its bushes"
			bind:value={typed.bushes}
			inputmode="decimal"
			fault={amountFault(typed.bushes)}
			hint="{costs.currency} an arm"
		/>
		{#if jointed}
			<Field
				label="A new joint for it"
				bind:value={typed.joint}
				inputmode="decimal"
				fault={amountFault(typed.joint)}
				hint="{costs.currency} each; empty: the old one stays"
			/>
		{/if}
	</fieldset>
	{#if answer}
		<table class="mt-3 w-full text-[17px]">
			<thead>
				<tr class="border-b-2 border-ink text-[15px]">
					<th class="py-1 text-start font-semibold"></th>
					<th class="text-end font-semibold">Parts</th>
					<th class="text-end font-semibold">Time</th>
					<th class="text-end font-semibold">Labour</th>
					<th class="text-end font-semibold">Risk</th>
					<th class="text-end font-semibold">All</th>
				</tr>
			</thead>
			<tbody>
				{#each rows as [what, { parts, minutes, labour, risk, all }] (what)}
					<tr class="border-b border-line">
						<td class="py-2 font-semibold">{what}</td>
						<td class="num text-end">{showMoney(parts, costs)}</td>
						<td class="num text-end">{Math.round(minutes)} min</td>
						<td class="num text-end">{showMoney(labour, costs)}</td>
						<td class="num text-end">{showMoney(risk, costs)}</td>
						<td class="num text-end">{showMoney(all, costs)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<p class="mt-2">
			{#if answer.cheaper === 'even'}Both cost the same.
			{:else}<b>{answer.cheaper === 'arm' ? 'The whole arm' : 'Pressing bushes'}</b> is cheaper by {showMoney(
					Math.abs(answer.arm.all - answer.bushes.all),
					costs
				)}.{/if}
		</p>
		<p class="caption mt-1">
			The whole job each way, this car’s corners together. Risk: at this rust an old bush takes its
			arm with it in about {formatNumber(100 * answer.ruined, 0)} of 100, and the car waits for another.
			A whole arm brings {answer.bushCount}
			{answer.bushCount === 1 ? 'bush' : 'bushes'}{answer.hasJoint
				? ' and a new ball joint; pressed bushes leave the old one'
				: ''}.
		</p>
	{/if}
</section>
