<script lang="ts">
	import { numberOf } from '$core/units/parse';
	import type { JointProgramme } from '$core/fastener/joint-programme';
	import { castleNut } from '$core/fastener/programme';
	import { usualSlope } from '$core/fastener/trace/read';
	import { personalUnits } from '$lib/client/units';
	import Field from '$lib/ui/controls/Field.svelte';

	/** Where a castle nut would end, from the angle to its next slot and what such a joint winds up. */
	interface Props {
		castle: NonNullable<JointProgramme['castle']>;
		lowNm: number;
		prevailingNm?: number;
	}
	let { castle, lowNm, prevailingNm = 0 }: Props = $props();
	const units = personalUnits();
	let toNext = $state('');
	const slot = $derived.by(() => {
		const angle = numberOf(toNext, '°');
		if (!(angle > 0)) return undefined;
		return castleNut({
			lowNm,
			highNm: castle.highNm + prevailingNm,
			toNextSlotDeg: angle,
			slopeNmPerDeg: usualSlope(lowNm)
		});
	});
</script>

<div class="flex flex-wrap items-end gap-x-4 sm:col-span-2">
	<Field
		label="To the next slot, °"
		bind:value={toNext}
		inputmode="decimal"
		hint="0 to {castle.slotDeg}, from the low limit"
		class="w-44"
	/>
	{#if slot}
		<p class="pb-6 {slot.refused ? 'font-semibold text-madder' : 'text-spruce'}">
			{slot.refused
				? `✕ About ${units.show(slot.torqueNm, 'torque')} there: over the high limit. Another nut or washer`
				: `✓ About ${units.show(slot.torqueNm, 'torque')} there: within its limits`}
		</p>
	{/if}
</div>
