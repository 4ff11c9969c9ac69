import { parseISO } from 'date-fns';
import { describe, expect, it } from 'vitest';
import { dangers, listsOf, type Promised } from './promise.ts';

const now = parseISO('2026-03-05T10:00:00Z').getTime();
const promised = (more: Partial<Promised> = {}): Promised => ({
	promisedAt: '2026-03-05T16:00:00Z',
	minutesLeft: 120,
	partsWaiting: 0,
	slot: { startsAt: '2026-03-05T12:00:00Z', minutes: 180 },
	...more
});
const grades = (more?: Partial<Promised>) => dangers(promised(more), now).map(({ grade }) => grade);

describe('a promise', () => {
	it('that nothing stands against is in no danger, and none that was not made', () => {
		expect(grades()).toEqual([]);
		expect(grades({ promisedAt: null, partsWaiting: 5, minutesLeft: 9999 })).toEqual([]);
	});

	it('is late when its time is past, whatever is left', () => {
		const [first] = dangers(promised({ promisedAt: '2026-03-05T08:30:00Z' }), now);
		expect(first).toEqual({ grade: 'late', words: 'promised 1 h 30 ago' });
		const [days] = dangers(promised({ promisedAt: '2026-03-01T08:30:00Z' }), now);
		expect(days!.words).toBe('promised 4 days ago');
	});

	it('will be missed when more work is left than time, or its bay ends after it', () => {
		expect(dangers(promised({ minutesLeft: 400 }), now)[0]!.words).toBe(
			'6 h 40 of work left, 6 h 00 until then'
		);
		const slot = { startsAt: '2026-03-05T14:00:00Z', minutes: 180 };
		expect(dangers(promised({ slot }), now)[0]!.words).toBe('its bay ends 1 h 00 after it');
		expect(grades({ slot, minutesLeft: 0 })).toEqual([]);
	});

	it('waits for parts and for a bay', () => {
		expect(grades({ partsWaiting: 2, slot: undefined })).toEqual(['maybe', 'maybe']);
		expect(grades({ slot: undefined, minutesLeft: null })).toEqual([]);
	});
});

describe('the lists of the desk', () => {
	const job = { technicianId: 'me', partsWaiting: 0, owed: 3 };
	const lists = (
		more: object,
		found = dangers(promised(), now),
		who: string | undefined = 'me'
	) => [...listsOf({ ...job, ...more }, found, who)];

	it('hold a job by whose it is, what it waits for and what endangers it', () => {
		expect(lists({})).toEqual(['all', 'mine']);
		expect(lists({ technicianId: 'other' })).toEqual(['all']);
		expect(lists({ technicianId: null }, [], undefined)).toEqual(['all']);
		expect(lists({ partsWaiting: 1, owed: 0 }, [{ grade: 'late', words: '' }])).toEqual([
			'all',
			'mine',
			'late',
			'parts',
			'ready'
		]);
		expect(lists({}, [{ grade: 'maybe', words: '' }])).toEqual(['all', 'mine']);
	});
});
