<script lang="ts">
	import { axleOf } from '$core/height/corners';
	import { partOf } from '$core/layout/shape';
	import { bushesOf } from '$core/work/jobs';
	import type { WorkStep } from '$core/work/step';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { clockWords, hourPoint } from './clock';

	/** Where the slot or arrow of each bush stands, on a clock face as seen from the side it is pressed from. */
	let { step, onset }: { step: WorkStep; onset: (words: string) => void } = $props();
	const job = currentJob();
	const bushes = $derived.by(() => {
		const pressed = step.acts.flatMap((act) => (act.do === 'press' ? [act.part] : []));
		const layout = job.work.scope.layouts[axleOf(step.corners[0]!)];
		const part = partOf(layout, pressed[0] ?? '');
		return part
			? bushesOf(layout, part).map(({ key, name }) => ({
					key,
					name: name.replace(`${part.name}, `, '')
				}))
			: [];
	});
	let hours = $state<Record<string, number>>({});
	const hoursOf = Array.from({ length: 12 }, (_, i) => i + 1);
	function set(key: string, hour: number) {
		hours[key] = hour;
		onset(clockWords(bushes.map(({ key: own, name }) => ({ name, hour: hours[own] }))));
	}
</script>

<div class="mt-3 flex flex-wrap gap-4">
	{#each bushes as { key, name } (key)}
		<div role="radiogroup" aria-label="{name}, where its slot stands">
			<p class="max-w-62 text-[15px] font-semibold first-letter:capitalize">{name}</p>
			<svg viewBox="0 0 260 260" class="size-62" aria-hidden="false" role="presentation">
				<circle cx="130" cy="130" r="58" class="fill-sunk stroke-edge" stroke-width="10" />
				<circle cx="130" cy="130" r="20" class="fill-panel stroke-ink" stroke-width="2" />
				{#if hours[key]}
					{@const at = hourPoint(hours[key], 58)}
					<line
						x1="130"
						y1="130"
						x2={130 + at.x}
						y2={130 + at.y}
						class="stroke-mark"
						stroke-width="6"
						stroke-linecap="round"
					/>
				{/if}
				{#each hoursOf as hour (hour)}
					{@const at = hourPoint(hour, 103)}
					{@const on = hours[key] === hour}
					<g
						role="radio"
						tabindex={on || (!hours[key] && hour === 12) ? 0 : -1}
						aria-checked={on}
						aria-label="{hour} o’clock"
						class="group cursor-pointer outline-none"
						onclick={() => set(key, hour)}
						onkeydown={(event) => {
							const turn = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
							if (event.key === ' ' || event.key === 'Enter') set(key, hour);
							else if (turn) {
								const next = ((hour - 1 + turn + 12) % 12) + 1;
								set(key, next);
								const all = event.currentTarget.parentElement!.querySelectorAll('[role=radio]');
								(all[next - 1] as SVGElement).focus();
							} else return;
							event.preventDefault();
						}}
					>
						<circle
							cx={130 + at.x}
							cy={130 + at.y}
							r="25"
							class="group-focus-visible:stroke-ink group-focus-visible:stroke-[4px] {on
								? 'fill-mark'
								: 'fill-panel stroke-edge'}"
						/>
						<text
							x={130 + at.x}
							y={136 + at.y}
							text-anchor="middle"
							font-size="17"
							class={on ? 'fill-panel' : 'fill-ink'}>{hour}</text
						>
					</g>
				{/each}
			</svg>
		</div>
	{/each}
</div>
