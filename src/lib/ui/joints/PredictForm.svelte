<script lang="ts">
	import type { PredictHeightResult } from '$core/car/predict-height';
	import { usualSettlingMm } from '$core/car/predict-height';
	import type { Corner } from '$core/height/corners';
	import type { HeightMeasure } from '$core/height/measure';
	import type { Banded } from '$core/uncertainty/band';
	import { parseNumber, parseQuantity, withMeantUnit } from '$core/units/parse';
	import type { Dimension } from '$core/units/dimensions';
	import { faultOf } from '$lib/client/api';
	import { Live } from '$lib/client/live.svelte';
	import { currentJob, type EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import {
		optionalEntries,
		predictionEntry,
		predictionInput,
		type PredictionEntries
	} from '$core/job/prediction';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	/** Where the corner will stand with the new spring: what must be known, and the answer as it is typed. */
	interface Props {
		corner: Corner;
		before: HeightMeasure;
		write: EntryInput;
		oncancel: () => void;
		onkeep: (prediction: Record<string, string | number>) => void;
	}
	let { corner, before, write, oncancel, onkeep }: Props = $props();
	const job = currentJob();
	const units = personalUnits();

	const entries: readonly {
		name: keyof PredictionEntries;
		label: string;
		dimension?: Dimension;
	}[] = [
		{ name: 'sprungLoad', label: 'Load at the wheel', dimension: 'force' },
		{ name: 'motionRatio', label: 'Motion ratio' },
		{ name: 'oldLength', label: 'Old spring under the car', dimension: 'length' },
		{ name: 'oldRate', label: 'Old rate, as sold', dimension: 'rate' },
		{ name: 'oldFreeLength', label: 'Old free length, as sold', dimension: 'length' },
		{ name: 'newRate', label: 'New rate', dimension: 'rate' },
		{ name: 'newFreeLength', label: 'New free length', dimension: 'length' },
		{ name: 'seatChange', label: 'Seat higher by', dimension: 'length' },
		{ name: 'settling', label: 'Will settle by', dimension: 'length' },
		{ name: 'gasOld', label: 'Gas force, old damper', dimension: 'force' },
		{ name: 'gasNew', label: 'Gas force, new damper', dimension: 'force' }
	];
	const kept = job.record.targets.find((target) => target.corner === corner)?.prediction?.typed;
	const usual: Partial<Record<keyof PredictionEntries, string>> = {
		seatChange: '0',
		settling: units.show(usualSettlingMm, 'length')
	};
	let typed = $state(
		Object.fromEntries(
			entries.map(({ name }) => [name, kept?.[name] ?? usual[name] ?? ''])
		) as Record<keyof PredictionEntries, string>
	);
	let weighed = $state(kept?.weighed !== undefined);
	const understood = $derived.by(() => {
		const si: Partial<PredictionEntries> = weighed ? { weighed: 1 } : {};
		for (const { name, label, dimension } of entries) {
			if (optionalEntries.includes(name) && !typed[name].trim()) continue;
			const result = dimension
				? parseQuantity(typed[name], dimension, {
						field: label,
						defaultUnit: units.choice[dimension]
					})
				: parseNumber(typed[name], { field: label, min: 0.1, max: 2 });
			if (!result.ok) return undefined;
			si[name] = typeof result.value === 'number' ? result.value : result.value.si;
		}
		const old = si.oldLength ?? (si.oldRate !== undefined && si.oldFreeLength);
		return old ? (si as PredictionEntries) : undefined;
	});
	const predicted = new Live<Banded<PredictHeightResult>>(() =>
		understood
			? { name: 'predict-height', input: predictionInput(understood, before.meanMm) }
			: undefined
	);
	const fault = (name: keyof PredictionEntries) =>
		faultOf(write.refusal, `prediction.${name}`) ??
		predicted.faults.find(({ field }) => predictionEntry[field] === name)?.message;
	const ready = $derived(understood !== undefined && predicted.faults.length === 0);

	function keep() {
		onkeep({
			...(weighed && { weighed: 1 }),
			...Object.fromEntries(
				entries
					.filter(({ name }) => !optionalEntries.includes(name) || typed[name].trim())
					.map(({ name, dimension }) => [
						name,
						dimension
							? withMeantUnit(typed[name], units.choice[dimension])
							: understood!.motionRatio
					])
			)
		});
	}
</script>

<form
	class="space-y-3"
	onsubmit={(event) => {
		event.preventDefault();
		if (ready) keep();
	}}
>
	<p class="text-[15px] text-soft">
		The height before, {units.show(before.meanMm, 'length')}, moved by what the new spring stands
		longer under the same load. Measured seat to seat under the car, the old spring says what it
		lost; as sold it does not.
	</p>
	<div class="grid grid-cols-2 gap-x-3 gap-y-2">
		{#each entries as { name, label, dimension } (name)}
			{#if dimension}
				<QuantityField {label} {dimension} bind:value={typed[name]} fault={fault(name)} />
			{:else}
				<Field
					{label}
					bind:value={typed[name]}
					fault={fault(name)}
					placeholder="0.95"
					autocomplete="off"
				/>
			{/if}
		{/each}
	</div>
	<Tick bind:checked={weighed}>The load was read on scales under the wheels</Tick>
	{#if ready && predicted.value}
		<p class="text-mark">
			<span class="num text-4xl">{units.show(predicted.value.settledHeightMm, 'length')}</span>
			<span class="text-lg">± {units.show(predicted.value.expanded.settledHeightMm, 'length')}</span
			>
			<span class="caption block"
				>settled; at first {units.show(predicted.value.newHeightMm, 'length')}</span
			>
		</p>
	{/if}
	<div class="flex flex-wrap gap-2">
		<ActionButton type="submit" disabled={!ready || write.busy}>Keep</ActionButton>
		<ActionButton onclick={oncancel}>Cancel</ActionButton>
	</div>
</form>
