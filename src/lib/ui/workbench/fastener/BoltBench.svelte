<script lang="ts">
	import { page } from '$app/state';
	import type { BoltResult, FrictionResult } from '$core/fastener/bolt';
	import type { Plausibility } from '$core/fastener/plausibility';
	import { propertyClasses, threadName, usualHeadShare, usualThreads } from '$core/fastener/thread';
	import type { Banded } from '$core/uncertainty/band';
	import { formatNumber } from '$core/units/format';
	import { Live } from '$lib/client/live.svelte';
	import { personalUnits } from '$lib/client/units';
	import Choice from '$lib/ui/controls/Choice.svelte';
	import SelectField from '$lib/ui/controls/SelectField.svelte';
	import type { Snippet } from 'svelte';
	import Bench from '../frame/Bench.svelte';
	import Readout from '../frame/Readout.svelte';
	import { BenchValues } from '../frame/values.svelte';
	import BoltDrawing from './BoltDrawing.svelte';

	let { choices: mode }: { choices: Snippet } = $props();
	const units = personalUnits();
	const friction = { min: 0.04, max: 0.5, decimals: 3 };
	const threads = usualThreads.map(threadName);
	const values = new BenchValues(
		units,
		page.url.searchParams,
		[
			{ key: 'torqueNm', label: 'Torque', dimension: 'torque', initial: 110, min: 0.5, max: 2000 },
			{
				key: 'headShare',
				label: 'Bearing face over thread',
				initial: usualHeadShare,
				min: 1.02,
				max: 3,
				hint: 'mean diameter under the head, as a multiple of the thread'
			},
			{ key: 'frictionThread', label: 'Friction, thread', ...friction, initial: 0.14 },
			{ key: 'frictionHead', label: 'Friction, head', ...friction, initial: 0.14 },
			{
				key: 'newFrictionThread',
				label: 'Friction, thread',
				...friction,
				initial: 0.09,
				hint: 'oil or anti-seize about 0.08 to 0.1'
			},
			{ key: 'newFrictionHead', label: 'Friction, head', ...friction, initial: 0.09 }
		],
		[
			{ key: 'thread', label: 'Thread', initial: 'M12×1.75', options: threads },
			{ key: 'class', label: 'Class', initial: '10.9', options: propertyClasses }
		]
	);
	const num = (key: string) => values.num(key);
	const thread = $derived(usualThreads[threads.indexOf(values.text.thread!)]!);
	const screw = $derived({
		...thread,
		propertyClass: values.text.class,
		...values.nums('frictionThread', 'frictionHead'),
		meanHeadDiameterMm: num('headShare') * thread.diameterMm,
		torqueNm: num('torqueNm')
	});
	/** With a torque given, its clamp is always there. */
	type Held = Required<BoltResult>;
	const held = new Live<Banded<Held>>(() => ({
		name: 'bolt',
		input: {
			...screw,
			uncertainty: {
				frictionThread: 0.1 * num('frictionThread'),
				frictionHead: 0.1 * num('frictionHead'),
				torqueNm: 0.02 * num('torqueNm')
			}
		}
	}));
	const oiled = new Live<FrictionResult>(() => ({
		name: 'torque-lubricated',
		input: { ...screw, ...values.nums('newFrictionThread', 'newFrictionHead') }
	}));
	/** The full torque on the other friction: what happens when nobody recomputes. */
	const overdone = new Live<Held>(() => ({
		name: 'bolt',
		input: {
			...screw,
			frictionThread: num('newFrictionThread'),
			frictionHead: num('newFrictionHead')
		}
	}));
	const believed = new Live<Plausibility>(() => ({
		name: 'torque-plausible',
		input: { ...thread, propertyClass: values.text.class, torqueNm: num('torqueNm') }
	}));
	const torque = (value: number) => units.show(value, 'torque');
	const h = $derived(held.value);
</script>

<Bench
	title="Bolt"
	lead="The clamp a torque makes, what the screw can bear, and the torque for the same clamp on another friction."
	{values}
	faults={[...held.faults, ...oiled.faults, ...overdone.faults, ...believed.faults]}
	entryOf={(field) => (field === 'meanHeadDiameterMm' ? 'headShare' : field)}
	groups={[
		{ title: 'As specified', keys: ['torqueNm', 'frictionThread', 'frictionHead', 'headShare'] },
		{ title: 'As it is: oiled, greased, rusty', keys: ['newFrictionThread', 'newFrictionHead'] }
	]}
>
	{#snippet choices()}
		<div class="flex flex-wrap items-end gap-4">
			{@render mode()}
			<SelectField
				label="Thread"
				bind:value={values.text.thread}
				items={threads.map((name) => ({ value: name, name }))}
				class="w-40"
			/>
			<Choice
				label="Class"
				bind:value={values.text.class}
				options={propertyClasses.map((name) => ({ value: name, name }))}
			/>
		</div>
	{/snippet}
	{#snippet drawing()}
		{#if h && overdone.value}
			<BoltDrawing
				diameterMm={thread.diameterMm}
				pitchMm={thread.pitchMm}
				headMm={screw.meanHeadDiameterMm}
				clampN={h.clampN}
				preload90N={h.preload90N}
				proofLoadN={h.proofLoadN}
				oiledN={overdone.value.clampN}
			/>
			<p class="caption">
				Clamp of {torque(num('torqueNm'))} on each friction. The maker’s torque and the maker’s word on
				grease decide; wheel fasteners stay dry unless the maker says otherwise.
			</p>
		{/if}
	{/snippet}
	{#snippet numbers()}
		{#if h && oiled.value}
			<Readout
				main
				label="Torque for the same clamp, as it is"
				value={torque(oiled.value.torqueNm)}
			>
				{formatNumber(100 * (oiled.value.share - 1), 0, true)} % against {torque(num('torqueNm'))}
			</Readout>
			<Readout
				label="Clamp, as specified"
				value={units.show(h.clampN, 'force')}
				band={h.expanded && units.show(h.expanded.clampN, 'force')}
			>
				{formatNumber(100 * h.utilisation, 0)} % of the clamp at 90 % of yield
			</Readout>
			<Readout
				label="Torque at 90 % of yield"
				value={torque(h.torque90Nm)}
				band={h.expanded && torque(h.expanded.torque90Nm)}
			/>
			<Readout label="Stress area" value="{formatNumber(h.stressAreaMm2, 1)}&nbsp;mm²" />
			{#if believed.value}
				<Readout
					label="Thread, class and torque"
					value={believed.value.plausible ? 'belong together' : 'do not belong'}
					tone={believed.value.plausible ? 'good' : 'bad'}
				>
					{#if !believed.value.plausible}
						✕ Wrong unit or thread?
						{#each believed.value.likely as slip (slip)}<span class="block">Perhaps {slip}.</span
							>{/each}
					{/if}
				</Readout>
			{/if}
		{/if}
	{/snippet}
</Bench>
