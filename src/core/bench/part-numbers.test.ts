import { describe, expect, it } from 'vitest';
import { copiedTo, numberDoubt, otherSide, plainNumber, scanned } from './part-numbers.ts';

const part = (corner: 'FL' | 'FR' | 'RL', number: string, more: object = {}) => ({
	id: `damper:${corner}`,
	part: 'damper' as const,
	corner,
	hand: 'either' as const,
	number,
	here: false,
	...more
});

describe('a maker’s number', () => {
	it('is the same with or without what boxes put between', () => {
		expect(plainNumber(' ab 12-34.5/6 ')).toBe('AB123456');
	});

	it('is copied to the other side where one part fits both', () => {
		const [left, right] = [part('FL', 'A 1'), part('FR', '')];
		expect(copiedTo(left, [left, right])).toBe(right);
		expect(copiedTo(left, [left, part('FR', 'B')])).toBeUndefined();
		const handed = [part('FL', 'A 1', { hand: 'left' }), part('FR', '', { hand: 'right' })];
		expect(copiedTo(handed[0]!, handed)).toBeUndefined();
		expect(otherSide(left, [left, part('RL', '')])).toBeUndefined();
	});

	it('differs from side to side only on a handed part', () => {
		const handed = [part('FL', 'A-1', { hand: 'left' }), part('FR', 'a1', { hand: 'right' })];
		expect(numberDoubt(handed[0]!, handed)).toMatchObject({ wrong: true });
		const plain = [part('FL', 'A1'), part('FR', 'A2')];
		expect(numberDoubt(plain[1]!, plain)).toMatchObject({ wrong: false });
		expect(numberDoubt(part('FL', 'A1'), [part('FL', 'A1'), part('FR', 'a 1')])).toBeUndefined();
		expect(numberDoubt(part('FL', ''), plain)).toBeUndefined();
	});

	it('may be another than on the old part, which is worth a look', () => {
		const one = part('FL', 'A2', { oldNumber: 'A1' });
		expect(numberDoubt(one, [one])?.words).toMatch(/old part/);
		expect(numberDoubt({ ...one, oldNumber: 'a-2' }, [one])).toBeUndefined();
	});

	it('that is scanned finds its part, first one that is not here yet, else those without a number', () => {
		const parts = [part('FL', 'A1', { here: true }), part('FR', 'A1'), part('RL', '')];
		expect(scanned('a-1', parts).known.map(({ corner }) => corner)).toEqual(['FR']);
		expect(scanned('B7', parts)).toEqual({ known: [], open: [parts[2]] });
	});
});
