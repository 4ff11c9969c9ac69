<script lang="ts">
	import { retorqueAfterKm } from '$core/procedure/retorque';
	import { personalUnits, shopTime } from '$lib/client/units';
	import PageLinks from '$lib/ui/controls/PageLinks.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';

	let { data } = $props();
	const units = personalUnits();
	const { day } = shopTime();
	const dueBy = (signedAt: string, days: number) =>
		new Date(Date.parse(signedAt) + days * 86_400_000).toISOString();
	const distance = (km: number) => units.show(km, 'distance');
</script>

<div class="mx-auto max-w-[1240px] space-y-4 p-4 md:p-6">
	<div>
		<h1 class="text-3xl">Due</h1>
		<h2 class="mt-2 text-xl">Wheels to check</h2>
		<p class="text-soft">
			Wheel fasteners are torqued again after {distance(retorqueAfterKm.from)} to {distance(
				retorqueAfterKm.to
			)}. {data.due.all
				? `${data.due.all} ${data.due.all === 1 ? 'car' : 'cars'}, longest waiting first.`
				: ''}
		</p>
	</div>
	{#if data.due.all === 0}
		<div class="panel p-8 text-center">
			<p class="text-xl font-semibold">No wheels to check.</p>
			<p class="mt-1 text-soft">A car comes onto this list when its job is signed.</p>
		</div>
	{:else}
		<ul class="panel divide-y divide-line">
			{#each data.due.lines as line (line.id)}
				<li class="flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-3">
					<span class="num w-36 text-2xl">{line.plate}</span>
					<span class="min-w-48 flex-1">
						{[line.car, line.owner].filter(Boolean).join(' · ')}
						{#if line.phone}<a
								class="num ms-2 underline"
								href="tel:{line.phone.replace(/[^+\d]/g, '')}">{line.phone}</a
							>{/if}
						<span class="caption block"
							>Job {line.number}, signed {day(line.signedAt)}, due by {day(
								dueBy(line.signedAt, line.due.days)
							)}</span
						>
					</span>
					<span class="text-ochre">
						{#if line.due.fromKm !== undefined}
							◇ at {distance(line.due.fromKm)} to {distance(line.due.toKm!)}
						{:else}◇ odometer not noted{/if}
					</span>
					<span class="num w-28 text-end text-xl"
						>{line.wheelTorqueNm === null ? '–' : units.show(line.wheelTorqueNm, 'torque')}</span
					>
					<ActionButton href="/jobs/{line.id}/hand-over/retorque">Check, or slip</ActionButton>
				</li>
			{/each}
		</ul>
		<PageLinks page={data.page} more={data.due.more} />
	{/if}
	<h2 class="text-xl">Calibrations</h2>
	{#if data.calibrations.length}
		<ul class="panel divide-y divide-line">
			{#each data.calibrations as one (one.name)}
				<li class="flex min-h-14 flex-wrap items-center gap-x-5 px-4 py-2">
					<span class="min-w-48 flex-1 font-medium">{one.name}</span>
					<span class={one.state === 'lapsed' ? 'font-semibold text-madder' : 'text-ochre'}
						>{one.state === 'lapsed' ? '✕' : '◇'} {one.words}</span
					>
					<span class="num w-32 text-end">{one.until ? day(one.until) : ''}</span>
					<ActionButton href="/rack">To the rack</ActionButton>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="panel p-6 text-soft">Every wrench of the rack is calibrated.</p>
	{/if}
</div>
