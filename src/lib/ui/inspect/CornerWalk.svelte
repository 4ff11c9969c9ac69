<script lang="ts">
	import { axleOf, cornerNames, type Corner } from '$core/height/corners';
	import { inspectionPoints, type InspectionPoint, type PointState } from '$core/inspect/points';
	import { currentJob } from '$lib/client/job-state.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import { gravityLooks } from './gravity';
	import { placesOf } from './places';

	/** One corner walked point by point: a row each, which stays where it is whatever is touched. */
	let { corner, point = $bindable() }: { corner: Corner; point: string | undefined } = $props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const points = $derived(inspectionPoints(job.work.scope.layouts[axleOf(corner)]));
	const places = $derived(placesOf(points));
	const found = $derived((key: string) => job.work.book.get('finding', `${corner}/${key}`));
	const left = $derived(points.filter(({ key }) => !found(key)?.state).length);

	function touch(of: InspectionPoint, state: PointState) {
		point = of.key;
		const kept = found(of.key);
		void job.keep('finding', `${corner}/${of.key}`, {
			corner,
			point: of.key,
			state: kept?.state === state.key ? null : state.key,
			where: kept?.where ?? '',
			note: kept?.note ?? ''
		});
	}
	const restSound = () =>
		void job.keep('finding', `${corner}/rest`, {
			corner,
			point: 'rest',
			state: 'sound',
			where: '',
			note: ''
		});
</script>

<section class="panel" aria-label="{cornerNames[corner]}, point by point">
	{#if left && !closed}
		<div class="border-b border-line p-3">
			<ActionButton weight="main" class="w-full" onclick={restSound}
				>{left === points.length
					? `All ${left} sound, ${cornerNames[corner].toLowerCase()}`
					: `The other ${left} sound`}</ActionButton
			>
		</div>
	{/if}
	<ol class="walk">
		{#each points as one, i (one.key)}
			{@const kept = found(one.key)}
			{@const here = point === one.key}
			{@const place = places.findIndex(({ name }) => name === one.place)}
			{@const words = [kept?.where, kept?.note].filter(Boolean).join(' · ')}
			<li class={{ first: i === 0 || points[i - 1]!.place !== one.place, here }}>
				<button aria-pressed={here} onclick={() => (point = here ? undefined : one.key)}>
					<b class="num" aria-label="place {place + 1}">{place + 1}</b>
					<span
						>{one.name}{#if words}<small class="caption line-clamp-1">✎ {words}</small>{/if}</span
					>
				</button>
				<div role="group" aria-label={one.name}>
					{#each one.states as state (state.key)}
						{@const on = kept?.state === state.key}
						{@const look = gravityLooks[state.gravity]}
						<button
							class={on ? look.tone : undefined}
							aria-pressed={on}
							disabled={closed}
							onclick={() => touch(one, state)}>{on ? `${look.sign} ` : ''}{state.name}</button
						>
					{/each}
				</div>
			</li>
		{/each}
	</ol>
</section>

<style>
	/* Rows and buttons are many: they are styled from here, so that none carries its own words of style. */
	.walk :global {
		li {
			display: flex;
			flex-wrap: wrap;
			align-items: center;
			gap: 0.25rem 0.5rem;
			padding: 0.25rem 0.5rem;
			border-top: 1px solid var(--color-line);
		}
		.first {
			border-color: var(--color-edge);
		}
		.here {
			background: var(--color-sunk);
			box-shadow: inset 4px 0 0 var(--color-mark);
		}
		li > button {
			display: flex;
			min-width: 11rem;
			min-height: 48px;
			flex: 1;
			align-items: center;
			gap: 0.5rem;
			text-align: start;
		}
		li > button span {
			min-width: 0;
			font-weight: 500;
			line-height: 1.25;
		}
		small {
			font-weight: 400;
		}
		b {
			display: flex;
			width: 1.75rem;
			height: 1.75rem;
			flex-shrink: 0;
			align-items: center;
			justify-content: center;
			border: 1px solid var(--color-edge);
			border-radius: 50%;
			font-size: 15px;
		}
		[role='group'] {
			display: flex;
			flex-wrap: wrap;
			gap: 0.375rem;
		}
		[role='group'] button {
			min-height: 48px;
			padding-inline: 0.75rem;
			border: 1px solid var(--color-edge);
			border-radius: 3px;
			font-size: 15px;
		}
		[role='group'] [aria-pressed='true'] {
			border-width: 2px;
			border-color: currentcolor;
			font-weight: 600;
		}
		[role='group'] [aria-pressed='false'] {
			background: var(--color-panel);
		}
		[role='group'] [aria-pressed='false']:hover {
			background: var(--color-sunk);
		}
	}
</style>
