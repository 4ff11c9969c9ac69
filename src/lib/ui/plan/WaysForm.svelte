<script lang="ts">
	import { axleOf, type Axle } from '$core/height/corners';
	import { damperOf, findsItsPlace, isOneBody, partOf, springSeat } from '$core/layout/shape';
	import type { LayoutWay } from '$core/layout/types';
	import {
		axlePlans,
		plugEndNames,
		plugEnds,
		together,
		waysOf,
		type Strategy
	} from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import Choice from '$lib/ui/controls/Choice.svelte';

	/** Which way the work is gone about, and as the shop likes it. */
	let { change }: { change: (part: Partial<Strategy>) => void } = $props();
	const job = currentJob();
	const scope = $derived(job.work.scope);
	const closed = $derived(job.record.signedAt !== null);
	const plans = $derived(axlePlans(scope));
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
	/** Ways that may be gone alone; an internal compressor goes with each that lets something down. */
	const squeezing = (all: readonly LayoutWay[]) => all.find(({ compressor }) => compressor);
	const moving = (key: string, all: readonly LayoutWay[]) =>
		all.find((one) => key.split(together).includes(one.key) && !one.compressor);
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

	/** Arms whose bushes may be pressed without taking them out. */
	const inCar = $derived(
		plans.flatMap(({ axle, mayInCar, inCar }) =>
			mayInCar.map((part) => ({ axle, part, pressed: inCar.includes(part) }))
		)
	);
	const plugged = $derived(
		plans.some(({ damperOut, layout }) => damperOut && damperOf(layout).plug)
	);
	const dampers = $derived(plans.some(({ damperOut }) => damperOut));
	const bothSides = $derived(plans.some(({ corners }) => corners.length === 2));
	const beam = $derived(
		plans.some(({ layout, springWay }) => isOneBody(layout) && springWay?.moves !== undefined)
	);
</script>

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
		value={moving(way.key, all)?.key ?? way.key}
		disabled={closed}
		onpick={(key) => chooseWay(axle, part, key)}
		options={all.map(({ key, name, people }) => ({
			value: key,
			name: people ? `${name}; two people` : name
		}))}
	/>
	{@const alone = moving(way.key, all)}
	{@const tool = squeezing(all)}
	{#if alone && tool}
		<Choice
			label="And an internal compressor with it, {axle}"
			row
			value={way.compressor ? 'yes' : 'no'}
			disabled={closed}
			onpick={(both) =>
				chooseWay(axle, part, both === 'yes' ? `${alone.key}${together}${tool.key}` : alone.key)}
			options={[
				{ value: 'no', name: 'No' },
				{ value: 'yes', name: 'Both, for more control' }
			]}
		/>
	{/if}
{/each}
{#if plugged}
	<Choice
		label="Plugs of the dampers"
		value={scope.strategy.plugs ?? 'on'}
		disabled={closed}
		onpick={(plugs) => change({ plugs })}
		options={plugEnds.map((value) => ({ value, name: plugEndNames[value] }))}
	/>
{/if}
{#each inCar as { axle, part, pressed } (`${axle} ${part.key}`)}
	<Choice
		label="Bushes of the {part.name.toLowerCase()}, {axle}"
		row
		value={pressed ? 'in-car' : 'out'}
		disabled={closed}
		onpick={(way) => chooseWay(axle, `bush:${part.key}`, way)}
		options={[
			{ value: 'out', name: 'Arm out, on the bench' },
			{ value: 'in-car', name: 'In the car, swung down' }
		]}
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
