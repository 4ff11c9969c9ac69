<script lang="ts">
	import { axleOf, cornerNames, corners } from '$core/height/corners';
	import { programmeWords } from '$core/fastener/joint-programme';
	import { threadName } from '$core/fastener/thread';
	import { findLayout } from '$core/layout/catalogue';
	import { jointKindNames, tightenRuleNames } from '$core/layout/types';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import KnownTorques from '$lib/ui/joints/KnownTorques.svelte';
	import OpenHardware from '$lib/ui/joints/OpenHardware.svelte';
	import JointForm from '$lib/ui/joints/JointForm.svelte';
	import { markOf } from '$lib/ui/joints/joint-words';
	import { plausible } from '$core/job/joints';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	const job = currentJob();
	const units = personalUnits();
	let editing = $state<string>();
	const worked = $derived(corners.filter((corner) => job.record.corners.includes(corner)));
	const showNm = (nm: number) => units.show(nm, 'torque', { decimals: nm < 20 ? 1 : 0 });
	const sources = { maker: 'maker', shop: 'shop', estimated: 'estimated' };
	const unspecified = $derived(
		job.record.joints.filter((j) => j.torqueNm === null && j.kind !== 'cushion').length
	);
</script>

<div class="space-y-4 p-4 md:px-6">
	<div class="flex flex-wrap items-center gap-3">
		<div class="me-auto">
			<h1 class="text-2xl">Joints</h1>
			<p class="text-[15px] text-soft">
				The layout’s joints at each worked corner. Type the maker’s torque; a bonded bush always
				waits for ride height.
				{#if unspecified}<span class="text-ochre">{unspecified} without a specified torque.</span
					>{/if}
			</p>
		</div>
		{#if !job.record.signedAt}<ActionButton onclick={() => (editing = 'new')}
				>Add a joint</ActionButton
			>{/if}
	</div>
	<KnownTorques />
	<OpenHardware />
	{#if editing === 'new'}<JointForm onclose={() => (editing = undefined)} />{/if}

	<div class="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-2">
		{#each worked as corner (corner)}
			<section class="panel" aria-labelledby="joints-{corner}">
				<div class="flex items-baseline justify-between px-4 pt-3">
					<h2 id="joints-{corner}" class="text-lg">{cornerNames[corner]}</h2>
					<span class="caption"
						>{findLayout(job.record.vehicle.axles[axleOf(corner)].layout)?.name}</span
					>
				</div>
				<ul class="divide-y divide-line">
					{#each job.record.joints.filter((joint) => joint.corner === corner) as joint (joint.id)}
						{@const status = job.view.standing.joints.get(joint.id)!}
						<li>
							{#if editing === joint.id}
								<JointForm {joint} onclose={() => (editing = undefined)} />
							{:else}
								<button
									type="button"
									disabled={job.record.signedAt !== null}
									onclick={() => (editing = joint.id)}
									class="grid min-h-14 w-full grid-cols-[1fr_auto] items-center gap-x-4 px-4 py-1.5 text-start enabled:hover:bg-sunk"
								>
									<span class="leading-tight">
										{joint.name}
										<span class="caption block"
											>{jointKindNames[joint.kind]} · {tightenRuleNames[
												joint.rule
											].toLowerCase()}{joint.oneTime ? ' · used once' : ''}{joint.thread
												? ` · ${threadName(joint.thread)} ${joint.thread.propertyClass}`
												: ''}{programmeWords(joint.programme, showNm)
												? ` · ${programmeWords(joint.programme, showNm)}`
												: ''}
											{#if !status.owed}<StateMark
													mark={markOf(status).mark}
													word={markOf(status).word}
												/>{/if}</span
										>
									</span>
									<span class="text-end leading-tight">
										{#if plausible(joint)?.plausible === false}<StateMark
												mark="again"
												word="unit or thread?"
											/>{/if}
										{#if joint.torqueNm !== null}
											<span class="num text-xl"
												>{units.show(joint.torqueNm, 'torque', {
													decimals: joint.torqueNm < 20 ? 1 : 0
												})}</span
											>
											<span
												class="caption block {joint.torqueSource === 'estimated'
													? 'text-ochre'
													: ''}">{sources[joint.torqueSource!]}</span
											>
										{:else if joint.kind === 'cushion'}<span class="caption">as seen</span>
										{:else}<StateMark mark="owed" word="torque?" />{/if}
									</span>
								</button>
							{/if}
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
</div>
