<script lang="ts">
	import { actionsOf } from '$core/fastener/joint-programme';
	import type { RoundStop } from '$core/procedure/round';
	import { personalUnits } from '$lib/client/units';
	import { call, type Refusal } from '$lib/client/api';
	import type { DeviceDesk } from '$lib/client/device-desk.svelte';
	import { currentJob } from '$lib/client/job-state.svelte';
	import type { DeviceReading } from '$lib/devices/model';
	import { atWork } from '$core/job/joints';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SetAside from '$lib/ui/rack/SetAside.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { later } from '$lib/client/later';

	/** What came from devices: the newest pull as a trace, and what waits for a person to place it. */
	interface Props {
		desk: DeviceDesk;
		/** Where a held reading would be placed. */
		stop?: RoundStop;
		/** How the car stands there, as the API wants it. */
		standing: Record<string, unknown>;
	}
	let { desk, stop, standing }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	let refusal = $state<Refusal>();

	const newest = $derived(
		desk.readings.find(
			({ reading, jobId, state }) =>
				reading.kind === 'torque' && (jobId === job.record.id || state === 'held')
		)
	);
	const nameOf = $derived((reading: DeviceReading) => {
		const joint = job.record.joints.find(({ id }) => id === reading.jointId);
		return joint ? `${joint.corner} ${joint.name}` : reading.device;
	});
	/** Band that was wanted of a placed or held pull, run-down included. */
	const wantedOf = $derived((reading: DeviceReading) => {
		const joint = job.record.joints.find(({ id }) => id === reading.jointId);
		if (!joint) return undefined;
		const row = job.record.torques.find(({ id }) => id === reading.rowId);
		const list = actionsOf(atWork(joint));
		const here = stop && stop.phase !== 'load' && stop.jointId === joint.id ? stop.action : 0;
		const nm = list[row?.action ?? here]?.torqueNm;
		if (nm === undefined) return undefined;
		const whole = nm - (joint.programme?.prevailingNm ?? 0) + (reading.verdict?.prevailingNm ?? 0);
		return { lowNm: 0.95 * whole, nm: whole, highNm: 1.05 * whole };
	});
	const measured = $derived((reading: DeviceReading) => {
		const sent = reading.reading;
		if (sent.kind === 'torque') return units.show(sent.torqueNm, 'torque');
		return sent.kind === 'height' ? units.show(sent.heightMm, 'length') : 'four loads';
	});
	const canPlace = $derived(
		(reading: DeviceReading) =>
			stop !== undefined &&
			(reading.reading.kind === 'torque'
				? stop.phase !== 'load'
				: reading.reading.kind === 'height')
	);

	async function place(reading: DeviceReading) {
		const where =
			stop!.phase === 'load' || reading.reading.kind === 'height'
				? { corner: stop!.corner, method: standing.method ?? 'jack-to-height' }
				: { jointId: stop!.jointId, action: stop!.action, ...standing };
		await settle(reading, 'place', { jobId: job.record.id, ...where });
	}
	async function settle(reading: DeviceReading, how: string, body: Record<string, unknown>) {
		const answer = await call('POST', `/device-readings/${reading.id}/${how}`, body);
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		await job.reload();
		await desk.reload();
	}
	const chart = later(() => import('$lib/ui/trace/TraceChart.svelte'));
</script>

<RefusalNotice {refusal} />
{#if desk.held.length}
	<section class="panel border-2 border-ochre p-3" aria-labelledby="held-title">
		<h2 id="held-title" class="text-lg text-ochre">
			{desk.held.length === 1 ? 'A reading waits' : `${desk.held.length} readings wait`} to be placed
		</h2>
		<ul class="divide-y divide-line">
			{#each desk.held.slice(0, 4) as reading (reading.id)}
				<li class="py-2">
					<p>
						<span class="num text-xl">{measured(reading)}</span>
						<span class="text-[15px]">{nameOf(reading)}: {reading.reason}</span>
					</p>
					{#if !job.record.signedAt}
						<div class="mt-1 flex flex-wrap gap-2">
							{#if canPlace(reading)}<ActionButton onclick={() => place(reading)}
									>Place it here</ActionButton
								>{/if}
							<SetAside onreason={(reason) => settle(reading, 'set-aside', { reason })} />
						</div>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#if newest && newest.reading.kind === 'torque' && newest.reading.trace}
	{@const trace = newest.reading.trace}
	<section class="panel p-3" aria-labelledby="trace-title">
		<div>
			<h2 id="trace-title" class="text-lg">{nameOf(newest)}</h2>
			<span class="font-medium {newest.state === 'placed' ? 'text-spruce' : 'text-ochre'}"
				>{newest.state === 'placed' ? '✓ placed' : newest.state === 'held' ? '◇ held' : 'set aside'}
				{measured(newest)}</span
			>
		</div>
		{#if trace.angleDeg.length > 1}
			<Later
				part={chart()}
				given={{
					angleDeg: trace.angleDeg,
					torqueNm: trace.torqueNm,
					read: newest.verdict,
					wanted: wantedOf(newest),
					width: 420,
					height: 320
				}}
			/>
		{/if}
	</section>
{/if}
