<script lang="ts">
	import { axleOf, cornerNames, corners } from '$core/height/corners';
	import { schools } from '$core/height/schools';
	import { findLayout } from '$core/layout/catalogue';
	import { tightenRuleNames } from '$core/layout/types';
	import { owedLine } from '$core/procedure/owed';
	import { loadMethodNames, sightNames } from '$core/procedure/facts';
	import { formatNumber } from '$core/units/format';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import { programmeWords } from '$core/fastener/joint-programme';
	import { threadConditionNames } from '$core/fastener/lubrication';
	import { lubricated } from '$core/job/joints';
	import type { Joint } from '$core/job/model';
	import { loadedStanding } from '$core/job/view';
	import ProofLine from './ProofLine.svelte';
	import WorkSection from './WorkSection.svelte';
	import CompareTable from '$lib/ui/heights/CompareTable.svelte';

	/** The job as one clean page, on screen and on paper. */
	let { shopName }: { shopName: string } = $props();
	const job = currentJob();
	const units = personalUnits();
	const record = $derived(job.record);
	const worked = $derived(corners.filter((corner) => record.corners.includes(corner)));
	const owed = $derived(job.view.standing.owed);
	const estimated = $derived(record.joints.some((joint) => joint.torqueSource === 'estimated'));
	const assumed = $derived(
		worked.some((corner) => record.vehicle.axles[axleOf(corner)].armLengthMm === null)
	);
	const verdicts = { set: 'set', 're-set-advised': 're-set advised', 'wound-up': 'WOUND UP' };
	const sources = { maker: 'maker', shop: 'shop', estimated: 'estimated' };
	/** Programme, thread, wrench overrides and what was passed over: what the columns have no room for. */
	function notes(joint: Joint): string {
		const show = (nm: number) => units.show(nm, 'torque', { decimals: nm < 20 ? 1 : 0 });
		const wet = lubricated(joint);
		const status = job.view.standing.joints.get(joint.id)!;
		const overrides = record.torques
			.filter((row) => row.jointId === joint.id && row.overrideReason && !row.withdrawn)
			.map((row) => `${row.wrench} used all the same: ${row.overrideReason}`);
		return [
			programmeWords(joint.programme, show),
			wet &&
				`${threadConditionNames[joint.thread!.condition].toLowerCase()} thread: pulled to ${show(wet.torqueNm)}`,
			...new Set(overrides),
			status.owed && status.reason
		]
			.filter(Boolean)
			.join('; ');
	}
	const moment = (at: string) =>
		new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
	const conditions = (phase: 'before' | 'after') => {
		const set = record.heightSets[phase];
		if (!set) return 'not noted';
		const c = set.conditions;
		const yes = [
			c.levelFloor && 'level floor',
			c.rolledAndBounced && 'rolled and bounced',
			c.steeringAhead && 'steering ahead',
			c.brakesOff && 'brakes off'
		];
		return [...yes, c.tyrePressures, c.fuel && `fuel ${c.fuel}`, c.load].filter(Boolean).join(', ');
	};
</script>

<article
	class="sheet mx-auto w-full max-w-[900px] min-w-0 bg-panel p-6 text-[15px] shadow-sm md:p-9 print:max-w-none print:p-0 print:shadow-none"
