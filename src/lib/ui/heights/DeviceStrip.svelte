<script lang="ts">
	import { corners, type Corner } from '$core/height/corners';
	import { formatNumber } from '$core/units/format';
	import { DeviceDesk } from '$lib/client/device-desk.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Phase } from '$core/job/model';
	import ListenTo from '../rack/ListenTo.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { onDestroy, untrack } from 'svelte';

	/** The height gauge, asked for the corner in hand, and what the wheel scales read. Nothing where there are none. */
	let { phase, corner }: { phase: Phase; corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const desk = new DeviceDesk(job.record.id);
	$effect(() => {
		void job.heard;
		void desk.reload();
	});
	const of = $derived((kind: string) => desk.devices.filter((device) => device.kind === kind));
	const gauge = $derived(desk.heard('height-gauge')?.id);
	$effect(() => {
		void [gauge, phase, corner];
		return untrack(() =>
			desk.keepAsking(() => {
				if (gauge && !job.record.signedAt) void desk.ask(gauge, { kind: 'height', corner, phase });
			})
		);
	});
	onDestroy(() => gauge && desk.ask(gauge, null));

	const weighed = $derived(
		desk.readings.find(
			({ reading, state, jobId }) =>
				reading.kind === 'loads' && state === 'placed' && jobId === job.record.id
		)
	);
	const loads = $derived(weighed?.reading.kind === 'loads' ? weighed.reading.loadsN : undefined);
	const crossWeight = $derived(
		loads && (loads.FR + loads.RL) / (loads.FL + loads.FR + loads.RL + loads.RR)
	);
	let asked = $state(false);
	async function weigh(deviceId: string) {
		await desk.ask(deviceId, { kind: 'loads' });
		asked = true;
	}
</script>

{#if desk.devices.some(({ kind }) => kind !== 'wrench') && !job.record.signedAt}
	<section class="panel p-4" aria-labelledby="devices-title">
		<h2 id="devices-title" class="text-lg">Take readings from</h2>
		<ListenTo {desk} devices={of('height-gauge')} />
		{#each of('wheel-scales') as device (device.id)}
			<div class="flex min-h-12 items-center gap-3 text-[15px]">
				<span class="me-auto"
					>{device.name}{asked ? (loads ? '' : ': waiting for the four loads') : ''}</span
				>
				<ActionButton disabled={!device.connected} onclick={() => weigh(device.id)}
					>Weigh</ActionButton
				>
			</div>
		{/each}
		{#if loads}
			<dl class="mt-2 grid grid-cols-2 gap-x-6 border-t border-line pt-2" aria-label="Wheel loads">
				{#each corners as one (one)}
					<div class="flex items-baseline justify-between">
						<dt class="text-[15px] text-soft">{one}</dt>
						<dd class="num text-xl">{units.show(loads[one], 'force', { decimals: 0 })}</dd>
					</div>
				{/each}
				<div class="col-span-2 flex items-baseline justify-between border-t border-line pt-1">
					<dt class="text-[15px] text-soft">Cross weight, FR and RL</dt>
					<dd class="num text-xl">{formatNumber(crossWeight! * 100, 1)} %</dd>
				</div>
			</dl>
		{/if}
	</section>
{/if}
