<script lang="ts">
	import { whenIdle } from '../../src/lib/client/later';

	/** A page that draws a part once it is here. */
	let { fetch }: { fetch: () => Promise<string> } = $props();
	const part = whenIdle(() => fetch());
</script>

{#await part then words}<p>{words}</p>{/await}
