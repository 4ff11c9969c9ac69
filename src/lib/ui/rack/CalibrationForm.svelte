<script lang="ts">
	import { calibration, permittedDeviation } from '$core/fastener/wrench';
	import { formatNumber } from '$core/units/format';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import { call, faultOf, type Refusal } from '$lib/client/api';
	import { refresh } from '$lib/client/refresh';
	import { personalUnits } from '$lib/client/units';
	import type { ShopWrench } from '$lib/rack/model';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { v7 as uuidv7 } from 'uuid';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	/** Readings against a reference at 20, 60 and 100 % of the range, judged as they are typed. */
	let { wrench, onclose }: { wrench: ShopWrench; onclose: () => void } = $props();
	const units = personalUnits();
	const shares = [0.2, 0.6, 1];
	const form = $state({
		calibratedOn: new Date().toISOString().slice(0, 10),
		note: '',
		points: shares.map((share) => ({
			set: units.show(share * wrench.highestNm, 'torque', { decimals: 1 }),
			read: ''
		}))
	});
	let refusal = $state<Refusal>();
	const id = uuidv7();

	const nm = (text: string) => {
		const parsed = parseQuantity(text, 'torque', {
			field: 'torque',
			defaultUnit: units.choice.torque
		});
		return parsed.ok ? parsed.value.si : undefined;
	};
	const judged = $derived(
		form.points.map(({ set, read }) => {
			const [setNm, readNm] = [nm(set), nm(read)];
			if (setNm === undefined || !readNm) return undefined;
			return { ...calibration([{ setNm, readNm }], wrench.highestNm).readings[0]!, setNm };
		})
	);
	const passes = $derived(judged.every(Boolean) ? judged.every((one) => one!.passes) : undefined);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const unit = units.choice.torque;
		const answer = await call('POST', `/wrenches/${wrench.id}/calibrations`, {
			id,
			calibratedOn: form.calibratedOn,
			note: form.note,
			readings: form.points.map(({ set, read }) => ({
				set: withMeantUnit(set, unit),
				read: withMeantUnit(read, unit)
			}))
		});
		refusal = answer.ok ? undefined : answer.refusal;
		if (!answer.ok) return;
		await refresh();
		onclose();
	}
</script>

<form
	class="panel space-y-4 border-2 border-spruce p-4"
	onsubmit={save}
	novalidate
	data-draft="calibration {wrench.id}"
>
	<h2 class="text-xl">{wrench.name}: calibration</h2>
	<RefusalNotice {refusal} fields={['calibratedOn', 'note']} />
	<DataTable>
		<thead class="text-start text-[15px]"
			><tr
				><th class="text-start">Of the range</th><th class="text-start">Set on the wrench</th><th
					class="ps-3 text-start">Reference read</th
				><th class="ps-3 text-start">Off by</th></tr
			></thead
		>
		<tbody>
			{#each form.points as point, i (i)}
				{@const one = judged[i]}
				<tr class="align-top">
					<td class="num pt-9 text-xl">{formatNumber(shares[i]! * 100, 0)} %</td>
					<td
						><QuantityField
							label="Set at {formatNumber(shares[i]! * 100, 0)} %"
							dimension="torque"
							bind:value={point.set}
							fault={faultOf(refusal, `readings.${i}.set`)}
						/></td
					>
					<td class="ps-3"
						><QuantityField
							label="Read at {formatNumber(shares[i]! * 100, 0)} %"
							dimension="torque"
							bind:value={point.read}
							fault={faultOf(refusal, `readings.${i}.read`)}
						/></td
					>
					<td class="ps-3 pt-9">
						{#if one}
							<StateMark
								mark={one.passes ? 'done' : 'again'}
								word="{formatNumber(one.deviation * 100, 1, true)} % of ±{formatNumber(
									permittedDeviation(one.setNm) * 100,
									0
								)} %"
							/>
						{/if}
					</td>
				</tr>
			{/each}
		</tbody>
	</DataTable>
	<div class="grid gap-4 sm:grid-cols-2">
		<Field
			label="Day"
			bind:value={form.calibratedOn}
			fault={faultOf(refusal, 'calibratedOn')}
			hint="Year-month-day"
		/>
		<Field
			label="Note"
			bind:value={form.note}
			fault={faultOf(refusal, 'note')}
			maxlength={500}
			hint="The reference used, its certificate"
		/>
	</div>
	<p role="status" class="text-lg">
		{#if passes === true}<StateMark mark="set" word="Passes by ISO 6789-1" />
		{:else if passes === false}<StateMark
				mark="again"
				word="Fails: not to be used until it is adjusted"
			/>
		{:else}<span class="text-soft">Three readings decide.</span>{/if}
	</p>
	<div class="flex gap-3">
		<ActionButton weight="main" type="submit">Keep the calibration</ActionButton>
		<ActionButton class="min-h-16" onclick={onclose}>Cancel</ActionButton>
	</div>
</form>
