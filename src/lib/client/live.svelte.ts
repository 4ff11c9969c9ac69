import type { Fault } from '$core/result';
import { compute } from './compute';

/**
 * A computation that follows its input: it runs anew whenever the input changes, one at a time, always
 * the newest. Between two answers the last good value stays, so that a drawing never blinks out.
 */
export class Live<T extends object> {
	/** The last good answer. */
	value = $state.raw<T>();
	/** What is wrong with the present input; empty when nothing is. */
	faults = $state.raw<Fault[]>([]);
	#running = false;
	#next: { name: string; input: object } | undefined;

	/** @param ask name and input of the computation; undefined while the input is not complete */
	constructor(ask: () => { name: string; input: object } | undefined) {
		$effect(() => {
			const next = ask();
			if (!next) return;
			this.#next = { name: next.name, input: $state.snapshot(next.input) };
			if (!this.#running) void this.#run();
		});
	}

	async #run(): Promise<void> {
		this.#running = true;
		while (this.#next) {
			const { name, input } = this.#next;
			this.#next = undefined;
			const result = await compute<T>(name, input);
			if (result?.ok) this.value = result.value;
			this.faults = result && !result.ok ? result.faults : [];
		}
		this.#running = false;
	}
}
