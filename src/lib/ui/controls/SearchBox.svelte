<script lang="ts">
	import { goto } from '$app/navigation';
	import { Input } from 'flowbite-svelte';
	import { onDestroy } from 'svelte';

	interface Props {
		label: string;
		value: string;
	}
	let { label, value }: Props = $props();
	// svelte-ignore state_referenced_locally (the address is where it starts; afterwards the field leads)
	let text = $state(value);
	let timer: ReturnType<typeof setTimeout>;

	// Whoever has found what they looked for is not called back to the list.
	onDestroy(() => clearTimeout(timer));

	function search() {
		clearTimeout(timer);
		timer = setTimeout(() => {
			const query = text.trim() ? `?search=${encodeURIComponent(text.trim())}` : location.pathname;
			void goto(query, { keepFocus: true, replaceState: true, noScroll: true });
		}, 200);
	}
</script>

<Input
	color={'ours' as never}
	type="search"
	aria-label={label}
	placeholder={label}
	bind:value={text}
	oninput={search}
	class="min-h-12 w-full rounded-[3px]! border border-edge bg-panel px-3! text-[17px]! text-ink placeholder:text-soft"
/>
