<script lang="ts">
	import { cornerNames, type Corner } from '$core/height/corners';
	import { loadMethodNames, loadMethods, type LoadMethod } from '$core/procedure/facts';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { loadedStanding } from '$core/job/loaded';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { onDestroy, onMount } from 'svelte';

	/** The gate before rubber: how the corner is loaded, what the tape reads, and whether that will do. */
	interface Props {
		corner: Corner;
		/** What is typed, for the drawing. */
		onlook?: (heightMm: number | undefined) => void;
		onrecorded: (corner: string) => void;
		/** The server did not take it, and by then something else stands here. */
		onrefused: (corner: Corner, refusal: Refusal) => void;
	}
	let { corner, onlook, onrecorded, onrefused }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);
	const show = (mm: number) => units.show(mm, 'length', { decimals });
	const standing = $derived(loadedStanding(job.record, corner, job.limits));
	const looks = $derived(job.record.loadings.filter((look) => look.corner === corner));
	const opposites = { FL: 'RR', FR: 'RL', RL: 'FR', RR: 'FL' } as const;
	const oppositeName = $derived(cornerNames[opposites[corner]]);
	const opposite = $derived(oppositeName.toLowerCase());

	let method = $state<LoadMethod>(
		job.record.loadings[job.record.loadings.length - 1]?.method ?? 'jack-to-height'
	);
	let text = $state('');
	// svelte-ignore state_referenced_locally
	let before = $state(
		looks.findLast((look) => look.oppositeBeforeMm !== null)?.oppositeBeforeMm?.toString() ?? ''
	);
	let now = $state('');
	let refusal = $state<Refusal>();
	let box = $state<HTMLElement>();

	const understood = $derived(
		text.trim()
			? parseQuantity(text, 'length', {
					field: 'hubToArch',
					defaultUnit: units.choice.length,
					min: 150,
					max: 800
				})
			: undefined
	);
	$effect(() => onlook?.(understood?.ok ? understood.value.si : undefined));
	onMount(() => {
		box?.querySelector<HTMLInputElement>('input[type="text"], input:not([type])')?.focus({
			preventScroll: true
		});
	});

	const options = loadMethods.map((value) => ({ value, name: loadMethodNames[value] }));
	const marks = {
		none: 'owed',
		'in-band': 'set',
		'out-of-band': 'owed',
		crept: 'again',
		'body-lifted': 'again'
	} as const;

	/** The round has gone on; a late answer changes nothing there: the height may be in hand once more. */
	let gone = false;
	onDestroy(() => (gone = true));
	async function record(event: SubmitEvent) {
		event.preventDefault();
		if (!understood?.ok) {
			const title =
				understood?.faults[0]!.message ?? 'Read hub to arch at this corner and type it.';
			refusal = { status: 422, title };
			return;
		}
		const meant = (value: string) => withMeantUnit(value, units.choice.length);
		const typed = { text, now, corner };
		// Cleared at once: the next reading may be typed before the server has answered.
		text = '';
		now = '';
		refusal = await job.tell('loading', corner, {
			method,
			hubToArch: meant(typed.text),
			...(method === 'jack-to-height' && before.trim() && typed.now.trim()
				? { oppositeBefore: meant(before), oppositeNow: meant(typed.now) }
				: {})
		});
		if (!refusal) {
			if (!gone) onrecorded(typed.corner);
			return;
		}
		if (gone) return onrefused(typed.corner, refusal);
		if (!text) text = typed.text;
		if (!now) now = typed.now;
	}
</script>

<section bind:this={box} class="panel p-4" aria-labelledby="gate-name" data-draft="load {corner}">
	<div class="flex flex-wrap items-baseline justify-between gap-x-4">
		<h1 id="gate-name" class="text-2xl">Load the corner</h1>
		{#if standing}<StateMark
				mark={marks[standing.verdict]}
				word={standing.verdict === 'in-band' ? 'at height' : 'not yet'}
				class="text-lg"
			/>{/if}
	</div>
	{#if !standing}
		<p class="mt-2 text-madder">
			There is no target in hub to arch for this corner: choose one at the right, and for another
			school state its conversion.
		</p>
	{:else}
		<p class="mt-1">
			<span class="caption block">{method === 'jack-to-height' ? 'Jack to' : 'It must read'}</span>
			<span class="num text-[84px] leading-none text-mark"
				>{units.show(standing.targetMm, 'length', { bare: true, decimals })}<span
					class="ms-2 text-3xl font-medium text-soft">{units.choice.length}</span
				></span
			>
			<span class="ms-2 text-2xl">± {show(standing.toleranceMm)}</span>
		</p>
		<p
			role="status"
			class="mt-1 text-lg {['crept', 'body-lifted'].includes(standing.verdict)
				? 'font-semibold text-madder'
				: standing.verdict === 'in-band'
					? 'text-spruce'
					: 'text-ochre'}"
		>
			{standing.words}
		</p>
		<form class="mt-3 space-y-3" onsubmit={record}>
			<Choice label="Loaded how" row bind:value={method} {options} />
			<div class="flex flex-wrap items-end gap-3">
				<QuantityField
					label="Hub to arch now"
					dimension="length"
					bind:value={text}
					inputmode={units.choice.length === 'mm' ? 'decimal' : 'text'}
				/>
				<ActionButton weight="main" type="submit">Record the reading</ActionButton>
			</div>
			{#if method === 'jack-to-height'}
				<p class="text-[15px] text-ochre">
					A jack alone does not support a car: stands under the body, and the body must not lift off
					them.
				</p>
			{/if}
			<RefusalNotice {refusal} />
			{#if method === 'jack-to-height'}
				<details open={Boolean(before || now)}>
					<summary class="touch flex cursor-pointer items-center font-semibold"
						>Has the body moved? {oppositeName}, before and now</summary
					>
					<div class="grid gap-x-4 gap-y-2 pt-1 sm:grid-cols-2">
						<QuantityField
							label="{oppositeName} before"
							dimension="length"
							bind:value={before}
							hint="ground to arch, before the jack"
						/>
						<QuantityField
							label="{oppositeName} now"
							dimension="length"
							bind:value={now}
							hint="with the corner loaded"
						/>
					</div>
				</details>
			{/if}
		</form>
	{/if}
	{#if looks.length}
		<ul class="mt-4 divide-y divide-line border-y border-line" aria-label="Readings while loaded">
			{#each looks as look (look.id)}
				<li class="flex min-h-11 flex-wrap items-center gap-x-3">
					<span class="num text-lg">{look.entered}</span>
					<span class="caption">
						{loadMethodNames[look.method].toLowerCase()}{look.oppositeNowMm !== null
							? ` · ${opposite} moved ${show(look.oppositeNowMm - look.oppositeBeforeMm!)}`
							: ''} · {job.personName(look.personId)}{look.deviceReadingId ? ' · by the gauge' : ''}
					</span>
				</li>
			{/each}
		</ul>
	{/if}
</section>
