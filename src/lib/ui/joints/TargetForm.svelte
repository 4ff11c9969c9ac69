<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import { schools } from '$core/height/schools';
	import { predictable, predictionEntry } from '$core/job/prediction';
	import { withMeantUnit } from '$core/units/parse';
	import { faultOf } from '$lib/client/api';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { untrack } from 'svelte';
	import PredictForm from './PredictForm.svelte';

	/** Another target for a corner: the maker's, predicted with the new spring, or chosen. */
	let { corner, onclose }: { corner: Corner; onclose: () => void } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	write.begin();
	const target = $derived(job.view.corners[corner].target);
	const typed = $derived(job.record.targets.some((t) => t.corner === corner));
	const before = $derived(job.view.corners[corner].before);
	const predictionFields = Object.values(predictionEntry).map((name) => `prediction.${name}`);
	const sources = $derived([
		{ value: 'maker' as const, name: 'the maker’s' },
		...(before && predictable(job.record.school)
			? [{ value: 'predicted' as const, name: 'predicted with the new spring' }]
			: []),
		{ value: 'chosen' as const, name: 'chosen for this job' }
	]);

	// As it is when the form is opened.
	const now = untrack(() => target);
	let text = $state(
		now
			? units.show(now.heightMm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 3 })
			: ''
	);
	let source = $state<'maker' | 'predicted' | 'chosen'>(
		now && now.source !== 'before' && now.source !== 'other-side' ? now.source : 'chosen'
	);

	async function put(height: string | null) {
		// Back to the default: as the shop chose it.
		const said = height
			? { source, height: withMeantUnit(height, units.choice.length) }
			: { source: 'chosen', height: null };
		if (await write.send('target', corner, said)) onclose();
	}
	async function predict(prediction: Record<string, string | number>) {
		if (await write.send('target', corner, { source: 'predicted', prediction })) onclose();
	}
</script>

<Choice label="The target is" bind:value={source} options={sources} />
<RefusalNotice
	refusal={write.refusal}
	fields={source === 'predicted' ? predictionFields : ['height']}
/>
{#if source === 'predicted' && before}
	<div class="mt-3">
		<PredictForm {corner} {before} {write} onkeep={predict} oncancel={onclose} />
	</div>
{:else}
	<form
		class="mt-3 space-y-3"
		onsubmit={(event) => {
			event.preventDefault();
			void put(text);
		}}
	>
		<QuantityField
			label="Target, {schools[job.record.school].name.toLowerCase()}"
			dimension="length"
			bind:value={text}
			fault={faultOf(write.refusal, 'height')}
		/>
		<div class="flex flex-wrap gap-2">
			<ActionButton type="submit" disabled={write.busy}>Keep</ActionButton>
			{#if typed}<ActionButton onclick={() => put(null)}>Back to the default</ActionButton>{/if}
			<ActionButton onclick={onclose}>Cancel</ActionButton>
		</div>
	</form>
{/if}
