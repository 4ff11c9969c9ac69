<script lang="ts" generics="T extends string">
	/** A few ways, one of them taken: big buttons in a row. */
	interface Props {
		label: string;
		value: T | undefined;
		options: readonly { value: T; name: string; hint?: string }[];
		disabled?: boolean;
		/** All in one row of equal widths. */
		row?: boolean;
		/** One under the other, for long words. */
		list?: boolean;
		onpick?: (value: T) => void;
	}
	let {
		label,
		value = $bindable(),
		options,
		disabled = false,
		row = false,
		list = false,
		onpick
	}: Props = $props();
	const name = $props.id();
</script>

<fieldset {disabled}>
	<legend class="mb-1 text-[15px] font-semibold">{label}</legend>
	<div
		class={row
			? 'grid grid-cols-2 gap-2 sm:auto-cols-fr sm:grid-flow-col sm:grid-cols-none'
			: list
				? 'grid gap-2'
				: 'flex flex-wrap gap-2'}
	>
		{#each options as option (option.value)}
			<label class={['choice', row && 'narrow']}>
				<input
					type="radio"
					{name}
					value={option.value}
					bind:group={value}
					onchange={() => onpick?.(option.value)}
				/>
				<span
					>{option.name}{#if option.hint}<span class="caption block">{option.hint}</span>{/if}</span
				>
			</label>
		{/each}
	</div>
</fieldset>

<style>
	.choice {
		display: flex;
		align-items: center;
		gap: 8px;
		min-height: 48px;
		padding: 8px 16px;
		border: 1px solid var(--color-edge);
		border-radius: 3px;
		background: var(--color-panel);
		cursor: pointer;
	}
	.narrow {
		padding-inline: 8px;
		font-size: 15px;
		line-height: 1.25;
	}
	.choice:has(:checked) {
		border: 2px solid var(--color-spruce);
		background: var(--color-spruce-wash);
	}
	.choice:has(:focus-visible) {
		outline: 3px solid var(--color-mark);
	}
	.choice:has(:disabled) {
		opacity: 0.6;
	}
	input {
		flex-shrink: 0;
		width: 20px;
		height: 20px;
		accent-color: var(--color-spruce);
	}
</style>
