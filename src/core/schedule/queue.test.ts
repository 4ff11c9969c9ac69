import { describe, expect, it } from 'vitest';
import { clash } from './bays.ts';
import { closeGaps, insert, opening, queueOf, type Queued } from './queue.ts';

const hour = 60;
const day = 24 * hour;
const slot = (id: string, startHour: number, hours = 2, bay = 0): Queued => ({
	id,
	bay,
	startMin: startHour * hour,
	minutes: hours * hour
});
const starts = (slots: readonly Queued[]) =>
	Object.fromEntries(slots.map(({ id, startMin }) => [id, startMin / hour]));
/** As it stands after the change. */
const after = (before: readonly Queued[], changed: readonly Queued[]) => [
	...before.filter(({ id }) => !changed.some((one) => one.id === id)),
	...changed
];

describe('the working week', () => {
	it('begins a job where it fits into the day, else the next morning, over the weekend on Monday', () => {
		expect(opening(9 * hour + 1, hour)).toBe(9.25 * hour);
		expect(opening(16 * hour, 2 * hour)).toBe(day + 8 * hour);
		expect(opening(4 * day + 16.5 * hour, hour)).toBe(7 * day + 8 * hour);
		expect(opening(9 * hour, 20 * hour)).toBe(day + 8 * hour);
		expect(opening(5 * day, hour)).toBe(7 * day + 8 * hour);
	});
});

describe('a queue of cars', () => {
	const there = [slot('a', 8), slot('b', 10), slot('c', 14), slot('x', 8, 4, 1)];

	it('takes a car between others, and pushes only what is in its way', () => {
		const changed = insert(there, { id: 'n', minutes: 2 * hour }, { bay: 0, index: 1 }, 0);
		expect(starts(changed)).toEqual({ n: 10, b: 12 });
		expect(starts(insert(there, { id: 'n', minutes: 4 * hour }, { bay: 0, index: 1 }, 0))).toEqual({
			n: 10,
			b: 14,
			c: 24 + 8
		});
	});

	it('takes one from another bay, and one that comes later only then', () => {
		const x = there[3]!;
		expect(starts(insert(there, x, { bay: 0, index: 3 }, 0))).toEqual({ x: 24 + 8 });
		const late = { id: 'n', minutes: hour, comesMin: 12.5 * hour };
		expect(starts(insert(there, late, { bay: 0, index: 0 }, 0))).toMatchObject({ n: 12.5 });
	});

	it('begins nothing in the past', () => {
		const changed = insert([], { id: 'n', minutes: hour }, { bay: 0, index: 0 }, 9.6 * hour);
		expect(starts(changed)).toEqual({ n: 9.75 });
	});

	it('closes its gaps, not before a car comes, and leaves what has begun', () => {
		const gaps = [slot('a', 8), slot('b', 12), { ...slot('c', 15), comesMin: 14.5 * hour }];
		expect(starts(closeGaps(gaps, 0, 9 * hour))).toEqual({ b: 10, c: 14.5 });
		expect(closeGaps([slot('a', 8), slot('b', 10)], 0, 9 * hour)).toEqual([]);
	});

	it('never has two cars in a bay at once, whatever is put where', () => {
		let slots: Queued[] = [];
		for (let i = 0; i < 60; i++) {
			const id = String((i * 7) % 20);
			const own = slots.find((one) => one.id === id);
			const job = own ?? { id, minutes: ((i * 37) % 9) * 45 + 15 };
			const changed = insert(slots, job, { bay: i % 3, index: (i * 5) % 6 }, (i % 4) * 3 * hour);
			slots = after(slots, changed);
			for (const one of slots) expect(clash(slots, one)).toBeUndefined();
		}
		expect(queueOf(slots, 1).every(({ bay }) => bay === 1)).toBe(true);
	});
});
