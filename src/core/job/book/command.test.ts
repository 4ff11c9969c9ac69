/** What may be said: every kind by a schema of its own, made when it is first said. */
import Joi from 'joi';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { validate } from '../../validate';
import { metric } from '../../units/format';
import { kinds } from '../kinds/index';
import { kindSchemas } from '../kinds/schemas';
import { commandSchema, readCommand } from './command';

/** 10:00 UTC on 26 November 2026. */
const now = 1_795_687_200_000;
const context = { units: metric, now };
const id = '0192f7a1-0000-7000-8000-000000000001';
const reading = {
	id,
	kind: 'reading',
	subject: 'FL',
	data: { phase: 'before', school: 'hub-to-arch', height: '14 3/8 in' },
	enteredAt: '2026-11-26T09:59:00.000Z'
};
const faults = (change: object) => {
	const read = readCommand({ ...reading, ...change }, context);
	return read.ok ? [] : read.faults.map(({ field, message }) => `${field}: ${message}`);
};

describe('a command', () => {
	it('is read with its quantities in SI and as they were typed', () => {
		const read = readCommand(reading, context);
		expect(read).toMatchObject({
			ok: true,
			value: { ...reading, data: { height: { si: 365.125, text: '14 3/8 in' } } }
		});
	});

	it('names the field of what was said, not the place where it travels', () => {
		expect(faults({ data: { ...reading.data, height: 'tall' } })[0]).toMatch(/^height: /);
		expect(faults({ data: { ...reading.data, phase: 'soon' } })[0]).toMatch(
			/^phase: must be one of/
		);
		expect(faults({ subject: 'XX' })[0]).toMatch(/^subject: must be one of FL, FR, RL, RR/);
		expect(faults({ data: { ...reading.data, colour: 'red' } })).toEqual([
			'colour: is not allowed'
		]);
	});

	it.each([
		['none', undefined],
		['one there is not', 'wish'],
		['one with a door of its own', 'opened'],
		['no name at all', { $ne: '' }]
	])('of a kind: %s is refused with those there are', (_, kind) => {
		const [first] = faults({ kind }).filter((line) => line.startsWith('kind'));
		expect(first).toMatch(kind === undefined ? /is required/ : /must be one of .*reading/);
	});

	it.each([
		['null', null],
		['a list', []],
		['a word', 'reading'],
		['nothing', undefined]
	])('that is %s is refused in words', (_, given) => {
		const read = readCommand(given, context);
		expect(read.ok).toBe(false);
		if (!read.ok) expect(read.faults[0]!.message).not.toBe('');
	});

	it('says something new, or something again, never both and never neither', () => {
		expect(faults({ data: undefined, again: id })).toEqual([]);
		expect(faults({ again: id })).toHaveLength(1);
		expect(faults({ data: undefined })).toHaveLength(1);
	});

	it('is taken by whatever clock: a tablet’s may be wrong', () => {
		for (const enteredAt of ['2026-11-26T10:11:00.000Z', '1970-01-01T00:10:00.000Z'])
			expect(faults({ enteredAt })).toEqual([]);
		expect(faults({ enteredAt: 'ten past' })).not.toEqual([]);
	});

	it('meets the same schema as the published one of all kinds', () => {
		const all = commandSchema();
		for (const { kind } of kinds) {
			if (!kindSchemas[kind].said) continue;
			for (const data of [{}, { height: '365' }, { torque: 'much' }, { withdraw: true }]) {
				const given = { ...reading, kind, data };
				const one = readCommand(given, context);
				const published = validate(all, given, context);
				expect(one.ok, kind).toBe(published.ok);
				if (one.ok || published.ok) continue;
				expect(one.faults.map(({ message }) => message)).toEqual(
					published.faults.map(({ message }) => message)
				);
			}
		}
	});
});

describe('what a page loads', () => {
	beforeEach(() => vi.resetModules());

	it('makes no schema of any kind before something is said', async () => {
		const made = vi.spyOn(Joi, 'object');
		await import('./job');
		const { readCommand: read } = await import('./command');
		expect(made).not.toHaveBeenCalled();
		expect(read(reading, context).ok).toBe(true);
		const first = made.mock.calls.length;
		expect(first).toBeGreaterThan(0);
		read(reading, context);
		expect(made).toHaveBeenCalledTimes(first);
		made.mockRestore();
	});
});
