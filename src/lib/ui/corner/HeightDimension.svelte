<script lang="ts">
	import type { Flat } from './view';

	/** Hub to arch as a dimension beside a drawn corner, with where it hangs and where it will stand. */
	interface Props {
		/** Where the dimension stands. */
		x: number;
		wheelX: number;
		wheelY: number;
		/** Of the arch. */
		lipAt: Flat;
		droopY: number;
		targetY: number;
		/** As they are said, with their unit. */
		height: string;
		target: string;
	}
	let { x, wheelX, wheelY, lipAt, droopY, targetY, height, target }: Props = $props();
</script>

<path
	d="M {wheelX} {wheelY} H {x + 6} M {lipAt[0]} {lipAt[1]} H {x + 6}"
	class="stroke-soft"
	stroke-width="1"
/>
<path d="M {x} {wheelY} V {lipAt[1]}" class="stroke-ink" stroke-width="1.8" />
<path d="M {x} {wheelY} l -4 -11 h 8 Z M {x} {lipAt[1]} l -4 11 h 8 Z" class="fill-ink" />
<text x={x + 8} y={(wheelY + lipAt[1]) / 2} font-size="20" font-weight="700">{height}</text>
<text x={x + 8} y={(wheelY + lipAt[1]) / 2 + 17} font-size="14" class="text-soft">hub to arch</text>
{#each [['droop', droopY, 'text-soft', 'stroke-edge', 14], [`target ${target}`, targetY, 'text-mark', 'stroke-mark', -5]] as const as [words, y, tone, stroke, off] (words)}
	<path d="M {x - 6} {y} h 12" class={stroke} stroke-width="2" />
	<text x={x + 8} y={y + off} font-size="14" class={tone}>{words}</text>
{/each}