>
	<header class="flex flex-wrap justify-between gap-x-6 gap-y-2 border-b-2 border-ink pb-3">
		<div>
			<p class="text-soft">{shopName}</p>
			<h1 class="num text-3xl">{record.vehicle.plate}</h1>
			<p>
				{record.vehicle.make}
				{record.vehicle.model}
				{record.vehicle.modelYear ?? ''}{record.vehicle.owner ? ` · ${record.vehicle.owner}` : ''}
			</p>
		</div>
		<dl class="grid grid-cols-[auto_auto] content-start gap-x-4 text-end">
			<dt class="text-soft">Job</dt>
			<dd class="font-semibold">{record.number}</dd>
			<dt class="text-soft">Opened</dt>
			<dd>{moment(record.openedAt)}</dd>
			<dt class="text-soft">Odometer</dt>
			<dd>{record.odometerEntered ?? 'not noted'}</dd>
			<dt class="text-soft">Technician</dt>
			<dd>{job.personName(record.technicianId ?? '') || 'not named'}</dd>
		</dl>
	</header>
	<p class="mt-3"><b>Complaint:</b> {record.complaint}</p>
	<p>
		<b>Worked on:</b>
		{worked.map((corner) => cornerNames[corner]).join(', ')}{record.vehicle.modifications
			? `. Modifications: ${record.vehicle.modifications}`
			: ''}
	</p>

	<WorkSection />

	{#if record.signOff?.overrideReason}
		<section class="mt-4 border-2 border-madder p-3">
			<h2 class="font-bold text-madder">
				Signed by override with {record.signOff.owed.length} owed
			</h2>
			<p>“{record.signOff.overrideReason}” {job.personName(record.signOff.personId)}</p>
			<ul class="list-disc ps-5">
				{#each record.signOff.owed as line (line)}<li>{line}</li>{/each}
			</ul>
		</section>
	{:else if !record.signedAt}
		<p class="mt-4 border-2 border-ochre p-3 font-semibold text-ochre">
			Not signed. {owed.length ? `${owed.length} still owed.` : 'Nothing owed.'}
		</p>
	{/if}

	<section class="mt-5">
		<h2 class="mb-1 text-lg">Ride height, {schools[record.school].name.toLowerCase()}</h2>
		<CompareTable />
		<p class="caption mt-1">
			Before: {conditions('before')}. After: {conditions('after')}. Left to right up to 5 mm is
			normal, over 10 mm needs a reason (common practice).
		</p>
	</section>

	{#each worked as corner (corner)}
		<section class="mt-5">
			<h2 class="text-lg">
				{cornerNames[corner]}
				<span class="caption font-normal"
					>{findLayout(record.vehicle.axles[axleOf(corner)].layout)?.name}</span
				>
			</h2>
			<!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls sideways on a phone, also by keyboard) -->
			<div
				class="overflow-x-auto"
				tabindex="0"
				role="region"
				aria-label="Joints, {cornerNames[corner]}"
			>
				<table class="w-full">
					<thead class="border-b-2 border-edge text-start text-[13px]">
						<tr
							><th class="py-1 text-start">Joint</th><th class="text-end">Specified</th><th
								class="ps-4 text-start">Recorded</th
							><th class="ps-3 text-start">Car</th><th class="text-end">Twist</th><th
								class="ps-4 text-start">State</th
							><th class="ps-3 text-start">By</th></tr
						>
					</thead>
					<tbody>
						{#each record.joints.filter((joint) => joint.corner === corner) as joint (joint.id)}
							{@const torque = job.view.torques.get(joint.id)}
							{@const status = job.view.standing.joints.get(joint.id)!}
							<tr class="border-b border-line align-baseline [&>td]:py-1">
								<td class="pe-2"
									>{joint.name}{joint.oneTime ? ' *' : ''}
									{#if notes(joint)}<span class="block text-[13px] text-soft">{notes(joint)}</span
										>{/if}</td
								>
								<td class="text-end font-semibold whitespace-nowrap"
									>{joint.torqueNm === null
										? joint.kind === 'cushion'
											? 'as seen'
											: '–'
										: units.show(joint.torqueNm, 'torque', {
												decimals: joint.torqueNm < 20 ? 1 : 0
											})}{joint.torqueSource && joint.torqueSource !== 'maker'
										? ` (${sources[joint.torqueSource]})`
										: ''}</td
								>
								<td class="ps-4 whitespace-nowrap"
									>{torque
										? torque.seen
											? sightNames[torque.seen]
											: torque.entered
										: '–'}{status.actions > 1
										? `, step ${status.done} of ${status.actions}`
										: ''}</td
								>
								<td class="ps-3"
									>{torque
										? torque.carState === 'hanging'
											? 'hanging'
											: `${loadMethodNames[torque.method!].toLowerCase()}${torque.hubToArchEntered ? `, ${torque.hubToArchEntered}` : ''}`
										: ''}</td
								>
								<td class="text-end font-semibold whitespace-nowrap"
									>{torque?.bush
										? `${formatNumber(torque.bush.twistDeg, 1, true)}° ± ${formatNumber(torque.bush.twistExpandedDeg, 1)}°`
										: ''}</td
								>
								<td class="ps-4 {status.owed ? 'font-semibold text-madder' : ''}"
									>{torque?.bush ? verdicts[torque.bush.verdict] : status.state}{status.owed
										? ', owed'
										: ''}</td
								>
								<td class="ps-3 whitespace-nowrap"
									>{torque ? job.personName(torque.personId).split(' ')[0] : ''}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
			{#if record.loadings.some((look) => look.corner === corner)}
				<p class="mt-1 text-[13px]">
					<b>Loaded:</b>
					{record.loadings
						.filter((look) => look.corner === corner)
						.map(
							(look) =>
								`${look.entered} ${loadMethodNames[look.method].toLowerCase()}${look.oppositeNowMm === null ? '' : ` (opposite corner moved ${units.show(look.oppositeNowMm - look.oppositeBeforeMm!, 'length')})`}`
						)
						.join('; ')}{loadedStanding(record, corner, job.limits)
						? `. ${loadedStanding(record, corner, job.limits)!.words}.`
						: ''}
				</p>
			{/if}
		</section>
	{/each}
	<p class="caption mt-1">
		* used once: renewed. Tightened {tightenRuleNames['ride-height'].toLowerCase()}: bonded bushes.
		Twist: what the bush keeps at ride height, with its 95 % band.
	</p>

	{#if !record.signedAt && owed.length}
		<section class="mt-5 break-inside-avoid">
			<h2 class="text-lg">Still owed</h2>
			<ul class="columns-1 gap-8 sm:columns-2">
				{#each owed as item (item.corner + item.text)}<li class="break-inside-avoid">
						◇ {owedLine(item)}
					</li>{/each}
			</ul>
		</section>
	{/if}

	<section class="mt-5 break-inside-avoid border-t border-edge pt-3 text-[13px]">
		<h2 class="text-[15px] font-bold">Cautions</h2>
		<p>
			Wheel fasteners: check the torque again after 50 to 100 km. New springs settle a few
			millimetres in the first weeks; read the heights again then. Alignment after any change of
			height or of a part that sets geometry.
			{#if estimated}Torques marked “estimated” are not the maker’s.{/if}
			{#if assumed}Twist figures rest on an assumed arm length where none was taped; their band says
				how far.{/if}
			Vane Set computes and records; the maker’s service information, local codes and licensed practice
			decide.
		</p>
		<ProofLine />
		<div class="mt-6 grid grid-cols-2 gap-10">
			<p class="border-t border-ink pt-1">
				{record.signOff
					? `${job.personName(record.signOff.personId)}, ${moment(record.signOff.signedAt)}`
					: 'Technician, date'}
			</p>
			<p class="border-t border-ink pt-1">Customer</p>
		</div>
	</section>
</article>

<style>
	@media print {
		.sheet {
			font-size: 9.5pt;
		}
		.sheet table {
			font-size: 8.5pt;
		}
		.sheet section {
			break-inside: auto;
		}
		.sheet tr {
			break-inside: avoid;
		}
	}
</style>
