<script lang="ts">
	import type { DeviceDesk } from '$lib/client/device-desk.svelte';

	/** Devices of the shop that this round takes readings from. */
	let { desk }: { desk: DeviceDesk } = $props();
</script>

{#if desk.devices.length}
	<section class="panel px-3 py-1" aria-labelledby="devices-title">
		<h2 id="devices-title" class="caption pt-1">Take readings from</h2>
		{#each desk.devices.filter(({ kind }) => kind !== 'wheel-scales') as device (device.id)}
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
	</section>
{/if}
