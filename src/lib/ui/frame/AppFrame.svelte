<script lang="ts">
	import { page } from '$app/state';
	import { outbox } from '$lib/client/outbox.svelte';
	import { photoBox } from '$lib/client/photo-box.svelte';
	import type { Snippet } from 'svelte';
	import Icon from './Icon.svelte';

	interface Props {
		shopName: string;
		personName: string;
		children: Snippet;
		onkeys: () => void;
		/** The page's drawings are to be saved. */
		ondrawings: () => void;
	}
	let { shopName, personName, children, onkeys, ondrawings }: Props = $props();

	const places = [
		{
			href: '/',
			name: 'Jobs',
			icon: 'clipboard-list',
			here: (path: string) => path === '/' || path.startsWith('/jobs')
		},
		{
			href: '/bays',
			name: 'Bays',
			icon: 'calendar-range',
			here: (path: string) => path.startsWith('/bays')
		},
		{
			href: '/cars',
			name: 'Cars',
			icon: 'car-front',
			here: (path: string) => path.startsWith('/cars')
		},
		{
			href: '/workbench',
			name: 'Workbench',
			icon: 'drafting-compass',
			here: (path: string) => path.startsWith('/workbench')
		},
		{
			href: '/rack',
			name: 'Rack',
			icon: 'wrench',
			here: (path: string) => path.startsWith('/rack')
		},
		{
			href: '/shop',
			name: 'Shop',
			icon: 'warehouse',
			here: (path: string) => path.startsWith('/shop')
		}
	] as const;
	const waiting = $derived(outbox.waiting.length + photoBox.waiting.length);
</script>

<a href="#main" class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-panel focus:p-3"
	>To the content</a
>
<header
	class="no-print flex min-h-15 items-center gap-1 bg-[#12312c] ps-1 pe-1 text-[#f0efe6] max-sm:flex-wrap sm:ps-4 sm:pe-2"
>
	<a href="/" class="touch flex items-center gap-2.5 pe-2 max-sm:hidden sm:pe-4">
		<img src="/icon.svg" alt="" class="size-8" />
		<span class="text-xl font-bold whitespace-nowrap [font-stretch:84%] max-sm:sr-only"
			>Vane Set</span
		>
		<span class="hidden text-[15px] text-[#bcd0c8] {waiting ? '2xl:inline' : 'lg:inline'}"
			>{shopName}</span
		>
	</a>
	<nav aria-label="Places" class="flex h-15 max-sm:flex-1">
		{#each places as place (place.href)}
			{@const here = place.here(page.url.pathname)}
			<a href={place.href} aria-current={here ? 'page' : undefined} class="place">
				<Icon name={place.icon} />
				<span class="max-sm:text-[11px] max-sm:leading-tight">{place.name}</span>
			</a>
		{/each}
	</nav>
	<span class="flex-1 max-sm:hidden"></span>
	<span
		role="status"
		class="text-[15px] max-sm:order-last max-sm:w-full max-sm:empty:hidden"
		data-waiting={outbox.opened ? waiting + outbox.making : undefined}
	>
		{#if waiting}
			<span
				class="inline-block rounded-[3px] bg-[#e8a33d] px-2 py-1 leading-tight font-semibold text-[#2b1a00]"
				>{waiting} kept here, {outbox.why ? `as ${outbox.why}` : 'waiting for the server'}</span
			>
		{/if}
	</span>
	<button
		type="button"
		class="hidden min-h-12 min-w-12 items-center justify-center sm:flex"
		onclick={ondrawings}
		aria-label="Save drawings of this page"
	>
		<Icon name="image-down" class="size-6" />
	</button>
	<button
		type="button"
		class="hidden min-h-12 min-w-12 items-center justify-center sm:flex"
		onclick={onkeys}
		aria-label="Keys"
	>
		<Icon name="keyboard" class="size-6" />
	</button>
	<a
		href="/me"
		class="touch flex min-w-12 items-center justify-center gap-2 px-2"
		aria-label="You: {personName}"
	>
		<Icon name="circle-user" class="size-6" /><span
			class="hidden text-[16px] whitespace-nowrap md:inline">{personName}</span
		>
	</a>
</header>
<!-- Seldom there, and it knows every kind of entry: it is fetched when it is wanted. -->
{#if outbox.others.length}
	{#await import('./KeptForOthers.svelte') then kept}<kept.default />{/await}
{/if}
<main id="main" tabindex="-1" class="outline-none">{@render children()}</main>

<style>
	/* Its own colours in both themes: the frame is the shop's, not the page's. */
	.place {
		display: flex;
		min-width: 3rem;
		align-items: center;
		gap: 0.5rem;
		padding-inline: 0.5rem;
		border-bottom: 4px solid transparent;
		font-size: 17px;
	}
	.place:hover {
		border-color: #4c7268;
	}
	.place[aria-current] {
		border-color: #e8a33d;
		font-weight: 600;
	}
	@media (width >= 40rem) {
		.place {
			padding-inline: 1rem;
		}
	}
	@media (width < 40rem) {
		.place {
			flex: 1;
			flex-direction: column;
			justify-content: center;
			gap: 0;
			padding-inline: 0;
		}
	}
</style>
