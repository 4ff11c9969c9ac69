import { describe, expect, it } from 'vitest';
import { imperial, metric } from '$core/units/format';
import { unitsOf } from '$core/units/personal';
import { BenchValues, type NumberEntry, type TextEntry } from './values.svelte';

const units = { metric: unitsOf(() => metric), imperial: unitsOf(() => imperial) };
const entries: NumberEntry[] = [
	{ key: 'length', label: 'Free length', dimension: 'length', initial: 310, min: 50, max: 900 },
	{ key: 'coils', label: 'Active coils', initial: 5.5, min: 1, max: 20 }
];
const texts: TextEntry[] = [
	{ key: 'mode', label: 'Mode', initial: 'rate', options: ['rate', 'arm'] },
	{ key: 'table', label: 'Table', initial: '' }
];
const bench = (query = '', system: 'metric' | 'imperial' = 'metric') =>
	new BenchValues(units[system], new URLSearchParams(query), entries, texts);

describe('what is set on a bench', () => {
	it('starts from its own, and from the link where that is inside what may be', () => {
		expect(bench().nums('length', 'coils')).toEqual({ length: 310, coils: 5.5 });
		expect(bench('length=290&coils=7&mode=arm').nums('length', 'coils')).toEqual({
			length: 290,
			coils: 7
		});
		expect(bench('length=5000&coils=x&mode=none').nums('length', 'coils')).toEqual({
			length: 310,
			coils: 5.5
		});
		expect(bench('mode=none').text.mode).toBe('rate');
		expect(bench('mode=arm').text.mode).toBe('arm');
	});

	it('is written and read in the units of the person, and kept in SI', () => {
		const values = bench('length=254', 'imperial');
		expect(values.typed.length).toBe('10');
		values.typed.length = '12';
		expect(values.num('length')).toBeCloseTo(304.8, 9);
		values.typed.length = '300 mm';
		expect(values.num('length')).toBe(300);
		expect(values.unitOf(entries[0]!)).toBe('in');
		expect(values.unitOf(entries[1]!)).toBe('');
	});

	it('keeps the last good number while what is typed is not understood, and says why', () => {
		const values = bench();
		values.typed.length = '295';
		expect(values.num('length')).toBe(295);
		values.typed.length = 'long';
		expect(values.num('length')).toBe(295);
		expect(values.fault('length')).toMatch(/long/);
		expect(values.anyFault).toBe(true);
		values.typed.length = '20';
		expect(values.num('length')).toBe(295);
		expect(values.fault('length')).toMatch(/50/);
		values.typed.length = '300';
		expect([values.fault('length'), values.anyFault]).toEqual([undefined, false]);
	});

	it('is set from a drawing, but not past what may be', () => {
		const values = bench();
		values.set('length', 400.26);
		expect(values.num('length')).toBeCloseTo(400.3, 6);
		values.set('length', 2000);
		expect(values.num('length')).toBe(900);
		values.set('coils', -3);
		expect(values.num('coils')).toBe(1);
		expect(() => values.set('weight', 3)).toThrow('no entry weight');
	});

	it('makes a link of what differs, which brings it all back', () => {
		const values = bench();
		expect(values.query()).toEqual({});
		values.typed.length = '295.5';
		values.text.mode = 'arm';
		values.text.table = '1;2\n3;4';
		const again = bench(new URLSearchParams(values.query()).toString());
		expect(again.num('length')).toBe(295.5);
		expect(again.num('coils')).toBe(5.5);
		expect([again.text.mode, again.text.table]).toEqual(['arm', '1;2\n3;4']);
	});

	it('leaves a text out of the link that is too long for one', () => {
		const values = bench();
		values.text.table = 'x'.repeat(5000);
		expect(values.query()).toEqual({});
	});

	it('goes back to where it started', () => {
		const values = bench('length=290&mode=arm');
		values.typed.coils = 'many';
		values.reset();
		expect(values.nums('length', 'coils')).toEqual({ length: 310, coils: 5.5 });
		expect(values.text.mode).toBe('rate');
		expect(values.query()).toEqual({});
	});
});
