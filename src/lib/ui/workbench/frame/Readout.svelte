<script lang="ts">
	import type { Snippet } from 'svelte';

	/** A result: name, number, unit, how far it may be off, and what it means. */
	interface Props {
		label: string;
		/** The number as text with its unit. */
		value: string;
		/** Half-width of the 95 % band as text. */
		band?: string;
		/** The one that matters on this bench. */
		main?: boolean;
		tone?: 'good' | 'doubt' | 'bad';
		children?: Snippet;
	}
	let { label, value, band, main = false, tone, children }: Props = $props();
	const colour = $derived(
		tone === 'bad'
			? 'text-madder'
			: tone === 'doubt'
				? 'text-ochre'
				: tone === 'good'
					? 'text-spruce'
					: ''
	);
	const [number, unit] = $derived.by(() => {
		const at = value.lastIndexOf('\u00a0');
		return at < 0 ? [value, ''] : [value.slice(0, at), value.slice(at + 1)];
	});
</script>

<div
	class={main
		? 'pb-2'
		: 'flex flex-wrap items-baseline justify-between gap-x-3 border-t border-line py-1.5'}
>
	<dt class={main ? 'text-[15px] font-semibold' : 'text-[15px]'}>{label}</dt>
	<dd class="{main ? '' : 'ms-auto text-end'} {colour}">
		<span class="num {main ? 'text-[52px] leading-none' : 'text-xl'}"
			>{number}{#if unit}<span class={main ? 'unit' : 'ms-1 text-[15px] font-normal'}>{unit}</span
				>{/if}</span
		>
		{#if band}<span class="text-[15px] text-soft">±&nbsp;{band}</span>{/if}
		{#if children}<span class="block text-[15px] {main ? '' : 'text-end'}"
				>{@render children()}</span
			>{/if}
	</dd>
</div>
