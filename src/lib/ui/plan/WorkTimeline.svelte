<script lang="ts">
	import { timedCar } from '$core/schedule/cars';
	import type { Timeline } from '$core/schedule/timeline';
	import { formatHours, formatNumber } from '$core/units/format';
	import { kinds } from '$core/work/kinds';
	import { meanMinutes } from '$core/work/minutes';
	import { soakNeeded } from '$core/work/scope';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { Live } from '$lib/client/live.svelte';
	import { shopTime } from '$lib/client/units';
	import { range, scaleLinear } from 'd3';

	/** Who is where when, for one person or two, and when the car is ready, with its band. */
	let { picked = $bindable() }: { picked: string | undefined } = $props();
	const job = currentJob();
	const work = $derived(job.work);
	let begin = $state('08:00');

	const found = new Live<Timeline>(() => ({
		name: 'work-schedule',
		input: {
			cars: [timedCar('this', work.order, work.minutes, work.scope.strategy.people)],
			people: work.scope.strategy.people,
			lifts: 1,
			bays: 1,
			samples: 3000,
			seed: 1
		}
	}));
	const lift = $derived(found.value?.cars[0]?.lift);
	const line = $derived(found.value);
	const steps = $derived(new Map(work.order.steps.map((step) => [step.id, step])));
	/** The answer may still be of the steps before a change. */
	const bars = $derived(
		(line?.bars ?? []).flatMap((bar) => {
			const step = steps.get(bar.id);
			return step ? [{ ...bar, step }] : [];
		})
	);
	const rows = ['car', 'front', 'FL', 'FR', 'rear', 'RL', 'RR', 'bench'];
	const used = $derived(rows.filter((row) => bars.some(({ step }) => step.spot === row)));
	const names: Record<string, string> = {
		car: 'Car',
		front: 'Front axle',
		rear: 'Rear axle',
		bench: 'Bench'
	};
	const width = 780;
	const rowHeight = 34;
	const left = 92;
	const height = $derived((used.length + 1) * rowHeight + 96);
	const most = $derived(Math.max(line?.finish.upperBound ?? 0, line?.makespanMin ?? 60) * 1.03);
	const x = $derived(scaleLinear([0, most], [left, width - 12]));
	const y = (row: string) => 30 + used.indexOf(row) * rowHeight;
	const { ofDay } = shopTime();
	const clock = (minutes: number) => {
		const [hour = 8, minute = 0] = begin.split(':').map(Number);
		return ofDay(hour * 60 + minute + minutes);
	};
	const soak = $derived(soakNeeded(work.scope.rust));
	const own = $derived([...work.pace].filter(([, { records }]) => records > 0));
	const total = $derived(
		work.order.steps.reduce((sum, { id }) => sum + meanMinutes(work.minutes.get(id)!), 0)
	);
</script>

