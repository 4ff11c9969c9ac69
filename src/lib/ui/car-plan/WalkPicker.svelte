<script lang="ts">
	import { corners, cornerNames, type Corner } from '$core/height/corners';

	/** The order in which corners are walked: touched one after the other on the car. */
	let { value = $bindable() }: { value: Corner[] } = $props();
	/** Touched so far in a new order; the old one stands until all four are. */
	let touched = $state<Corner[]>([]);
	const shown = $derived(touched.length ? touched : value);

	function touch(corner: Corner) {
		if (touched.includes(corner)) touched = touched.filter((one) => one !== corner);
		else touched = [...touched, corner];
		if (touched.length < 4) return;
		value = touched;
		touched = [];
	}
</script>

<fieldset>
	<legend class="mb-1 text-[15px] font-semibold">Corners are walked</legend>
	<div class="grid w-64 grid-cols-2 gap-2">
		{#each corners as corner (corner)}
			{@const place = shown.indexOf(corner) + 1}
			<button
				type="button"
				class="touch flex items-center justify-between rounded-[3px] border px-3 {place
					? 'border-2 border-spruce bg-spruce-wash'
					: 'border-edge bg-panel'}"
				onclick={() => touch(corner)}
				><span>{corner}<span class="sr-only">, {cornerNames[corner]}</span></span><span
					class="num text-xl">{place || '–'}</span
				></button
			>
		{/each}
	</div>
	<p class="mt-1 text-[15px] text-soft">
		{touched.length ? 'Touch the next one' : 'To change it, touch them one after the other'}
	</p>
</fieldset>
