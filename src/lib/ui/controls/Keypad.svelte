<script lang="ts">
	/** Digits for a gloved thumb. Physical keys go on working in the field itself. */
	interface Props {
		value: string;
		/** The extra key: a decimal sign, or the fraction bar and the space of inches. */
		extra: readonly string[];
	}
	let { value = $bindable(), extra }: Props = $props();
	const keys = $derived(['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', ...extra, '⌫']);
	const names: Record<string, string> = { '⌫': 'Erase', ' ': 'Space', '/': 'Fraction bar' };

	function press(key: string) {
		value = key === '⌫' ? value.slice(0, -1) : value + key;
	}
</script>

<div class="grid grid-cols-3 gap-1.5">
	{#each keys as key (key)}
		<button
			type="button"
			tabindex="-1"
			aria-label={names[key] ?? key}
			onclick={() => press(key)}
			class="num h-14 rounded-[3px] border border-line bg-panel text-2xl hover:bg-sunk active:bg-spruce-wash"
		>
			{key === ' ' ? '␣' : key}
		</button>
	{/each}
</div>
