<script lang="ts">
	import { owedLine, type OwedItem } from '$core/procedure/owed';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { openGroups } from './open-groups';
	import Tick from '$lib/ui/controls/Tick.svelte';

	/** What stands between the job and a signature. A lead may sign over it, each item named with a reason. */
	let { lead }: { lead: boolean } = $props();
	const job = currentJob();
	const write = new EntryInput(job);
	const open = $derived(job.view.standing.owed);
	const groups = $derived(openGroups(open));
	/** Reasons given so far, by line. */
	let reasons = $state<Record<string, string>>({});
	let ticked = $state<string[]>([]);
	let reason = $state('');
	/** Kinds of which each item is ticked by itself. */
	let oneByOne = $state<string[]>([]);
	const named = $derived(open.filter((item) => reasons[owedLine(item)]).length);
	const lines = (items: readonly OwedItem[]) => items.map(owedLine);
	const all = (items: readonly OwedItem[]) => lines(items).every((line) => ticked.includes(line));

	function tick(items: readonly OwedItem[], on: boolean) {
		const own = lines(items);
		const others = ticked.filter((line) => !own.includes(line));
		ticked = on ? [...others, ...own] : others;
	}
	function give() {
		for (const line of ticked) reasons[line] = reason.trim();
		ticked = [];
		reason = '';
	}
	const sign = () =>
		write.send('signed', 'car', {
			over: lines(open).flatMap((item) => (reasons[item] ? [{ item, reason: reasons[item] }] : []))
		});
</script>

<section class="panel space-y-3 p-4" aria-label="Sign">
	{#if job.record.addendum}
		<p class="text-[15px] text-mark">
			Open for an addendum: {job.record.addendum.reason}. A lead writes in it; then it is signed and
			sealed again.
		</p>
	{/if}
	{#if open.length === 0}
		<p class="text-lg"><StateMark mark="set" word="Nothing is open" /></p>
		<RefusalNotice refusal={write.refusal} />
		<ActionButton weight="main" class="w-full" disabled={write.busy} onclick={sign}
			>Sign and seal</ActionButton
		>
	{:else}
		<p class="text-lg">
			<StateMark mark="owed" word="{open.length} open: not ready to sign" />
		</p>
		<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
		<div
			class="relative max-h-[46dvh] space-y-2 overflow-y-auto text-[15px]"
			tabindex="0"
			role="region"
			aria-label="Still open"
		>
			{#each groups as group (group.kind)}
				<div>
					<h3 class="flex items-center gap-2 bg-sunk px-2 py-1 font-semibold">
						{#if lead}
							<Tick
								class="me-auto leading-tight font-semibold"
								aria-label="All: {group.name}"
								checked={all(group.items)}
								onchange={(event) => tick(group.items, event.currentTarget.checked)}
								>{group.name}</Tick
							>
						{:else}<span class="me-auto">{group.name}</span>{/if}
						{#if lead && !oneByOne.includes(group.kind)}
							<button
								type="button"
								class="touch shrink-0 text-[15px] whitespace-nowrap underline"
								onclick={() => oneByOne.push(group.kind)}>One by one</button
							>
						{/if}
						<span class="num">{group.items.length}</span>
					</h3>
					<ul class="divide-y divide-line [&>li]:py-1">
						{#each group.items as item (owedLine(item))}
							{@const line = owedLine(item)}
							<li>
								{#if lead && oneByOne.includes(group.kind)}
									<Tick
										checked={ticked.includes(line)}
										onchange={(event) => tick([item], event.currentTarget.checked)}
									>
										{line}
									</Tick>
								{:else}{line}{/if}{reasons[line] ? `, signed over: ${reasons[line]}` : ''}
							</li>
						{/each}
					</ul>
				</div>
			{/each}
		</div>
		<RefusalNotice refusal={write.refusal} />
		{#if lead}
			<form
				class="space-y-2 border-t border-line pt-3"
				onsubmit={(event) => {
					event.preventDefault();
					give();
				}}
			>
				<Field
					label="Why what is ticked is signed over"
					bind:value={reason}
					hint="10 characters or more; each item prints with its reason"
					maxlength={1000}
				/>
				<ActionButton type="submit" disabled={ticked.length === 0 || reason.trim().length < 10}
					>Give this reason to {ticked.length}</ActionButton
				>
			</form>
			<ActionButton
				weight="stop"
				class="w-full"
				disabled={write.busy || named < open.length}
				onclick={sign}
				>{named < open.length
					? `${open.length - named} without a reason`
					: `Sign over ${open.length} open`}</ActionButton
			>
		{:else}
			<p class="caption">Only a lead may sign with something still open.</p>
		{/if}
	{/if}
</section>
