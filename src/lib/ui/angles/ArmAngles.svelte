<script lang="ts">
	import type { Corner } from '$core/height/corners';
	import { laidAngle, type InclinometerReading } from '$core/instrument/inclinometer';
	import { edgeAngle } from '$core/instrument/phone';
	import { armAngles, measuredTurn } from '$core/job/arm-angles';
	import { formatNumber } from '$core/units/format';
	import { numberOf, withMeantUnit } from '$core/units/parse';
	import { armWeighed } from '$core/job/rubber';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { noSensor, PhoneMotion } from '$lib/client/phone-motion.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';

	/**
	 * The angle of an arm as a phone or an inclinometer laid on it says: at ride height, and as it is set. What is
	 * between the two is the twist, whatever the tape says.
	 */
	interface Props {
		corner: Corner;
		which: 'lower' | 'upper';
		/** Hub to arch as it was read last, mm. */
		hubToArchMm: number | undefined;
	}
	let { corner, which, hubToArchMm }: Props = $props();
	const job = currentJob();
	const units = personalUnits();
	const write = new EntryInput(job);
	const kept = $derived(armAngles(job.record, corner, which));
	const turn = $derived(measuredTurn(job.record, corner, which));
	const weighed = $derived(turn && armWeighed(job.record, corner, which, job.limits));
	const none = noSensor();
	const decimals = $derived(units.choice.length === 'mm' ? 0 : 2);
	const degrees = (deg: number, signed = false) => `${formatNumber(deg, 1, signed)}°`;

	let open = $state(false);
	let height = $state('');
	let text = $state('');
	let readings = $state<InclinometerReading[]>([]);
	let byPhone = $state(false);
	let fault = $state<string>();
	/** Of the phone, or of what is typed: digital inclinometers count in tenths. */
	const resolutionDeg = 0.1;
	/** So long it is read, by the sensor's own time, s. */
	const readS = 1.5;
	const sofar = $derived(readings.length ? laidAngle(readings, resolutionDeg) : undefined);
	/** The next one is laid the other way round. */
	const turned = $derived(readings.length % 2 === 1);

	const phone = new PhoneMotion((samples) => {
		if (samples.at(-1)!.timeS - samples[0]!.timeS < readS) return;
		phone.stop();
		const angle = edgeAngle(samples);
		fault = angle.ok ? undefined : angle.faults[0]!.message;
		if (!angle.ok) return;
		byPhone = true;
		readings.push({ deg: Math.round(angle.value.deg * 100) / 100, turned });
	});

	function begin() {
		write.begin();
		height = hubToArchMm === undefined ? '' : units.show(hubToArchMm, 'length', { decimals });
		readings = [];
		byPhone = false;
		fault = undefined;
		open = true;
	}
	function type() {
		const deg = numberOf(text, '°');
		fault =
			text.trim() && Number.isFinite(deg) && Math.abs(deg) <= 60
				? undefined
				: `‘${text}’ is no angle over level: a number from −60 to 60, in degrees`;
		if (fault) return;
		readings.push({ deg, turned });
		text = '';
	}
	async function keep() {
		const said = {
			hubToArch: withMeantUnit(height, units.choice.length),
			readings: $state.snapshot(readings),
			resolutionDeg,
			by: byPhone ? 'phone' : 'typed'
		};
		if (await write.send('arm-angle', `${corner}/${which}`, said)) open = false;
	}
	async function takeBack(entry: (typeof kept)[number]) {
		const { entered, readings: were, resolutionDeg: step, by } = entry.data;
		const data = { hubToArch: entered, readings: were, resolutionDeg: step, by, withdraw: true };
		await job.tell('arm-angle', entry.subject, data, { corrects: entry.id });
	}
</script>

<section class="panel p-3" aria-labelledby="angles-title" data-draft="angle {corner} {which}">
	<h2 id="angles-title" class="text-[17px]">Angle of the {which} arm, {corner}</h2>
	<ul class="text-[15px]">
		{#each kept as entry (entry.id)}
			{@const angle = laidAngle(entry.data.readings, entry.data.resolutionDeg)}
			<li class="flex items-center gap-2">
				<span class="me-auto"
					>at {entry.data.entered}: {#if angle.ok}<b class="num">{degrees(angle.value.deg, true)}</b
						>
						± {degrees(angle.value.expandedDeg)}{/if}</span
				>
				{#if !job.record.signedAt}<button
						type="button"
						class="touch px-2 underline"
						onclick={() => takeBack(entry)}>Take back</button
					>{/if}
			</li>
		{/each}
	</ul>
	{#if turn}
		<p class="mt-1 text-[15px] font-medium" role="status">
			Turned by <span class="num">{degrees(turn.deg)}</span> ± {degrees(turn.expandedDeg)} between
			{units.show(turn.fromMm, 'length', { decimals })} and {units.show(turn.toMm, 'length', {
				decimals
			})}{weighed && !weighed.disagrees ? ': every twist at this corner reckons with it' : ''}.
		</p>
		{#if weighed?.disagrees}<p role="alert" class="text-[15px] text-madder">
				✕ The angles and the tape cannot both be right: read both again. Until then the tape counts.
			</p>{/if}
	{:else if !open}
		<p class="caption">
			Read at ride height and as it is set: what lies between is the twist, whatever the tape says.
		</p>
	{/if}
	{#if open}
		<div class="mt-2 space-y-2">
			<RefusalNotice refusal={write.refusal} />
			<QuantityField label="Hub to arch here" dimension="length" bind:value={height} />
			{#if readings.length}
				<p role="status">
					{readings
						.map(({ deg, turned: back }) => `${degrees(deg, true)}${back ? ' turned' : ''}`)
						.join(', ')}{#if sofar?.ok}:
						<b class="num text-xl">{degrees(sofar.value.deg, true)}</b> ± {degrees(
							sofar.value.expandedDeg
						)}{#if sofar.value.zeroDeg !== undefined}, zero of the instrument {degrees(
								sofar.value.zeroDeg,
								true
							)}{/if}{/if}
				</p>
			{/if}
			<p class="font-medium">
				{turned ? 'Now turn it end for end, same place' : 'Lay its long edge along the arm'}
			</p>
			{#if none}<p class="caption">{none}</p>
			{:else if phone.running && !phone.samples.length}
				<p role="status" class="caption">
					No sensor has answered yet: this device may have none. Type what an inclinometer shows.
				</p>
			{/if}
			<div class="flex flex-wrap items-end gap-2">
				{#if !none}<ActionButton
						class="min-h-14"
						disabled={phone.running && phone.samples.length > 0}
						onclick={() => phone.start()}
						>{phone.running && phone.samples.length
							? 'Reading …'
							: 'Read by this phone'}</ActionButton
					>{/if}
				<div class="flex items-end gap-2">
					<Field class="w-28" label="Or typed, °" bind:value={text} inputmode="text" />
					<ActionButton onclick={type} disabled={!text.trim()}>Add</ActionButton>
				</div>
			</div>
			{#if fault ?? phone.fault}<p role="alert" class="text-[15px] text-madder">
					✕ {fault ?? phone.fault}
				</p>{/if}
			<div class="flex flex-wrap gap-2">
				<ActionButton
					class="min-h-14"
					disabled={!readings.length || write.busy || phone.running}
					onclick={keep}>Keep the angle</ActionButton
				>
				<ActionButton
					onclick={() => {
						phone.stop();
						open = false;
					}}>Cancel</ActionButton
				>
			</div>
		</div>
	{:else if !job.record.signedAt}
		<ActionButton class="mt-1" onclick={begin}>Read an angle</ActionButton>
	{/if}
</section>
