<script lang="ts">
	import { compareParts } from '$core/bench/compare';
	import { findPoint, findState } from '$core/inspect/points';
	import { symptomNames } from '$core/inspect/suspects';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { declinedWork } from '$core/job/plan';
	import { trayItems } from '$core/job/work-owed';

	/** Of the work before the round what belongs on paper: found, done, declined, explained, passed over. */
	const job = currentJob();
	const book = $derived(job.work.book);
	const symptoms = $derived(book.get('symptoms')?.symptoms ?? []);
	const found = $derived(
		book.of('finding').flatMap(({ data }) => {
			const point = findPoint(data.point);
			const state = point && data.state ? findState(point, data.state) : undefined;
			if (!point || !state || state.gravity === 'sound') return [];
			return [{ ...data, point: point.name, state: state.name, worn: state.gravity === 'worn' }];
		})
	);
	const decided = $derived((state: 'accepted' | 'done') =>
		book
			.of('decision')
			.filter(({ data }) => data.state === state)
			.map(({ data }) => data.title)
	);
	const accepted = $derived([...decided('accepted'), ...decided('done')]);
	const declined = $derived(declinedWork(job.record));
	const explained = $derived(
		book
			.of('comparison')
			.filter(({ data }) => data.outcome === 'explained')
			.map(({ data }) => ({
				id: `${data.corner} ${data.part}`,
				words: compareParts(data.part, data.old, data.new).words.toLowerCase(),
				reason: data.reason
			}))
	);
	const passed = $derived(
		book.of('step').flatMap(({ subject, data, entry }) => {
			if (data.state !== 'done' || !data.overrideReason) return [];
			const step = job.work.order.steps.find(({ id }) => id === subject);
			return [{ id: subject, title: step?.title ?? subject, data, who: entry.personId }];
		})
	);
	const gates = $derived(
		book.of('step').flatMap(({ subject, data }) => {
			const step = job.work.order.steps.find(({ id }) => id === subject);
			return step?.gate?.note && data.note ? [`${step.gate.note.toLowerCase()}: ${data.note}`] : [];
		})
	);
	const lost = $derived(trayItems(book).filter(({ reason }) => reason));
	const photos = $derived(job.record.photos.filter(({ withdrawn }) => !withdrawn).length);
</script>

{#if symptoms.length}
	<p><b>Heard and felt:</b> {symptoms.map((one) => symptomNames[one].toLowerCase()).join(', ')}</p>
{/if}
{#if found.length || accepted.length || declined.length || passed.length || explained.length}
	<section class="mt-4 grid gap-x-8 gap-y-3 sm:grid-cols-2 print:grid-cols-2">
		{#if found.length}
			<div>
				<h2 class="text-lg">Found</h2>
				<ul>
					{#each found as one (one.corner + one.point)}
						<li>
							{one.worn ? '✕' : '◇'}
							{one.corner}
							{one.point.toLowerCase()}: {one.state.toLowerCase()}{[one.where, one.note]
								.filter(Boolean)
								.map((words) => `, ${words}`)
								.join('')}
						</li>
					{/each}
				</ul>
			</div>
		{/if}
		{#if accepted.length}
			<div>
				<h2 class="text-lg">Agreed</h2>
				<ul>
					{#each accepted as title (title)}<li>✓ {title}</li>{/each}
				</ul>
			</div>
		{/if}
		{#if declined.length}
			<div class="border-2 border-ink p-2">
				<h2 class="text-lg">Declined by the customer</h2>
				<ul>
					{#each declined as one (one.title)}<li>
							✕ {one.title}{one.reason ? `: ${one.reason}` : ''}
						</li>{/each}
				</ul>
			</div>
		{/if}
		{#if passed.length || explained.length || lost.length}
			<div>
				<h2 class="text-lg">Explained</h2>
				<ul>
					{#each explained as one (one.id)}<li>{one.id} {one.words}: {one.reason}</li>{/each}
					{#each passed as one (one.id)}<li>
							Passed over, {one.title.toLowerCase()}: {one.data.overrideReason} ({job.personName(
								one.who
							)})
						</li>{/each}
					{#each lost as one (one.id)}<li>
							{one.name}: {one.back} of {one.count} back, {one.reason}
						</li>{/each}
				</ul>
			</div>
		{/if}
	</section>
{/if}
{#if gates.length || photos}
	<p class="mt-2 text-soft">
		{[...gates, photos ? `${photos} ${photos === 1 ? 'photo' : 'photos'} with the job` : '']
			.filter(Boolean)
			.join('; ')}
	</p>
{/if}
