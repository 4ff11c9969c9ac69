<script lang="ts" generics="T extends string">
	/** A few ways, one of them taken: big buttons in a row. */
	interface Props {
		label: string;
		value: T | undefined;
		options: readonly { value: T; name: string; hint?: string }[];
		disabled?: boolean;
		/** All in one row of equal widths. */
		row?: boolean;
		onpick?: (value: T) => void;
	}
	let {
		label,
		value = $bindable(),
		options,
		disabled = false,
		row = false,
		onpick
	}: Props = $props();
	const name = $props.id();
</script>

<fieldset {disabled}>
	<legend class="mb-1 text-[15px] font-semibold">{label}</legend>
	<div
		class={row
			? 'grid grid-cols-2 gap-2 sm:auto-cols-fr sm:grid-flow-col sm:grid-cols-none'
			: 'flex flex-wrap gap-2'}
	>
		{#each options as option (option.value)}
			<label
				class="touch flex cursor-pointer items-center gap-2 rounded-[3px] border border-edge bg-panel py-2 {row
					? 'px-2 text-[15px] leading-tight'
					: 'px-4'} has-checked:border-2 has-checked:border-spruce has-checked:bg-spruce-wash has-focus-visible:outline-3 has-focus-visible:outline-mark has-disabled:opacity-60"
			>
				<input
					type="radio"
					class="size-5 shrink-0 accent-spruce"
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
