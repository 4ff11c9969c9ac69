<script lang="ts">
	import type { Action } from '$core/fastener/programme';
	import { personalUnits } from '$lib/client/units';
	import type { Joint } from '$core/job/model';

	/** What this step asks for, large enough to be read from under the car. */
	interface Props {
		joint: Joint;
		step: Action;
		/** The torque as it is to be read, in `unit`. */
		shown?: string;
		unit: string;
		/** Said where no torque is asked. */
		instead: string;
		/** An adapter makes the wrench show another number than the joint gets. */
		corrected: boolean;
	}
	let { joint, step, shown, unit, instead, corrected }: Props = $props();
	const units = personalUnits();
	const turned = $derived(step.kind === 'angle' || step.kind === 'slacken');
	const { castle, prevailingNm } = $derived(joint.programme ?? {});
	const sources = {
		maker: 'maker’s data',
		shop: 'the shop’s figure',
		estimated: 'estimated: not the maker’s'
	};
</script>

<p class="min-w-0">
	<span class="caption block">
		{#if turned}{step.kind === 'slacken' ? 'Slacken by' : 'Turn further by'}
		{:else if corrected}On the wrench, for {units.show(step.torqueNm!, 'torque')} at the joint
		{:else}{castle ? 'Low limit' : 'Specified'}{joint.torqueSource
				? `, ${sources[joint.torqueSource]}`
				: ''}{prevailingNm ? `, run-down of ${units.show(prevailingNm, 'torque')} added` : ''}{/if}
	</span>
	{#if turned}
		<span class="num text-[84px] leading-none"
			>{step.kind === 'slacken' ? '−' : '+'}{step.angleDeg}<span class="text-5xl">°</span></span
		>
	{:else if shown === undefined}
		<span class="num text-4xl text-soft">{instead}</span>
	{:else}
		<span class="num text-[84px] leading-none"
			>{shown}<span class="ms-2 text-3xl font-medium text-soft">{unit}</span></span
		>
	{/if}
</p>
