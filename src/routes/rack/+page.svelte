<script lang="ts">
	import { calibrationLife, calibrationState, wrenchKindNames } from '$core/fastener/rack';
	import { calibration } from '$core/fastener/wrench';
	import { formatNumber } from '$core/units/format';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import CalibrationForm from '$lib/ui/rack/CalibrationForm.svelte';
	import DeviceList from '$lib/ui/rack/DeviceList.svelte';
	import RangeBar from '$lib/ui/rack/RangeBar.svelte';
	import WrenchForm from '$lib/ui/rack/WrenchForm.svelte';
	import { scaleWords } from '$lib/ui/joints/step-words';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import DataTable from '$lib/ui/controls/DataTable.svelte';

	let { data } = $props();
	const units = personalUnits();
	const lead = $derived(data.person?.role === 'lead');
	const today = new Date().toISOString().slice(0, 10);
	let editing = $state<string>();
	let calibrating = $state<string>();
	let open = $state<string>();
	const marks = { valid: 'done', soon: 'owed', lapsed: 'again' } as const;
	const lowest = $derived(Math.min(5, ...data.wrenches.map(({ lowestNm }) => lowestNm)));
	const highest = $derived(Math.max(400, ...data.wrenches.map(({ highestNm }) => highestNm)));
	const close = () => {
		editing = undefined;
		calibrating = undefined;
	};
</script>

<div class="grid items-start gap-5 p-4 md:p-6 lg:grid-cols-[minmax(0,1fr)_380px]">
	<section class="min-w-0 space-y-4">
		<div class="flex flex-wrap items-center gap-3">
			<div class="me-auto">
				<h1 class="text-2xl">Wrench rack</h1>
				<p class="text-[15px] text-soft">
					Used from 20 to 100 % of the range; calibration lapses after {calibrationLife.months} months
					or
					{calibrationLife.cycles} pulls (ISO 6789-1).
				</p>
			</div>
			{#if lead}<ActionButton onclick={() => (editing = 'new')}>Add a wrench</ActionButton>{/if}
		</div>
		{#if editing === 'new'}<WrenchForm onclose={close} />{/if}
		{#each data.wrenches as wrench (wrench.id)}
			{@const state = calibrationState(wrench, today)}
			{@const history = data.calibrations.filter(({ wrenchId }) => wrenchId === wrench.id)}
			{#if editing === wrench.id}
				<WrenchForm {wrench} onclose={close} />
			{:else if calibrating === wrench.id}
				<CalibrationForm {wrench} onclose={close} />
			{:else}
				<article
					class="panel grid items-center gap-x-5 gap-y-1 px-4 py-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto]"
				>
					<div class="leading-tight">
						<h2 class="text-lg {wrench.retired ? 'text-soft line-through' : ''}">{wrench.name}</h2>
						<p class="caption">
							{wrenchKindNames[wrench.kind]}, {scaleWords(wrench)}{wrench.lengthMm === null
								? ''
								: `, ${units.show(wrench.lengthMm, 'length', { decimals: 0 })}`}
						</p>
						<p class="mt-1 text-[15px]">
							<StateMark
								mark={wrench.retired ? 'note' : marks[state.state]}
								word={wrench.retired ? 'retired' : state.words}
							/>
						</p>
					</div>
					<div>
						<RangeBar {wrench} lowestNm={lowest} highestNm={highest} />
						<p class="caption">
							<span class="num text-base text-ink">{wrench.cycles}</span> pulls since then; range in {units
								.choice.torque}
						</p>
					</div>
					<div class="flex flex-wrap gap-2">
						<ActionButton onclick={() => (calibrating = wrench.id)}>Calibrate</ActionButton>
						{#if lead}<ActionButton onclick={() => (editing = wrench.id)}>Change</ActionButton>{/if}
						{#if history.length}
							<ActionButton
								onclick={() => (open = open === wrench.id ? undefined : wrench.id)}
								aria-expanded={open === wrench.id}>History</ActionButton
							>
						{/if}
					</div>
					{#if open === wrench.id}
						<DataTable size="text-[15px]!" class="col-span-full mt-2">
							<thead class="border-b border-edge"
								><tr
									><th class="text-start">Day</th><th class="text-start">Set → read</th><th
										class="text-start">Verdict</th
									><th class="text-start">By</th></tr
								></thead
							>
							<tbody>
								{#each history as one (one.id)}
									<tr class="border-b border-line align-baseline">
										<td class="py-1">{one.calibratedOn}</td>
										<td
											>{one.readings
												.map(
													({ setNm, readNm }) =>
														`${units.show(setNm, 'torque', { bare: true })} → ${units.show(readNm, 'torque')} (${formatNumber(calibration([{ setNm, readNm }]).readings[0]!.deviation * 100, 1, true)} %)`
												)
												.join(', ')}</td
										>
										<td
											><StateMark
												mark={one.passed ? 'done' : 'again'}
												word={one.passed ? 'passed' : 'failed'}
											/></td
										>
										<td>{data.names[one.personId]}{one.note ? ` · ${one.note}` : ''}</td>
									</tr>
								{/each}
							</tbody>
						</DataTable>
					{/if}
				</article>
			{/if}
		{:else}
			<div class="panel p-8">
				<p class="text-lg font-semibold">No wrench on the rack yet.</p>
				<p class="text-soft">
					With the rack on record the round picks a wrench for each joint and counts its pulls.
				</p>
			</div>
		{/each}
	</section>
	<DeviceList devices={data.devices} held={data.held} wrenches={data.wrenches} {lead} />
</div>
