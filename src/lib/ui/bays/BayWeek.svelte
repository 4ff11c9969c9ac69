<script lang="ts">
	import { slotStepMin, workingWeek, type BaySlot } from '$core/schedule/bays';
	import { shopTime } from '$lib/client/units';
	import { addDays, format } from 'date-fns';
	import type { Attachment } from 'svelte/attachments';
	import { draggable } from '../corner/drag';

	/** A week of the bays: a column a day, a lane a bay, a car a block; blocks are moved by hand. */
	interface Shown extends BaySlot {
		plate: string;
		complaint: string;
	}
	interface Props {
		monday: Date;
		bays: number;
		slots: readonly Shown[];
		picked?: string;
		onpick: (id: string) => void;
		/** Dropped somewhere else. */
		onmove: (slot: BaySlot) => void;
		/** Something from outside was dropped here. */
		ondropped: (bay: number, startMin: number) => void;
	}
	let { monday, bays, slots, picked, onpick, onmove, ondropped }: Props = $props();

	const width = 940;
	const left = 46;
	const top = 56;
	const hourHeight = 56;
	const { days, fromMin, toMin } = workingWeek;
	const dayWidth = (width - left) / days;
	const lane = $derived((dayWidth - 8) / bays);
	const height = top + ((toMin - fromMin) / 60) * hourHeight + 10;
	const hours = Array.from({ length: (toMin - fromMin) / 60 + 1 }, (_, i) => fromMin / 60 + i);
	const dayMin = 24 * 60;

	const xOf = $derived((startMin: number, bay: number) => {
		const day = Math.floor(startMin / dayMin);
		return left + day * dayWidth + 4 + bay * lane;
	});
	const yOf = (startMin: number) => top + (((startMin % dayMin) - fromMin) / 60) * hourHeight;
	/** Day, bay and quarter hour under a place of the drawing. */
	const at = $derived((x: number, y: number): { bay: number; startMin: number } => {
		const day = Math.min(days - 1, Math.max(0, Math.floor((x - left) / dayWidth)));
		const within = x - left - day * dayWidth - 4;
		const bay = Math.min(bays - 1, Math.max(0, Math.floor(within / lane)));
		const minute = fromMin + ((y - top) / hourHeight) * 60;
		const step = Math.round(minute / slotStepMin) * slotStepMin;
		return { bay, startMin: day * dayMin + Math.min(toMin - 15, Math.max(fromMin, step)) };
	});

	/** The block that is being moved, where it is now. */
	let moving = $state<{ id: string; bay: number; startMin: number }>();
	let svg = $state<SVGSVGElement>();
	function grab(id: string) {
		return ({ x, y }: { x: number; y: number }) => {
			const slot = slots.find((one) => one.id === id)!;
			const [dx, dy] = [x - xOf(slot.startMin, slot.bay) - 6, y - yOf(slot.startMin)];
			onpick(slot.id);
			return (to: { x: number; y: number }) => {
				moving = { id: slot.id, ...at(to.x - dx, to.y - dy) };
			};
		};
	}
	/** One for each block and kept: the week may be loaded anew while a block is in the hand. */
	const handles: Record<string, Attachment<SVGElement>> = {};
	const handleOf = (id: string) => (handles[id] ??= draggable(grab(id)));
	function drop(slot: Shown) {
		if (moving?.id === slot.id && (moving.bay !== slot.bay || moving.startMin !== slot.startMin)) {
			onmove({ ...slot, bay: moving.bay, startMin: moving.startMin });
		}
		moving = undefined;
	}
	function fromOutside(event: DragEvent) {
		event.preventDefault();
		const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
			svg!.getScreenCTM()!.inverse()
		);
		const { bay, startMin } = at(x, y);
		ondropped(bay, startMin);
	}
	const { ofDay: clock } = shopTime();
</script>

<svg
	bind:this={svg}
	viewBox="0 0 {width} {height}"
	class="w-full min-w-[46rem] touch-pan-x select-none"
	role="group"
	aria-label="Week of the bays"
	ondragover={(event) => event.preventDefault()}
	ondrop={fromOutside}
>
	{#each Array.from({ length: days }, (_, i) => i) as day (day)}
		{@const x = left + day * dayWidth}
		<a href="/bays/{format(addDays(monday, day), 'yyyy-MM-dd')}">
			<rect x={x + 1} y="0" width={dayWidth - 3} height="34" rx="3" class="fill-sunk" />
			<text x={x + 8} y="23" font-size="16" font-weight="700"
				>{format(addDays(monday, day), 'EEE d MMM')} →</text
			>
		</a>
		{#each Array.from({ length: bays }, (_, i) => i) as bay (bay)}
			<text x={x + 4 + bay * lane} y="50" font-size="13" dx="2" class="text-soft"
				>bay {bay + 1}</text
			>
			<rect
				x={x + 4 + bay * lane}
				y={top}
				width={lane - 3}
				height={height - top - 10}
				class="fill-panel stroke-line"
			/>
		{/each}
	{/each}
	{#each hours as hour (hour)}
		<path d="M {left - 6} {yOf(hour * 60)} H {width}" class="stroke-line" stroke-width="1" />
		<text x={left - 10} y={yOf(hour * 60) + 5} text-anchor="end" font-size="13" class="text-soft"
			>{clock(hour * 60)}</text
		>
	{/each}
	{#each slots as slot (slot.id)}
		{@const now = moving?.id === slot.id ? { ...slot, ...moving } : slot}
		{#if now.startMin >= 0 && now.startMin < days * dayMin}
			{@const x = xOf(now.startMin, now.bay)}
			{@const y = yOf(now.startMin)}
			{@const tall = Math.max(
				26,
				(Math.min(now.minutes, toMin - (now.startMin % dayMin) + 60) / 60) * hourHeight - 2
			)}
			<g
				role="button"
				tabindex="0"
				class="cursor-grab touch-none"
				aria-label="{slot.plate} {clock(now.startMin)}, bay {now.bay + 1}, {format(
					addDays(monday, Math.floor(now.startMin / dayMin)),
					'EEEE'
				)}, {slot.minutes} minutes"
				aria-pressed={picked === slot.id}
				{@attach handleOf(slot.id)}
				onpointerup={() => drop(slot)}
				onclick={() => onpick(slot.id)}
				onkeydown={(event) => event.key === 'Enter' && onpick(slot.id)}
			>
				<rect
					{x}
					{y}
					width={lane - 3}
					height={tall}
					rx="3"
					class="{picked === slot.id
						? 'fill-mark-wash stroke-mark'
						: 'fill-spruce-wash stroke-spruce'} {moving?.id === slot.id ? 'opacity-70' : ''}"
					stroke-width={picked === slot.id ? 3 : 1.5}
				/>
				<text x={x + 7} y={y + 18} font-size="15" font-weight="700">{slot.plate}&nbsp;</text>
				{#if tall > 40}<text
						x={x + 7}
						y={y + 34}
						font-size="13"
						class="text-soft"
						aria-hidden="true">{clock(now.startMin)}</text
					>{/if}
			</g>
		{/if}
	{/each}
</svg>
