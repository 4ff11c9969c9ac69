<script lang="ts">
	import { page } from '$app/state';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
</script>

<div class="mx-auto max-w-xl p-8">
	<p class="num text-6xl text-soft">{page.status}</p>
	<h1 class="mt-2 text-3xl">{page.error?.message}</h1>
	{#if page.error?.reference}
		<p class="mt-3">
			Reference <b class="num">{page.error.reference}</b>. The same reference is in the log.
		</p>
	{/if}
	<div class="mt-6"><ActionButton weight="main" href="/">To the jobs</ActionButton></div>
</div>
