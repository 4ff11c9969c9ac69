<script lang="ts">
	import { axleOf, type Axle } from '$core/height/corners';
	import { rustFound } from '$core/inspect/points';
	import { findingsOf } from '$core/job/findings';
	import { operations } from '$core/work/operations';
	import {
		axlePlans,
		rustGrades,
		rustNames,
		soakNeeded,
		waysOf,
		type AxleScope,
		type RustGrade,
		type Strategy
	} from '$core/work/scope';
	import {
		axleLinks,
		damperOf,
		findsItsPlace,
		isOneBody,
		partOf,
		springSeat
	} from '$core/layout/shape';
	import { askedJobs, jobsOf } from '$core/work/jobs';
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
		const { damper, spring, bushes } = scope.axles[axle] ?? none;
		const now = { damper, spring, bushes, also: alsoOf(axle) };
		void job.keep('scope', axle, { ...now, [key]: !now[key] });
	};
	/** Jobs that were asked for, and that the axle knows as it is built now. */
	const alsoOf = (axle: Axle) =>
		askedJobs(scope.layouts[axle], scope.axles[axle]?.also).map(({ id }) => id);
	const toggleJob = (axle: Axle, id: string) => {
		const { damper, spring, bushes } = scope.axles[axle] ?? none;
		const also = alsoOf(axle);
		const next = also.includes(id) ? also.filter((one) => one !== id) : [...also, id];
		void job.keep('scope', axle, { damper, spring, bushes, also: next });
	};
	const change = (part: Partial<Strategy>) =>
		void job.keep('strategy', 'car', { ...scope.strategy, ...part });
	const onDamper = $derived(
		plans.some(({ damperOut, layout }) => damperOut && springSeat(layout) === 'on-damper')
	);
	/** Where a part may come out in more than one way. */
	const ways = $derived(
		plans.flatMap(({ axle, layout, damperOut, damperWay, springWay }) =>
			[
				...(damperOut ? [{ part: damperOf(layout).key, way: damperWay }] : []),
				...(springWay ? [{ part: 'spring', way: springWay }] : [])
			].flatMap(({ part, way }) => {
				const all = waysOf(layout, part);
				return way && all.length > 1 ? [{ axle, part, way, all, layout }] : [];
			})
		)
	);
	const chooseWay = (axle: Axle, part: string, key: string) => {
		const { ways: now } = scope.strategy;
		change({ ways: { ...now, [axle]: { ...now?.[axle], [part]: key } } });
	};
	const covered = $derived(
		plans.some(({ axle }) =>
			job.work.order.steps.some(
				({ kind, corners }) => kind === 'cover-off' && axleOf(corners[0]!) === axle
			)
		)
	);
	/** Upper nuts of a mount come apart, as some shops do on the ground or under the weight. */
	const mounts = $derived(
		plans.some(({ layout, freed }) =>
			layout.joints.some(
				(joint) =>
					findsItsPlace(layout, joint) && freed.off.some((id) => id.endsWith(`/${joint.key}`))
			)
		)
	);

	const dampers = $derived(plans.some(({ damperOut }) => damperOut));
	const bothSides = $derived(plans.some(({ corners }) => corners.length === 2));
	const beam = $derived(
		plans.some(({ layout, springWay }) => isOneBody(layout) && springWay?.moves !== undefined)
	);
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
			<div
				class="mt-2 flex flex-wrap gap-2 text-[15px]"
				role="group"
				aria-label="Also renewed, {axle}"
			>
				{#each jobsOf(scope.layouts[axle]) as { id, name } (id)}
					{@const on = scope.axles[axle]?.also?.includes(id) ?? false}
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
		{#each ways as { axle, part, way, all, layout } (`${axle} ${part}`)}
			<Choice
				label="{partOf(layout, part)!.name}s out, {axle}"
				list
				value={way.key}
				disabled={closed}
				onpick={(key) => chooseWay(axle, part, key)}
				options={all.map(({ key, name, people }) => ({
					value: key,
					name: people ? `${name}; two people` : name
				}))}
			/>
		{/each}
		{#if covered}
			<Choice
				label="Covers inside come off"
				row
				value={scope.strategy.inside ?? 'on-stands'}
				disabled={closed}
				onpick={(inside) => change({ inside })}
				options={[
					{ value: 'before-lifting', name: 'Before it is lifted' },
					{ value: 'on-stands', name: 'When they are in the way' }
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
		<details>
			<summary class="touch cursor-pointer py-2 font-semibold">As this shop likes it</summary>
			<div class="space-y-4">
				{#if mounts}
					<Choice
						label="Upper nuts get their torque"
						row
						value={scope.strategy.topNuts ?? 'with-others'}
						disabled={closed}
						onpick={(topNuts) => change({ topNuts })}
						options={[
							{ value: 'with-others', name: 'With the others' },
							{ value: 'weight-on', name: 'With the weight on' }
						]}
					/>
					<Choice
						label="Upper nuts eased on the ground"
						row
						value={scope.strategy.easeTop ? 'yes' : 'no'}
						disabled={closed}
						onpick={(ease) => change({ easeTop: ease === 'yes' })}
						options={[
							{ value: 'no', name: 'No' },
							{ value: 'yes', name: 'A quarter-turn' }
						]}
					/>
				{/if}
				<Choice
					label="Stands go under"
					row
					value={scope.strategy.stands ?? 'body'}
					disabled={closed}
					onpick={(stands) => change({ stands })}
					options={[
						{ value: 'body', name: 'The body' },
						{ value: 'subframe', name: 'The subframe, if it stays' }
					]}
				/>
				<Choice
					label="Wheels are aligned"
					row
					value={scope.strategy.align ?? 'before-driving'}
					disabled={closed}
					onpick={(align) => change({ align })}
					options={[
						{ value: 'before-driving', name: 'Before it is driven' },
						{ value: 'after-settling', name: 'Once it has settled' }
					]}
				/>
			</div>
		</details>
	{/if}
</section>
