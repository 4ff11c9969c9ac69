<script lang="ts">
	import { axleOf, cornerNames, isLeft, type Corner } from '$core/height/corners';
	import type { Slip } from '$core/height/slip';
	import { schools } from '$core/height/schools';
	import { parseQuantity, withMeantUnit } from '$core/units/parse';
	import { readingsPerCorner } from '$core/procedure/owed';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { personalUnits } from '$lib/client/units';
	import type { Phase, Reading } from '$core/job/model';
	import NumberEntry from '$lib/ui/controls/NumberEntry.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import Keypad from '$lib/ui/controls/Keypad.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';
	import { tick } from 'svelte';
	import MeasureFacts from './MeasureFacts.svelte';
	import ReadingSlots from './ReadingSlots.svelte';
	import SlipNotice from './SlipNotice.svelte';

	interface Props {
		phase: Phase;
		corner: Corner;
		/** Which time it was rolled and settled. */
		standing: number;
		/** What looks like a slip among this corner's readings. */
		slip?: Slip;
		/** All corners are read: more readings only when asked for. */
		done?: boolean;
		/** Called when a reading is kept. */
		onkept: (corner: Corner) => void;
	}
	let { phase, corner, standing, slip, done = false, onkept }: Props = $props();
	const job = currentJob();
	const units = personalUnits();

	let text = $state('');
	/** The reading that the next entry takes the place of. */
	let correcting = $state<Reading>();
	let problem = $state<string>();
	let input = $state<HTMLInputElement>();

	const school = $derived(schools[job.record.school]);
	const readings = $derived(job.view.readings[phase][corner]);
	const measure = $derived(job.view.corners[corner][phase]);
	const unit = $derived(units.choice.length);
	const understood = $derived(
		text.trim()
			? parseQuantity(text, 'length', {
					field: 'height',
					defaultUnit: unit,
					min: school.minMm,
					max: school.maxMm
				})
			: undefined
	);
	let more = $state(false);
	const typing = $derived(!done || more || correcting !== undefined);
	const doubted = $derived(slip ? readings[slip.index] : undefined);
	const otherSide = $derived(
		cornerNames[`${corner[0]}${isLeft(corner) ? 'R' : 'L'}` as Corner].toLowerCase()
	);

	$effect(() => {
		void corner;
		text = '';
		correcting = undefined;
		problem = undefined;
		more = false;
		void tick().then(() => input?.focus({ preventScroll: true }));
	});

	async function keep(event?: SubmitEvent) {
		event?.preventDefault();
		if (!understood?.ok) {
			problem = understood ? understood.faults[0]!.message : 'Read the tape and type what it says.';
			return;
		}
		problem = undefined;
		const at = corner;
		const corrects = correcting?.id;
		const stood = correcting ? correcting.standing : standing;
		const said = {
			phase,
			school: job.record.school,
			height: withMeantUnit(text, unit),
			...(stood !== undefined && stood > 1 && { standing: stood })
		};
		text = '';
		correcting = undefined;
		// Read under a car: what the server will not take is kept for a look, never lost.
		void job
			.tell('reading', at, said, { stays: true, ...(corrects && { corrects }) })
			.then((refused) => (problem = refused?.faults?.[0]?.message ?? refused?.title));
		onkept(at);
		input?.focus({ preventScroll: true });
	}

	/** It was this: takes the place of what was typed. */
	async function meant(reading: Reading, mm: number) {
		const height = units.show(mm, 'length', { decimals: unit === 'mm' ? 0 : 3 });
		const said = {
			phase,
			school: job.record.school,
			height,
			...(reading.standing !== undefined && { standing: reading.standing })
		};
		const at = corner;
		const refused = await job.tell('reading', at, said, { stays: true, corrects: reading.id });
		problem = refused?.faults?.[0]?.message ?? refused?.title;
		onkept(at);
	}
	async function standsSo(reason: string) {
		const at = corner;
		const refused = await job.tell('lean', `${phase}/${axleOf(at)}`, { reason });
		problem = refused?.faults?.[0]?.message ?? refused?.title;
		onkept(at);
	}

	async function withdraw(reading: Reading) {
		correcting = undefined;
		const said = { phase, school: job.record.school, withdraw: true };
		await job.tell('reading', corner, said, { corrects: reading.id });
	}

	function correct(reading: Reading) {
		correcting = reading;
		text = '';
		void tick().then(() => input?.focus());
	}
	const shown = (mm: number) => units.show(mm, 'length', { decimals: unit === 'mm' ? 1 : 3 });
