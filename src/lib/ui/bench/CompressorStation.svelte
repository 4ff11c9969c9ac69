<script lang="ts">
	import { corners, axleOf, type Corner } from '$core/height/corners';
	import { springCompressor, type CompressorInput } from '$core/spring/compressor';
	import { formatNumber } from '$core/units/format';
	import type { Dimension } from '$core/units/dimensions';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { ShopCosts } from '$core/job/costs';
	import Field from '$lib/ui/controls/Field.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { springFinding } from '$core/job/findings';
	import CountedTurns from './CountedTurns.svelte';
	import { typedNumber } from './typed-number';
	import { measuredSpring } from './measured-spring';
	import SpringDrawing from '$lib/ui/workbench/spring/SpringDrawing.svelte';
	import Notice from '$lib/ui/controls/Notice.svelte';

	/** This spring in this compressor: what each hook bears, and turns counted off in alternation. */
	let { corner, costs }: { corner: Corner; costs: ShopCosts } = $props();
	const job = currentJob();
	const units = personalUnits();
	const closed = $derived(job.record.signedAt !== null);
	const kept = $derived(job.work.book.get('compressor', corner));
	/** What was typed here, or on the other side of the axle: the springs are a pair. */
	const beside = $derived(
		corners
			.filter((one) => axleOf(one) === axleOf(corner) && one !== corner)
			.map((one) => job.work.book.get('compressor', one))[0]
	);
	const found = $derived(springFinding(job.work.book, corner));
	interface Entry {
		key: keyof CompressorInput;
		label: string;
		dimension?: Dimension;
	}
	const all: readonly Entry[] = [
		{ key: 'wireDiameterMm', label: 'Wire', dimension: 'length' },
		{ key: 'activeCoils', label: 'Active coils' },
		{ key: 'rateNPerMm', label: 'Rate', dimension: 'rate' },
		{ key: 'freeLengthMm', label: 'Free length', dimension: 'length' },
		{ key: 'installedLengthMm', label: 'Length in the strut', dimension: 'length' },
		{ key: 'hookedCoils', label: 'Coils between the hooks' },
		{ key: 'screws', label: 'Screws' },
		{ key: 'hooksPerScrew', label: 'Hooks, each end of one' },
		{ key: 'screwLeadMm', label: 'Screw, a turn', dimension: 'length' },
		{ key: 'clearanceMm', label: 'Gap wanted at the seat', dimension: 'length' },
		{ key: 'ratedLoadPerHookN', label: 'Tool may bear, a hook', dimension: 'force' }
	];
	/** Of a broken spring the free length is that of a whole one, from the maker or the other side. */
	const entries = $derived(
		all.map((entry) =>
			entry.key === 'freeLengthMm' && found?.state === 'broken'
				? { ...entry, label: 'Free length of a whole one' }
				: entry
		)
	);
	/** The shop's tool; of the spring only what was measured is filled in. */
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let typed = $state<Record<string, string>>({
		...Object.fromEntries(all.map(({ key }) => [key, ''])),
		clearanceMm: '5 mm',
		screws: String(costs.compressorScrews),
		hooksPerScrew: String(costs.compressorHooksPerScrew),
		screwLeadMm: '2 mm',
		ratedLoadPerHookN: `${costs.compressorHookN} N`,
		...measuredSpring(job.work.book, corner),
		...(kept ?? beside)?.typed
	});
	let refusal = $state<Refusal>();

	const read = $derived(({ key, dimension }: Entry) =>
		typedNumber(
			typed[key],
			dimension ? { dimension, unit: units.choice[dimension] } : { what: 'a number' }
		)
	);
	const input = $derived.by(() => {
		const numbers = entries.map((entry) => [entry.key, read(entry).si] as const);
		return numbers.every(([, si]) => si !== undefined)
			? (Object.fromEntries(numbers) as unknown as CompressorInput)
			: undefined;
	});
	const computed = $derived(input && springCompressor(input));
	const c = $derived(computed?.ok ? computed.value : undefined);
	const danger = $derived(!c || c.overloaded || c.coilBind);
	const turned = $derived(kept?.turned ?? 0);
	/** Each screw in its turn gets the same. */
	const screws = $derived(input?.screws ?? 1);
	const handed = $derived(c ? c.steps.flatMap((turns) => Array<number>(screws).fill(turns)) : []);
	const changed = $derived(!kept || JSON.stringify(input) !== JSON.stringify(kept.input));

	async function keep(part: { turned?: number; free?: boolean }) {
		if (!input) return;
		refusal = await job.keep('compressor', corner, {
			input,
			typed: $state.snapshot(typed),
			turned: 0,
			free: false,
			...(changed ? {} : { turned, free: kept?.free ?? false }),
			...part
		});
	}
	const show = (value: number, dimension: Dimension, decimals = 0) =>
		units.show(value, dimension, { decimals });
