import { describe, expect, it } from 'vitest';
import { Job } from './book/job.ts';
import { demoFile } from '../../../demo/jobs.testing.ts';
import { historyOf } from './history.ts';

const of = (number: string) => {
	const { job, people, entries } = demoFile(number);
	return historyOf(new Job({ ...job, people }, entries));
};

describe('a job in the history of its car', () => {
	it('has its heights before and after, and what was set', () => {
		const done = of('2026-0187');
		expect(done.signed).toBe(true);
		expect(Object.keys(done.before)).toHaveLength(4);
		expect(Object.keys(done.after)).toHaveLength(4);
		expect(done.set).toBeGreaterThan(0);
		expect(done.torqued).toBeGreaterThan(done.set);
	});

	it('says nothing of what was not done', () => {
		const open = of('2026-0261');
		expect(open).toMatchObject({ before: {}, after: {}, parts: [], torqued: 0, set: 0 });
		expect(of('2026-0268').after).toEqual({});
	});
});
