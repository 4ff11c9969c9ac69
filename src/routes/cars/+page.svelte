<script lang="ts">
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import SearchBox from '$lib/ui/controls/SearchBox.svelte';
	import StateMark from '$lib/ui/status/StateMark.svelte';

	let { data } = $props();
</script>

<div class="mx-auto max-w-[1240px] space-y-5 p-4 md:p-6">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="me-auto text-3xl">Cars</h1>
		<div class="w-full sm:w-80"><SearchBox label="Plate, owner or car" value={data.search} /></div>
		<ActionButton weight="main" href="/cars/new">Add a car</ActionButton>
	</div>
	{#if data.cars.length}
		<ul class="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
			{#each data.cars as car (car.id)}
				<li>
					<a href="/cars/{car.id}" class="panel block h-full p-4 hover:bg-sunk">
						<span class="num block text-2xl">{car.plate}</span>
						<span class="block font-medium">{car.make} {car.model} {car.modelYear ?? ''}</span>
						<span class="caption block">{car.owner || 'No owner noted'}</span>
						<span class="mt-2 block">
							{#if car.openJobs}<StateMark mark="owed" word="{car.openJobs} open" />
							{:else}<span class="caption"
									>{car.jobs} {car.jobs === 1 ? 'job' : 'jobs'}, none open</span
								>{/if}
						</span>
					</a>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="panel p-8 text-center text-xl font-semibold">
			{data.search ? `Nothing matches “${data.search}”.` : 'No cars yet.'}
		</p>
	{/if}
</div>
