<script lang="ts">
	import { shopTime } from '$lib/client/units';
	import type { Stage } from '$core/procedure/stages';
	import type { Corner } from '$core/height/corners';
	import CornerGlyph from '$lib/ui/car-plan/CornerGlyph.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import StageSteps from './StageSteps.svelte';

	interface Line {
		id: string;
		number: string;
		plate: string;
		car: string;
		owner: string;
		complaint: string;
		corners: Corner[];
		technician: string;
		openedAt: string;
		stage: Stage | 'signed';
		owed: number;
	}
	let { jobs }: { jobs: Line[] } = $props();
	const { shortDay: day } = shopTime();
</script>

<ul class="panel divide-y divide-line">
	{#each jobs as job (job.id)}
		<li>
			<a
				href="/jobs/{job.id}"
				class="grid min-h-18 grid-cols-[auto_1fr] items-center gap-x-5 gap-y-1 px-4 py-2.5 hover:bg-sunk md:grid-cols-[40px_150px_minmax(0,1fr)_190px_130px]"
			>
				<CornerGlyph worked={job.corners} />
				<span>
					<span class="num block text-[22px] leading-tight">{job.plate}</span>
					<span class="caption">{job.number} · {day(job.openedAt)}</span>
				</span>
				<span class="min-w-0 max-md:col-span-2">
					<span class="block truncate font-medium">{job.complaint}</span>
					<span class="caption block truncate"
						>{[job.car, job.owner, job.technician].filter(Boolean).join(' · ')}</span
					>
				</span>
				<span class="max-md:col-span-2 max-md:max-w-60"><StageSteps stage={job.stage} /></span>
				<span class="max-md:col-span-2">
					{#if job.owed && job.stage !== 'signed'}<StateMark mark="owed" word="{job.owed} left" />
					{:else if job.stage === 'signed'}<StateMark
							mark="done"
							word={job.owed ? 'Signed by override' : 'Signed'}
						/>
					{:else}<StateMark mark="set" word="Nothing owed" />{/if}
				</span>
			</a>
		</li>
	{/each}
</ul>
