<script lang="ts">
	/** A castle nut from above, and how far its next slot is from the hole in the stud. */
	let { toNextSlotDeg }: { toNextSlotDeg: number } = $props();
	const slots = [0, 60, 120, 180, 240, 300];
</script>

<svg
	viewBox="-110 -110 220 220"
	class="w-full max-w-52"
	role="img"
	aria-label="Castle nut: slots and the hole in the stud"
>
	<circle r="84" class="fill-sunk stroke-ink" stroke-width="3" />
	{#each slots as slot (slot)}
		<path d="M 0 -88 V -44" transform="rotate({slot})" class="stroke-panel" stroke-width="16" />
		<path
			d="M -8 -84 V -46 H 8 V -84"
			transform="rotate({slot})"
			fill="none"
			class="stroke-ink"
			stroke-width="2.5"
		/>
	{/each}
	<circle r="40" class="fill-panel stroke-ink" stroke-width="3" />
	<path d="M 0 -40 V 40" transform="rotate({toNextSlotDeg})" class="stroke-mark" stroke-width="7" />
</svg>
