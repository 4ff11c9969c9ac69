<script lang="ts">
	import { readingsPerCorner } from '$core/procedure/owed';
	import type { Reading } from '$core/job/model';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	/** The readings of a corner, each to be touched for a correction, and the places of those to come. */
	interface Props {
		readings: readonly Reading[];
		/** Which of them does not fit the others. */
		odd: number | undefined;
		/** Id of the one that is being corrected. */
		correcting: string | undefined;
		/** Ids of entries that the server has not got yet. */
		unsent: readonly string[];
		closed: boolean;
		oncorrect: (reading: Reading) => void;
	}
	let { readings, odd, correcting, unsent, closed, oncorrect }: Props = $props();
	const slots = $derived(Math.max(readingsPerCorner, readings.length));
</script>

<ol
	class="mt-3 grid grid-cols-[repeat(auto-fit,minmax(92px,1fr))] gap-2 sm:grid-cols-[repeat(auto-fit,minmax(130px,1fr))]"
	aria-label="Readings"
>
	{#each { length: slots }, i}
		{@const reading = readings[i]}
		{@const doubtful = odd === i}
		<li>
			{#if reading}
				<button
					type="button"
					disabled={closed}
					onclick={() => oncorrect(reading)}
					class="flex min-h-19 w-full flex-col items-start justify-center rounded-[3px] border-2 px-3 text-start max-sm:min-h-14 max-sm:px-2 {correcting ===
					reading.id
						? 'border-mark bg-mark-wash'
						: doubtful
							? 'border-madder bg-madder-wash'
							: 'border-line bg-sunk'}"
				>
					<span class="num text-[26px] leading-tight max-sm:text-lg">{reading.entered}</span>
					<span class="caption">
						{#if unsent.includes(reading.id)}kept here, not sent yet
						{:else if doubtful}<StateMark mark="again" word="does not fit" />
						{:else}reading {i + 1}{reading.standing
								? `, standing ${reading.standing}`
								: ''}{reading.correctsId ? ', corrected' : ''}{/if}
					</span>
				</button>
			{:else}
				<span
					class="flex min-h-19 items-center rounded-[3px] border-2 border-dashed px-3 max-sm:min-h-14 max-sm:px-2 {i ===
						readings.length && !correcting
						? 'border-spruce text-ink'
						: 'border-line text-soft'}"
				>
					reading {i + 1}
				</span>
			{/if}
		</li>
	{/each}
</ol>
