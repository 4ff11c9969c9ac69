/** Keeps a program running: started again when it ends by itself, after a pause that grows while it ends soon. */
import { setTimeout as pause } from 'node:timers/promises';

export interface Running {
	/** How it ended: by a signal, with a code. */
	ended: Promise<string>;
	/** Orderly; resolves when the process is gone. */
	stop(): Promise<void>;
}

export interface KeepOptions {
	/** As it is named to the person at the shell. */
	name: string;
	/** Started already. */
	running: Running;
	/** Starts it again; what it throws is said, and tried once more later. */
	again: () => Promise<Running>;
	say: (line: string) => void;
	/** Pauses before each new start, ms; the last one goes on. */
	pausesMs?: readonly number[];
	/** Whoever ran that long begins with the first pause again, ms. */
	steadyMs?: number;
}

/** @returns what ends both the keeping and the program */
export function keepRunning({
	name,
	running,
	again,
	say,
	pausesMs = [500, 1_000, 2_000, 5_000, 10_000, 30_000],
	steadyMs = 60_000
}: KeepOptions): () => Promise<void> {
	const stop = new AbortController();
	const kept = (async () => {
		let current: Running | undefined = running;
		let tries = 0;
		while (!stop.signal.aborted) {
			const since = Date.now();
			const asked = new Promise<undefined>((done) =>
				stop.signal.addEventListener('abort', () => done(undefined))
			);
			const how: string | undefined = await Promise.race([current?.ended ?? '', asked]);
			if (stop.signal.aborted) break;
			if (Date.now() - since >= steadyMs) tries = 0;
			const wait = pausesMs[Math.min(tries++, pausesMs.length - 1)]!;
			if (current) say(`${name} ended ${how}; it is started again.`);
			await pause(wait, undefined, { signal: stop.signal }).catch(() => undefined);
			if (stop.signal.aborted) return;
			current = await again().catch((error: Error) => {
				say(`${name} does not start: ${error.message.split('\n')[0]}`);
				return undefined;
			});
			if (current) say(`${name} runs again.`);
		}
		await current?.stop();
	})();
	return async () => {
		stop.abort();
		await kept;
	};
}

/** How a process ended, once it has. */
export const endOf = (process: {
	once(event: 'exit', listener: (code: number | null, signal: string | null) => void): unknown;
}): Promise<string> =>
	new Promise((done) =>
		process.once('exit', (code, signal) => done(signal ? `by ${signal}` : `with code ${code}`))
	);
