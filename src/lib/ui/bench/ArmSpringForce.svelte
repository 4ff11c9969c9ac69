<script lang="ts">
	import { armSpring, type ArmSpringInput } from '$core/spring/arm-spring';
	import type { Corner } from '$core/height/corners';
	import { numberOf, parseQuantity } from '$core/units/parse';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import Axes from '$lib/ui/chart/Axes.svelte';
	import Field from '$lib/ui/controls/Field.svelte';
	import QuantityField from '$lib/ui/controls/QuantityField.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { measuredSpring } from './measured-spring';
	import { scaleLinear } from 'd3';
	import { polyline } from '../corner/paths';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** The force still in a spring on its arm as the jack goes down. */
	let { corner }: { corner: Corner } = $props();
	const job = currentJob();
	const units = personalUnits();
	const closed = $derived(job.record.signedAt !== null);
	const kept = $derived(job.work.book.get('arm-spring', corner));
	// svelte-ignore state_referenced_locally (starts from what is kept or measured and then leads)
	const measured = measuredSpring(job.work.book, corner);
	// svelte-ignore state_referenced_locally (the same)
	let typed = $state({
		rate: kept?.typed.rate ?? measured.rateNPerMm ?? '',
		free: kept?.typed.free ?? measured.freeLengthMm ?? '',
		drooped: kept?.typed.drooped ?? '',
		lever: kept?.typed.lever ?? '0.6'
	});
	let lowered = $state(0);
	let refusal = $state<Refusal>();
	const si = (text: string, dimension: 'rate' | 'length') => {
		const parsed = parseQuantity(text, dimension, {
			field: 'value',
			defaultUnit: units.choice[dimension],
			min: 1
		});
		return parsed.ok ? parsed.value.si : undefined;
	};
	const lever = $derived(numberOf(typed.lever));
	const leverFault = $derived(lever > 0 && lever <= 2 ? undefined : 'a number above 0, up to 2');
	const input = $derived.by((): ArmSpringInput | undefined => {
		const rateNPerMm = si(typed.rate, 'rate');
		const freeLengthMm = si(typed.free, 'length');
		const droopLengthMm = si(typed.drooped, 'length');
		if (!rateNPerMm || !freeLengthMm || !droopLengthMm || leverFault) return undefined;
		return { rateNPerMm, freeLengthMm, droopLengthMm, lengthPerJackMm: lever };
	});
	const answer = $derived(input && armSpring(input));
	/** What a spring this much further down still holds. */
	const at = $derived((down: number) => {
		if (!input) return undefined;
		const { freeLengthMm, droopLengthMm, lengthPerJackMm } = input;
		const now = Math.min(freeLengthMm, droopLengthMm + down * lengthPerJackMm);
		const state = armSpring({ ...input, droopLengthMm: now });
		return state.ok ? state.value : undefined;
	});
	/** Whatever can be understood is kept, so that the step of lowering knows it. */
	async function keep() {
		if (closed || !answer?.ok) return;
		if (JSON.stringify(input) === JSON.stringify(kept?.input)) return;
		refusal = await job.keep('arm-spring', corner, { input: input!, typed: { ...typed } });
	}
	const toGo = $derived(at(0)?.freeAfterMm ?? 0);
	const now = $derived(at(Math.min(lowered, toGo)));
	const start = $derived(at(0));
	const width = 420;
	const height = 200;
	/** In the person's own units. */
	const x = $derived(scaleLinear([0, units.number(Math.max(1, toGo), 'length')], [56, width - 16]));
	const y = $derived(
		scaleLinear([0, units.number(Math.max(1, start?.droopForceN ?? 1), 'force')], [height - 52, 24])
	);
	const point = $derived((downMm: number, forceN: number): [number, number] => [
		x(units.number(downMm, 'length')),
		y(units.number(forceN, 'force'))
	]);
	const dot = $derived(now && point(Math.min(lowered, toGo), now.droopForceN));
	const show = (value: number, dimension: 'force' | 'length') =>
		units.show(value, dimension, { decimals: 0 });
</script>

<section class="panel p-4" aria-labelledby="arm-spring" data-draft="arm {corner}">
	<h2 id="arm-spring" class="text-lg">Spring on the arm, {corner}</h2>
	<Notice class="mt-2 font-semibold text-madder!">
		△ With its joint or damper off, the jack alone holds this spring. Lower slowly, nobody in its
		path.
	</Notice>
	<fieldset disabled={closed} class="mt-3 grid gap-3 sm:grid-cols-4" onfocusout={keep}>
		<QuantityField label="Rate" dimension="rate" bind:value={typed.rate} />
		<QuantityField label="Free length" dimension="length" bind:value={typed.free} />
		<QuantityField label="Length at full droop" dimension="length" bind:value={typed.drooped} />
		<Field
			label="Spring for 1 of jack"
			bind:value={typed.lever}
			inputmode="decimal"
			hint="spring’s distance from the pivot over the jack’s"
			fault={leverFault}
		/>
	</fieldset>
	<RefusalNotice {refusal} />
	{#if answer && !answer.ok}
		<p role="alert" class="mt-2 text-madder">✕ {answer.faults[0]!.message}</p>
	{/if}
	{#if input && start && now && toGo > 0}
		<div class="mt-3 grid items-center gap-x-8 gap-y-3 lg:grid-cols-2">
			<div class="space-y-4">
				<dl class="grid grid-cols-3 gap-3">
					<div>
						<dt class="caption">Still pushes</dt>
						<dd class="num text-4xl text-madder">{show(now.droopForceN, 'force')}</dd>
					</div>
					<div>
						<dt class="caption">Still stored</dt>
						<dd class="num text-4xl">{now.droopEnergyJ.toFixed(0)}<span class="unit">J</span></dd>
					</div>
					<div>
						<dt class="caption">Loose after, at the jack</dt>
						<dd class="num text-4xl">{show(toGo, 'length')}</dd>
					</div>
				</dl>
				<label class="flex items-center gap-3 text-[15px]"
					>Jack down
					<input
						type="range"
						class="min-h-12 w-full max-w-[28rem] accent-spruce"
						min="0"
						max={Math.ceil(toGo)}
						bind:value={lowered}
						aria-valuetext={show(lowered, 'length')}
					/>
					<span class="num">{show(Math.min(lowered, toGo), 'length')}</span>
				</label>
			</div>
			<svg
				viewBox="0 0 {width} {height}"
				class="w-full"
				role="img"
				aria-label="Force over how far the jack is down"
			>
				<Axes
					{x}
					{y}
					xUnit="jack down, {units.choice.length}"
					yUnit="force, {units.choice.force}"
					xTicks={5}
					yTicks={3}
				/>
				<path
					d={polyline([point(0, start.droopForceN), point(toGo, 0)])}
					class="stroke-spruce"
					stroke-width="3"
				/>
				{#if dot}<circle cx={dot[0]} cy={dot[1]} r="7" class="fill-madder" />{/if}
			</svg>
		</div>
	{:else if !input}
		<p class="caption mt-3">
			Type its rate and lengths: measured under Old against new, the free length and the rate from
			its wire stand here by themselves. The step of lowering then says how far it pushes.
		</p>
	{:else}
		<p class="mt-3 text-spruce">✓ Loose already at full droop.</p>
	{/if}
</section>
