<script lang="ts">
	import type { Sheet, Tone } from '$core/job/sheet/document';
	import JumpMarks from '$lib/ui/controls/JumpMarks.svelte';
	import { onMount, type Snippet } from 'svelte';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	/** A sheet on screen and on paper; the sealed PDF draws the same data. */
	interface Props {
		sheet: Sheet;
		proof?: Snippet;
		/** Where its photos are. */
		photos?: string;
	}
	let { sheet, proof, photos = '' }: Props = $props();
	/** Tables and lists are far apart on a phone. */
	const marks = $derived(
		sheet.blocks.flatMap((block, i) =>
			block.kind === 'table' || block.kind === 'pictures' || block.kind === 'photos'
				? [[`block-${i}`, block.title] as const]
				: []
		)
	);
	/** The page comes with the sheet's beginning, down to the first corner; the rest follows at once. */
	let whole = $state(false);
	onMount(() => (whole = true));
	const blocks = $derived.by(() => {
		const tables = sheet.blocks.flatMap(({ kind }, i) => (kind === 'table' ? [i] : []));
		return whole ? sheet.blocks : sheet.blocks.slice(0, (tables[1] ?? sheet.blocks.length) + 1);
	});
	const tones: Record<Tone, { box: string; title: string }> = {
		stop: { box: 'border-madder', title: 'text-madder' },
		open: { box: 'border-ochre', title: 'text-ochre' },
		plain: { box: 'border-ink', title: '' }
	};
</script>

<article
	class="sheet mx-auto w-full max-w-[900px] min-w-0 bg-panel p-6 text-[15px] shadow-sm md:p-9 print:max-w-none print:p-0 print:shadow-none"
