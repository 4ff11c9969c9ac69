<script lang="ts">
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { Label, Textarea } from 'flowbite-svelte';

	/** Lines of numbers, typed, pasted or from a file. */
	interface Props {
		label: string;
		value: string;
		hint?: string;
		fault?: string;
		rows?: number;
		/** Also from a file. */
		file?: boolean;
	}
	let { label, value = $bindable(), hint, fault, rows = 5, file = false }: Props = $props();
	const key = $props.id();
	let picker = $state<HTMLInputElement>();
	let refused = $state<string>();
	const mostBytes = 16 * 1024 * 1024;

	async function take() {
		const [chosen] = picker?.files ?? [];
		if (!chosen) return;
		refused =
			chosen.size > mostBytes
				? `${chosen.name} is larger than 16 MB: cut it to the pull or the bounce`
				: undefined;
		if (!refused) value = await chosen.text();
		picker!.value = '';
	}
</script>

<div class="py-2">
	<div class="flex items-end justify-between gap-2">
		<Label for={key} class="mb-1 block text-[15px]! font-semibold! text-ink!">{label}</Label>
		{#if file}
			<input
				type="file"
				accept=".csv,.txt,text/csv,text/plain"
				bind:this={picker}
				onchange={take}
				class="hidden"
				aria-label="{label}, file"
			/>
			<ActionButton onclick={() => picker?.click()}>From a file</ActionButton>
		{/if}
	</div>
	<Textarea
		id={key}
		bind:value
		{rows}
		spellcheck="false"
		aria-invalid={fault || refused ? 'true' : undefined}
		aria-describedby="{key}-hint"
		class="mt-1 w-full rounded-[3px]! bg-panel! px-3! py-2! text-[16px]! text-ink! {fault || refused
			? 'border-2! border-madder!'
			: 'border-edge!'}"
	/>
	<p
		id="{key}-hint"
		class="text-[14px] {fault || refused ? 'font-medium text-madder' : 'text-soft'}"
	>
		{#if fault || refused}<span class="me-1" aria-hidden="true">✕</span>{/if}{fault ??
			refused ??
			hint}
	</p>
</div>
