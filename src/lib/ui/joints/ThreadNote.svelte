<script lang="ts">
	import { threadConditionNames } from '$core/fastener/lubrication';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import { lubricated } from '$core/job/joints';
	import type { Joint } from '$core/job/model';

	/** What a greased thread does to the torque of a joint; nothing for a dry one. */
	let { joint }: { joint: Joint } = $props();
	const units = personalUnits();
	const wet = $derived(lubricated(joint));
</script>

{#if wet}
	<p class="mt-1 text-[15px] text-ochre">
		{threadConditionNames[joint.thread!.condition]} thread: {units.show(joint.torqueNm!, 'torque')} dry
		becomes {units.show(wet.torqueNm, 'torque')} ({formatNumber(wet.share * 100, 0)} %), for the same
		clamp of {formatNumber(wet.clampN / 1000, 1)}&nbsp;kN. The maker’s word on grease goes first.
	</p>
{/if}
