<script lang="ts">
	import type { Stage } from '$core/procedure/stages';
	import type { Corner } from '$core/height/corners';
	import type { Danger } from '$core/schedule/promise';
	import { formatHours } from '$core/units/format';
	import { shopTime } from '$lib/client/units';
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
		minutesLeft: number | null;
		promisedAt: string | null;
		lastPerson: string;
		lastWhat: string;
		lastAt: string | null;
		/** What stands against its promise, the worst first. */
		dangers?: readonly Danger[];
	}
	let { jobs }: { jobs: Line[] } = $props();
	const times = shopTime();
	const tones = {
		late: { sign: '✕', class: 'font-semibold text-madder' },
		'will-be': { sign: '✕', class: 'text-madder' },
		maybe: { sign: '◇', class: 'text-ochre' }
	} as const;
	/** Said within so long, somebody is on it. */
	const onItMs = 2 * 3_600_000;
	const onIt = (at: string | null) => at !== null && Date.now() - Date.parse(at) < onItMs;
</script>

<ul class="panel divide-y divide-line">
	{#each jobs as job (job.id)}
		{@const open = job.stage !== 'signed'}
		<li>
			<a
				href="/jobs/{job.id}"
				class="grid min-h-18 grid-cols-[auto_1fr] items-center gap-x-5 gap-y-1 px-4 py-2.5 hover:bg-sunk md:grid-cols-[40px_150px_minmax(0,1fr)_190px_190px]"
			>
				<CornerGlyph worked={job.corners} />
				<span>
					<span class="num block text-[22px] leading-tight">{job.plate}</span>
					<span class="caption">{job.number} · {times.shortDay(job.openedAt)}</span>
				</span>
				<span class="min-w-0 max-md:col-span-2">
					<span class="block truncate font-medium">{job.complaint}</span>
					<span class="caption block truncate"
						>{[job.car, job.owner, job.technician].filter(Boolean).join(' · ')}</span
					>
					{#if open && job.lastAt}
						<span class="caption block truncate {onIt(job.lastAt) ? 'text-spruce' : ''}"
							>{onIt(job.lastAt) ? '● ' : ''}{job.lastPerson}: {job.lastWhat.toLowerCase()}, {times.short(
								job.lastAt
							)}</span
						>
					{/if}
				</span>
				<span class="max-md:col-span-2 max-md:max-w-60"><StageSteps stage={job.stage} /></span>
				<span class="leading-tight max-md:col-span-2">
					{#if open && job.owed}<StateMark
							mark="owed"
							word="{job.owed} left{job.minutesLeft ? `, ${formatHours(job.minutesLeft)}` : ''}"
						/>
					{:else if !open}<StateMark
							mark="done"
							word={job.owed ? 'Signed by override' : 'Signed'}
						/>
					{:else}<StateMark mark="set" word="Ready" />{/if}
					{#if open && job.promisedAt}
						<span class="block text-[15px]"
							>for {times.weekday(job.promisedAt)}, {times.time(job.promisedAt)}</span
						>
						{#each (job.dangers ?? []).slice(0, 2) as danger (danger.words)}
							<span class="block text-[15px] {tones[danger.grade].class}"
								>{tones[danger.grade].sign} {danger.words}</span
							>
						{/each}
					{/if}
				</span>
			</a>
		</li>
	{/each}
</ul>
