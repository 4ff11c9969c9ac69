<script lang="ts">
	import { starOrder } from '$core/fastener/programme';

	/** Fasteners on their circle with the order of the star; the one in hand stands out. */
	interface Props {
		fasteners: number;
		/** Fasteners done in this pass. */
		done: number;
		/** In hand; undefined when the pass is over. */
		now?: number;
		class?: string;
	}
	let { fasteners, done, now, class: more = '' }: Props = $props();
	const order = $derived(starOrder(fasteners));
	const at = $derived((fastener: number) => {
		const angle = (2 * Math.PI * fastener) / fasteners;
		return [80 + 56 * Math.sin(angle), 80 - 56 * Math.cos(angle)] as const;
	});
</script>

<svg
	viewBox="0 0 160 160"
	class={more}
	role="img"
	aria-label="Star of {fasteners}: {done} done{now === undefined
		? ''
		: `, now number ${order.indexOf(now) + 1} of the order`}"
>
	<circle cx="80" cy="80" r="76" class="fill-sunk stroke-edge" stroke-width="1.5" />
	<circle cx="80" cy="80" r="20" class="fill-panel stroke-edge" stroke-width="1.5" />
	{#each order.slice(1) as fastener, i (fastener)}
		{@const [x1, y1] = at(order[i]!)}
		{@const [x2, y2] = at(fastener)}
		<path
			d="M {x1} {y1} L {x2} {y2}"
			class={i + 1 < done || (i + 1 === done && now !== undefined)
				? 'stroke-spruce'
				: 'stroke-edge'}
			stroke-width="1.6"
			stroke-dasharray="4 3"
		/>
	{/each}
	{#each order as fastener, i (fastener)}
		{@const [x, y] = at(fastener)}
		<circle
			cx={x}
			cy={y}
			r="17"
			class={fastener === now
				? 'fill-ochre-wash stroke-ochre'
				: i < done
					? 'fill-spruce-wash stroke-spruce'
					: 'fill-panel stroke-edge'}
			stroke-width={fastener === now ? 4 : 2}
		/>
		<text {x} y={y + 6} text-anchor="middle" font-size="17" font-weight="700">{i + 1}</text>
	{/each}
</svg>
