import { describe, expect, it } from 'vitest';
import { findLayout } from '../layout/registry';
import { workSteps } from '../work/assembly-steps';
import { usualStrategy } from '../work/scope';
import type { Entry } from './book/entry';
import { offeredOwn, ownNotesAt, sourceOf, type OfferedKnowledge } from './knowledge-offers';
import { WorkBook } from './work-book';

const layout = findLayout('trailing-arm-rear')!;
const steps = workSteps({
	axles: { rear: { damper: true, spring: false, bushes: false } },
	corners: ['RL', 'RR'],
	layouts: { front: layout, rear: layout },
	strategy: usualStrategy,
	rust: 'none'
});
const known = (
	id: string,
	what: OfferedKnowledge['own']['what'],
	anchor: string
): OfferedKnowledge => ({
	id,
	scope: 'model',
	layout: layout.key,
	own: { what, text: `${what} ${id}`, where: 'rear', anchor },
	jobNumber: '2026-0001',
	shop: null,
	person: 'Mara Lindholm',
	at: '2026-03-01T10:00:00.000Z'
});
const all = [
	known('s', 'step', 'undo-top'),
	known('n', 'count', 'cover-off:boot-trim'),
	known('elsewhere', 'step', 'tie')
];
const said = (subject: string, data: object) =>
	({ id: subject, kind: 'own', subject, data: { ...all[0]!.own, for: 'job', ...data } }) as Entry;
const ids = (list: { id: string }[]) => list.map(({ id }) => id);

describe('what earlier cars taught', () => {
	it('is offered where it has its place, until it is taken in or declined', () => {
		expect(ids(offeredOwn(new WorkBook([]), steps, all))).toEqual(['s', 'n']);
		expect(ids(offeredOwn(new WorkBook([said('x', { of: 's' })]), steps, all))).toEqual(['n']);
		const declined = new WorkBook([said('x', { of: 's', removed: true })]);
		expect(ids(offeredOwn(declined, steps, all))).toEqual(['n']);
		expect(ids(offeredOwn(new WorkBook([said('s', {})]), steps, all))).toEqual(['n']);
	});

	it('stands at its step beside what this job says', () => {
		const cover = steps.find(({ id }) => id === 'RL/cover-off:boot-trim')!;
		const here = said('h', { what: 'note', anchor: 'cover-off:boot-trim' });
		const at = (book: WorkBook) =>
			ownNotesAt(book, cover, all).map(({ id, from }) => [id, from !== undefined]);
		expect(at(new WorkBook([here]))).toEqual([
			['h', false],
			['n', true]
		]);
		const gone = new WorkBook([{ ...here, data: { ...here.data, removed: true } } as Entry]);
		expect(at(gone)).toEqual([['n', true]]);
	});

	it('says where it comes from', () => {
		expect(sourceOf(all[0]!)).toBe('this model, job 2026-0001, Mara Lindholm');
		expect(sourceOf({ ...all[0]!, scope: 'layout', shop: 'Quay Garage' })).toBe(
			'this layout, from Quay Garage'
		);
	});
});
