import type { Fault } from '$core/result';
import { untrack } from 'svelte';
import { compute } from './compute';
import { firstAnswer } from './first-answers';

/** What is computed. */
export interface Question {
	name: string;
	input: object;
	/** What is answered with the page, where the whole would keep it waiting; the whole follows. */
	first?: object;
}

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

	/** @param ask while a component is made: what is to be computed; undefined while the input is not complete */
	constructor(ask: () => Question | undefined) {
		const opening = untrack(ask);
		this.value = opening && firstAnswer<T>(opening.name, opening.first ?? opening.input);
		let answered = this.value !== undefined && !opening?.first;
		$effect(() => {
			const next = ask();
			if (!next) return;
			if (answered) {
				answered = false;
				return;
			}
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