<section class="panel p-4" aria-labelledby="time-title">
	<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
		<div class="me-auto">
			<h2 id="time-title" class="text-lg">Time</h2>
			<p class="caption">
				{work.scope.strategy.people === 1 ? 'One person' : 'Two people'}, one car on one lift
			</p>
		</div>
		<label class="text-[15px] font-semibold"
			>Starts at
			<input
				type="time"
				class="touch ms-1 rounded-[3px] border border-edge bg-panel px-2 text-[17px]"
				bind:value={begin}
			/></label
		>
		{#if line}
			<div>
				<p class="caption">Ready at</p>
				<p class="num text-4xl leading-none text-mark" role="status">{clock(line.finish.mean)}</p>
			</div>
			<div class="text-[15px]">
				<p>{clock(line.finish.lowerBound)} to {clock(line.finish.upperBound)}, 95 in 100</p>
				<p class="text-soft">
					{formatHours(line.makespanMin)} of {formatHours(total)} work{line.proven
						? ', the shortest there is'
						: `; no plan is shorter than ${formatHours(line.lowerBoundMin)}`}
				</p>
			</div>
		{/if}
	</div>
	{#if soak}
		<p class="mt-2 rounded-[3px] bg-ochre-wash p-2 text-[15px]">
			◇ The evening before: oil on every fastener, then {soak} h of soak. It is not in the hours below.
		</p>
	{/if}
	{#if found.faults.length}<p class="text-madder">✕ {found.faults[0]!.message}</p>{/if}
	{#if line && bars.length}
		<!-- svelte-ignore a11y_no_noninteractive_tabindex (scrolled by keyboard) -->
		<div class="mt-3 overflow-x-auto" tabindex="0" role="region" aria-label="Timeline">
			<svg
				viewBox="0 0 {width} {height}"
				class="drawn"
				role="group"
				aria-label="Steps by place over time"
			>
				{#each range(0, most, most > 330 ? 60 : 30) as tick (tick)}
					<path d="M {x(tick)} 22 V {height - 60}" class="stroke-line" />
					<text x={x(tick)} y="16" text-anchor="middle" font-size="14" class="text-soft"
						>{clock(tick)}</text
					>
				{/each}
				{#each used as row (row)}
					<text x="4" y={y(row) + 21} font-size="15" font-weight="600">{names[row] ?? row}</text>
					<path d="M {left} {y(row) + rowHeight - 2} H {width - 12}" class="stroke-line" />
				{/each}
				{#if lift}
					<text x="4" y={30 + used.length * rowHeight + 21} font-size="15" font-weight="600"
						>On the lift</text
					>
					<rect
						x={x(lift.startMin)}
						y={30 + used.length * rowHeight + 8}
						width={x(lift.endMin) - x(lift.startMin)}
						height={rowHeight - 19}
						class="fill-sunk stroke-edge"
						stroke-width="1.5"
					/>
					<text
						x={(x(lift.startMin) + x(lift.endMin)) / 2}
						y={30 + used.length * rowHeight + 21}
						text-anchor="middle"
						font-size="14">{formatHours(lift.endMin - lift.startMin)}</text
					>
				{/if}
				{#each bars as bar (bar.id)}
					{@const wide = x(bar.endMin) - x(bar.startMin)}
					<g
						role="button"
						tabindex="-1"
						class="cursor-pointer outline-none"
						aria-label="{bar.person + 1}, {clock(bar.startMin)} {bar.step.title}"
						onclick={() => (picked = bar.id)}
						onkeydown={(event) => event.key === 'Enter' && (picked = bar.id)}
					>
						<title
							>{clock(bar.startMin)}
							{bar.step.title}, {Math.round(bar.endMin - bar.startMin)} min</title
						>
						<rect
							x={x(bar.startMin) + 0.5}
							y={y(bar.step.spot) + 3}
							width={Math.max(2, wide - 1)}
							height={rowHeight - 9}
							class="{picked === bar.id
								? 'fill-mark stroke-mark'
								: bar.person
									? 'fill-ochre-wash stroke-ochre'
									: 'fill-spruce-wash stroke-spruce'} {work.done.has(bar.id) ? 'opacity-50' : ''}"
							stroke-width="1.5"
						/>
						{#if wide > 13 && work.scope.strategy.people > 1}
							<text
								x={x(bar.startMin) + wide / 2}
								y={y(bar.step.spot) + 21}
								text-anchor="middle"
								font-size="14"
								class={picked === bar.id ? 'text-panel' : ''}>{bar.person + 1}</text
							>
						{/if}
					</g>
				{/each}
				<!-- How the finish may fall. -->
				{#each line.finish.histogram as bin (bin.from)}
					{@const tall =
						(36 * bin.count) / Math.max(...line.finish.histogram.map(({ count }) => count))}
					<rect
						x={x(bin.from)}
						y={height - 22 - tall}
						width={Math.max(1, x(bin.to) - x(bin.from) - 0.5)}
						height={tall}
						class="fill-mark"
						opacity="0.55"
					/>
				{/each}
				<path
					d="M {x(line.finish.lowerBound)} {height - 18} H {x(line.finish.upperBound)}"
					class="stroke-mark"
					stroke-width="4"
				/>
				<text x={left} y={height - 4} font-size="14" class="text-mark"
					>how the finish falls, {formatNumber(3000, 0)} draws of every step</text
				>
			</svg>
		</div>
		{#if picked && steps.get(picked)}
			<p class="mt-1 text-[15px]">
				<b>{steps.get(picked)!.title}</b>, {Math.round(meanMinutes(work.minutes.get(picked)!))} min (from
				{Math.round(work.minutes.get(picked)!.low)} to {Math.round(work.minutes.get(picked)!.high)})
			</p>
		{/if}
	{/if}
	<p class="caption mt-2">
		{#if own.length}
			This shop’s own times count in {own.length}
			{own.length === 1 ? 'kind' : 'kinds'} of step: {own
				.slice(0, 3)
				.map(
					([kind, { factor, records, weight }]) =>
						`“${kinds[kind].title}” × ${formatNumber(factor, 2)} from ${records} (weight ${formatNumber(weight * 100, 0)} %)`
				)
				.join(', ')}{own.length > 3 ? ' and others' : ''}.
		{:else}
			Usual times; start and end steps on the work page, and the shop’s own take their place.
		{/if}
	</p>
</section>
