/** Named computations from a page: each runs in one shared worker. */
import { proxy, wrap, type Remote } from 'comlink';
import { faulty, type Result } from '$core/result';
import type { ComputeWorker } from '$lib/workers/compute.worker';

interface Running {
	remote: Remote<ComputeWorker>;
	/** Settles, with an error, only when the worker could not be loaded or broke. */
	broken: Promise<never>;
}
let running: Running | undefined;
let tickets = 0;

function worker(): Running {
	if (running) return running;
	const own = new Worker(new URL('../workers/compute.worker.ts', import.meta.url), {
		type: 'module'
	});
	const broken = new Promise<never>((_, fail) => {
		own.addEventListener('error', () => {
			running = undefined;
			fail(new Error('could not be computed here; reload the page'));
		});
	});
	broken.catch(() => {});
	return (running = { remote: wrap<ComputeWorker>(own), broken });
}

interface RunOptions {
	/** Told the share done, 0 to 1, of long computations. */
	onprogress?: (share: number) => void;
	signal?: AbortSignal;
}

/** Runs one named computation; undefined when it was stopped. */
export async function compute<T extends object>(
	name: string,
	input: object,
	{ onprogress, signal }: RunOptions = {}
): Promise<Result<T> | undefined> {
	const ticket = ++tickets;
	let settled = false;
	const { remote, broken } = worker();
	const stop = () => void remote.stop(ticket);
	signal?.addEventListener('abort', stop, { once: true });
	try {
		// Progress comes on a channel of its own, and may come after the answer.
		const told = onprogress && proxy((share: number) => !settled && onprogress(share));
		const answer = await Promise.race([remote.run(ticket, name, input, told), broken]);
		return answer as Result<T> | undefined;
	} catch (error) {
		return faulty({ field: name, message: (error as Error).message });
	} finally {
		settled = true;
		signal?.removeEventListener('abort', stop);
	}
}
