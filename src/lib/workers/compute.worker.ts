/**
 * Runs named computations off the page's own thread. Thin: the registry of the core does the work.
 * Long ones give way to messages now and then, so that they can be told to stop.
 */
import { expose } from 'comlink';
import { computeInSteps, findComputation } from '$core/compute';
import { faulty, type Result } from '$core/result';

const stopped = new Set<number>();
/** How long a computation goes on before it listens, ms. */
const breathMs = 30;

/** Lets messages that have arrived be handled. */
function listen(): Promise<void> {
	return new Promise((done) => {
		const { port1, port2 } = new MessageChannel();
		port1.onmessage = () => done();
		port2.postMessage(undefined);
	});
}

const api = {
	/** @param ticket names this run for `stop`; a run that was stopped answers undefined */
	async run(
		ticket: number,
		name: string,
		input: unknown,
		onprogress?: (share: number) => unknown
	): Promise<Result<object> | undefined> {
		const computation = findComputation(name);
		if (!computation) return faulty({ field: 'name', value: name, message: 'is not known' });
		const steps = computeInSteps(computation, input);
		let last = performance.now();
		for (;;) {
			const step = steps.next();
			if (step.done) return step.value;
			if (performance.now() - last < breathMs) continue;
			onprogress?.(step.value);
			await listen();
			if (stopped.delete(ticket)) return undefined;
			last = performance.now();
		}
	},
	stop(ticket: number): void {
		stopped.add(ticket);
	}
};

export type ComputeWorker = typeof api;
expose(api);
