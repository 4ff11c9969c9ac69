<script lang="ts">
	import { numberOf } from '$core/units/parse';
	import { refresh } from '$lib/client/refresh';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { isTimeZone } from '$core/units/moments';
	import WalkPicker from '$lib/ui/car-plan/WalkPicker.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import UnitsFields from '$lib/ui/controls/UnitsFields.svelte';
	import KnowledgeFile from '$lib/ui/knowledge/KnowledgeFile.svelte';
	import SealKeys from '$lib/ui/frame/SealKeys.svelte';
	import PeopleList from '$lib/ui/frame/PeopleList.svelte';

	let { data } = $props();
	const lead = $derived(data.person?.role === 'lead');
	// svelte-ignore state_referenced_locally (the form starts from what is on record and then leads)
	let form = $state({
		name: data.shop.name,
		units: { ...data.shop.units },
		clock: { ...data.shop.clock },
		walk: [...data.shop.walk],
		set: String(data.shop.twistSetDeg),
		advised: String(data.shop.twistAdvisedDeg),
		reset: String(data.shop.resetAboveMm),
		bays: String(data.shop.bays),
		lifts: String(data.shop.lifts),
		technicians: String(data.shop.technicians),
		currency: data.shop.costs.currency,
		labourPerHour: String(data.shop.costs.labourPerHour),
		waitPerHour: String(data.shop.costs.waitPerHour),
		partWaitHours: String(data.shop.costs.partWaitHours),
		linkPrice: String(data.shop.costs.linkPrice),
		returnLoss: String(Math.round(data.shop.costs.returnLoss * 100)),
		compressorHookN: String(data.shop.costs.compressorHookN),
		compressorScrews: String(data.shop.costs.compressorScrews),
		compressorHooksPerScrew: String(data.shop.costs.compressorHooksPerScrew)
	});
	let refusal = $state<Refusal>();
	/** The form that was sent last. */
	let sent = $state<'shop' | 'means'>();

	const degrees = (text: string) => (text.trim() === '' ? text : numberOf(text));
	/** Typed in percent. */
	const share = (text: string) => {
		const number = degrees(text);
		return typeof number === 'number' ? number / 100 : number;
	};
	const limitFields = [
		['set', 'twistSetDeg', 'A bush is set up to', 'degrees of twist at ride height'],
		['advised', 'twistAdvisedDeg', 'Re-set advised up to', 'degrees; more is wound up'],
		[
			'reset',
			'resetAboveMm',
			'Re-set owed above',
			'mm of changed height: then every bush of the corner'
		]
	] as const;
	const placeFields = [
		['bays', 'Bays', 'cars in the shop at once'],
		['lifts', 'Lifts', 'of the bays, those with one'],
		['technicians', 'People', 'who work on cars at the same time']
	] as const;
	const costFields = [
		['currency', 'Currency', 'three letters, as EUR'],
		['labourPerHour', 'Labour, an hour', 'for complete unit or rebuild'],
		['waitPerHour', 'A car waiting on the lift, an hour', 'for what belongs on the shelf'],
		['partWaitHours', 'A part not ordered takes', 'hours until it is here'],
		['linkPrice', 'A drop link costs', 'for what belongs on the shelf'],
		['returnLoss', 'Lost on a part sent back', 'percent of its price'],
		['compressorHookN', 'Spring compressor bears', 'N a hook, as its maker says'],
		['compressorScrews', 'Its screws', 'that draw the spring together'],
		['compressorHooksPerScrew', 'Hooks at each end of a screw', 'which share its force']
	] as const;
	const known = [
		'name',
		'clock.timeZone',
		...limitFields.map(([, field]) => field),
		...placeFields.map(([key]) => key),
		...costFields.map(([key]) => `costs.${key}`)
	];
	async function save(event: SubmitEvent, of: 'shop' | 'means') {
		event.preventDefault();
		const { version } = data.shop;
		const answer = await call('PUT', '/shop', {
			version,
			name: form.name,
			units: form.units,
			clock: form.clock,
			walk: form.walk,
			twistSetDeg: degrees(form.set),
			twistAdvisedDeg: degrees(form.advised),
			resetAboveMm: degrees(form.reset),
			bays: degrees(form.bays),
			lifts: degrees(form.lifts),
			technicians: degrees(form.technicians),
			costs: {
				currency: form.currency.trim().toUpperCase(),
				labourPerHour: degrees(form.labourPerHour),
				waitPerHour: degrees(form.waitPerHour),
				partWaitHours: degrees(form.partWaitHours),
				linkPrice: degrees(form.linkPrice),
				returnLoss: share(form.returnLoss),
				compressorHookN: degrees(form.compressorHookN),
				compressorScrews: degrees(form.compressorScrews),
				compressorHooksPerScrew: degrees(form.compressorHooksPerScrew)
			}
		});
		refusal = answer.ok ? undefined : answer.refusal;
		sent = of;
		if (answer.ok) await refresh();
	}
