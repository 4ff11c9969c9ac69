<script lang="ts">
	import { benches } from '$lib/ui/workbench/frame/benches';
	import Converter from '$lib/ui/workbench/frame/Converter.svelte';
</script>

<div class="mx-auto max-w-[1500px] px-4 py-4">
	<h1 class="text-2xl">Workbench</h1>
	<p class="text-soft">
		Every computation of the program by itself, without a job. What is set stays in the link.
	</p>
	<ul class="mt-3 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
		{#each benches.slice(1) as bench (bench.path)}
			<li>
				<a
					href="/workbench/{bench.path}"
					class="panel flex h-full min-h-24 flex-col justify-center border-s-8! border-s-spruce! px-4 py-3 hover:bg-sunk"
				>
					<span class="text-xl font-bold [font-stretch:88%]">{bench.name}</span>
					<span class="text-[16px] text-soft">{bench.says}</span>
				</a>
			</li>
		{/each}
	</ul>
	<div class="mt-3"><Converter /></div>
</div>
