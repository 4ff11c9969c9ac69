<script lang="ts">
	import { clicksAsked, settingsDiffer, settingWords } from '$core/bench/setting';
	import { cornerNames, otherSide, type Corner } from '$core/height/corners';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import Field from '$lib/ui/controls/Field.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { SettingForm, settingKeys, type SettingKey } from './setting-form.svelte';

	/** How a coilover is set: preload from zero, clicks from full stiff; kept as each field is left. */
	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const kept = $derived(job.work.book.get('setting', corner));
	const before = $derived(job.work.book.before('setting', corner));
	const other = $derived(job.work.book.get('setting', otherSide(corner)));
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	const form = new SettingForm(units.choice.length, kept);
	let refusal = $state<Refusal>();
	const labels: Record<SettingKey, { label: string; hint: string }> = {
		preloadMm: { label: 'Preload', hint: 'perch up from just not loose' },
		rebound: { label: 'Rebound', hint: 'clicks from full stiff' },
		compression: { label: 'Compression', hint: 'clicks from full stiff' }
	};
	const asked = $derived(kept && clicksAsked(before, kept));
	const differ = $derived(kept && other ? settingsDiffer(kept, other) : []);
	async function keep() {
		const { said } = form;
		if (!said || JSON.stringify(said.typed) === JSON.stringify(kept?.typed)) return;
		refusal = await job.keep('setting', corner, said);
	}
</script>

<fieldset
	class="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3"
	aria-label="Coilover, {cornerNames[corner].toLowerCase()}"
	disabled={job.record.signedAt !== null}
	onfocusout={() => void keep()}
>
	{#each settingKeys as key (key)}
		<Field
			label={labels[key].label}
			hint={labels[key].hint}
			bind:value={form.typed[key]}
			inputmode={key === 'preloadMm' ? undefined : 'numeric'}
			fault={form.read(key).fault}
		/>
	{/each}
</fieldset>
{#if kept}<p class="mt-1 text-spruce">✓ {settingWords(kept)}</p>{/if}
{#if other}<p class="caption">Other side: {settingWords(other)}</p>{/if}
{#if asked}<Notice tone="mind" class="mt-2 text-ochre">◇ {asked}</Notice>{/if}
{#if differ.length}<Notice tone="mind" class="mt-2 text-ochre"
		>◇ Other side differs: {differ.join(', ')}. Is it meant so?</Notice
	>{/if}
<RefusalNotice {refusal} />
