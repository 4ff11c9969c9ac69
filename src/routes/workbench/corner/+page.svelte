<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { mechanismLayouts, type MechanismLayout } from '$core/mechanism/geometry';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import CornerBench from '$lib/ui/workbench/corner/CornerBench.svelte';

	const names: Record<MechanismLayout, string> = {
		'double-wishbone': 'Double wishbone',
		macpherson: 'MacPherson strut',
		'multi-link': 'Multi-link',
		'trailing-arm': 'Trailing or semi-trailing arm',
		'solid-axle': 'Live axle on links',
		'twist-beam': 'Twist beam'
	};
	const asked = (key: string) => page.url.searchParams.get(key);
	const layout = $derived(
		mechanismLayouts.find((known) => known === asked('layout')) ?? 'double-wishbone'
	);
	const source = $derived(asked('source') === 'points' ? 'points' : 'tape');

	/** Another corner starts from its own sample: the link's other values are not its. */
	function change(to: { layout?: string; source?: string }) {
		const next = new URLSearchParams({ layout, source, ...to });
		void goto(`?${next}`, { replaceState: true, noScroll: true });
	}
</script>

{#snippet choices()}
	<div class="flex flex-wrap items-end gap-4">
		<SelectField
			label="Layout"
			bind:value={() => layout, (value) => change({ layout: value })}
			items={mechanismLayouts.map((value) => ({ value, name: names[value] }))}
			class="w-72"
		/>
		<Choice
			label="Known by"
			bind:value={() => source, (value) => change({ source: value })}
			options={[
				{ value: 'tape', name: 'Tape measures' },
				{ value: 'points', name: 'Hardpoints' }
			]}
		/>
	</div>
{/snippet}

{#key `${layout} ${source}`}
	<CornerBench {layout} {source} {choices} />
{/key}
