/** The same numbers for the same seed, so that what was found can be found again. */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export class Random {
	readonly #generator;

	constructor(seed: number) {
		this.#generator = xoroshiro128plus(seed);
	}

	/** From 0 up to, not with, `n`. */
	below = (n: number): number => Math.floor(((this.#generator.next() >>> 0) / 2 ** 32) * n);
	of = <T>(list: readonly T[]): T => list[this.below(list.length)]!;
}
