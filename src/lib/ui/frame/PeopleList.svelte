<script lang="ts">
	import { refresh } from '$lib/client/refresh';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { v7 as uuidv7 } from 'uuid';

	interface Person {
		id: string;
		handle: string;
		name: string;
		role: 'technician' | 'lead';
		active: boolean;
		canSignIn: boolean;
	}
	let { people, lead }: { people: Person[]; lead: boolean } = $props();
	const staff = $derived(people.filter((person) => person.canSignIn));
	const imported = $derived(people.filter((person) => !person.canSignIn));

	let adding = $state(false);
	let editing = $state<string>();
	let refusal = $state<Refusal>();
	let form = $state({ name: '', handle: '', role: 'technician' as Person['role'], secret: '' });

	function edit(person?: Person) {
		refusal = undefined;
		adding = !person;
		editing = person?.id;
		form = {
			name: person?.name ?? '',
			handle: person?.handle ?? '',
			role: person?.role ?? 'technician',
			secret: ''
		};
	}

	async function send(method: string, path: string, body: unknown) {
		const answer = await call(method, path, body);
		refusal = answer.ok ? undefined : answer.refusal;
		if (answer.ok) {
			adding = false;
			editing = undefined;
			await refresh();
		}
	}

	function save(event: SubmitEvent) {
		event.preventDefault();
		const { handle, secret, ...fields } = form;
		if (editing)
			void send('PATCH', `/people/${editing}`, { ...fields, ...(secret ? { secret } : {}) });
		else void send('POST', '/people', { ...fields, handle, secret, id: uuidv7() });
	}
</script>

{#snippet editor()}
	<form
		class="space-y-4 border-y-2 border-spruce bg-sunk p-4"
		onsubmit={save}
		novalidate
		data-draft="person {editing ?? 'new'}"
	>
		<RefusalNotice {refusal} fields={['name', 'handle', 'secret']} />
		<div class="grid gap-4 sm:grid-cols-3">
			<Field label="Name" bind:value={form.name} fault={faultOf(refusal, 'name')} maxlength={120} />
			<Field
				label="Sign-in name"
				bind:value={form.handle}
				fault={faultOf(refusal, 'handle')}
				disabled={editing !== undefined}
				autocapitalize="none"
				autocomplete="off"
			/>
			<Field
				label={editing ? 'New PIN or password' : 'PIN or password'}
				type="password"
				bind:value={form.secret}
				fault={faultOf(refusal, 'secret')}
				hint={editing
					? 'Empty keeps the old one; a new one signs them out'
					: '6 digits or more are hard to guess (4 are the least); or 8 characters'}
				autocomplete="new-password"
			/>
		</div>
		<Choice
			label="Role"
			bind:value={form.role}
			options={[
				{ value: 'technician', name: 'Technician' },
				{ value: 'lead', name: 'Lead', hint: 'may override, and manages people' }
			]}
		/>
		<div class="flex gap-3">
			<ActionButton weight="main" type="submit">Keep</ActionButton>
			<ActionButton
				class="min-h-16"
				onclick={() => {
					adding = false;
					editing = undefined;
				}}>Cancel</ActionButton
			>
		</div>
	</form>
{/snippet}

<section class="panel">
	<div class="flex items-center justify-between p-4 pb-2">
		<h2 class="text-xl">People</h2>
		{#if lead}<ActionButton onclick={() => edit()}>Add a person</ActionButton>{/if}
	</div>
	{#if adding}{@render editor()}{/if}
	<ul class="divide-y divide-line">
		{#each staff as person (person.id)}
			<li>
				<div
					class="flex min-h-14 flex-wrap items-center gap-x-4 px-4 py-1.5 {person.active
						? ''
						: 'text-soft'}"
				>
					<span class="me-auto"
						><b>{person.name}</b>
						<span class="caption"
							>{person.handle} · {person.role}{person.active ? '' : ' · cannot sign in'}</span
						></span
					>
					{#if lead}
						<ActionButton onclick={() => edit(person)}>Change</ActionButton>
						<ActionButton
							weight={person.active ? 'stop' : 'plain'}
							onclick={() => send('PATCH', `/people/${person.id}`, { active: !person.active })}
							>{person.active ? 'Take the key' : 'Give the key back'}</ActionButton
						>
					{/if}
				</div>
				{#if editing === person.id}{@render editor()}{/if}
			</li>
		{/each}
	</ul>
	{#if refusal && !adding && editing === undefined}<div class="p-4">
			<RefusalNotice {refusal} />
		</div>{/if}
	{#if imported.length}<p class="caption p-4">
			Known from imported jobs: {imported.map((person) => person.name).join(', ')}.
		</p>{/if}
</section>
