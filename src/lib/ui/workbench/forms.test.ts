import { describe, expect, it } from 'vitest';
import { compute, findComputation } from '$core/compute';
import type { NumberEntry } from './frame/values.svelte';
import { bumpEntries, overBump, quarterOf } from './ride/over-a-bump';
import { coiloverEntries, coiloverInput } from './spring/coilover';

type Num = (key: string) => number;
const forms: [string, readonly NumberEntry[], (num: Num) => object][] = [
	['full-car', bumpEntries, (num) => overBump(num, { shape: 'hump', side: 'left' })],
	['quarter-car', bumpEntries, (num) => quarterOf(num, 'rear')],
	['coilover', coiloverEntries, (num) => coiloverInput(num, { adjust: 'collar' })]
];

describe.each(forms)('the bench of %s', (name, entries, input) => {
	const answer = (changed: Record<string, number> = {}) => {
		const num = (key: string) => changed[key] ?? entries.find((one) => one.key === key)!.initial;
		return compute(findComputation(name)!, input(num));
	};

	it('answers as it opens, and each entry begins between its limits', () => {
		expect(answer()).toMatchObject({ ok: true });
		for (const { key, initial, min, max } of entries) {
			expect(initial, key).toBeGreaterThanOrEqual(min);
			expect(initial, key).toBeLessThanOrEqual(max);
		}
	});

	it('an entry at its limit is answered, or what is wrong is said of it', () => {
		for (const { key, min, max } of entries) {
			for (const value of [min, max]) {
				const result = answer({ [key]: value });
				if (!result.ok) for (const { message } of result.faults) expect(message).not.toBe('');
			}
		}
	});
});

it('the body stands on front and rear as its mass lies', () => {
	const num = (key: string) => bumpEntries.find((one) => one.key === key)!.initial;
	const [front, rear] = [quarterOf(num, 'front'), quarterOf(num, 'rear')];
	expect(2 * (front.sprungMassKg + rear.sprungMassKg)).toBeCloseTo(num('body'), 9);
	// Lever: 1080 of 2600 mm behind the front axle carries so much at the rear.
	expect((2 * rear.sprungMassKg) / num('body')).toBeCloseTo(1080 / 2600, 9);
});
