<script lang="ts" module>
	/** Shape, word and colour of every state: a shape for each, so that colour never speaks alone. */
	export type Mark = 'owed' | 'nipped' | 'again' | 'done' | 'set' | 'note';
	const marks: Record<Mark, { path: string; colour: string }> = {
		owed: { path: 'M8 2 14 8 8 14 2 8Z', colour: 'text-ochre' },
		nipped: { path: 'M8 2 14 8 8 14 2 8Z M8 2V14L2 8Z', colour: 'text-ochre' },
		again: { path: 'M3 3 13 13 M13 3 3 13', colour: 'text-madder' },
		done: { path: 'M2.5 8.5 6.5 12.5 13.5 4', colour: 'text-spruce' },
		set: {
			path: 'M8 1.5a6.5 6.5 0 1 0 0 13a6.5 6.5 0 1 0 0-13Z M5 8.2 7.2 10.5 11 6',
			colour: 'text-spruce'
		},
		note: { path: 'M8 2.5V9 M8 12.5V13.2', colour: 'text-mark' }
	};
</script>

<script lang="ts">
	interface Props {
		mark: Mark;
		word?: string;
		class?: string;
	}
	let { mark, word, class: more = '' }: Props = $props();
	const shape = $derived(marks[mark]);
</script>

<span class="mark {shape.colour} {more}">
	<svg viewBox="0 0 16 16" aria-hidden="true"
		><path d={shape.path} fill={mark === 'nipped' ? 'currentColor' : 'none'} /></svg
	>
	{#if word}<b>{word}</b>{/if}
</span>

<style>
	.mark {
		display: inline-flex;
		align-items: baseline;
		gap: 6px;
	}
	svg {
		position: relative;
		top: 0.15em;
		flex-shrink: 0;
		width: 1.05em;
		height: 1.05em;
		fill-rule: evenodd;
		stroke: currentcolor;
		stroke-width: 2.2;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	b {
		font-weight: 500;
	}
</style>
