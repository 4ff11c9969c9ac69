<script lang="ts">
	import { unpackBook } from '$lib/book/packed';
	import { goto } from '$app/navigation';
	import { nextHref } from '$lib/ui/job/places';
	import { followJob } from '$lib/client/follow';
	import { layoutUrls } from '$lib/client/layouts';
	import { holdBook } from '$lib/client/refresh';
	import { personalUnits } from '$lib/client/units';
	import { checks, JobState, provideJob } from '$lib/client/job-state.svelte';
	import { onMount } from 'svelte';
	import { outbox } from '$lib/client/outbox.svelte';
	import type { KindName } from '$core/job/kinds/data';
	import { kindOf } from '$core/job/kinds/index';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import JobHead from '$lib/ui/job/JobHead.svelte';
	import { later } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	let { data, children } = $props();
	const units = personalUnits();
	const loaded = $derived.by(() => {
		const { book, ...named } = data.job;
		return { ...named, entries: unpackBook(book) };
	});
	const job = provideJob(
		new JobState(
			() => loaded,
			() => ({
				person: data.person!,
				rack: data.wrenches,
				timed: data.timed,
				units: units.choice,
				walk: data.shop.walk
			})
		)
	);
	const looks = later(() => import('$lib/ui/job/Looks.svelte'));
	const id = $derived(data.job.id);
	const refused = $derived(
		outbox.entries.filter((entry) => entry.refusal && entry.path.startsWith(`/jobs/${id}/`))
	);

	// When the page stands and has nothing better to do: what is said is checked here before it is sent.
	onMount(() => {
		const later = globalThis.requestIdleCallback ?? setTimeout;
		later(() => void checks.fetch());
	});

	$effect(() => holdBook({ jobId: id, take: (entries) => job.take(entries) }));

	/** What was said, in a few words. */
	function saidOf(body: Record<string, unknown>): string {
		const { height, torque, hubToArch } = (body.data ?? {}) as Record<string, unknown>;
		const at = String(body.subject ?? '');
		const where = at.length <= 2 ? at : kindOf(body.kind as KindName).name;
		return [where, height ?? torque ?? hubToArch].filter(Boolean).join(' ');
	}

	/** What comes next is one key away; Enter does it where nothing on the page waits for an Enter of its own. */
	function onkeydown(event: KeyboardEvent) {
		const alone =
			event.key === 'Enter' &&
			!event.repeat &&
			event.target === document.body &&
			!document.querySelector(
				'main :is(input, select, textarea, dialog[open], [data-keeps-enter])'
			);
		if (event.defaultPrevented || !(alone || (event.altKey && event.code === 'KeyN'))) return;
		event.preventDefault();
		void goto(nextHref(id, job.next));
	}

	/** Somebody on the other side of the car writes too. */
	$effect(() =>
		followJob(id, {
			entries: (entries) => void job.take(entries),
			device: () => job.heard++,
			ask: () => {
				void job.reload();
				job.heard++;
			}
		})
	);
</script>

<svelte:head>
	{#each layoutUrls(data.layouts) as href (href)}
		<link rel="preload" as="fetch" type="application/json" crossorigin="anonymous" {href} />
	{/each}
</svelte:head>

<svelte:window {onkeydown} />
<JobHead />
{#if refused.length}
	<Notice role="alert" class="no-print mx-4 mt-4 md:mx-6">
		<p class="font-semibold text-madder">Not taken by the server, and kept here:</p>
		{#each refused as entry (entry.id)}
			<div class="mt-2 flex flex-wrap items-center gap-3">
				<span class="me-auto">
					{saidOf(entry.body)}: {entry.refusal!.title}
					{entry.refusal!.faults?.map((fault) => fault.message).join('; ') ?? ''}
				</span>
				<ActionButton weight="stop" onclick={() => outbox.drop(entry.id)}>Drop it</ActionButton>
			</div>
		{/each}
	</Notice>
{/if}
{#if job.record.looks.length && !job.record.signedAt}<Later part={looks()} given={{}} />{/if}
{@render children()}