</script>

<section class="panel p-4" aria-labelledby="compressor-title" data-draft="compressor {corner}">
	<h2 id="compressor-title" class="text-lg">Spring compressor, {corner}</h2>
	<Notice class="mt-2 font-semibold text-madder!">
		△ A compressed spring can kill. Hooks opposite each other, screws greased, turned in alternation
		by hand; never an impact gun on hooks, never stand over the shaft. The tool maker’s word goes
		before this page.
	</Notice>
	{#if found}
		<Notice role="alert" class="mt-2 text-lg! font-semibold text-madder!">
			{#if found.state === 'broken'}△ This spring was found broken{found.where
					? ` (${found.where})`
					: ''}: its pieces may jump out of the hooks. Hooks only on whole coils, guard the spring,
				stand aside. It has no free length: the force below is that of a whole spring, at most.
			{:else}△ This spring was found sagged: measured free it is shorter than when it was new.{/if}
		</Notice>
	{/if}
	<fieldset disabled={closed || turned > 0} class="mt-3 grid grid-cols-2 gap-3 md:grid-cols-5">
		{#each entries as entry (entry.key)}
			<Field
				label={entry.label}
				bind:value={typed[entry.key]}
				inputmode={entry.dimension ? undefined : 'decimal'}
				fault={read(entry).fault}
			/>
		{/each}
	</fieldset>
	{#if !input}<p class="caption mt-2">
			Every field is wanted: measure the spring in the strut, count its coils between the hooks. The
			rate comes from the wire once the old spring is measured under Old against new.
		</p>{/if}
	{#if computed && !computed.ok}<p role="alert" class="mt-2 text-madder">
			✕ {computed.faults.map(({ message }) => message).join('; ')}
		</p>{/if}
	{#if c && input}
		<dl class="mt-3 grid grid-cols-2 gap-3 md:grid-cols-4">
			<div>
				<dt class="caption">On each hook, of {show(input.ratedLoadPerHookN!, 'force')}</dt>
				<dd class="num text-4xl {c.overloaded ? 'text-madder' : 'text-spruce'}">
					{show(c.forcePerHookN, 'force')}
				</dd>
			</div>
			<div>
				<dt class="caption">On each of {input.screws} {input.screws === 1 ? 'screw' : 'screws'}</dt>
				<dd class="num text-4xl">{show(c.forcePerScrewN, 'force')}</dd>
				<dd class="caption">on the seat now {show(c.seatForceN, 'force')}</dd>
			</div>
			<div>
				<dt class="caption">Each screw</dt>
				<dd class="num text-4xl">
					{formatNumber(c.turnsPerHook, 1)}<span class="unit">turns</span>
				</dd>
			</div>
			<div>
				<dt class="caption">If it lets go</dt>
				<dd class="num text-4xl">{formatNumber(c.energyJ, 0)}<span class="unit">J</span></dd>
				<dd class="caption">like 10 kg dropped from {show(c.dropOf10KgMm, 'length')}</dd>
			</div>
		</dl>
		{#if c.overloaded}
			<p role="alert" class="mt-3 text-xl font-semibold text-madder">
				✕ Not with this tool: each hook would bear {show(c.forcePerHookN, 'force')}, each screw {show(
					c.forcePerScrewN,
					'force'
				)}; a hook may bear {show(input.ratedLoadPerHookN!, 'force')}. Another compressor, or one
				with more screws.
			</p>
		{:else if c.coilBind}
			<p role="alert" class="mt-3 text-xl font-semibold text-madder">
				✕ The coils between the hooks close before the seat is free: take more coils between them.
			</p>
		{/if}
		<div class="mt-2 grid gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
			<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
			<div class="overflow-x-auto" tabindex="0" role="region" aria-label="Spring in its compressor">
				<SpringDrawing
					wireMm={input.wireDiameterMm}
					meanDiameterMm={130}
					activeCoils={input.activeCoils}
					freeLengthMm={input.freeLengthMm}
					installedLengthMm={input.installedLengthMm}
					clearanceMm={input.clearanceMm}
					hookedCoils={input.hookedCoils}
					hooks={input.screws}
					{danger}
				/>
			</div>
			<CountedTurns
				{handed}
				{screws}
				{turned}
				free={kept?.free ?? false}
				may={!closed && !danger}
				{closed}
				onkeep={keep}
			/>
		</div>
	{/if}
	<RefusalNotice {refusal} />
</section>
