import type { Fault } from '$core/result';
import { compute } from './compute';

/** A long computation that shows how far it is and can be stopped; the last good answer stays. */
export class Run<T extends object> {
	value = $state.raw<T>();
	faults = $state.raw<Fault[]>([]);
	/** Share done, 0 to 1, while it runs. */
	share = $state<number>();
	/** The last run was stopped by hand. */
	stopped = $state(false);
	#running: AbortController | undefined;

	/** Starts anew; a run under way gives way to it. */
	async start(name: string, input: object): Promise<T | undefined> {
		this.#running?.abort();
		const own = (this.#running = new AbortController());
		const current = () => this.#running === own;
		this.share = 0;
		this.stopped = false;
		const result = await compute<T>(name, input, {
			onprogress: (done) => {
				if (current()) this.share = done;
			},
			signal: own.signal
		});
		if (!current()) return undefined;
		this.#running = undefined;
		this.share = undefined;
		this.stopped = result === undefined;
		this.faults = result && !result.ok ? result.faults : [];
		if (!result?.ok) return undefined;
		return (this.value = result.value);
	}

	stop(): void {
		this.#running?.abort();
	}
}
