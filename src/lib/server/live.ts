/**
 * Tells open pages what was written, so that two people on one car see each other's work at once: each
 * event carries the new entries. Only this process's own writes are told; pages ask again now and then
 * all the same.
 */
import type { Entry } from '../../core/job/book/entry.ts';

type Listener = { say: (event: string, data: string) => void; end: () => void };

const listeners = new Map<string, Set<Listener>>();
/** Keeps proxies from closing a stream that has nothing to say. */
const heartbeatMs = 25_000;

const each = (jobId: string, event: string, data: string) => {
	for (const listener of listeners.get(jobId) ?? []) listener.say(event, data);
};

/** Entries were added to a job's book. */
export function announce(jobId: string, entries: readonly Entry[]): void {
	if (entries.length) each(jobId, 'entries', JSON.stringify(entries));
}

/** A device has sent something for a job, placed or held. @param readingId for those who wait for it */
export function announceDevice(jobId: string, readingId: string): void {
	each(jobId, 'device', readingId);
}

/** Ends every stream: an open one would hold up the end of the server. */
export function endStreams(): void {
	for (const open of listeners.values()) for (const listener of open) listener.end();
}

/** How many streams are open, for tests and the log. */
export const openStreams = (): number =>
	[...listeners.values()].reduce((sum, open) => sum + open.size, 0);

/** Server-sent events for each write of the job, until the page goes away. */
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
				say: (event, data) => send(`event: ${event}\ndata: ${data}\n\n`),
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
