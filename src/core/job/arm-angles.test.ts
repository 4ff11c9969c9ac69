import { describe, expect, it } from 'vitest';
import { armAngles, measuredTurn, weighTurn } from './arm-angles';
import { armTurn, cornerMechanism } from './corner';
import { demoRecord } from '../../../demo/jobs.testing';
import { say, told } from './kinds/saying.testing';
import type { JobRecord } from './record';
import { judgeBush } from './rubber';

const record = demoRecord('2026-0257');
const limits = record.limits;
const at = (job: JobRecord, hubToArch: number) => {
	const judged = judgeBush(job, 'FL', hubToArch, limits);
	if (!judged.ok) throw new Error(JSON.stringify(judged.faults));
	return judged.value;
};
/** The angle of the arm at a height, as a phone that is turned round says it. */
const read = (job: JobRecord, hubToArch: number, deg: number) =>
	told(job, 'arm-angle', 'FL/lower', {
		hubToArch: `${hubToArch} mm`,
		readings: [
			{ deg: deg + 0.4, turned: false },
			{ deg: -deg + 0.4, turned: true }
		],
		resolutionDeg: 0.1,
		by: 'phone'
	});
/** What the taped arm turns between two heights, degrees. */
const taped = (fromMm: number, toMm: number) => {
	const mechanism = cornerMechanism(record.vehicle.axles.front, 333);
	if (!mechanism.ok) throw new Error(JSON.stringify(mechanism.faults));
	return Math.abs(armTurn(mechanism.value, 'lower', toMm, fromMm)!.twistRad) * (180 / Math.PI);
};

describe('angles of an arm at two heights', () => {
	it('narrow the band of a twist that was only taped', () => {
		const turn = taped(335, 395);
		const known = read(read(record, 335, 4), 395, 4 - turn);
		const [before, after] = [at(record, 395), at(known, 395)];
		expect(after.twistExpandedDeg).toBeLessThan(0.8 * before.twistExpandedDeg);
		expect(after.twistDeg).toBeCloseTo(before.twistDeg, 1);
	});

	it('move the twist towards what was measured: where they are surer than the tape, nearly all the way', () => {
		const turn = taped(335, 395);
		const known = read(read(record, 335, 4), 395, 4 - 1.08 * turn);
		const [before, after] = [at(record, 395), at(known, 395)];
		expect(Math.abs(after.twistDeg / before.twistDeg)).toBeGreaterThan(1.02);
		expect(Math.abs(after.twistDeg / before.twistDeg)).toBeLessThan(1.081);
	});

	it('that the tape cannot explain are left aside, and said', () => {
		const known = read(read(record, 335, 4), 395, 4 - 2.4 * taped(335, 395));
		expect(at(known, 395).twistDeg).toBe(at(record, 395).twistDeg);
		expect(weighTurn({ deg: 20, expandedDeg: 0.4 }, 8, 0.05)).toEqual({
			scale: 1,
			relativeU: 0.05,
			disagrees: true
		});
	});

	it('weigh as inverse variances do', () => {
		// By hand: tape 1 ± 0.05, angle 1.1 ± 0.05: half way, and 1/√2 of either.
		const weighed = weighTurn({ deg: 11, expandedDeg: 1 }, 10, 0.05);
		expect(weighed.scale).toBeCloseTo(1.05, 9);
		expect(weighed.relativeU).toBeCloseTo(0.05 / Math.SQRT2, 9);
	});

	it('want two heights that are apart, and go when they are taken back', () => {
		expect(measuredTurn(read(record, 335, 4), 'FL', 'lower')).toBeUndefined();
		expect(measuredTurn(read(read(record, 335, 4), 341, 3), 'FL', 'lower')).toBeUndefined();
		const both = read(read(record, 335, 4), 395, -4);
		expect(measuredTurn(both, 'FL', 'lower')).toMatchObject({ fromMm: 335, toMm: 395, deg: 8 });
		const [, last] = armAngles(both, 'FL', 'lower');
		const back = told(
			both,
			'arm-angle',
			'FL/lower',
			{
				hubToArch: '395 mm',
				readings: last!.data.readings,
				resolutionDeg: 0.1,
				by: 'phone',
				withdraw: true
			},
			{ corrects: last!.id }
		);
		expect(measuredTurn(back, 'FL', 'lower')).toBeUndefined();
		expect(armAngles(back, 'FL', 'lower')).toHaveLength(1);
	});

	it('no reading, an arm that stands upright, another arm: refused by name', () => {
		const data = { hubToArch: '335', readings: [], resolutionDeg: 0.1, by: 'phone' };
		expect(say(record, 'arm-angle', 'FL/lower', data).said!.join()).toMatch(/^readings: /);
		const steep = { ...data, readings: [{ deg: 80, turned: false }] };
		expect(say(record, 'arm-angle', 'FL/lower', steep).said!.join()).toMatch(/readings\.0\.deg/);
		expect(say(record, 'arm-angle', 'FL/middle', data).status).toBe(422);
		const flat = { ...data, readings: [{ deg: 1, turned: false }], withdraw: true };
		expect(say(record, 'arm-angle', 'FL/lower', flat).said!.join()).toMatch(/^corrects: /);
	});
});
