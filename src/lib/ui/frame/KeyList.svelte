<script lang="ts">
	import Window from '$lib/ui/controls/Window.svelte';

	let { open = $bindable(false) }: { open?: boolean } = $props();

	const keys = [
		['?', 'This list'],
		['/', 'Search'],
		['Enter', 'Record, and go to the next'],
		['Alt 1 2 3 4', 'Front left, front right, rear left, rear right'],
		['Alt B', 'The car board'],
		['Alt N', 'What comes next'],
		['Alt L', 'Look'],
		['Alt M', 'Measure'],
		['Alt P', 'Plan'],
		['Alt W', 'Work, step by step'],
		['Alt R', 'Set: joints and torques'],
		['Alt C', 'Check'],
		['Alt U', 'In the round: take the last entry back'],
		['Alt S', 'Hand over: sheet and signature'],
		['Esc', 'Close']
	];
</script>

<Window bind:open title="Keys">
	<dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
		{#each keys as [key, what] (key)}
			<dt>
				<kbd class="rounded-[3px] border border-edge bg-sunk px-2 py-0.5 font-sans font-semibold"
					>{key}</kbd
				>
			</dt>
			<dd>{what}</dd>
		{/each}
	</dl>
	<p class="caption">A foot switch that sends Enter can drive readings and torques.</p>
</Window>
