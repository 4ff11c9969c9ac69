<script lang="ts">
	import { deviceKindNames, deviceKinds, type DeviceKind } from '$lib/devices/model';
	import type { DeviceReading } from '$lib/devices/model';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import type { ConnectedDevice } from '$lib/client/device-desk.svelte';
	import { refresh } from '$lib/client/refresh';
	import { personalUnits } from '$lib/client/units';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import SetAside from './SetAside.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** Devices that report by themselves, and their readings that nobody has placed. */
	interface Props {
		devices: ConnectedDevice[];
		held: DeviceReading[];
		wrenches: ShopWrench[];
		lead: boolean;
	}
	let { devices, held, wrenches, lead }: Props = $props();
	const units = personalUnits();
	let adding = $state(false);
	let refusal = $state<Refusal>();
	/** Told once: it is kept only as a hash. */
	let token = $state<string>();
	let form = $state({ name: '', kind: 'wrench' as DeviceKind, wrenchId: '' });

	async function add(event: SubmitEvent) {
		event.preventDefault();
		const { name, kind, wrenchId } = form;
		const answer = await call<{ token: string }>('POST', '/devices', {
			id: uuidv7(),
			name,
			kind,
			wrenchId: kind === 'wrench' && wrenchId ? wrenchId : null
		});
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		token = answer.value.token;
		adding = false;
		await refresh();
	}
	async function toggle(device: ConnectedDevice) {
		const answer = await call('PATCH', `/devices/${device.id}`, { active: !device.active });
		refusal = answer.ok ? undefined : answer.refusal;
		await refresh();
	}
	async function setAside(reading: DeviceReading, reason: string) {
		const answer = await call('POST', `/device-readings/${reading.id}/set-aside`, { reason });
		refusal = answer.ok ? undefined : answer.refusal;
		await refresh();
	}
	const measured = ({ reading }: DeviceReading) => {
		if (reading.kind === 'torque') return units.show(reading.torqueNm, 'torque');
		return reading.kind === 'height' ? units.show(reading.heightMm, 'length') : 'four loads';
	};
</script>

<section class="panel p-4" aria-labelledby="devices-title">
	<div class="flex items-center justify-between">
		<h2 id="devices-title" class="text-xl">Devices</h2>
		{#if lead && !adding}<ActionButton onclick={() => (adding = true)}>Add a device</ActionButton
			>{/if}
	</div>
	<RefusalNotice {refusal} fields={['name']} />
	{#if token}
		<Notice role="status" tone="plain" class="mt-2">
			Its token, shown this once: <code class="font-semibold break-all">{token}</code>
		</Notice>
	{/if}
	{#if adding}
		<form class="mt-3 space-y-3" onsubmit={add} novalidate>
			<Field label="Name" bind:value={form.name} fault={faultOf(refusal, 'name')} maxlength={80} />
			<Choice
				label="It measures"
				bind:value={form.kind}
				options={deviceKinds.map((value) => ({ value, name: deviceKindNames[value] }))}
			/>
			{#if form.kind === 'wrench'}
				<SelectField
					label="It is this wrench of the rack"
					bind:value={form.wrenchId}
					items={[
						{ value: '', name: 'None of the rack' },
						...wrenches.map(({ id, name }) => ({ value: id, name }))
					]}
				/>
			{/if}
			<div class="flex gap-3">
				<ActionButton weight="main" type="submit">Add and show its token</ActionButton>
				<ActionButton class="min-h-16" onclick={() => (adding = false)}>Cancel</ActionButton>
			</div>
		</form>
	{/if}
	<ul class="mt-2 divide-y divide-line">
		{#each devices as device (device.id)}
			<li class="flex min-h-14 flex-wrap items-center gap-x-3">
				<span class="me-auto leading-tight">
					<b>{device.name}</b>
					<span class="caption block"
						><span class={device.connected ? 'text-spruce' : ''}
							>{!device.active ? 'off' : device.connected ? '✓ connected' : 'not connected'}</span
						>{device.name === deviceKindNames[device.kind]
							? ''
							: ` · ${deviceKindNames[device.kind].toLowerCase()}`}{device.lastSeq
							? ` · ${device.lastSeq} ${device.lastSeq === 1 ? 'reading' : 'readings'}`
							: ''}{device.task ? ` · asked for ${device.task.label}` : ''}</span
					>
				</span>
				{#if lead}<ActionButton onclick={() => toggle(device)}
						>{device.active ? 'Switch off' : 'Switch on'}</ActionButton
					>{/if}
			</li>
		{:else}
			<li class="py-2 text-soft">
				None yet. A device connects over the network; docs/devices.md says how.
			</li>
		{/each}
	</ul>
	{#if held.length}
		<h3 class="mt-4 font-bold text-ochre">
			{held.length === 1 ? 'One reading waits' : `${held.length} readings wait`} to be placed
		</h3>
		<p class="caption">They are placed from the round of their car.</p>
		<ul class="divide-y divide-line">
			{#each held.slice(0, 8) as reading (reading.id)}
				<li class="flex flex-wrap items-center gap-x-3 py-1">
					<span class="num text-lg">{measured(reading)}</span>
					<span class="caption me-auto">{reading.device}: {reading.reason}</span>
					<SetAside onreason={(reason) => setAside(reading, reason)} />
				</li>
			{/each}
		</ul>
	{/if}
</section>
