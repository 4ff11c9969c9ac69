<script lang="ts">
	import { axleOf, type Axle } from '$core/height/corners';
	import { rustFound } from '$core/inspect/points';
	import { findingsOf } from '$core/job/findings';
	import { operations } from '$core/work/operations';
	import {
		axlePlans,
		everyBush,
		rustGrades,
		rustNames,
		soakNeeded,
		type AxleScope,
		type RustGrade,
		type Strategy
	} from '$core/work/scope';
	import { axleLinks, damperOf, springSeat } from '$core/layout/shape';
	import { askedJobs, jobsOf } from '$core/work/jobs';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import WaysForm from './WaysForm.svelte';

	/** What is renewed on each axle, how its threads are, and which way it is gone about. */
	const job = currentJob();
	const scope = $derived(job.work.scope);
	const closed = $derived(job.record.signedAt !== null);
	const axles = $derived(
		(['front', 'rear'] as const).filter((axle) =>
			job.record.corners.some((corner) => axleOf(corner) === axle)
		)
	);
	const plans = $derived(axlePlans(scope));
	const none: AxleScope = { damper: false, spring: false, bushes: false };
	const things = $derived((axle: Axle) => {
		const layout = scope.layouts[axle];
		const air = springSeat(layout) === 'air';
		return [
			{
				key: 'damper' as const,
				name: `${damperOf(layout).name}s`
			},
			...(air ? [] : [{ key: 'spring' as const, name: 'Springs' }]),
			{
				key: 'bushes' as const,
				name: axleLinks(layout).length ? 'Links and bushes' : 'All arm bushes'
			}
		];
	});
	const toggle = (axle: Axle, key: 'damper' | 'spring' | 'bushes') => {
		const now = asked(axle);
		const all = everyBush(scope.layouts[axle]);
		if (key !== 'bushes' || all.length === 0) {
			void job.keep('scope', axle, { ...now, [key]: !now[key] });
			return;
		}
		const others = now.also.filter((id) => !all.includes(id));
		const also = isOn(axle, key) ? others : [...others, ...all];
		void job.keep('scope', axle, { ...now, also });
	};
	/** What is asked for, arm by arm where arms have bushes; of the jobs those that the axle knows as it is built now. */
	const asked = (axle: Axle) => {
		const { damper, spring, bushes, also = [] } = scope.axles[axle] ?? none;
		const all = everyBush(scope.layouts[axle]);
		const ids = [...also, ...(bushes ? all : [])];
		return {
			damper,
			spring,
			bushes: bushes && all.length === 0,
			also: askedJobs(scope.layouts[axle], ids).map(({ id }) => id)
		};
	};
	const isOn = (axle: Axle, key: 'damper' | 'spring' | 'bushes') => {
		const now = asked(axle);
		const all = everyBush(scope.layouts[axle]);
		return (
			now[key] || (key === 'bushes' && all.length > 0 && all.every((id) => now.also.includes(id)))
		);
	};
	const toggleJob = (axle: Axle, id: string) => {
		const { also, ...now } = asked(axle);
		const next = also.includes(id) ? also.filter((one) => one !== id) : [...also, id];
		void job.keep('scope', axle, { ...now, also: next });
	};
	const change = (part: Partial<Strategy>) =>
		void job.keep('strategy', 'car', { ...scope.strategy, ...part });
	const rustSeen = $derived(rustFound(findingsOf(job.work.book)));
	const rustHours = $derived(soakNeeded(scope.rust, scope.strategy));
</script>

<section class="panel space-y-4 p-4" aria-labelledby="scope-title">
	<h2 id="scope-title" class="text-lg">What is renewed</h2>
	{#each axles as axle (axle)}
		<div>
			<p class="text-[15px]">
				<b class="capitalize">{axle}</b> <span class="caption">{scope.layouts[axle].name}</span>
			</p>
			<div class="mt-1 flex flex-wrap gap-2" role="group" aria-label="Renewed, {axle}">
				{#each things(axle) as thing (thing.key)}
					{@const on = isOn(axle, thing.key)}
					<button
						type="button"
						class="touch rounded-[3px] border px-4 {on
							? 'border-2 border-spruce bg-spruce-wash font-semibold'
							: 'border-edge bg-panel hover:bg-sunk'}"
						aria-pressed={on}
						disabled={closed}
						onclick={() => toggle(axle, thing.key)}>{on ? '✓ ' : ''}{thing.name}</button
					>
				{/each}
			</div>
			<div
				class="mt-2 flex flex-wrap gap-2 text-[15px]"
				role="group"
				aria-label="Also renewed, {axle}"
			>
				{#each jobsOf(scope.layouts[axle]) as { id, name } (id)}
					{@const on = asked(axle).also.includes(id)}
					<button
						type="button"
						class="min-h-12 rounded-[3px] border px-3 {on
							? 'border-2 border-spruce bg-spruce-wash font-semibold'
							: 'border-edge bg-panel hover:bg-sunk'}"
						aria-pressed={on}
						disabled={closed}
						onclick={() => toggleJob(axle, id)}>{on ? '✓ ' : ''}{name}</button
					>
				{/each}
			</div>
		</div>
	{/each}
	<Choice
		label="Threads as found"
		row
		value={scope.rust}
		disabled={closed}
		onpick={(grade: RustGrade) => void job.keep('rust', 'car', { grade })}
		options={rustGrades.map((value) => ({ value, name: rustNames[value] }))}
	/>
	{#if rustSeen && !job.work.book.get('rust')}<p class="caption">
			As the threads looked that were looked at.
		</p>{/if}
	{#if scope.rust !== 'none' && plans.length}
		<Choice
			label="Oil on the threads"
			row
			value={scope.strategy.soak ?? 'evening'}
			disabled={closed}
			onpick={(soak) => change({ soak })}
			options={[
				{ value: 'evening', name: 'The evening before' },
				{ value: 'wheel-off', name: 'With the wheel off' }
			]}
		/>
	{/if}
	{#if rustHours}<p class="caption">
			{operations.soak.title} the evening before: {rustHours} h until the first spanner.
		</p>{/if}
	{#if plans.length}<WaysForm {change} />{/if}
</section>
