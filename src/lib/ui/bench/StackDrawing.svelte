<script lang="ts">
	import type { StackItem, StackPart } from '$core/bench/stack';
	import { coilPath } from '$lib/ui/corner/coil';

	/** The assembly pulled apart along its shaft, in its order, each part the way it goes. */
	interface Props {
		items: readonly StackItem[];
		/** What is on, from the bottom up. */
		on: readonly StackPart[];
		wrong: readonly StackPart[];
		/** Which way a part went on, where somebody said it. */
		wayOf?: (part: StackPart) => string | undefined;
		picked?: StackPart;
		onpick?: (part: StackPart) => void;
	}
	let { items, on, wrong, wayOf, picked, onpick }: Props = $props();
	const tall = (item: StackItem) =>
		({ tube: 116, coil: 108, bellows: 60, block: 40, plate: 34, disc: 26, ring: 24, nut: 26 })[
			item.shape
		];
	const gap = 15;
	const width = 360;
	const axis = 118;
	const placed = $derived.by(() => {
		let at = 0;
		const rows = [...items].reverse().map((item) => {
			const top = at;
			at += tall(item) + gap;
			return { item, top, height: tall(item) };
		});
		return { rows, height: at };
	});
	const sign = $derived((part: StackPart) =>
		wrong.includes(part) ? '✕ ' : on.includes(part) ? '✓ ' : ''
	);
	const short = ({ key, ways }: StackItem) => {
		const way = wayOf?.(key) ?? ways[0]!;
		return way.length > 28 ? way.split(',')[0]! : way;
	};
	const hollow = (part: StackPart) => (part === 'washer' || part === 'lower-cup' ? 14 : 0);
	const look = $derived((part: StackPart) =>
		wrong.includes(part)
			? 'fill-madder-wash stroke-madder'
			: on.includes(part)
				? 'fill-spruce-wash stroke-spruce'
				: 'fill-panel stroke-ink'
	);
</script>

<svg
	viewBox="0 0 {width} {placed.height + 8}"
	class="mx-auto w-full max-w-[25rem]"
	role="group"
	aria-label="The assembly in order, from {items[0]?.name} below to {items.at(-1)?.name} on top"
>
	<path
		d="M {axis} 4 V {placed.height - 30}"
		class="stroke-edge"
		stroke-width="1.5"
		stroke-dasharray="10 4 2 4"
	/>
	{#each placed.rows as { item, top, height } (item.key)}
		{@const y = top + 6}
		{@const mid = y + height / 2}
		<g
			role="button"
			tabindex="-1"
			class="outline-none {onpick ? 'cursor-pointer' : ''}"
			onclick={() => onpick?.(item.key)}
			onkeydown={(event) => event.key === 'Enter' && onpick?.(item.key)}
		>
			<rect x="0" y={y - 6} {width} height={height + 12} fill="transparent" />
			{#if item.shape === 'tube'}
				<rect x={axis - 5} {y} width="10" height="46" class={look(item.key)} stroke-width="2" />
				<rect
					x={axis - 20}
					y={y + 44}
					width="40"
					height="72"
					rx="3"
					class={look(item.key)}
					stroke-width="2.5"
				/>
				<rect
					x={axis + 20}
					y={y + 82}
					width="14"
					height="26"
					class={look(item.key)}
					stroke-width="2"
				/>
			{:else if item.shape === 'coil'}
				<path
					d={coilPath([axis, y + height - 6], [axis, y + 8], 4.5, 100)}
					fill="none"
					class={wrong.includes(item.key)
						? 'stroke-madder'
						: on.includes(item.key)
							? 'stroke-spruce'
							: 'stroke-ink'}
					stroke-width="8"
					stroke-linejoin="round"
				/>
				<path d="M {axis - 50} {y + 2} h 100" class="stroke-mark" stroke-width="3" />
			{:else if item.shape === 'bellows'}
				<path
					d="M {axis -
						20} {y} l -8 8 8 8 -8 8 8 8 -8 8 8 8 v 8 h 40 v -8 l 8 -8 -8 -8 8 -8 -8 -8 8 -8 -8 -8 Z"
					class={look(item.key)}
					stroke-width="2"
					stroke-linejoin="round"
				/>
			{:else if item.shape === 'block'}
				<path
					d="M {axis - 18} {y} h 36 l -4 18 4 4 -8 18 h -20 l -8 -18 4 -4 Z"
					class={look(item.key)}
					stroke-width="2"
				/>
			{:else if item.shape === 'plate'}
				<path
					d="M {axis - 58} {y + height} l 18 -20 h 80 l 18 20 Z"
					class={look(item.key)}
					stroke-width="2.5"
				/>
				{#if item.key === 'mount'}
					<path
						d="M {axis - 32} {y + height - 20} v -14 M {axis + 32} {y + height - 20} v -14"
						class="stroke-ink"
						stroke-width="5"
					/>
				{:else}
					<path
						d="M {axis + 10} {y + height - 8} h 26 m -9 -6 l 9 6 -9 6"
						fill="none"
						class="stroke-mark"
						stroke-width="3"
					/>
				{/if}
			{:else if item.shape === 'disc'}
				<path
					d="M {axis - 54} {y + 8} h 72 v -6 h 36 v 20 h -108 Z"
					class={look(item.key)}
					stroke-width="2"
				/>
			{:else if item.shape === 'ring'}
				<path
					d="M {axis - 38} {y + 6} q 38 {hollow(item.key)} 76 0 v 10 q -38 {hollow(
						item.key
					)} -76 0 Z"
					class={look(item.key)}
					stroke-width="2"
				/>
			{:else}
				<path
					d="M {axis - 15} {y + 2} h 30 l 6 11 -6 11 h -30 l -6 -11 Z"
					class={look(item.key)}
					stroke-width="2"
				/>
			{/if}
			{#if picked === item.key}<path d="M 6 {mid} l 16 -9 v 18 Z" class="fill-mark" />{/if}
			<text x="196" y={mid - 2} font-size="15" font-weight="600">{sign(item.key)}{item.name}</text>
			<text x="196" y={mid + 14} font-size="12.5" class="text-soft">{short(item)}</text>
		</g>
	{/each}
</svg>
