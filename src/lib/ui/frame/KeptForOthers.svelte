<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import { page } from '$app/state';
	import { kindOf } from '$core/job/kinds/index';
	import type { KindName } from '$core/job/kinds/data';
	import { outbox, type Entry } from '$lib/client/outbox.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';

	/** Entries that somebody made on this tablet who is not signed in now: whose they are, and a lead's word. */
	const others = $derived(outbox.others);
	const lead = $derived(page.data.person?.role === 'lead');
	const names = $derived([...new Set(others.map(({ by }) => by?.name ?? 'somebody'))]);
	const them = $derived(others.length === 1 ? 'it' : 'them');
	let open = $state(false);

	function words({ body }: Entry): string {
		const data = (body.data ?? {}) as Record<string, unknown>;
		const said = Object.values(data).filter(
			(value) => typeof value === 'string' || typeof value === 'number'
		);
		const at = String(body.subject ?? '');
		const name = kindOf(body.kind as KindName)?.name ?? 'Entry';
		return [name, at.length <= 2 ? at : '', said.slice(0, 4).join(', ')].filter(Boolean).join(' ');
	}
	const times = shopTime();
	const time = (entry: Entry) =>
		typeof entry.body.enteredAt === 'string' ? times.short(entry.body.enteredAt) : '';
</script>

{#if others.length && page.data.person}
	<section
		class="no-print border-b-2 border-ochre bg-ochre-wash px-4 py-2 md:px-6"
		aria-label="Kept here for somebody else"
	>
		<div class="flex flex-wrap items-center gap-3">
			<p class="me-auto text-[15px]">
				<b class="text-ochre">◇ {others.length} {others.length === 1 ? 'entry' : 'entries'}</b>
				of {names.join(', ')}
				{others.length === 1 ? 'is' : 'are'} kept on this tablet, not sent: only {names.length === 1
					? names[0]
					: 'who made them'} can send {them}, signed in here{lead
					? `, or you vouch for ${them}`
					: ''}.
			</p>
			<ActionButton onclick={() => (open = !open)}>{open ? 'Close' : 'Look'}</ActionButton>
		</div>
		{#if open}
			<ul class="divide-y divide-line">
				{#each others as entry (entry.id)}
					<li class="flex min-h-14 flex-wrap items-center gap-3 py-1">
						<span class="me-auto"
							><b>{entry.by?.name ?? 'Not known who'}</b>, {time(entry)}: {words(entry)}
							{#if entry.refusal}<span class="block text-madder">✕ {entry.refusal.title}</span
								>{/if}</span
						>
						{#if entry.by === null}
							<ActionButton onclick={() => outbox.vouch(entry.id)}>It is mine</ActionButton>
						{:else if lead}
							<ActionButton onclick={() => outbox.vouch(entry.id)}
								>Vouch for {entry.by.name}</ActionButton
							>
						{/if}
						{#if lead}<ActionButton weight="stop" onclick={() => outbox.drop(entry.id)}
								>Drop it</ActionButton
							>{/if}
					</li>
				{/each}
			</ul>
		{/if}
	</section>
{/if}
