/**
 * A page comes with its first answers: what its computations are asked when it opens is computed where it is
 * drawn, and travels with it, so that no box is empty and nothing is computed twice. From then on the
 * worker answers.
 */
import { getContext, setContext } from 'svelte';

/** Only on the server: the registry is no part of a page's script. */
const core = import.meta.env.SSR ? await import('$core/compute') : undefined;

const key = Symbol('first answers');
const scriptId = 'first-answers';

export class FirstAnswers {
	/** By the computation's name and how often it was asked before: a page asks in the same order on both sides. */
	readonly #answers: Record<string, unknown>;
	readonly #asked = new Map<string, number>();

	/** What anybody may ask by a link is not computed on the server's own thread. */
	readonly #computes: boolean;

	constructor(answers: Record<string, unknown> = {}, computes = true) {
		this.#answers = answers;
		this.#computes = computes;
	}

	/** @returns nothing where the input has no answer, or the page is open already */
	of<T extends object>(name: string, input: object): T | undefined {
		const count = this.#asked.get(name) ?? 0;
		this.#asked.set(name, count + 1);
		const place = `${name} ${count}`;
		if (core && this.#computes) {
			try {
				const result = core.compute(core.findComputation(name)!, input);
				if (result.ok) this.#answers[place] = result.value;
			} catch {
				// What breaks here breaks in the worker too, and is said there; the page is drawn all the same.
			}
		}
		return this.#answers[place] as T | undefined;
	}

	/** The page is open: what comes on it later asks for itself. */
	end(): void {
		for (const place in this.#answers) delete this.#answers[place];
	}

	/** For the page's end, when everything on it has asked. */
	get script(): string {
		const text = core
			? JSON.stringify(this.#answers).replaceAll('<', '\\u003c')
			: (document.getElementById(scriptId)?.textContent ?? '{}');
		return `<script type="application/json" id="${scriptId}">${text}</${'script'}>`;
	}
}

/**
 * Around everything that computes.
 *
 * @param url of the page: a bench whose numbers come with its link leaves them to the worker
 */
export function provideFirstAnswers(url: URL): FirstAnswers {
	const computes = !(url.pathname.startsWith('/workbench') && url.search);
	const text = core ? '{}' : (document.getElementById(scriptId)?.textContent ?? '{}');
	return setContext(key, new FirstAnswers(JSON.parse(text) as Record<string, unknown>, computes));
}

/** What the page brought for this question; while a component is made. */
export const firstAnswer = <T extends object>(name: string, input: object): T | undefined =>
	getContext<FirstAnswers | undefined>(key)?.of<T>(name, input);
