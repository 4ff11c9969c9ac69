/**
 * Tells open pages what was written, so that two people on one car see each other's work at once: each
 * event carries the new entries. Only this process's own writes are told; pages ask again now and then
 * all the same.
 */
import type { Entry } from '../../core/job/book/entry.ts';
import { Problem } from '../../core/problem.ts';

interface Stream {
	jobId: string;
	personId: string;
	say: (event: string, data: string) => void;
	end: () => void;
}

const streams = new Set<Stream>();
/** Keeps proxies from closing a stream that has nothing to say. */
const heartbeatMs = 25_000;
/** Then the page connects anew, and shows again who it is: nobody listens on after their session has run out. */
const longestMs = 15 * 60_000;
/** Pages in the background hold none: a person with so many has something broken. */
const mostPerPerson = 16;
/** A page that reads nothing is ended once so much waits for it, bytes. */
const mostUnread = 256 * 1024;

const each = (jobId: string, event: string, data: string) => {
	for (const stream of streams) if (stream.jobId === jobId) stream.say(event, data);
};

/** Entries were added to a job's book. */
export function announce(jobId: string, entries: readonly Entry[]): void {
	if (entries.length) each(jobId, 'entries', JSON.stringify(entries));
}

/** A device has sent something for a job, placed or held. @param readingId for those who wait for it */
export function announceDevice(jobId: string, readingId: string): void {
	each(jobId, 'device', readingId);
}

/** Ends every stream: an open one would hold up the end of the server. @param personId only theirs */
export function endStreams(personId?: string): void {
	for (const stream of streams)
		if (personId === undefined || stream.personId === personId) stream.end();
}

/** How many streams are open, for tests and the log. */
export const openStreams = (): number => streams.size;

/**
 * Server-sent events for each write of the job, until the page goes away.
 *
 * @throws Problem 429 of a person who holds too many already
 */
export function changesOf(jobId: string, personId: string): ReadableStream<Uint8Array> {
	const theirs = [...streams].filter((stream) => stream.personId === personId).length;
	if (theirs >= mostPerPerson) {
		throw new Problem(429, 'Too many pages follow jobs at once: close some.', [], {
			retryAfterSeconds: 30
		});
	}
	const encoder = new TextEncoder();
	let forget = () => false;
	return new ReadableStream(
		{
			start(controller) {
				const send = (text: string) => {
					controller.enqueue(encoder.encode(text));
					if (controller.desiredSize! < 0) stream.end();
				};
				const stream: Stream = {
					jobId,
					personId,
					say: (event, data) => send(`event: ${event}\ndata: ${data}\n\n`),
					end() {
						if (forget()) controller.close();
					}
				};
				const heartbeat = setInterval(() => send(':\n\n'), heartbeatMs);
				const longest = setTimeout(stream.end, longestMs);
				forget = () => {
					clearInterval(heartbeat);
					clearTimeout(longest);
					return streams.delete(stream);
				};
				streams.add(stream);
				send('retry: 3000\n\n');
			},
			cancel() {
				forget();
			}
		},
		{ highWaterMark: mostUnread, size: (chunk) => chunk!.byteLength }
	);
}
