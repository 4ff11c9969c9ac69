<script lang="ts">
	import type { ConnectedDevice, DeviceDesk } from '$lib/client/device-desk.svelte';

	/** Devices that readings are taken from here, each switched on and off. */
	let { desk, devices }: { desk: DeviceDesk; devices: readonly ConnectedDevice[] } = $props();
</script>

{#each devices as device (device.id)}
	<label class="flex min-h-12 items-center gap-3 text-[15px]">
		<input
			type="checkbox"
			class="size-6 accent-spruce"
			checked={desk.listening.includes(device.id)}
			onchange={(event) => desk.listen(device.id, event.currentTarget.checked)}
		/>
		<span class="me-auto">{device.name}</span>
		<span class={device.connected ? 'text-spruce' : 'text-soft'}
			>{device.connected ? '✓ connected' : 'not connected'}</span
		>
	</label>
{/each}
