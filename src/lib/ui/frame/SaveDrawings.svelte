<script lang="ts">
	import { page } from '$app/state';
	import {
		asPng,
		drawingName,
		drawingsOn,
		saveFile,
		standalone,
		type PageDrawing
	} from '$lib/client/drawings';
	import { shopTime } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Window from '$lib/ui/controls/Window.svelte';

	/** Every drawing of the page, as SVG or PNG, named by car, job and day. */
	let { open = $bindable(false) }: { open?: boolean } = $props();
	const times = shopTime();
	let drawings = $state.raw<PageDrawing[]>([]);
	let fault = $state('');
	$effect(() => {
		if (!open) return;
		drawings = drawingsOn(document.querySelector('main') ?? document);
		fault = '';
	});

	/** The page's car and job, where it has them. */
	const of = $derived.by(() => {
		const { job, car, title } = page.data as {
			job?: { number: string };
			car?: { plate: string };
			title?: string;
		};
		// A job's page is titled by plate and number.
		const plate = car?.plate ?? (job && title?.replace(job.number, '').trim());
		return { plate, number: job?.number };
	});
	async function save({ svg, title }: PageDrawing, kind: 'svg' | 'png') {
		fault = '';
		const name = `${drawingName(title, of, times.isoDay(new Date()))}.${kind}`;
		const text = standalone(svg);
		try {
			saveFile(
				name,
				kind === 'svg' ? new Blob([text], { type: 'image/svg+xml' }) : await asPng(text)
			);
		} catch {
			fault = 'This browser could not draw it as a picture: take the SVG.';
		}
	}
</script>

<Window bind:open title="Drawings of this page">
	<ul class="divide-y divide-line border-y border-line">
		{#each drawings as drawing, i (i)}
			<li class="flex flex-wrap items-center gap-3 py-2">
				<span class="min-w-40 flex-1">{drawing.title.split(':')[0]}</span>
				<ActionButton onclick={() => save(drawing, 'svg')}>SVG</ActionButton>
				<ActionButton onclick={() => save(drawing, 'png')}>PNG</ActionButton>
			</li>
		{:else}
			<li class="py-3 text-soft">There is no drawing on this page.</li>
		{/each}
	</ul>
	{#if fault}<p role="alert" class="mt-2 text-madder">✕ {fault}</p>{/if}
</Window>
