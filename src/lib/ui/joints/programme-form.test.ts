import { describe, expect, it } from 'vitest';
import { actionsOf, type JointProgramme } from '$core/fastener/joint-programme';
import { programmeForm, programmeInput, threadInput } from './programme-form';
import { scaleWords, stepWords, wrenchUnit } from './step-words';
import type { Joint } from '$core/job/model';

const units = { torque: 'N·m', length: 'mm' };
const round = (programme: JointProgramme | null) =>
	programmeInput(programmeForm(programme, null), programme, units);

describe('a programme in its form', () => {
	it.each([
		['nothing', null, { then: [] }],
		[
			'an angle',
			{ then: [{ kind: 'angle', angleDeg: 90 }] },
			{ then: [{ kind: 'angle', angle: '90 °' }] }
		],
		[
			'an angle with its tolerance',
			{ then: [{ kind: 'angle', angleDeg: 90, toleranceDeg: 7.5 }] },
			{ then: [{ kind: 'angle', angle: '90 °', tolerance: '7.5 °' }] }
		],
		[
			'slacken and repeat',
			{
				then: [
					{ kind: 'slacken', angleDeg: 120 },
					{ kind: 'torque', torqueNm: 50 },
					{ kind: 'angle', angleDeg: 45 }
				]
			},
			{
				then: [
					{ kind: 'slacken', angle: '120 °' },
					{ kind: 'torque', torque: '50 N·m' },
					{ kind: 'angle', angle: '45 °' }
				]
			}
		],
		[
			'a castle nut with run-down and adapter',
			{
				castle: { highNm: 95, slotDeg: 30 },
				prevailingNm: 4,
				adapter: { lengthMm: 60, angleDeg: 45 }
			},
			{
				then: [],
				castle: { high: '95 N·m', slotDeg: 30 },
				prevailing: '4 N·m',
				adapter: { length: '60 mm', angleDeg: 45 }
			}
		],
		[
			'a star',
			{ pattern: { fasteners: 5, passes: 2 } },
			{ then: [], pattern: { fasteners: 5, passes: 2 } }
		],
		['a cushion', { cushionTo: 'shoulder' }, { then: [], cushionTo: 'shoulder' }],
		[
			'one that only the API can say is kept as it is',
			{
				then: [
					{ kind: 'angle', angleDeg: 30, toleranceDeg: 5 },
					{ kind: 'angle', angleDeg: 60 }
				]
			},
			{
				then: [
					{ kind: 'angle', angle: '30 °', tolerance: '5 °' },
					{ kind: 'angle', angle: '60 °' }
				]
			}
		]
	] as [string, JointProgramme | null, object][])('%s', (_, programme, input) => {
		expect(round(programme)).toEqual(input);
	});

	it('a number without a unit is the person’s own', () => {
		const form = { ...programmeForm(null, null), prevailing: '3', adapterLength: '2.5' };
		expect(programmeInput(form, null, { torque: 'lbf·ft', length: 'in' })).toMatchObject({
			prevailing: '3 lbf·ft',
			adapter: { length: '2.5 in' }
		});
	});

	it('a thread that is none of the usual ones stays, and can be chosen again', () => {
		const thread = {
			diameterMm: 11,
			pitchMm: 1.25,
			propertyClass: '8.8' as const,
			condition: 'as-specified' as const
		};
		const form = programmeForm(null, thread);
		expect(threadInput(form)).toEqual(thread);
		form.thread = 'M12×1.5';
		expect(threadInput(form)).toMatchObject({ diameterMm: 12, pitchMm: 1.5 });
		form.thread = 'M11×1.25';
		expect(threadInput(form)).toEqual(thread);
	});

	it('a thread is chosen with its class and condition, or not at all', () => {
		const thread = {
			diameterMm: 12,
			pitchMm: 1.5,
			propertyClass: '10.9' as const,
			condition: 'oil' as const
		};
		expect(threadInput(programmeForm(null, thread))).toEqual(thread);
		expect(threadInput(programmeForm(null, null))).toBeNull();
	});
});

describe('a step in words', () => {
	const joint = (change: Partial<Joint>) =>
		({ kind: 'wheel', torqueNm: 120, programme: null, ...change }) as Joint;
	it('names fastener and pass of a star in the order it is pulled', () => {
		const wheel = joint({ programme: { pattern: { fasteners: 5, passes: 2 } } });
		const list = actionsOf(wheel);
		const words = (i: number) => stepWords(wheel, list, i, String);
		expect(words(0)).toBe('Step 1 of 10: first pass, 60 of 120, number 1 of 5');
		expect(words(7)).toBe('Step 8 of 10: second pass, number 3 of 5');
	});

	it('says nothing of a joint with one step, but for a castle nut', () => {
		const plain = joint({});
		expect(stepWords(plain, actionsOf(plain), 0, String)).toBe('');
		const nut = joint({ programme: { castle: { highNm: 200, slotDeg: 60 } } });
		expect(stepWords(nut, actionsOf(nut), 0, String)).toBe('Castle nut');
	});

	it('a wrench speaks the unit it is marked in', () => {
		expect(wrenchUnit({ entered: { highestNm: '150 ft-lb' } })).toBe('lbf·ft');
		expect(wrenchUnit({ entered: { highestNm: '200 N·m' } })).toBe('N·m');
		expect(wrenchUnit({ entered: {} })).toBeUndefined();
		expect(scaleWords({ entered: { lowestNm: '5 N·m', highestNm: '50 N·m' } })).toBe('5 to 50 N·m');
		expect(scaleWords({ entered: { lowestNm: '60 lbf·in', highestNm: '50 N·m' } })).toBe(
			'60 lbf·in to 50 N·m'
		);
	});
});
