import type { Entry } from '$core/job/book/entry';

/** How often to ask when nothing is told: the stream may be held up by something on the way. */
const oftenMs = 6_000;
const seldomMs = 30_000;
/** What a page does with what it hears of its job. */
interface Ears {
	/** These entries were written. */
	entries: (entries: Entry[]) => void;
	/** A device has sent something. */
	device: () => void;
	/** Something may have been missed: ask. */
	ask: () => void;
}

/**
 * Follows a job while its page is seen: entries come with the server's events, and now and then the page
 * asks. A page in the background holds no connection; when it comes back it asks first.
 * @returns ends it
 */
export function followJob(id: string, ears: Ears): () => void {
	let stream: EventSource | undefined;
	let asking: ReturnType<typeof setTimeout> | undefined;

	const askLater = () => {
		clearTimeout(asking);
		const connected = stream?.readyState === EventSource.OPEN;
		asking = setTimeout(
			() => {
				ears.ask();
				askLater();
			},
			connected ? seldomMs : oftenMs
		);
	};
	const open = () => {
		stream = new EventSource(`/api/v1/jobs/${id}/events`);
		stream.addEventListener('entries', ({ data }: MessageEvent<string>) =>
			ears.entries(JSON.parse(data) as Entry[])
		);
		stream.addEventListener('device', () => ears.device());
		// Connected, or again after a break: something may have been missed.
		stream.addEventListener('open', () => ears.ask());
		askLater();
	};
	const close = () => {
		clearTimeout(asking);
		stream?.close();
		stream = undefined;
	};
	const seen = () => {
		close();
		if (document.visibilityState === 'visible') open();
	};
	document.addEventListener('visibilitychange', seen);
	seen();
	return () => {
		document.removeEventListener('visibilitychange', seen);
		close();
	};
}
