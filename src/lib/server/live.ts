/**
 * Tells open pages that a job has changed, so that two people on one car see each other's work at once.
 * Only this process's own writes are told; pages ask again now and then all the same.
 */
type Listener = { changed: (what: string) => void; end: () => void };

const listeners = new Map<string, Set<Listener>>();
/** Keeps proxies from closing a stream that has nothing to say. */
const heartbeatMs = 25_000;

/**
 * A job was written.
 * @param what id of the row where there is one, for those who wait for it
 */
export function announce(jobId: string, what = ''): void {
	for (const listener of listeners.get(jobId) ?? []) listener.changed(what);
}

/** Ends every stream: an open one would hold up the end of the server. */
export function endStreams(): void {
	for (const open of listeners.values()) for (const listener of open) listener.end();
}

/** How many streams are open, for tests and the log. */
export const openStreams = (): number =>
	[...listeners.values()].reduce((sum, open) => sum + open.size, 0);

/** Server-sent events: `changed` for each write of the job, until the page goes away. */
export function changesOf(jobId: string): ReadableStream<Uint8Array> {
	const encoder = new TextEncoder();
	let listener: Listener;
	let heartbeat: ReturnType<typeof setInterval>;
	const forget = () => {
		clearInterval(heartbeat);
		const open = listeners.get(jobId);
		open?.delete(listener);
		if (open?.size === 0) listeners.delete(jobId);
	};
	return new ReadableStream({
		start(controller) {
			const send = (text: string) => controller.enqueue(encoder.encode(text));
			listener = {
				changed: (what) => send(`event: changed\ndata: ${what}\n\n`),
				end() {
					forget();
					controller.close();
				}
			};
			const open = listeners.get(jobId) ?? new Set();
			listeners.set(jobId, open.add(listener));
			heartbeat = setInterval(() => send(':\n\n'), heartbeatMs);
			send('retry: 3000\n\n');
		},
		cancel: forget
	});
}