</script>

{#snippet keep(of: 'shop' | 'means')}
	{#if sent === of}<RefusalNotice {refusal} fields={known} />{/if}
	{#if lead}
		<div class="flex items-center gap-3">
			<ActionButton weight="main" type="submit">Keep</ActionButton
			>{#if sent === of && !refusal}<span role="status" class="text-spruce">Kept.</span>{/if}
		</div>
	{:else}<p class="caption">A lead changes these.</p>{/if}
{/snippet}

<div class="mx-auto grid max-w-[1240px] items-start gap-5 p-4 md:p-6 lg:grid-cols-2">
	<div class="space-y-5">
		<section class="panel p-4">
			<h1 class="text-2xl">Shop</h1>
			<form class="mt-3" onsubmit={(event) => save(event, 'shop')} novalidate>
				<fieldset disabled={!lead} class="space-y-4">
					<Field
						label="Name"
						bind:value={form.name}
						fault={faultOf(refusal, 'name')}
						hint="Prints on every sheet"
						maxlength={120}
					/>
					<UnitsFields bind:value={form.units} />
					<div class="flex flex-wrap items-start gap-x-8 gap-y-4">
						<div class="w-64">
							<Field
								label="Time zone"
								bind:value={form.clock.timeZone}
								list="time-zones"
								fault={faultOf(refusal, 'clock.timeZone') ??
									(isTimeZone(form.clock.timeZone)
										? undefined
										: 'is no time zone: write it as Europe/Oslo')}
								hint="All times are told in it, on every screen and sheet"
								maxlength={64}
							/>
							<datalist id="time-zones">
								{#each Intl.supportedValuesOf('timeZone') as zone (zone)}<option value={zone}
									></option>{/each}
							</datalist>
						</div>
						<Choice
							label="Clock"
							bind:value={form.clock.hours}
							options={[
								{ value: '24', name: '14:05' },
								{ value: '12', name: '2:05 pm' }
							]}
						/>
						<WalkPicker bind:value={form.walk} />
					</div>
					<div class="grid grid-cols-3 gap-4">
						{#each limitFields as [key, field, label, hint] (key)}
							<Field
								{label}
								bind:value={form[key]}
								fault={faultOf(refusal, field)}
								{hint}
								inputmode="decimal"
							/>
						{/each}
					</div>
					{@render keep('shop')}
				</fieldset>
			</form>
		</section>
		<PeopleList people={data.people} {lead} />
	</div>
	<div class="space-y-5">
		<section class="panel p-4">
			<h2 class="text-2xl">What the shop reckons with</h2>
			<form class="mt-3" onsubmit={(event) => save(event, 'means')} novalidate>
				<fieldset disabled={!lead} class="space-y-4">
					<div class="grid grid-cols-3 gap-4">
						{#each placeFields as [key, label, hint] (key)}
							<Field
								{label}
								bind:value={form[key]}
								fault={faultOf(refusal, key)}
								{hint}
								inputmode="numeric"
							/>
						{/each}
					</div>
					<div class="grid grid-cols-2 gap-4">
						{#each costFields as [key, label, hint] (key)}
							<Field
								{label}
								bind:value={form[key]}
								fault={faultOf(refusal, `costs.${key}`)}
								{hint}
								inputmode={key === 'currency' ? 'text' : 'decimal'}
							/>
						{/each}
					</div>
					{@render keep('means')}
				</fieldset>
			</form>
		</section>
		<KnowledgeFile {lead} />
		<SealKeys {lead} />
	</div>
</div>