</script>

<section class="panel p-4 max-sm:p-3" aria-labelledby="entry-title" data-draft="{phase} {corner}">
	<div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
		<div>
			<h2 id="entry-title" class="text-2xl">{cornerNames[corner]}</h2>
			<span class="caption max-sm:hidden">{school.name}: {school.measured.toLowerCase()}</span>
			{#if job.record.readings.length === 0 && !job.record.signedAt}
				<a
					class="ms-2 inline-flex min-h-12 items-center text-[15px] underline"
					href="/jobs/{job.record.id}/edit#school">measure another way</a
				>
			{/if}
		</div>
		<MeasureFacts {measure} />
	</div>

	<ReadingSlots
		{readings}
		odd={measure?.outlier}
		correcting={correcting?.id}
		unsent={job.unsent}
		closed={job.record.signedAt !== null}
		oncorrect={correct}
	/>

	{#if slip && doubted && !job.record.signedAt}
		<SlipNotice
			{slip}
			{doubted}
			{otherSide}
			onmeant={(mm) => void meant(doubted, mm)}
			onagain={() => correct(doubted)}
			onstands={(reason) => void standsSo(reason)}
		/>
	{:else if measure?.outlier !== undefined}
		<p class="mt-2 text-madder">
			<StateMark
				mark="again"
				word="Reading {measure.outlier +
					1} does not fit the others. Touch it to correct or withdraw it."
			/>
		</p>
	{:else if measure?.readAgain}
		<p class="mt-2 text-madder">
			<StateMark
				mark="again"
				word="{units.show(measure.rangeMm, 'length')} apart. Bounce the car and read again."
			/>
		</p>
	{/if}
	{#if !job.record.signedAt && !typing}
		<ActionButton
			class="mt-3"
			onclick={() => ((more = true), void tick().then(() => input?.focus()))}
			>One more reading, {cornerNames[corner].toLowerCase()}</ActionButton
		>
	{:else if !job.record.signedAt}
		<form class="mt-4 grid gap-4 max-sm:mt-2 sm:grid-cols-[1fr_240px]" onsubmit={keep}>
			<div>
				<NumberEntry
					id="reading"
					label={correcting
						? `Instead of ${correcting.entered}`
						: readings.length < readingsPerCorner
							? `Reading ${readings.length + 1}`
							: 'One more, if you like'}
					bind:value={text}
					bind:element={input}
					{unit}
					wrong={problem !== undefined || (understood !== undefined && !understood.ok)}
					inputmode={unit === 'mm' ? 'decimal' : 'text'}
					oninput={() => (problem = undefined)}
				>
					{#snippet keep()}
						<ActionButton weight="main" type="submit" class="mb-1 shrink-0 self-end sm:min-w-40"
							>{correcting ? 'Keep instead' : 'Keep'}</ActionButton
						>
					{/snippet}
					{#snippet said()}
						{#if problem}<span class="me-1" aria-hidden="true">✕</span>{problem}
						{:else if understood?.ok}= {shown(understood.value.si)}
						{:else if understood}<span class="text-madder">{understood.faults[0]!.message}</span>
						{:else}Type it as said: {unit === 'mm' ? '365, or 14 3/8 in' : '14 3/8, or 365 mm'}{/if}
					{/snippet}
				</NumberEntry>
				<div class="mt-3 flex flex-wrap gap-2">
					{#if correcting}
						{@const reading = correcting}
						<ActionButton weight="stop" class="min-h-16" onclick={() => withdraw(reading)}
							>Withdraw it</ActionButton
						>
						<ActionButton class="min-h-16" onclick={() => (correcting = undefined)}
							>Cancel</ActionButton
						>
					{/if}
				</div>
			</div>
			<!-- A phone has a keypad of its own. -->
			<div class="max-sm:hidden">
				<Keypad bind:value={text} extra={unit === 'mm' ? ['.'] : [' ', '/']} />
			</div>
		</form>
	{/if}
</section>
