<script lang="ts">
	import { formatNumber } from '$core/units/format';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	/** Turns of a compressor counted off, screw after screw, until the spring is seen free in its seat. */
	interface Props {
		/** Turns in the order in which they are given. */
		handed: readonly number[];
		screws: number;
		/** How many are given. */
		turned: number;
		free: boolean;
		/** The spring may be squeezed: the tool bears it. */
		may: boolean;
		closed: boolean;
		onkeep: (part: { turned?: number; free?: boolean }) => void;
	}
	let { handed, screws, turned, free, may, closed, onkeep }: Props = $props();
	let sure = $state(false);
	const screw = $derived((turn: number) => String.fromCharCode(65 + (turn % screws)));
	const number = (turns: number) => formatNumber(turns, turns % 1 ? 1 : 0);
</script>

<div>
	<h3 class="text-[17px]">Turns, screw after screw</h3>
	<p class="caption">
		{turned} of {handed.length} counted off{turned ? `; screw ${screw(turned)} is next` : ''}
	</p>
	<div class="mt-1 flex flex-wrap gap-1" aria-hidden="true">
		{#each handed as turns, i (i)}
			<span
				class="num flex h-7 min-w-7 items-center justify-center rounded-[3px] border px-1 text-[14px] {i <
				turned
					? 'border-spruce bg-spruce-wash'
					: i === turned
						? 'border-2 border-mark bg-mark-wash'
						: 'border-line'}">{screw(i)}{number(turns)}</span
			>
		{/each}
	</div>
	{#if may}
		{#if turned < handed.length}
			<div class="mt-3 flex flex-wrap gap-3">
				<ActionButton weight="main" onclick={() => onkeep({ turned: turned + 1 })}
					>{number(handed[turned]!)}
					{handed[turned] === 1 ? 'turn' : 'turns'} on screw {screw(turned)}</ActionButton
				>
				{#if turned}<ActionButton class="min-h-16" onclick={() => onkeep({ turned: turned - 1 })}
						>One back</ActionButton
					>{/if}
			</div>
			<button
				type="button"
				class="touch mt-1 text-[15px] underline"
				onclick={() => onkeep({ turned: handed.length })}>All turns are on</button
			>
		{:else if !free}
			<Tick
				large
				class="mt-3 min-h-16 rounded-[3px] border-2 border-edge p-3 text-lg has-checked:border-spruce has-checked:bg-spruce-wash"
				bind:checked={sure}
			>
				The spring turns loosely in its seat, by hand
			</Tick>
			<div class="mt-3 flex gap-3">
				<ActionButton weight="main" disabled={!sure} onclick={() => onkeep({ free: true })}
					>Free: the shaft nut may come off</ActionButton
				>
				<ActionButton class="min-h-16" onclick={() => onkeep({ turned: turned - 1 })}
					>One back</ActionButton
				>
			</div>
		{/if}
	{/if}
	{#if free}<p class="mt-3 text-xl text-spruce">✓ Seen free: the shaft nut may come off</p>
		{#if !closed}<ActionButton onclick={() => onkeep({ turned: 0, free: false })}
				>Let off, start over</ActionButton
			>{/if}{/if}
</div>
