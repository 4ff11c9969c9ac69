/** Named computations from a page: each runs in one shared worker. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Result } from '$core/result';
import type { ComputeWorker } from '$lib/workers/compute.worker';

let remote: Remote<ComputeWorker> | undefined;
let tickets = 0;

function worker(): Remote<ComputeWorker> {
	return (remote ??= wrap<ComputeWorker>(
		new Worker(new URL('../workers/compute.worker.ts', import.meta.url), { type: 'module' })
	));
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
	const stop = () => void worker().stop(ticket);
	signal?.addEventListener('abort', stop, { once: true });
	try {
		const told = onprogress && proxy(onprogress);
		return (await worker().run(ticket, name, input, told)) as Result<T> | undefined;
	} finally {
		signal?.removeEventListener('abort', stop);
	}
}