>
	<header class="flex flex-wrap justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3">
		<div>
			<p class="text-soft">{sheet.shop}</p>
			<h1 class="num text-3xl">{sheet.title}</h1>
			<p>{sheet.subtitle}</p>
		</div>
		<dl class="grid grid-cols-[auto_auto] content-start gap-x-4 text-end">
			{#each sheet.facts as [label, value] (label)}
				<dt class="text-soft">{label}</dt>
				<dd class={label === 'Job' ? 'font-semibold' : ''}>{value}</dd>
			{/each}
		</dl>
	</header>
	{#if marks.length > 2}<div class="mt-3"><JumpMarks {marks} /></div>{/if}
	{#each blocks as block, i (i)}
		{#if marks.some(([id]) => id === `block-${i}`)}<span id="block-{i}"></span>{/if}
		{#if block.kind === 'line'}
			<p class="mt-3 {block.quiet ? 'caption' : ''}">
				{#if block.label}<b>{block.label}:</b>{/if}
				{block.text}
			</p>
		{:else if block.kind === 'notice'}
			<section class="mt-4 border-2 p-3 {tones[block.tone].box}">
				<h2 class="text-base font-bold {tones[block.tone].title}">{block.title}</h2>
				{#each block.lines as line, j (j)}<p>{line}</p>{/each}
			</section>
		{:else if block.kind === 'lists'}
			<section
				class="mt-4 grid gap-x-8 gap-y-3 {block.lists.length > 1
					? 'sm:grid-cols-2 print:grid-cols-2'
					: ''}"
			>
				{#each block.lists as list (list.title)}
					<div class={list.framed ? 'border-2 border-ink p-2' : ''}>
						{#if list.title}<h2 class="text-lg">{list.title}</h2>{:else}<div
								class="hidden h-[1.75rem] sm:block"
							></div>{/if}
						<ul>
							{#each list.items as item, j (j)}<li>{item}</li>{/each}
						</ul>
					</div>
				{/each}
			</section>
		{:else if block.kind === 'table'}
			<section class="mt-5">
				<h2 class="text-lg">
					{block.title} <span class="caption font-normal">{block.subtitle}</span>
				</h2>
				<!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls sideways on a phone, also by keyboard) -->
				<div class="overflow-x-auto" tabindex="0" role="region" aria-label={block.title}>
					<DataTable size="text-[length:inherit]! print:text-[8pt]!">
						<thead>
							<tr>
								{#each block.columns as column (column.name)}<th class={{ end: column.end }}
										>{column.name}</th
									>{/each}
							</tr>
						</thead>
						<tbody>
							{#each block.rows as row, j (j)}
								{@const [head, ...rest] = row}
								<tr>
									<td class={{ alert: head?.alert, strong: head?.strong }}
										>{head?.text}{#if head?.note}<small>{head.note}</small>{/if}</td
									>
									{#each rest as cell, k (k)}
										<td
											class={{
												end: block.columns[k + 1]?.end,
												alert: cell.alert,
												strong: cell.strong
											}}>{cell.text}{cell.note ? ` (${cell.note})` : ''}</td
										>
									{/each}
								</tr>
							{/each}
						</tbody>
					</DataTable>
				</div>
				{#each block.notes ?? [] as note, j (j)}<p class="caption mt-1">{note}</p>{/each}
			</section>
		{:else if block.kind === 'pictures'}
			<section class="mt-5 break-inside-avoid">
				<h2 class="text-lg">{block.title}</h2>
				<div class="grid grid-cols-2 gap-6">
					{#each block.pictures as picture (picture.alt)}
						<img
							src="data:image/svg+xml,{encodeURIComponent(picture.svg)}"
							alt={picture.alt}
							class="w-full"
						/>
					{/each}
				</div>
				<p class="caption">{block.caption}</p>
			</section>
		{:else if block.kind === 'photos'}
			<section class="mt-5">
				<h2 class="text-lg">{block.title}</h2>
				<ul class="grid grid-cols-2 gap-4 sm:grid-cols-3 print:grid-cols-3">
					{#each block.photos as photo (photo.id)}
						<li class="break-inside-avoid">
							<img
								src="{photos}/{photo.id}"
								alt={photo.caption || 'Photo of the job'}
								class="w-full border border-line"
							/>
							<p class="caption">{photo.caption}</p>
						</li>
					{/each}
				</ul>
			</section>
		{:else}
			<section class="mt-5 border-t border-edge pt-3 text-[13px]">
				<h2 class="text-[15px] font-bold">{block.title}</h2>
				{#each block.lines as line, j (j)}<p>{line}</p>{/each}
			</section>
		{/if}
	{/each}
	<section class="mt-3 break-inside-avoid text-[13px]">
		{@render proof?.()}
		<div class="mt-6 grid grid-cols-2 gap-10">
			{#each sheet.signatures as name (name)}<p class="border-t border-ink pt-1">{name}</p>{/each}
		</div>
	</section>
</article>

<style>
	/* Cells are many: they are styled from here, so that none carries its own words of style. */
	.sheet :global {
		thead {
			border-bottom: 2px solid var(--color-edge);
			font-size: 13px;
		}
		th {
			text-align: start;
		}
		th,
		td {
			padding: 0.25rem 0 0.25rem 0.75rem;
		}
		:is(th, td):first-child {
			padding-inline-start: 0;
		}
		tbody tr {
			border-bottom: 1px solid var(--color-line);
			vertical-align: baseline;
		}
		small {
			display: block;
			font-size: 13px;
			font-weight: 400;
			color: var(--color-soft);
		}
		.end {
			text-align: end;
			white-space: nowrap;
		}
		.alert,
		.strong {
			font-weight: 600;
		}
		.alert {
			color: var(--color-madder);
		}
	}
	@media print {
		.sheet {
			font-size: 9pt;
		}
		.sheet :global(section) {
			break-inside: auto;
		}
		.sheet :global(:is(th, td)) {
			padding-block: 0.1rem;
		}
		.sheet :global(:is(thead, small)) {
			font-size: inherit;
		}
		.sheet :global(tr) {
			break-inside: avoid;
		}
	}
</style>
