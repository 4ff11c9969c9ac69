import { describe, expect, it } from 'vitest';
import { torqueTrace, type TraceFlag } from '$core/fastener/trace/read';
import { readColumns, writeColumns } from '../frame/columns';
import { pulls, type PullName } from './pulls';

/** What each sample is there to show. */
const shows: Record<PullName, TraceFlag | undefined> = {
	good: undefined,
	early: 'under',
	far: 'over',
	cross: 'cross-thread',
	rubber: 'wound-up-rubber',
	yield: 'yield',
	stick: 'slip-stick',
	again: 're-hit'
};

describe.each(Object.entries(shows))('the sample “%s”', (name, flag) => {
	const { angleDeg, torqueNm } = pulls[name as PullName].pull();
	const read = (angles: number[], torques: number[]) => {
		const result = torqueTrace({
			angleDeg: angles,
			torqueNm: torques,
			programme: { targetNm: 100, slopeNmPerDeg: 1.5 }
		});
		if (!result.ok) throw new Error(JSON.stringify(result.faults));
		return result.value;
	};

	it('shows what it is named for', () => {
		const { flags, verdict } = read(angleDeg, torqueNm);
		if (flag) expect(flags).toContain(flag);
		else expect([verdict, flags]).toEqual(['accepted', []]);
	});

	it('shows the same when it has been written out and read in', () => {
		const { first, second, skipped } = readColumns(writeColumns(angleDeg, torqueNm));
		expect(skipped).toBe(0);
		expect(read(first, second).flags).toEqual(read(angleDeg, torqueNm).flags);
	});
});
