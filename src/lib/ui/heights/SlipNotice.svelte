<script lang="ts">
	import type { Slip } from '$core/height/slip';
	import type { Reading } from '$core/job/model';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** A reading that looks like a slip: what it was probably meant to be, to be read again, or it stands so. */
	interface Props {
		slip: Slip;
		doubted: Reading;
		/** Its name, as in a sentence. */
		otherSide: string;
		onmeant: (mm: number) => void;
		onagain: () => void;
		/** With the reason. */
		onstands: (reason: string) => void;
	}
	let { slip, doubted, otherSide, onmeant, onagain, onstands }: Props = $props();
	const units = personalUnits();
</script>

<Notice role="alert" class="mt-2">
	<p class="font-semibold text-madder">
		✕ {doubted.entered} is {units.show(Math.abs(slip.offMm), 'length')}
		{slip.offMm > 0 ? 'above' : 'below'}
		{slip.against === 'readings' ? 'the other readings here' : otherSide}
	</p>
	<div class="mt-2 flex flex-wrap gap-2">
		{#if slip.meantMm !== undefined}
			{@const mm = slip.meantMm}
			<ActionButton weight="main" onclick={() => onmeant(mm)}
				>It was {units.show(mm, 'length')}</ActionButton
			>
		{/if}
		<ActionButton class="min-h-16" onclick={onagain}>Read it again</ActionButton>
		{#if slip.against === 'other-side'}
			<ActionButton class="min-h-16" onclick={() => onstands('Spring broken or sagged')}
				>It stands so: spring broken or sagged</ActionButton
			>
			<ActionButton class="min-h-16" onclick={() => onstands('It stands so; why is not known yet')}
				>It stands so</ActionButton
			>
		{/if}
	</div>
</Notice>
