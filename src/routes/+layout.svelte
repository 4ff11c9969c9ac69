<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { provideFirstAnswers } from '$lib/client/first-answers';
	import { Drafts } from '$lib/client/drafts';
	import { outbox } from '$lib/client/outbox.svelte';
	import { photoBox } from '$lib/client/photo-box.svelte';
	import { provideClock, provideUnits } from '$lib/client/units';
	import AppFrame from '$lib/ui/frame/AppFrame.svelte';
	import { onMount, untrack } from 'svelte';
	import '../app.css';

	let { data, children } = $props();
	let keysOpen = $state(false);
	let drawingsOpen = $state(false);
	provideUnits(() => data.units);
	provideClock(() => data.shop.clock);
	const answers = provideFirstAnswers(page.url);
	onMount(() => {
		answers.end();
		// From here on what is touched and typed is heard.
		document.documentElement.dataset.ready = '';
		void outbox.open();
		void photoBox.open();
	});

	// What waits here is sent for whoever is signed in, and for nobody else.
	$effect(() => {
		const { person } = data;
		outbox.person = person && { id: person.id, name: person.name, role: person.role };
		untrack(() => {
			void outbox.send();
			void photoBox.send();
		});
	});

	// Of the person, not of what is loaded of them: drafts begun anew would take what is half typed for the record.
	const personId = $derived(data.person?.id);
	$effect(() => (personId === undefined ? undefined : new Drafts(document).begin(personId)));

	const corners = ['FL', 'FR', 'RL', 'RR'];

	function onkeydown(event: KeyboardEvent) {
		const typing = (event.target as HTMLElement).closest('input, textarea, select');
		if (event.key === '?' && !typing) keysOpen = true;
		if (event.key === '/' && !typing) {
			const search = document.querySelector<HTMLInputElement>('input[type=search]');
			if (search) {
				event.preventDefault();
				search.focus();
			}
		}
		if (event.altKey && !event.ctrlKey && !event.metaKey) jobKey(event);
	}

	function jobKey(event: KeyboardEvent) {
		const job = page.params.id;
		if (!job || !page.url.pathname.startsWith('/jobs/')) return;
		const digit = /^Digit([1-4])$/.exec(event.code)?.[1];
		const heights = /\/(measure|check|look)$/.test(page.url.pathname);
		const corner = digit && corners['1234'.indexOf(digit)];
		const places: Record<string, string> = {
			KeyB: '',
			KeyL: '/look',
			KeyM: '/measure',
			KeyP: '/plan',
			KeyW: '/work',
			KeyR: '/set',
			KeyC: '/check',
			KeyS: '/hand-over'
		};
		const to = corner
			? heights
				? `${page.url.pathname}?corner=${corner}`
				: `/jobs/${job}/set?of=${corner}`
			: places[event.code] !== undefined && `/jobs/${job}${places[event.code]}`;
		if (to) {
			event.preventDefault();
			void goto(to);
		}
	}
</script>

<svelte:window {onkeydown} />
<svelte:head
	><title>{page.data.title ? `${page.data.title} · Vane Set` : 'Vane Set'}</title></svelte:head
>

{#if data.person}
	<AppFrame
		shopName={data.shop.name}
		personName={data.person.name}
		onkeys={() => (keysOpen = true)}
		ondrawings={() => (drawingsOpen = true)}
	>
		{@render children()}
	</AppFrame>
	<!-- Seldom wanted: fetched then. -->
	{#if keysOpen}
		{#await import('$lib/ui/frame/KeyList.svelte') then keys}<keys.default
				bind:open={keysOpen}
			/>{/await}
	{/if}
	{#if drawingsOpen}
		{#await import('$lib/ui/frame/SaveDrawings.svelte') then drawings}<drawings.default
				bind:open={drawingsOpen}
			/>{/await}
	{/if}
{:else}
	<main id="main">{@render children()}</main>
{/if}
<!-- After everything that asks; data, not a program. -->
<!-- eslint-disable-next-line svelte/no-at-html-tags -->
{@html answers.script}
