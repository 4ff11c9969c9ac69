<script lang="ts">
	import { refresh } from '$lib/client/refresh';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import UnitsFields from '$lib/ui/controls/UnitsFields.svelte';
	import PeopleList from '$lib/ui/frame/PeopleList.svelte';

	let { data } = $props();
	const lead = $derived(data.person?.role === 'lead');
	// svelte-ignore state_referenced_locally (the form starts from what is on record and then leads)
	let form = $state({
		name: data.shop.name,
		units: { ...data.shop.units },
		set: String(data.shop.twistSetDeg),
		advised: String(data.shop.twistAdvisedDeg),
		reset: String(data.shop.resetAboveMm)
	});
	let refusal = $state<Refusal>();
	let kept = $state(false);

	const degrees = (text: string) => (text.trim() === '' ? text : Number(text.replace(',', '.')));
	async function save(event: SubmitEvent) {
		event.preventDefault();
		const { version } = data.shop;
		const answer = await call('PUT', '/shop', {
			version,
			name: form.name,
			units: form.units,
			twistSetDeg: degrees(form.set),
			twistAdvisedDeg: degrees(form.advised),
			resetAboveMm: degrees(form.reset)
		});
		refusal = answer.ok ? undefined : answer.refusal;
		kept = answer.ok;
		if (answer.ok) await refresh();
	}
</script>

<div class="mx-auto grid max-w-[1240px] items-start gap-5 p-4 md:p-6 lg:grid-cols-2">
	<section class="panel p-4">
		<h1 class="text-2xl">Shop</h1>
		<form class="mt-3" onsubmit={save} novalidate>
			<fieldset disabled={!lead} class="space-y-4">
				<RefusalNotice
					{refusal}
					fields={['name', 'twistSetDeg', 'twistAdvisedDeg', 'resetAboveMm']}
				/>
				<Field
					label="Name"
					bind:value={form.name}
					fault={faultOf(refusal, 'name')}
					hint="Prints on every sheet"
					maxlength={120}
				/>
				<UnitsFields bind:value={form.units} />
				<div class="grid grid-cols-2 gap-4">
					<Field
						label="A bush is set up to"
						bind:value={form.set}
						fault={faultOf(refusal, 'twistSetDeg')}
						hint="degrees of twist at ride height"
						inputmode="decimal"
					/>
					<Field
						label="Re-set advised up to"
						bind:value={form.advised}
						fault={faultOf(refusal, 'twistAdvisedDeg')}
						hint="degrees; more is wound up"
						inputmode="decimal"
					/>
					<Field
						label="Re-set owed above"
						bind:value={form.reset}
						fault={faultOf(refusal, 'resetAboveMm')}
						hint="mm of changed height: then every bush of the corner, undone or not"
						inputmode="decimal"
					/>
				</div>
				{#if lead}
					<div class="flex items-center gap-3">
						<ActionButton weight="main" type="submit">Keep</ActionButton>{#if kept}<span
								role="status"
								class="text-spruce">Kept.</span
							>{/if}
					</div>
				{:else}<p class="caption">A lead changes these.</p>{/if}
			</fieldset>
		</form>
	</section>
	<PeopleList people={data.people} {lead} />
</div>
