<script lang="ts">
	import { corners, type Corner } from '$core/height/corners';

	/** Which corners a job works on, as a small plan: worked corners are filled. */
	let { worked }: { worked: readonly Corner[] } = $props();
	const place = { FL: [3, 4], FR: [19, 4], RL: [3, 26], RR: [19, 26] };
</script>

<svg
	viewBox="0 0 28 42"
	class="h-11 w-7 shrink-0"
	role="img"
	aria-label="Corners: {worked.join(', ')}"
>
	<rect
		x="8"
		y="2"
		width="12"
		height="38"
		rx="5"
		fill="none"
		stroke="currentColor"
		stroke-width="1.5"
		opacity="0.55"
	/>
	{#each corners as corner (corner)}
		<rect
			x={place[corner][0]}
			y={place[corner][1]}
			width="6"
			height="12"
			rx="1.5"
			class={worked.includes(corner) ? 'fill-spruce' : 'fill-panel'}
			stroke="currentColor"
			stroke-width="1.3"
		/>
	{/each}
</svg>
