<script lang="ts" module>
	/** Shape, word and colour of every state: a shape for each, so that colour never speaks alone. */
	export type Mark = 'owed' | 'nipped' | 'again' | 'done' | 'set' | 'note';
	const colours: Record<Mark, string> = {
		owed: 'text-ochre',
		nipped: 'text-ochre',
		again: 'text-madder',
		done: 'text-spruce',
		set: 'text-spruce',
		note: 'text-mark'
	};
</script>

<script lang="ts">
	interface Props {
		mark: Mark;
		word?: string;
		class?: string;
	}
	let { mark, word, class: more = '' }: Props = $props();
</script>

<span class={['mark', mark, colours[mark], more]}
	>{#if word}<b>{word}</b>{/if}</span
>

<style>
	/* A page has many of them: their shapes stand here, and no outline stands in the page. */
	.mark {
		display: inline-flex;
		align-items: baseline;
		gap: 6px;
	}
	.mark::before {
		position: relative;
		top: 0.15em;
		flex-shrink: 0;
		width: 1.05em;
		height: 1.05em;
		background: currentcolor;
		content: '';
		forced-color-adjust: none;
		mask: var(--shape) center / contain no-repeat;
		print-color-adjust: exact;
	}
	.mark > :global(b) {
		font-weight: 500;
	}
	.owed {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M8 2 14 8 8 14 2 8Z'/%3E%3C/svg%3E");
	}
	.nipped {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M8 2 14 8 8 14 2 8Z M8 2V14L2 8Z' fill='%23000'/%3E%3C/svg%3E");
	}
	.again {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M3 3 13 13 M13 3 3 13'/%3E%3C/svg%3E");
	}
	.done {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M2.5 8.5 6.5 12.5 13.5 4'/%3E%3C/svg%3E");
	}
	.set {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M8 1.5a6.5 6.5 0 1 0 0 13a6.5 6.5 0 1 0 0-13Z M5 8.2 7.2 10.5 11 6'/%3E%3C/svg%3E");
	}
	.note {
		--shape: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 16 16' fill='none' fill-rule='evenodd' stroke='%23000' stroke-width='2.2' stroke-linecap='round' stroke-linejoin='round'%3E%3Cpath d='M8 2.5V9 M8 12.5V13.2'/%3E%3C/svg%3E");
	}
</style>
