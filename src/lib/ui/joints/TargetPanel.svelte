<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { formatNumber } from '$core/units/format';
	import { doubtWords } from '$core/procedure/target';
	import { asHubToArch, springDoubt } from '$core/job/corner-target';
	import { settingToleranceMm } from '$core/job/rubber';
	import { targetAlternatives } from '$core/job/loaded';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { schools } from '$core/height/schools';
	import Notice from '$lib/ui/controls/Notice.svelte';

	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const target = $derived(job.view.corners[corner].target);
	const doubt = $derived(springDoubt(job.record, corner));
	const tolerance = $derived(settingToleranceMm(job.record, corner, job.limits));
	const hub = $derived(target && asHubToArch(job.record, corner, target.heightMm));
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);

	const alternatives = $derived(targetAlternatives(job.record, corner, job.limits));
	const tones = {
		set: { words: '✓ set', class: 'text-spruce' },
		're-set-advised': { words: '◇ re-set advised', class: 'text-ochre' },
		'wound-up': { words: '✕ wound up', class: 'text-madder' }
	};

	let open = $state(false);
	const form = later(() => import('./TargetForm.svelte'));
</script>

<section class="panel p-4" aria-label="Target" data-draft="target {corner}">
	{#if doubt}
		<Notice tone="mind" role="alert" class="mb-3 text-lg! font-semibold text-ochre!">
			△ {doubtWords(doubt)}
		</Notice>
	{/if}
	{#if open}
		<Later part={form()} given={{ corner, onclose: () => (open = false) }} />
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
			{#if !job.record.signedAt}<ActionButton onclick={() => (open = true)}
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
