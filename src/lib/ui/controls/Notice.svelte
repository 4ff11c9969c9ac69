<script lang="ts">
	import { Alert } from 'flowbite-svelte';
	import { slide } from 'svelte/transition';
	import type { Snippet } from 'svelte';

	/** Something to be read before going on. */
	interface Props {
		children: Snippet;
		/** stop: wrong, or dangerous; mind: owed, or to be looked at; plain: good to know. */
		tone?: 'stop' | 'mind' | 'plain';
		/** alert: it has just come up; status: it follows what is done; left out: it stands there. */
		role?: 'alert' | 'status';
		class?: string;
		[attribute: string]: unknown;
	}
	let { children, tone = 'stop', role, class: more = '', ...rest }: Props = $props();
	const look = {
		stop: 'border-madder bg-madder-wash!',
		mind: 'border-ochre bg-ochre-wash!',
		plain: 'border-mark bg-mark-wash!'
	};
</script>

<Alert
	color="gray"
	rounded={false}
	transition={slide}
	params={{ duration: 0 }}
	{role}
	class="rounded-[3px] border-2 p-3! text-base! text-ink! {look[tone]} {more}"
	{...rest}>{@render children()}</Alert
>
