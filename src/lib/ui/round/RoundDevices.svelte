<script lang="ts">
	import { DeviceDesk } from '$lib/client/device-desk.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { onDestroy, untrack } from 'svelte';
	import ListenTo from '../rack/ListenTo.svelte';
	import ReadingTray from './ReadingTray.svelte';
	import type { Round } from './round.svelte';

	/** The devices of a round: told of the stop in hand, asked again at each change of it, and what they sent. */
	let { round }: { round: Round } = $props();
	const job = currentJob();
	const desk = new DeviceDesk(job.record.id);
	const stop = $derived(round.stop);

	$effect(() => {
		void job.heard;
		void desk.reload();
	});
	const wrench = $derived(desk.heard('wrench')?.id);
	const gauge = $derived(desk.heard('height-gauge')?.id);
	const asked = $derived(
		JSON.stringify([round.key, round.sent, round.answers, round.question?.kind])
	);
	// Asked when the question or the device changes, not at every change of the record.
	$effect(() => {
		void [asked, wrench, gauge];
		return untrack(() => desk.keepAsking(ask));
	});
	function ask() {
		if (!stop || job.record.signedAt) return;
		if (wrench && stop.phase !== 'load') {
			const { jointId, action } = stop;
			const how = { ...round.sent, ...round.answers };
			// A pull that nobody has said enough about is not asked for.
			const task = round.question ? null : { kind: 'torque', jointId, action, ...how };
			void desk.ask(wrench, task);
		}
		const method = round.standing.method ?? 'jack-to-height';
		if (gauge && (stop.phase === 'load' || stop.phase === 'rubber'))
			void desk.ask(gauge, { kind: 'loading', corner: stop.corner, method });
	}
	onDestroy(() => {
		for (const id of [wrench, gauge]) if (id) void desk.ask(id, null);
	});
</script>

<div class={['space-y-3', desk.held.length && 'order-first']}>
	<ReadingTray {desk} {stop} standing={{ ...round.sent, ...round.answers }} />
	{#if desk.devices.length}
		<section class="panel px-3 py-1" aria-labelledby="devices-title">
			<h2 id="devices-title" class="caption pt-1">Take readings from</h2>
			<ListenTo {desk} devices={desk.devices.filter(({ kind }) => kind !== 'wheel-scales')} />
		</section>
	{/if}
</div>
