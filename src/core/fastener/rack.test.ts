import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calibrationState, pickWrenches, wrenchFor, type RackWrench } from './rack';

const today = '2026-11-25';
const wrench = (
	id: string,
	lowestNm: number,
	highestNm: number,
	more: Partial<RackWrench> = {}
) => ({
	id,
	name: id,
	kind: 'click' as const,
	lowestNm,
	highestNm,
	lengthMm: 400,
	calibratedOn: '2026-08-01',
	passed: true,
	cycles: 100,
	...more
});
const short = wrench('short', 5, 50);
const main = wrench('main', 40, 200);
const long = wrench('long', 80, 400);

describe('calibration', () => {
	// ISO 6789-1 (from memory): twelve months or 5000 pulls, whichever is first.
	it.each([
		['2025-11-25', 100, 'soon'],
		['2025-11-24', 100, 'lapsed'],
		['2025-12-26', 100, 'valid'],
		['2025-12-20', 100, 'soon'],
		['2026-08-01', 4750, 'soon'],
		['2026-08-01', 4749, 'valid'],
		['2026-08-01', 5000, 'lapsed']
	])('of %s with %i pulls is %s', (calibratedOn, cycles, state) => {
		expect(calibrationState(wrench('w', 5, 50, { calibratedOn, cycles }), today).state).toBe(state);
	});

	it('a failed one does not count, and neither does none', () => {
		expect(calibrationState({ ...short, passed: false }, today)).toMatchObject({
			state: 'lapsed',
			words: 'failed its calibration of 2026-08-01'
		});
		expect(calibrationState({ ...short, calibratedOn: null }, today).words).toBe(
			'never calibrated'
		);
	});

	it('ends on the last day of a shorter month', () => {
		const leap = wrench('w', 5, 50, { calibratedOn: '2028-02-29' });
		expect(calibrationState(leap, '2028-06-01').until).toBe('2029-02-28');
	});
});

describe('a wrench for a joint', () => {
	it('works from a fifth of its range to all of it', () => {
		expect(wrenchFor(main, { torqueNm: 40 }, today)).toMatchObject({ ok: true });
		expect(wrenchFor(main, { torqueNm: 200 }, today)).toMatchObject({ ok: true });
		expect(wrenchFor(main, { torqueNm: 39.9 }, today)).toMatchObject({
			ok: false,
			faults: [{ field: 'wrench', message: 'works from 40 to 200 N·m; 39.9 N·m is outside' }]
		});
		expect(wrenchFor(main, { torqueNm: 201 }, today).ok).toBe(false);
	});

	it('is set for its adapter, and the setting must lie in its range', () => {
		const inLine = { torqueNm: 120, adapter: { lengthMm: 100, angleDeg: 0 } };
		// T·L/(L + E): 120·400/500.
		expect(wrenchFor(main, inLine, today)).toEqual({ ok: true, value: { settingNm: 96 } });
		expect(wrenchFor(main, { ...inLine, torqueNm: 45 }, today).ok).toBe(false);
		expect(wrenchFor({ ...main, lengthMm: null }, inLine, today)).toMatchObject({
			ok: false,
			faults: [{ message: expect.stringContaining('no length on record') }]
		});
		const across = { torqueNm: 120, adapter: { lengthMm: 100, angleDeg: 90 } };
		expect(wrenchFor(main, across, today)).toEqual({ ok: true, value: { settingNm: 120 } });
	});

	it('out of date is refused', () => {
		const old = { ...main, calibratedOn: '2024-01-01' };
		expect(wrenchFor(old, { torqueNm: 100 }, today)).toMatchObject({
			ok: false,
			faults: [{ message: 'calibration lapsed on 2025-01-01' }]
		});
	});
});

describe('the pick for a round', () => {
	const demand = (torqueNm: number) => ({ torqueNm });
	it('stays with a wrench as long as it serves', () => {
		expect(
			pickWrenches([12, 45, 48, 120, 90, 300].map(demand), [main, long, short], today)
		).toEqual({
			picks: ['short', 'short', 'short', 'long', 'long', 'long'],
			changes: 1
		});
	});

	it('leaves out what no wrench does, without a change for it', () => {
		expect(pickWrenches([60, 3, 70].map(demand), [main], today)).toEqual({
			picks: ['main', undefined, 'main'],
			changes: 0
		});
	});

	it('never needs more changes than any other choice that serves', () => {
		const rack = [short, main, long];
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 3, max: 400 }), { minLength: 1, maxLength: 6 }),
				(torques) => {
					const demands = torques.map(demand);
					const { picks, changes } = pickWrenches(demands, rack, today);
					const able = demands.map((one) => rack.filter((w) => wrenchFor(w, one, today).ok));
					for (const [i, pick] of picks.entries())
						expect(able[i]!.map(({ id }) => id)).toEqual(
							pick === undefined ? [] : expect.arrayContaining([pick])
						);
					// Every way through, by brute force.
					const least = able
						.filter((list) => list.length)
						.reduce<Map<string, number>>((best, list) => {
							const next = new Map<string, number>();
							for (const { id } of list) {
								const ways = best.size
									? [...best].map(([last, n]) => n + (last === id ? 0 : 1))
									: [0];
								next.set(id, Math.min(...ways));
							}
							return next;
						}, new Map());
					expect(changes).toBe(least.size ? Math.min(...least.values()) : 0);
				}
			)
		);
	});
});
