/** Long work handed to threads of their own: fairly per person, within time and memory, stopped when nobody waits for it. */
import pLimit, { type LimitFunction } from 'p-limit';
import { Piscina } from 'piscina';
import { Problem } from '../../../core/problem.ts';
import type * as tasks from './tasks.ts';
import type { Told } from './tasks.ts';

type Tasks = typeof tasks;
type Input<K extends keyof Tasks> = Parameters<Tasks[K]>[0];
type Output<K extends keyof Tasks> =
	Awaited<ReturnType<Tasks[K]>> extends Told<infer O> ? O : never;

export interface ThreadOptions {
	/** Module of the tasks, built. */
	file: string;
	/** How many threads. */
	count: number;
	/** A task that takes longer is stopped, ms. */
	limitMs: number;
}

/** Megabytes that one task may hold. */
const mostMemoryMb = 512;
/** Tasks of one person that may wait; more are refused. */
const mostWaiting = 16;

export interface Asker {
	/** Whose turn it takes: a person's id, or a stranger's address. */
	who: string;
	/** Aborted when nobody waits for the answer any more. */
	signal?: AbortSignal;
}

/**
 * Each person has one task under way at a time, their others wait; so whoever comes second never waits behind
 * all that the first one has asked for.
 */
export class Threads {
	readonly #options: ThreadOptions;
	readonly #turns = new Map<string, LimitFunction>();
	#started?: Piscina;

	constructor(options: ThreadOptions) {
		this.#options = options;
	}

	/** Has the threads ready before somebody waits for them. */
	start(): Piscina {
		const { file, count } = this.#options;
		if (this.#started) return this.#started;
		const pool = new Piscina({
			filename: file,
			minThreads: count,
			maxThreads: count,
			// The thread that answers goes first.
			niceIncrement: 10,
			resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb }
		});
		pool.on('error', () => undefined); // told to whoever waits for that task
		return (this.#started = pool);
	}

	/**
	 * @throws Problem what the task refuses with; 422 where it takes too long or too much; 429 where too many
	 * of this person's tasks wait already
	 */
	async run<K extends keyof Tasks>(
		name: K,
		input: Input<K>,
		{ who, signal }: Asker
	): Promise<Output<K>> {
		const turn = this.#turns.get(who) ?? pLimit(1);
		this.#turns.set(who, turn);
		if (turn.pendingCount >= mostWaiting)
			throw new Problem(429, `${mostWaiting} of your computations wait already.`, [], {
				retryAfterSeconds: 10
			});
		try {
			return await turn(() => this.#do(name, input, signal));
		} finally {
			if (turn.activeCount + turn.pendingCount === 0) this.#turns.delete(who);
		}
	}

	async #do<K extends keyof Tasks>(
		name: K,
		input: Input<K>,
		gone?: AbortSignal
	): Promise<Output<K>> {
		gone?.throwIfAborted();
		const { limitMs } = this.#options;
		const late = AbortSignal.timeout(limitMs);
		const told = await this.start()
			.run(input, { name, signal: gone ? AbortSignal.any([gone, late]) : late })
			.catch((error: unknown): Told<never> => {
				if (gone?.aborted) throw gone.reason;
				if (late.aborted) return tooMuch(`longer than ${limitMs / 1000} s`);
				if ((error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
					return tooMuch(`more than ${mostMemoryMb} MB`);
				throw error;
			});
		const answer = told as Told<Output<K>>;
		if (answer.ok) return answer.value;
		throw new Problem(answer.status, answer.message, answer.faults, answer.extra);
	}

	async close(): Promise<void> {
		await this.#started?.destroy();
	}
}

const tooMuch = (what: string): Told<never> => ({
	ok: false,
	status: 422,
	message: `That takes ${what}: ask for less at once.`,
	faults: [],
	extra: {}
});
