import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { actionsOf, missedBy, programmeOf, programmeWords } from './joint-programme';

const nm = (value: number) => `${value} N·m`;

describe('the programme of a joint', () => {
	it('is its torque where nothing more was said, known or not', () => {
		expect(actionsOf({ kind: 'rigid', torqueNm: 60 })).toMatchObject([
			{ kind: 'torque', torqueNm: 60 }
		]);
		const [only, ...more] = actionsOf({ kind: 'rigid', torqueNm: null });
		expect([only!.torqueNm, more]).toEqual([undefined, []]);
	});

	it('torque, slacken by an angle, torque, and an angle on top', () => {
		const list = actionsOf({
			kind: 'bonded-bush',
			torqueNm: 90,
			programme: {
				then: [
					{ kind: 'slacken', angleDeg: 120 },
					{ kind: 'torque', torqueNm: 50 },
					{ kind: 'angle', angleDeg: 90 }
				],
				prevailingNm: 6
			}
		});
		expect(list.map(({ kind, torqueNm, angleDeg }) => [kind, torqueNm, angleDeg])).toEqual([
			['torque', 96, undefined],
			['slacken', undefined, 120],
			['torque', 56, undefined],
			['angle', undefined, 90]
		]);
	});

	it('a star in two passes is half and then whole, each fastener once a pass', () => {
		const list = actionsOf({
			kind: 'wheel',
			torqueNm: 120,
			programme: { pattern: { fasteners: 5, passes: 2 } }
		});
		expect(list).toHaveLength(10);
		expect(new Set(list.slice(0, 5).map(({ fastener }) => fastener)).size).toBe(5);
		expect(list.map(({ torqueNm }) => torqueNm)).toEqual([
			60, 60, 60, 60, 60, 120, 120, 120, 120, 120
		]);
	});

	it('a cushion has no number and nothing after it', () => {
		const programme = programmeOf({
			kind: 'cushion',
			torqueNm: 30,
			programme: { cushionTo: 'shoulder' }
		});
		expect(programme.steps).toEqual([{ kind: 'cushion', to: 'shoulder' }]);
	});

	it('is said in a few words', () => {
		expect(programmeWords(null, nm)).toBe('');
		expect(
			programmeWords(
				{
					castle: { highNm: 95, slotDeg: 60 },
					prevailingNm: 4,
					adapter: { lengthMm: 60, angleDeg: 0 }
				},
				nm
			)
		).toBe('forward to the slot, at most 95 N·m, run-down 4 N·m added, with a 60 mm adapter');
		expect(programmeWords({ then: [{ kind: 'angle', angleDeg: 90 }] }, nm)).toBe('then 90° more');
	});
});

describe('what was reached', () => {
	const plain = { kind: 'rigid', torqueNm: 100 };
	it.each([
		[95, undefined],
		[105, undefined],
		[94.9, 'under'],
		[105.1, 'over']
	])('%f N·m of 100: %s', (torqueNm, way) => {
		expect(missedBy(plain, actionsOf(plain)[0]!, { torqueNm })?.way).toBe(way);
	});

	it('a castle nut may lie between its limits and nowhere above', () => {
		const nut = {
			kind: 'ball-joint',
			torqueNm: 60,
			programme: { castle: { highNm: 95, slotDeg: 60 as const } }
		};
		const [action] = actionsOf(nut);
		const way = (torqueNm: number) => missedBy(nut, action!, { torqueNm })?.way;
		expect([way(50), way(60), way(80), way(95), way(96)]).toEqual([
			'under',
			undefined,
			undefined,
			undefined,
			'over'
		]);
	});

	it('an angle within its own tolerance, else five degrees or a tenth', () => {
		const joint = (toleranceDeg?: number) => ({
			kind: 'bonded-bush',
			torqueNm: 70,
			programme: {
				then: [{ kind: 'angle' as const, angleDeg: 90, ...(toleranceDeg && { toleranceDeg }) }]
			}
		});
		const way = (angleDeg: number, toleranceDeg?: number) => {
			const one = joint(toleranceDeg);
			return missedBy(one, actionsOf(one)[1]!, { angleDeg })?.way;
		};
		expect([way(98), way(100), way(82), way(80)]).toEqual([undefined, 'over', undefined, 'under']);
		expect(way(98, 3)).toBe('over');
	});

	it('nothing is missed by slackening, nor where nobody said how much', () => {
		const joint = {
			kind: 'rigid',
			torqueNm: 60,
			programme: { then: [{ kind: 'slacken' as const, angleDeg: 120 }] }
		};
		expect(missedBy(joint, actionsOf(joint)[1]!, { angleDeg: 20 })).toBeUndefined();
		const unsaid = { kind: 'rigid', torqueNm: null };
		expect(missedBy(unsaid, actionsOf(unsaid)[0]!, { torqueNm: 7 })).toBeUndefined();
	});

	it('exactly what was asked is never missed, whatever the programme', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 1, max: 500, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				fc.constantFrom(3, 4, 5, 6, 8) as fc.Arbitrary<3 | 4 | 5 | 6 | 8>,
				(torqueNm, prevailingNm, fasteners) => {
					const joint = {
						kind: 'wheel',
						torqueNm,
						programme: { prevailingNm, pattern: { fasteners, passes: 2 as const } }
					};
					for (const action of actionsOf(joint))
						expect(missedBy(joint, action, { torqueNm: action.torqueNm })).toBeUndefined();
				}
			)
		);
	});
});
