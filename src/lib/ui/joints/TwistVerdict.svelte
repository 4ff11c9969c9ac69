<script lang="ts">
	import type { JudgedBush } from '$core/job/rubber';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import StateMark, { type Mark } from '$lib/ui/status/StateMark.svelte';

	interface Props {
		judged: JudgedBush;
		assumed: boolean;
		/** Of all rubber undone at the corner, if it is set at this height. */
		lift?: { liftMm: number; expandedMm: number; count: number };
	}
	let { judged, assumed, lift }: Props = $props();
	const units = personalUnits();
	const words = {
		set: { mark: 'set' as Mark, text: 'Set: the bush rests at ride height' },
		're-set-advised': {
			mark: 'owed' as Mark,
			text: 'Re-set advised: closer to the target is better'
		},
		'wound-up': { mark: 'again' as Mark, text: 'Wound up: do not sign off' }
	};
	/** No tick for what may be anything. */
	const unsure = $derived(judged.verdict === 'set' && judged.worstVerdict === 'wound-up');
	const mm = (value: number, signed = true) => units.show(value, 'length', { signed });
</script>

<div role="status">
	<p class="flex items-baseline gap-3">
		<span class="num text-5xl">{formatNumber(judged.twistDeg, 1, true)}°</span>
		<span class="text-soft">± {formatNumber(judged.twistExpandedDeg, 1)}°</span>
	</p>
	<p class="mt-1 text-lg">
		{#if unsure}<StateMark
				mark="owed"
				word="Set by the number, but its band reaches “wound up”"
			/>{:else}<StateMark
				mark={words[judged.verdict].mark}
				word={words[judged.verdict].text}
			/>{/if}
	</p>
	<p class="mt-1 text-[15px]">
		{judged.heightErrorMm >= 0 ? 'Holds the car up' : 'Pulls the car down'}
		{mm(Math.abs(judged.heightErrorMm), false)} ± {mm(judged.heightErrorExpandedMm, false)} and twists
		at every rest.
		{#if lift && lift.count > 1}
			All {lift.count} undone at this corner together: {mm(lift.liftMm)} ± {mm(
				lift.expandedMm,
				false
			)}.
		{/if}
	</p>
	{#if judged.otherUnread}
		<p class="mt-1 text-[15px] text-ochre">
			◇ The other wheel moves this rubber too and was not read: read it, and the band narrows.
		</p>
	{/if}
	{#if judged.worstVerdict !== judged.verdict && !unsure}
		<p class="mt-1 text-[15px] text-ochre">
			The band reaches to “{judged.worstVerdict === 'wound-up'
				? 'wound up'
				: 're-set advised'}”{assumed ? ': tape the arm on the car’s page to narrow it.' : '.'}
		</p>
	{:else if assumed}
		<p class="caption mt-1">
			Arm assumed from the layout; tape it on the car’s page for a narrower band.
		</p>
	{/if}
</div>
