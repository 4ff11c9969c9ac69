/** How often to ask when nothing is told: the stream may be held up by something on the way. */
const oftenMs = 6_000;
const seldomMs = 30_000;
/** Changes that come together are answered once. */
const gatherMs = 120;

/**
 * Follows a job while its page is seen: at once by server-sent events, and by asking now and then. A
 * page in the background holds no connection; when it comes back it asks first.
 * @returns ends it
 */
export function followJob(id: string, look: () => void): () => void {
	let stream: EventSource | undefined;
	let asking: ReturnType<typeof setTimeout> | undefined;
	let gathering: ReturnType<typeof setTimeout> | undefined;

	const soon = () => {
		clearTimeout(gathering);
		gathering = setTimeout(look, gatherMs);
	};
	const ask = () => {
		clearTimeout(asking);
		const connected = stream?.readyState === EventSource.OPEN;
		asking = setTimeout(
			() => {
				look();
				ask();
			},
			connected ? seldomMs : oftenMs
		);
	};
	const open = () => {
		stream = new EventSource(`/api/v1/jobs/${id}/events`);
		stream.addEventListener('changed', soon);
		// Connected again after a break: something may have been missed.
		stream.addEventListener('open', soon);
		ask();
	};
	const close = () => {
		clearTimeout(asking);
		clearTimeout(gathering);
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
