<script lang="ts">
	import { cornerNames } from '$core/height/corners';
	import { busyAt, visitsOf, type Bar } from '$core/schedule/visits';
	import { currentJob } from '$lib/client/job-state.svelte';

	/**
	 * The order of work on the car itself: every step is a tile at the place where it is done, in its stay;
	 * a moment of the day shows who is where.
	 */
	interface Props {
		bars: readonly Bar[];
		/** A minute of the schedule as the shop tells time. */
		clock: (minutes: number) => string;
		picked: string | undefined;
	}
	let { bars, clock, picked = $bindable() }: Props = $props();
	const job = currentJob();
	const work = $derived(job.work);
	const numbers = $derived(new Map(work.order.steps.map(({ id }, i) => [id, i + 1])));
	const steps = $derived(new Map(work.order.steps.map((step) => [step.id, step])));
	const visits = $derived(visitsOf(bars));
	const end = $derived(Math.max(0, ...bars.map(({ endMin }) => endMin)));
	const people = $derived(new Set(bars.map(({ person }) => person)).size);
	/** Told apart by mark and word. */
	const marks = ['●', '▲'];
	const words = ['first person', 'second person'];
	const names: Record<string, string> = {
		...cornerNames,
		car: 'Whole car',
		front: 'Front axle',
		rear: 'Rear axle',
		bench: 'Bench'
	};
	/** As on the car seen from above: left, middle, right; front first. */
	const rows = [
		['FL', 'front', 'FR'],
		['', 'car', 'bench'],
		['RL', 'rear', 'RR']
	];
	const at = $derived((spot: string) => visits.filter((visit) => visit.spot === spot));
	const used = $derived(rows.filter((row) => row.some((spot) => at(spot).length)));

	/** A moment that is looked at; undefined: none. */
	let moment = $state<number>();
	const busy = $derived(moment === undefined ? [] : busyAt(bars, moment));
	const busyIds = $derived(new Set(busy.map(({ id }) => id)));
</script>

<figure aria-label="Steps where they are done" class="mt-3">
	<div class="grid grid-cols-3 gap-2">
		{#each used.flat() as spot, i (`${spot} ${i}`)}
			{@const here = at(spot)}
			{#if here.length}
				<div
					class="min-w-0 rounded-[10px] border-2 p-1.5 {spot in cornerNames
						? 'border-ink'
						: 'border-dashed border-edge'}"
				>
					<p class="text-[15px] font-semibold">{names[spot]}</p>
					{#each here as visit (visit.startMin + visit.person / 10)}
						<p class="caption mt-1">
							{clock(visit.startMin)}{#if people > 1}&nbsp;<span aria-hidden="true"
									>{marks[visit.person] ?? '■'}</span
								><span class="sr-only">, {words[visit.person] ?? `person ${visit.person + 1}`}</span
								>{/if}
						</p>
						<div class="flex flex-wrap gap-1">
							{#each visit.ids as id (id)}
								{@const done = work.done.has(id)}
								<button
									type="button"
									class="num size-12 rounded-[6px] border text-[19px] {busyIds.has(id)
										? 'border-2 border-ochre bg-ochre-wash text-ochre'
										: picked === id
											? 'border-2 border-mark bg-mark text-panel'
											: done
												? 'border-spruce bg-spruce-wash text-spruce'
												: 'border-edge bg-panel hover:bg-sunk'}"
									aria-pressed={picked === id}
									aria-label="{numbers.get(id)}, {steps.get(id)?.title}{done ? ', done' : ''}"
									title={steps.get(id)?.title}
									onclick={() => (picked = picked === id ? undefined : id)}
									>{#if done}<span class="text-[13px]">✓</span>{/if}{numbers.get(id)}</button
								>
							{/each}
						</div>
					{/each}
				</div>
			{:else}<span></span>{/if}
		{/each}
	</div>
	<label class="mt-3 flex items-center gap-3 text-[15px]">
		<span class="shrink-0">Through the day</span>
		<input
			type="range"
			class="min-h-12 w-full accent-ochre"
			min="0"
			max={Math.max(1, Math.floor(end))}
			step="1"
			value={moment ?? 0}
			aria-valuetext={clock(moment ?? 0)}
			oninput={(event) => (moment = event.currentTarget.valueAsNumber)}
		/>
	</label>
	<figcaption class="min-h-12 text-[15px]">
		<div role="status">
			{#if moment !== undefined}
				<b class="num text-lg">{clock(moment)}</b>
				{#each busy as bar (bar.id)}
					<span class="ms-2"
						>{people > 1
							? `${marks[bar.person] ?? '■'} ${words[bar.person] ?? ''}: `
							: ''}{steps.get(bar.id)?.title}, {names[bar.spot]!.toLowerCase()}{bar.helper ===
						undefined
							? ''
							: `, with ${marks[bar.helper] ?? '■'} ${words[bar.helper] ?? ''}`}</span
					>
				{:else}<span class="ms-2 text-soft">nobody at the car</span>{/each}
			{:else}
				<span class="text-soft"
					>Numbers are the order of work; a stay begins at the time above it.{people > 1
						? ` ${marks[0]} ${words[0]}, ${marks[1]} ${words[1]}.`
						: ''}</span
				>
			{/if}
		</div>
	</figcaption>
</figure>
