import { describe, expect, it } from 'vitest';
import type { Entry } from './book/entry';
import { extraStepId, extraSteps, extrasOf, isExtraDone } from './extras';
import { WorkBook } from './work-book';

const found = (id: string, data: object) =>
	({
		id,
		kind: 'extra',
		subject: id,
		data: { what: `thing ${id}`, state: 'found', words: '', ...data }
	}) as Entry;
const ticked = (subject: string) =>
	({ id: subject, kind: 'step', subject, data: { state: 'done', note: '' } }) as Entry;

describe('work found on the way', () => {
	it('is a step when it is agreed, and none while it is not', () => {
		const states = ['found', 'told', 'agreed', 'declined'] as const;
		const book = new WorkBook(states.map((state) => found(state, { state, minutes: 30 })));
		expect(extraSteps(book)).toEqual([
			{
				id: 'agreed',
				what: 'step',
				text: 'thing agreed',
				where: 'car',
				anchor: 'stands',
				before: 'ground',
				minutes: 30
			}
		]);
	});
	it('is done when its step is ticked off, or when somebody says so', () => {
		const done = (...entries: Entry[]) => {
			const book = new WorkBook(entries);
			return isExtraDone(book, extrasOf(book)[0]!);
		};
		expect(done(found('a', { state: 'agreed' }))).toBe(false);
		expect(done(found('a', { state: 'agreed' }), ticked(extraStepId('a')))).toBe(true);
		expect(done(found('a', { state: 'agreed', done: true }))).toBe(true);
	});
	it('that was typed by mistake is not there', () => {
		expect(extrasOf(new WorkBook([found('a', { removed: true })]))).toEqual([]);
	});
});
