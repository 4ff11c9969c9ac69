<script lang="ts">
	import Icon from '$lib/ui/frame/Icon.svelte';
	import { replaceState } from '$app/navigation';
	import { page } from '$app/state';
	import type { Fault } from '$core/result';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import type { Snippet } from 'svelte';
	import ValueField from './ValueField.svelte';
	import type { BenchValues } from './values.svelte';

	/** A bench: the drawing, the numbers beside it, and below them what was measured. */
	interface Props {
		title: string;
		/** What it answers, in a sentence. */
		lead: string;
		values: BenchValues;
		groups: readonly { title: string; keys: readonly string[] }[];
		/** Of the computations; those that name an entry stand at it. */
		faults?: readonly Fault[];
		/** Entry that a fault's field means, where its name differs. */
		entryOf?: (field: string) => string;
		drawing: Snippet;
		numbers: Snippet;
		/** What must be said with the results. */
		notes?: Snippet;
		/** Choices above the drawing. */
		choices?: Snippet;
		/** More to fill in, below the groups. */
		more?: Snippet;
	}
	let {
		title,
		lead,
		values,
		groups,
		faults = [],
		entryOf = (field) => field,
		drawing,
		numbers,
		notes,
		choices,
		more
	}: Props = $props();

	/** Of the link, what the page round the bench has put there. */
	const pageKeys = ['mode', 'layout', 'source'];

	const shown = $derived(new Set(groups.flatMap(({ keys }) => keys)));
	const faultAt = $derived(
		Object.fromEntries(
			faults.flatMap((fault) =>
				shown.has(entryOf(fault.field)) ? [[entryOf(fault.field), fault.message]] : []
			)
		) as Record<string, string>
	);
	const elsewhere = $derived(faults.filter((fault) => !shown.has(entryOf(fault.field))));

	let copied = $state(false);
	async function copy() {
		await navigator.clipboard.writeText(location.href);
		copied = true;
		setTimeout(() => (copied = false), 2000);
	}

	// The link follows the values: what is seen can be shared, printed and come back to.
	$effect(() => {
		const query = values.query();
		const link = page.url.searchParams;
		for (const key of pageKeys) if (link.has(key)) query[key] = link.get(key)!;
		const timer = setTimeout(() => {
			const text = new URLSearchParams(query).toString();
			if (text !== location.search.slice(1)) {
				replaceState(text ? `?${text}` : page.url.pathname, page.state);
			}
		}, 250);
		return () => clearTimeout(timer);
	});
</script>

<div class="mx-auto max-w-[1500px] px-4 py-3">
	<div class="flex flex-wrap items-end gap-x-4 gap-y-2">
		<div class="min-w-0 flex-1">
			<h1 class="text-2xl">{title}</h1>
			<p class="text-[15px] text-soft">{lead}</p>
		</div>
		<div class="no-print flex gap-2">
			<ActionButton onclick={copy}
				><Icon name="link" /><span aria-live="polite">{copied ? 'Copied' : 'Copy link'}</span
				></ActionButton
			>
			<ActionButton onclick={() => window.print()}><Icon name="printer" />Print</ActionButton>
			<ActionButton onclick={() => values.reset()}
				><Icon name="rotate-ccw" />Start over</ActionButton
			>
		</div>
	</div>
	{#if choices}<div class="no-print mt-2">{@render choices()}</div>{/if}
	<div class="mt-3 grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_23.5rem]">
		<!-- On a phone the drawing is moved sideways: by touch, and by the arrow keys once it has the focus. -->
		<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
		<section class="panel min-w-0 overflow-x-auto p-3" aria-label="Drawing" tabindex="0">
			{@render drawing()}
		</section>
		<div class="grid gap-3">
			<section class="panel px-4 py-3" aria-label="Results">
				{#if elsewhere.length || Object.keys(faultAt).length}
					<div role="alert" class="mb-2 border-s-4 border-madder ps-3 text-[15px] text-madder">
						{#each elsewhere as fault (fault.field + fault.message)}
							<p><strong>{fault.field}</strong> {fault.message}</p>
						{:else}
							<p>See the entry marked ✕ below.</p>
						{/each}
						<p class="text-soft">The drawing shows the last state that could be computed.</p>
					</div>
				{/if}
				<dl>{@render numbers()}</dl>
				{@render notes?.()}
			</section>
			<section class="panel px-4 py-2" aria-label="Measures">
				{#each groups as group (group.title)}
					<h2 class="mt-2 border-b-2 border-ink pb-0.5 text-[16px]">{group.title}</h2>
					{#each group.keys as key (key)}
						<ValueField {values} name={key} fault={faultAt[key]} />
					{/each}
				{/each}
				{@render more?.()}
			</section>
		</div>
	</div>
</div>
