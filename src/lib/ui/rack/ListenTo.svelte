<script lang="ts">
	import type { ConnectedDevice, DeviceDesk } from '$lib/client/device-desk.svelte';
	import Tick from '$lib/ui/controls/Tick.svelte';

	/** Devices that readings are taken from here, each switched on and off. */
	let { desk, devices }: { desk: DeviceDesk; devices: readonly ConnectedDevice[] } = $props();
</script>

{#each devices as device (device.id)}
	<Tick
		class="text-[15px]"
		checked={desk.listening.includes(device.id)}
		onchange={(event) => desk.listen(device.id, event.currentTarget.checked)}
	>
		<span class="me-auto">{device.name}</span>
		<span class={device.connected ? 'text-spruce' : 'text-soft'}
			>{device.connected ? '✓ connected' : 'not connected'}</span
		>
	</Tick>
{/each}
