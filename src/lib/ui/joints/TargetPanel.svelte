<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import { faultOf } from '$lib/client/api';
	import { currentJob, Telling } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { formatNumber } from '$core/units/format';
	import { doubtWords } from '$core/procedure/target';
	import { asHubToArch, settingToleranceMm, springDoubt, targetAlternatives } from '$core/job/view';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { predictable, predictionEntry } from '$core/job/prediction';
	import PredictForm from './PredictForm.svelte';
	import { schools } from '$core/height/schools';
	import { withMeantUnit } from '$core/units/parse';
	import Notice from '$lib/ui/controls/Notice.svelte';

	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new Telling(job);
	const target = $derived(job.view.corners[corner].target);
	const doubt = $derived(springDoubt(job.record, corner));
	const tolerance = $derived(settingToleranceMm(job.record, corner, job.limits));
	const hub = $derived(target && asHubToArch(job.record, corner, target.heightMm));
	const typed = $derived(job.record.targets.some((t) => t.corner === corner));
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);

	const alternatives = $derived(targetAlternatives(job.record, corner, job.limits));
	const tones = {
		set: { words: '✓ set', class: 'text-spruce' },
		're-set-advised': { words: '◇ re-set advised', class: 'text-ochre' },
		'wound-up': { words: '✕ wound up', class: 'text-madder' }
	};

	let open = $state(false);
	let text = $state('');
	let source = $state<'maker' | 'predicted' | 'chosen'>('chosen');
	const predictionFields = Object.values(predictionEntry).map((name) => `prediction.${name}`);

	function edit() {
		text = target
			? units.show(target.heightMm, 'length', { decimals: units.choice.length === 'mm' ? 0 : 3 })
			: '';
		source =
			target && target.source !== 'before' && target.source !== 'other-side'
				? target.source
				: 'chosen';
		write.begin();
		open = true;
	}
	async function put(height: string | null) {
		// Back to the default: as the shop chose it.
		const said = height
			? { source, height: withMeantUnit(height, units.choice.length) }
			: { source: 'chosen', height: null };
		if (await write.send('target', corner, said)) open = false;
	}
	async function predict(prediction: Record<string, string | number>) {
		if (await write.send('target', corner, { source: 'predicted', prediction })) open = false;
	}
	const before = $derived(job.view.corners[corner].before);
	const sources = $derived([
		{ value: 'maker' as const, name: 'the maker’s' },
		...(before && predictable(job.record.school)
			? [{ value: 'predicted' as const, name: 'predicted with the new spring' }]
			: []),
		{ value: 'chosen' as const, name: 'chosen for this job' }
	]);
</script>

<section class="panel p-4" aria-label="Target" data-draft="target {corner}">
	{#if doubt}
		<Notice tone="mind" role="alert" class="mb-3 text-lg font-semibold text-ochre">
			△ {doubtWords(doubt)}
		</Notice>
	{/if}
	{#if open}
		<Choice label="The target is" bind:value={source} options={sources} />
		<RefusalNotice
			refusal={write.refusal}
			fields={source === 'predicted' ? predictionFields : ['height']}
		/>
		{#if source === 'predicted' && before}
			<div class="mt-3">
				<PredictForm {corner} {before} {write} onkeep={predict} oncancel={() => (open = false)} />
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
					<ActionButton onclick={() => (open = false)}>Cancel</ActionButton>
				</div>
			</form>
		{/if}
	{:else}
		<div class="flex items-start justify-between gap-3">
			<div class="text-mark">
				<span class="caption block"
					>Target {corner}{job.record.school === 'hub-to-arch'
						? ', hub to arch'
						: `, ${schools[job.record.school].name.toLowerCase()}`}</span
				>
				<span class="num text-5xl"
					>{target ? units.show(target.heightMm, 'length', { bare: true, decimals }) : '–'}<span
						class="unit">{target ? units.choice.length : ''}</span
					></span
				>
				{#if tolerance !== undefined && hub !== undefined}
					<span class="ms-2 text-lg">± {units.show(tolerance, 'length', { decimals })}</span>
				{/if}
			</div>
			{#if !job.record.signedAt}<ActionButton onclick={edit}
					>{target ? 'Change' : 'Choose'}</ActionButton
				>{/if}
		</div>
		<p class="text-[15px] text-soft">
			{target?.reason ??
				(doubt
					? 'Type the maker’s, predict it with the new spring, or choose one.'
					: 'Read the heights before, or choose a target.')}
			{#if target?.expandedMm !== undefined}Good to ± {units.show(
					target.expandedMm,
					'length'
				)}.{/if}
			{#if hub !== undefined && job.record.school !== 'hub-to-arch'}
				Hub to arch {units.show(hub, 'length', { decimals })}.{/if}
		</p>
		{#if alternatives.length}
			<ul class="mt-2 border-t border-line pt-2 text-[15px]" aria-label="Other heights">
				{#each alternatives as other (other.source)}
					<li>
						{other.source === 'maker' ? 'Maker’s' : 'Before'}
						{units.show(other.heightMm, 'length', { decimals })}{#if other.judged}: set there, a
							bush would keep <span class="num"
								>{formatNumber(other.judged.twistDeg, 1, true)}°</span
							>,
							<span class={tones[other.judged.verdict].class}
								>{tones[other.judged.verdict].words}</span
							>{/if}
					</li>
				{/each}
			</ul>
		{/if}
	{/if}
</section>
