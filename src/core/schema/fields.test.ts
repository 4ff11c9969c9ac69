import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { imperial, metric } from '../units/format';
import { faultLine, validate } from '../validate';
import { moment, pastMoment, quantity, text, uuid } from './fields';

const now = Date.parse('2026-11-01T12:00:00Z');
const check = (schema: Joi.Schema, value: unknown, units = metric) =>
	validate<Record<string, unknown>>(Joi.object({ x: schema }), { x: value }, { units, now });
const words = (schema: Joi.Schema, value: unknown) => {
	const result = check(schema, value);
	return result.ok ? '' : result.faults.map(faultLine).join('\n');
};

describe('a quantity', () => {
	const height = quantity('length', { min: 150, max: 800 });

	it('is read in the person’s unit', () => {
		expect(check(height, '14 3/8', imperial)).toMatchObject({
			value: { x: { si: 365.125, unit: 'in' } }
		});
		expect(check(height, 365)).toMatchObject({ value: { x: { si: 365, unit: 'mm' } } });
	});

	it.each([[true], [{}], [[365]], ['9 m'], ['365 Nm'], ['{{#label}}'], ['']])(
		'refuses %j by name',
		(value) => {
			expect(words(height, value)).toMatch(/^x: .+/);
		}
	);
});

describe('text', () => {
	it('is trimmed and otherwise kept as typed', () => {
		expect(check(text(40), '  <b>’; -- ½ ')).toMatchObject({ value: { x: '<b>’; -- ½' } });
	});

	it('takes no control characters and no more than fits', () => {
		expect(words(text(40), 'a\u0000b')).toContain('control characters');
		expect(words(text(4), '12345')).toContain('4');
	});

	it('a long one is not echoed whole', () => {
		expect(words(text(4), 'y'.repeat(10_000)).length).toBeLessThan(250);
	});
});

describe('a moment', () => {
	it('is one that some clock shows', () => {
		for (const shown of [
			'1970-01-01T00:00:00.000Z',
			'2026-11-27T08:00:00+01:00',
			'9999-12-31T23:59:59.999Z'
		])
			expect(words(moment(), shown), shown).toBe('');
		for (const none of [
			'-271821-04-20T00:00:00.000Z',
			'1969-12-31T23:59:59Z',
			'+010000-01-01T00:00:00Z'
		])
			expect(words(moment(), none), none).not.toBe('');
	});

	it('lies in the past, give or take a tablet’s clock', () => {
		expect(check(pastMoment(), '2026-11-01T12:01:00Z').ok).toBe(true);
		expect(words(pastMoment(), '2026-11-01T12:03:00Z')).toContain('lies in the future');
		expect(words(pastMoment(), '1999-12-31T00:00:00Z')).toContain('before the year 2000');
		expect(words(pastMoment(), 'yesterday')).not.toBe('');
	});

	it('is kept in universal time', () => {
		expect(check(pastMoment(), '2026-11-01T10:00:00+02:00')).toMatchObject({
			value: { x: '2026-11-01T08:00:00.000Z' }
		});
	});
});

it('a key is a UUID', () => {
	expect(check(uuid(), '0199B000-0000-7000-8000-000000000000')).toMatchObject({
		value: { x: '0199b000-0000-7000-8000-000000000000' }
	});
	expect(words(uuid(), "' OR 1=1")).not.toBe('');
	for (const odd of [
		'{0199b000-0000-7000-8000-000000000000}',
		'[0199b000-0000-7000-8000-000000000000]',
		'0199b00000007000800000000000000 0',
		'0199b000000070008000000000000000',
		'0199b000:0000:7000:8000:000000000000'
	])
		expect(words(uuid(), odd), odd).not.toBe('');
});
