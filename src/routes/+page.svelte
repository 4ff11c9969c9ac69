<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { deskLists, listsOf, type DeskList } from '$core/schedule/promise';
	import { call, type Refusal } from '$lib/client/api';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SearchBox from '$lib/ui/controls/SearchBox.svelte';
	import PageLinks from '$lib/ui/controls/PageLinks.svelte';
	import JobRows from '$lib/ui/job/JobRows.svelte';

	let { data } = $props();
	let refusal = $state<Refusal>();
	let picker: HTMLInputElement;
	const names: Record<DeskList, string> = {
		all: 'All',
		mine: 'Mine',
		late: 'Late',
		parts: 'Waiting for parts',
		ready: 'Ready'
	};
	const sorted = $derived(
		data.jobs.open.map((job) => ({ job, lists: listsOf(job, job.dangers, data.person?.id) }))
	);
	const asked = $derived(page.url.searchParams.get('list'));
	const list = $derived<DeskList>(deskLists.find((one) => one === asked) ?? 'all');
	const counts = $derived((of: DeskList) => sorted.filter(({ lists }) => lists.has(of)).length);
	/** What was promised comes first, the soonest at the top; then what came in last. */
	const openJobs = $derived(
		sorted
			.filter(({ lists }) => lists.has(list))
			.map(({ job }) => job)
			.sort((a, b) => (a.promisedAt ?? '9').localeCompare(b.promisedAt ?? '9'))
	);
	const listHref = (of: DeskList) => {
		const search = new URLSearchParams({
			...(data.search && { search: data.search }),
			...(of !== 'all' && { list: of })
		});
		return `?${search}`;
	};
	const signed = $derived(data.jobs.signed);

	async function importFile() {
		const file = picker.files?.[0];
		picker.value = '';
		if (!file) return;
		let content: unknown;
		try {
			content = JSON.parse(await file.text());
		} catch {
			refusal = { status: 400, title: `${file.name} is not a JSON file.` };
			return;
		}
		const answer = await call<{ jobId: string }>('POST', '/import', content);
		if (answer.ok) await goto(`/jobs/${answer.value.jobId}`);
		else refusal = answer.refusal;
	}
</script>

<div class="mx-auto max-w-[1240px] space-y-5 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">Jobs</h1>
		<div class="w-full sm:w-80">
			<SearchBox label="Plate, name or number" value={data.search} />
		</div>
		<input
			bind:this={picker}
			type="file"
			accept=".json,application/json"
			class="hidden"
			onchange={importFile}
			aria-label="Job file"
		/>
		<ActionButton href="/retorques">Due</ActionButton>
		<ActionButton onclick={() => picker.click()}>Import a job file</ActionButton>
		<ActionButton weight="main" href="/jobs/new">Open a job</ActionButton>
	</div>
	<RefusalNotice {refusal} />

	{#if data.jobs.open.length + signed.length === 0}
		<div class="panel p-8 text-center">
			{#if data.search}
				<p class="text-xl font-semibold">Nothing matches “{data.search}”.</p>
				<p class="mt-1 text-soft">
					Search looks at plate, owner, car, complaint, technician and job number.
				</p>
			{:else}
				<p class="text-xl font-semibold">No jobs yet.</p>
				<p class="mt-1 text-soft">
					Open a job: pick the car or add it, then read its heights before anything is touched.
				</p>
			{/if}
		</div>
	{/if}
	{#if data.jobs.open.length}
		<section aria-labelledby="open-jobs" class="space-y-2">
			<h2 id="open-jobs" class="text-lg">
				In the shop <span class="num text-soft">{data.jobs.open.length}</span>
			</h2>
			<nav class="flex flex-wrap gap-1.5" aria-label="Lists of the desk">
				{#each deskLists as of (of)}
					<a
						href={listHref(of)}
						data-sveltekit-noscroll
						data-sveltekit-replacestate
						aria-current={of === list ? 'page' : undefined}
						class="touch flex items-center gap-2 rounded-[3px] border-2 px-4 {of === list
							? 'border-spruce bg-spruce-wash font-semibold'
							: 'border-line bg-panel hover:border-edge'}"
						>{names[of]}
						<span class="num {of === 'late' && counts(of) ? 'text-madder' : 'text-soft'}"
							>{counts(of)}</span
						></a
					>
				{/each}
			</nav>
			{#if openJobs.length}<JobRows jobs={openJobs} />
			{:else}<p class="panel p-6 text-soft">No car in the shop is on this list.</p>{/if}
		</section>
	{/if}
	{#if signed.length && list === 'all'}
		<section aria-labelledby="signed-jobs" class="space-y-2">
			<h2 id="signed-jobs" class="text-lg">
				Signed{data.page === 0 && !data.jobs.more ? ' ' : ', latest first'}
				{#if data.page === 0 && !data.jobs.more}<span class="num text-soft">{signed.length}</span
					>{/if}
			</h2>
			<JobRows jobs={signed} />
			<PageLinks page={data.page} more={data.jobs.more} search={data.search} />
		</section>
	{/if}
</div>
