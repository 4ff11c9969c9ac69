/** A small sample with a fixed seed of what `npm run coverage-of-bands` counts. */
import { describe, expect, it } from 'vitest';
import type { BushSetInput } from '../bush/set';
import { computations, findComputation } from '../compute';
import {
	coverageOf,
	coverageOfAcceleration,
	coverageOfBounce,
	coverageOfBushSet,
	coverageOfHeights
} from './coverage.testing';

const banded = computations.filter(({ model }) => model !== undefined);

describe('bands hold what they claim', () => {
	it.each(banded.map((one) => [one.name, one] as const))('%s', (_, computation) => {
		const { inside } = coverageOf(computation, 150, 7);
		for (const [path, share] of inside) expect(share, path).toBeGreaterThan(0.87);
	});

	it('bounce', () => {
		for (const share of coverageOfBounce(60, 7).inside.values())
			expect(share).toBeGreaterThan(0.87);
	});

	it('bounce-acceleration', () => {
		for (const share of coverageOfAcceleration(60, 7).inside.values())
			expect(share).toBeGreaterThan(0.87);
	});

	it('bush-set', () => {
		const example = findComputation('bush-set')!.example as unknown as BushSetInput;
		for (const share of coverageOfBushSet(example, 400, 7).inside.values()) {
			expect(share).toBeGreaterThan(0.92);
			expect(share).toBeLessThan(0.99);
		}
	});

	it('height-compare', () => {
		for (const share of coverageOfHeights(600, 7).inside.values()) {
			expect(share).toBeGreaterThan(0.92);
			expect(share).toBeLessThan(0.99);
		}
	});
});
