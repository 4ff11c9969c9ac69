<script lang="ts">
	import { dimensions, units, type Dimension } from '$core/units/dimensions';
	import { Live } from '$lib/client/live.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';

	/** A quantity as it is said, in every unit of its kind. */
	let text = $state('62 ft-lb');
	let dimension = $state<Dimension>('torque');
	const names: Record<Dimension, string> = {
		length: 'Length',
		torque: 'Torque',
		rate: 'Spring rate',
		mass: 'Mass',
		pressure: 'Pressure',
		distance: 'Distance',
		force: 'Force',
		angle: 'Angle'
	};
	interface Converted {
		siValue: number;
		siUnit: string;
	}
	const said = new Live<Converted>(() =>
		text.trim() ? { name: 'convert', input: { text, dimension } } : undefined
	);
	const all = $derived(
		said.value && said.value.siUnit === units[dimension][0]!.symbol
			? units[dimension].map(({ symbol, toSi }) => ({ symbol, value: said.value!.siValue / toSi }))
			: []
	);
	const precise = (value: number) => Number(value.toPrecision(7)).toString().replace('-', '−');
</script>

<section class="panel p-4" aria-label="Units">
	<h2 class="text-xl">Say it in another unit</h2>
	<div class="mt-2 grid gap-3 sm:grid-cols-[14rem_12rem_1fr]">
		<Field
			label="As it is said"
			bind:value={text}
			autocomplete="off"
			fault={said.faults[0]?.message}
		/>
		<SelectField
			label="What it is"
			bind:value={() => dimension, (value) => (dimension = value as Dimension)}
			items={dimensions.map((value) => ({ value, name: names[value] }))}
		/>
		<ul class="flex flex-wrap items-end gap-x-6 gap-y-1">
			{#each said.faults.length ? [] : all as { symbol, value } (symbol)}
				<li>
					<span class="num text-3xl">{precise(value)}</span><span class="unit text-2xl"
						>{symbol}</span
					>
				</li>
			{/each}
		</ul>
	</div>
</section>
