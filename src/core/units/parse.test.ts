import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { units } from './dimensions';
import { parseNumber, parseQuantity, withMeantUnit } from './parse';

const read = (
	text: string,
	dimension: Parameters<typeof parseQuantity>[1] = 'length',
	rules = {}
) => parseQuantity(text, dimension, { field: 'height', ...rules });
const si = (text: string, dimension?: Parameters<typeof parseQuantity>[1], rules = {}) => {
	const parsed = read(text, dimension, rules);
	return parsed.ok ? parsed.value.si : parsed.faults[0]!.message;
};

describe('numbers as people say them', () => {
	it.each([
		['365', 365],
		['365 mm', 365],
		['36,5cm', 365],
		['14 3/8 in', 365.125],
		['14-3/8"', 365.125],
		['14⅜″', 365.125],
		['⅜ in', 9.525],
		['3/8 in', 9.525],
		['.5 in', 12.7],
		['−12 mm', -12],
		['0,365 m', 365],
		['  365   MM ', 365]
	])('%s', (text, mm) => expect(si(text)).toBeCloseTo(mm, 9));

	it.each([
		'62 ft-lb',
		'62 lb-ft',
		'62 lbf·ft',
		'62 ft lbs',
		'62 Ft.Lb',
		'62 foot pounds',
		'744 in-lb'
	])('%s is the same torque', (text) => expect(si(text, 'torque')).toBeCloseTo(84.060713, 5));

	it('takes the default unit only where none is said', () => {
		expect(si('14.5', 'length', { defaultUnit: 'in' })).toBeCloseTo(368.3, 9);
		expect(si('368.3 mm', 'length', { defaultUnit: 'in' })).toBeCloseTo(368.3, 9);
	});

	it('keeps what was typed beside what it means', () => {
		expect(read('14 3/8 in')).toEqual({
			ok: true,
			value: { text: '14 3/8 in', entered: 14.375, unit: 'in', si: 365.125 }
		});
	});
});

describe('what cannot be read says why', () => {
	it.each([
		['', 'nothing was entered'],
		['abc', 'is not a number with a unit'],
		['12 potatoes', 'is not a unit known here; length is entered in mm, in, cm, m'],
		['12 Nm', "'Nm' is a unit of torque; length is entered in"],
		['1 234 mm', 'more than one number'],
		['1,234.5 mm', 'more than one number'],
		['3/0 in', 'divides by zero'],
		['1e9 mm', 'is not a unit known here'],
		['NaN', 'is not a number'],
		['Infinity', 'is not a number'],
		['<script>', 'is not a number'],
		['9'.repeat(80), 'too long']
	])('%s', (text, words) => expect(si(text)).toContain(words));

	it('names the limits in the unit that was typed', () => {
		expect(si('9 m', 'length', { min: 150, max: 800 })).toContain('between 0.15 and 0.8 m');
		expect(si('5000', 'torque', { min: 0.5, max: 1000 })).toContain('between 0.5 and 1000 N·m');
	});
});

it('names the unit that was meant where none was said', () => {
	expect(
		['365', '14 3/8', '18½', '36,5 cm', ' 62 ft-lb ', ''].map((said) => withMeantUnit(said, 'in'))
	).toEqual(['365 in', '14 3/8 in', '18½ in', '36,5 cm', '62 ft-lb', '']);
});

describe('properties', () => {
	it('every unit reads back what it writes', () => {
		const all = Object.entries(units).flatMap(([dimension, list]) =>
			list.map((unit) => ({ dimension: dimension as keyof typeof units, unit }))
		);
		fc.assert(
			fc.property(
				fc.constantFrom(...all),
				fc.integer({ min: 1, max: 999_999 }),
				({ dimension, unit }, n) => {
					const value = n / 1000;
					const parsed = read(`${value} ${unit.symbol}`, dimension);
					expect(parsed.ok && parsed.value.si).toBeCloseTo(value * unit.toSi, 6);
				}
			)
		);
	});

	it('never throws and never gives a number that is not finite', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme', maxLength: 80 }), (text) => {
				const parsed = read(text);
				expect(!parsed.ok || Number.isFinite(parsed.value.si)).toBe(true);
			}),
			{ numRuns: 2000 }
		);
	});
});

describe('plain numbers', () => {
	const read = (text: string) => {
		const result = parseNumber(text, { field: 'coils', unit: '%', min: 0, max: 100 });
		return result.ok ? result.value : result.faults[0]!.message;
	};
	it.each([
		['6 1/2', 6.5],
		['0,62', 0.62],
		['12 %', 12],
		['5½', 5.5]
	])('%s', (text, value) => expect(read(text)).toBe(value));
	it.each([
		['', 'nothing was entered'],
		['six', 'is not a number'],
		['12 mm', 'is in %'],
		['130', 'between 0 and 100 %']
	])('%s is refused with words', (text, words) => expect(read(text)).toContain(words));
});
