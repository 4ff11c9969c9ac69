<script lang="ts">
	import { axleOf, type Axle } from '$core/height/corners';
	import { rustFound } from '$core/inspect/points';
	import { findingsOf } from '$core/job/findings';
	import { kinds } from '$core/work/kinds';
	import {
		axlePlans,
		rustGrades,
		rustNames,
		soakNeeded,
		type AxleScope,
		type RustGrade,
		type Strategy
	} from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';

	/** What is renewed on each axle, and which way it is gone about. */
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
		const { build } = scope.layouts[axle];
		return [
			{
				key: 'damper' as const,
				name:
					build.spring === 'air' ? 'Air struts' : build.damper === 'strut' ? 'Struts' : 'Dampers'
			},
			...(build.spring === 'air' ? [] : [{ key: 'spring' as const, name: 'Springs' }]),
			{ key: 'bushes' as const, name: build.links ? 'Links and bushes' : 'Arm bushes' }
		];
	});
	const toggle = (axle: Axle, key: 'damper' | 'spring' | 'bushes') => {
		const { damper, spring, bushes } = scope.axles[axle] ?? none;
		const now = { damper, spring, bushes };
		void job.keep('scope', axle, { ...now, [key]: !now[key] });
	};
	const change = (part: Partial<Strategy>) =>
		void job.keep('strategy', 'car', { ...scope.strategy, ...part });
	const onDamper = $derived(
		plans.some(({ damperOut, layout }) => damperOut && layout.build.spring === 'on-damper')
	);
	const onArm = $derived(
		plans.some(({ spring, layout }) => spring && layout.build.spring === 'on-arm')
	);
	const dampers = $derived(plans.some(({ damperOut }) => damperOut));
	const bothSides = $derived(plans.some(({ corners }) => corners.length === 2));
	const beam = $derived(
		plans.some(({ layout, armSpring }) => layout.build.oneBody && armSpring === 'lower-arm')
	);
	const rustSeen = $derived(rustFound(findingsOf(job.work.book)));
	const rustHours = $derived(soakNeeded(scope.rust));
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
					{@const on = scope.axles[axle]?.[thing.key] ?? false}
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
	{#if rustHours}<p class="caption">
			{kinds.soak.title} the evening before: {rustHours} h until the first spanner.
		</p>{/if}
	{#if plans.length}
		<h2 class="border-t border-line pt-3 text-lg">Which way</h2>
		{#if onDamper}
			<Choice
				label="Struts"
				row
				value={scope.strategy.assembly}
				disabled={closed}
				onpick={(assembly) => change({ assembly })}
				options={[
					{ value: 'rebuild', name: 'Rebuilt on the bench' },
					{ value: 'complete', name: 'Complete unit' }
				]}
			/>
		{/if}
		{#if onArm}
			<Choice
				label="Springs on the arm"
				row
				value={scope.strategy.springOut}
				disabled={closed}
				onpick={(springOut) => change({ springOut })}
				options={[
					{ value: 'lower-arm', name: 'Let the arm down' },
					{ value: 'internal-compressor', name: 'Internal compressor' }
				]}
			/>
		{/if}
		{#if dampers}
			<Choice
				label="Comes off first"
				row
				value={scope.strategy.first}
				disabled={closed}
				onpick={(first) => change({ first })}
				options={[
					{ value: 'bottom', name: 'Lower end' },
					{ value: 'top', name: 'Upper end' }
				]}
			/>
		{/if}
		{#if bothSides}
			<Choice
				label="Sides"
				row
				value={scope.strategy.sides}
				disabled={closed}
				onpick={(sides) => change({ sides })}
				options={[
					{ value: 'one-by-one', name: 'One after the other' },
					{ value: 'together', name: 'Both together' }
				]}
			/>
			{#if beam}<p class="caption">
					A beam or axle comes down on both sides together in any case.
				</p>{/if}
		{/if}
		<Choice
			label="Rubber is set"
			row
			value={scope.strategy.load}
			disabled={closed}
			onpick={(load) => change({ load })}
			options={[
				{ value: 'jack-to-height', name: 'Jacked to height' },
				{ value: 'on-wheels', name: 'On its wheels' }
			]}
		/>
		<Choice
			label="People"
			row
			value={String(scope.strategy.people) as '1' | '2'}
			disabled={closed}
			onpick={(people) => change({ people: people === '2' ? 2 : 1 })}
			options={[
				{ value: '1', name: 'One' },
				{ value: '2', name: 'Two' }
			]}
		/>
	{/if}
</section>
