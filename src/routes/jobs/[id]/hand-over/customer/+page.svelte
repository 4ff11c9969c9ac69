<script lang="ts">
	import { customerPage } from '$core/job/sheet/customer';
	import { currentJob, EntryInput } from '$lib/client/job-state.svelte';
	import { personalUnits, shopTime } from '$lib/client/units';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import SheetView from '$lib/ui/job/SheetView.svelte';

	let { data } = $props();
	const job = currentJob();
	const units = personalUnits();
	const times = shopTime();
	const write = new EntryInput(job);
	const api = $derived(`/api/v1/jobs/${job.record.id}`);
	const sheet = $derived(customerPage(job.job, { shopName: data.shop.name, units, times }));
	const kept = $derived(job.work.book.get('handout') ?? { photoIds: [], note: '' });
	const photos = $derived(job.record.photos.filter(({ withdrawn }) => !withdrawn));
	// svelte-ignore state_referenced_locally (starts from what is kept and then leads)
	let note = $state(kept.note);

	const keep = (change: Partial<typeof kept>) =>
		write.send('handout', 'car', { ...kept, note, ...change });
	const toggle = (id: string) =>
		keep({
			photoIds: kept.photoIds.includes(id)
				? kept.photoIds.filter((one) => one !== id)
				: [...kept.photoIds, id]
		});
</script>

<div
	class="grid grid-cols-[minmax(0,1fr)] gap-4 p-4 md:px-6 lg:grid-cols-[minmax(0,1fr)_340px] print:block print:p-0"
>
	<SheetView {sheet} photos="{api}/photos" />
	<aside class="no-print space-y-4 max-lg:order-first">
		<section class="panel space-y-3 p-4">
			<ActionButton weight="main" class="w-full" onclick={() => window.print()}>Print</ActionButton>
			<ActionButton class="w-full" href="{api}/customer.pdf" target="_blank">As a PDF</ActionButton>
			<p class="caption">
				For the customer, in plain words. The shop’s sheet, with every torque and its seal, is its
				own page.
			</p>
		</section>
		<section class="panel p-4" data-draft="customer note">
			<label for="customer-note" class="text-[15px] font-semibold">A sentence of your own</label>
			<textarea
				id="customer-note"
				rows="3"
				maxlength="1000"
				bind:value={note}
				onfocusout={() => note !== kept.note && keep({})}
				class="mt-1 w-full rounded-[3px] border border-edge bg-panel p-2 text-[17px]"></textarea>
			<RefusalNotice refusal={write.refusal} />
		</section>
		{#if photos.length}
			<section class="panel p-4" aria-labelledby="chosen-title">
				<h2 id="chosen-title" class="text-base font-semibold">Photos that go with it</h2>
				<ul class="mt-2 grid grid-cols-2 gap-2">
					{#each photos as photo (photo.id)}
						{@const on = kept.photoIds.includes(photo.id)}
						<li>
							<button
								type="button"
								aria-pressed={on}
								aria-label="{photo.corner ?? 'Car'} {photo.subject}: {on
									? 'goes along'
									: 'stays here'}"
								class="relative block w-full overflow-hidden rounded-[3px] border-2 {on
									? 'border-spruce'
									: 'border-line opacity-60'}"
								onclick={() => toggle(photo.id)}
							>
								<img
									src="{api}/photos/{photo.id}"
									alt=""
									class="h-24 w-full object-cover"
									loading="lazy"
								/>
								{#if on}<span
										class="absolute end-1 top-1 rounded-[3px] bg-spruce px-1.5 text-on-spruce"
										>✓</span
									>{/if}
							</button>
						</li>
					{/each}
				</ul>
			</section>
		{:else}
			<p class="caption px-1">Photos that were taken of this car can be put on the page here.</p>
		{/if}
	</aside>
</div>
