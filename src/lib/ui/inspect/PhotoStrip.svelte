<script lang="ts">
	import { cornerNames, type Corner } from '$core/height/corners';
	import type { Refusal } from '$lib/client/api';
	import { currentJob } from '$lib/client/job-state.svelte';
	import { photoBox } from '$lib/client/photo-box.svelte';
	import ActionButton from '$lib/ui/controls/ActionButton.svelte';
	import RefusalNotice from '$lib/ui/controls/RefusalNotice.svelte';
	import { later } from '$lib/client/later';
	import Later from '$lib/ui/frame/Later.svelte';

	/** Photos of a corner or a step: taken, shown, taken out of sight and back. */
	let { corner, subject, title }: { corner: Corner | null; subject: string; title: string } =
		$props();
	const job = currentJob();
	const closed = $derived(job.record.signedAt !== null);
	const here = $derived(
		job.record.photos.filter(
			(photo) =>
				photo.corner === corner && !photo.withdrawn && (!subject || photo.subject === subject)
		)
	);
	const waiting = $derived(
		photoBox.waiting.filter((photo) => photo.jobId === job.record.id && photo.corner === corner)
	);
	const large = later(() => import('./PhotoLarge.svelte'));
	let picker = $state<HTMLInputElement>();
	let shown = $state<string>();
	let gone = $state<string>();
	let refusal = $state<Refusal>();
	let fault = $state('');

	/** Opens the camera, or the files where there is none. */
	export function take() {
		picker?.click();
	}
	async function taken() {
		fault = '';
		for (const file of picker?.files ?? []) {
			try {
				await photoBox.add(file, { jobId: job.record.id, corner, subject, note: '' });
			} catch {
				fault = `${file.name} cannot be read as a picture: choose a JPEG, PNG or WebP`;
			}
		}
		picker!.value = '';
	}
	async function withdraw(id: string, withdrawn: boolean) {
		refusal = await job.tell('photo', id, { withdrawn });
		if (refusal) return;
		gone = withdrawn ? id : undefined;
		shown = undefined;
	}
	const about = (photo: { corner: Corner | null; subject: string }) =>
		[photo.corner && cornerNames[photo.corner], photo.subject].filter(Boolean).join(', ');
</script>

<section class="panel p-3" aria-label={title}>
	<div class="flex items-center gap-3">
		<h2 class="me-auto text-[17px]">{title}</h2>
		{#if !closed}
			<input
				type="file"
				accept="image/jpeg,image/png,image/webp"
				capture="environment"
				multiple
				bind:this={picker}
				onchange={taken}
				class="hidden"
				aria-label="{title}, file"
			/>
			<ActionButton onclick={take}>Take a photo</ActionButton>
		{/if}
	</div>
	<RefusalNotice refusal={refusal ?? photoBox.refusal} />
	{#if fault}<p role="alert" class="mt-1 text-madder">✕ {fault}</p>{/if}
	{#if waiting.length}<p role="status" class="caption mt-1">
			{waiting.length} kept here, waiting for the server
		</p>{/if}
	{#if here.length}
		<ul class="mt-2 grid grid-cols-3 gap-2">
			{#each here as photo (photo.id)}
				<li>
					<button type="button" class="block w-full" onclick={() => (shown = photo.id)}>
						<img
							src="/api/v1/jobs/{job.record.id}/photos/{photo.id}"
							alt={about(photo)}
							class="h-20 w-full rounded-[3px] border border-line object-cover"
							loading="lazy"
						/>
					</button>
				</li>
			{/each}
		</ul>
	{:else if !waiting.length}
		<p class="caption mt-1">None yet. Location and camera data are not kept.</p>
	{/if}
	{#if gone}
		<p class="mt-2 text-[15px]">
			Out of sight. <button
				type="button"
				class="touch underline"
				onclick={() => withdraw(gone!, false)}>Bring it back</button
			>
		</p>
	{/if}
</section>

{#if shown !== undefined}
	<Later
		part={large()}
		given={{
			src: `/api/v1/jobs/${job.record.id}/photos/${shown}`,
			title,
			onclose: () => (shown = undefined),
			onwithdraw: closed ? undefined : () => void withdraw(shown!, true)
		}}
	/>
{/if}
