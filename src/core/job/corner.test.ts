import { describe, expect, it } from 'vitest';
import { corners } from '../height/corners';
import { findLayout, layouts } from '../layout/catalogue';
import { sampleCorners } from '../mechanism/samples';
import { cornerMechanism, furtherMeasures, posturesAt, shownTravel, tyreRadiusMm } from './corner';
import { demoRecord } from '../../../demo/jobs.testing';
import type { VehicleAxle } from './model';
import { armGeometry } from './arm';
import { bareAxle } from './axle.testing';

function drawn(axle: VehicleAxle, targetMm: number, heightsMm: number[]) {
	const mechanism = cornerMechanism(axle, targetMm);
	if (!mechanism.ok) throw new Error(mechanism.faults[0]!.message);
	const travel = shownTravel(mechanism.value, targetMm);
	const postures = posturesAt(mechanism.value, heightsMm);
	if (!travel.ok || !postures.ok) throw new Error(axle.layout);
	return { mechanism: mechanism.value, travel: travel.value, postures: postures.value };
}

describe.each(layouts.map(({ key }) => [key]))('a corner of %s', (key) => {
	it('is drawn from the layout’s assumptions, around its target', () => {
		const { mechanism, travel, postures } = drawn(bareAxle(key), 360, [360, 380, 340]);
		expect(mechanism.assumed).toBe(true);
		expect(travel.droopMm).toBeGreaterThan(400);
		expect(travel.bumpMm).toBeLessThan(330);
		const z = postures.map(({ wheelCentre }) => wheelCentre[2]);
		// A greater hub to arch is a wheel further down, by exactly as much.
		expect(z[0]! - z[1]!).toBeCloseTo(20, 3);
		expect(z[2]! - z[0]!).toBeCloseTo(20, 3);
	});

	it('only offers measures that its tape has, and assumes all that must be', () => {
		const further = furtherMeasures(key);
		const { assumed } = findLayout(key)!;
		for (const [name, measure] of Object.entries(further))
			if (!measure.optional) expect(assumed.measures[name], name).toBeDefined();
		for (const name of Object.keys(assumed.measures)) expect(further[name], name).toBeDefined();
	});
});

it('every corner of the demo can be drawn', () => {
	for (const number of ['0187', '0262', '0263', '0264', '0265', '0266', '0267']) {
		const job = demoRecord(`2026-${number}`);
		for (const corner of corners) {
			const axle = job.vehicle.axles[corner.startsWith('F') ? 'front' : 'rear'];
			expect(() => drawn(axle, axle.makerHeightMm ?? 340, [350])).not.toThrow();
		}
	}
});

describe('what was measured', () => {
	it('narrows the band of the joint', () => {
		const wide = drawn(bareAxle('macpherson-front'), 360, [360]).mechanism;
		const taped = { armLengthMm: 345, outerBelowInnerMm: 22, referenceHubToArchMm: 366 };
		const narrow = drawn(bareAxle('macpherson-front', taped), 360, [360]).mechanism;
		expect(narrow.jointExpandedMm).toBeLessThan(wide.jointExpandedMm / 4);
		expect(narrow.referenceHubToArchMm).toBe(366);
		const whole = { ...taped, tape: findLayout('macpherson-front')!.assumed.measures };
		expect(drawn(bareAxle('macpherson-front', whole), 360, [360]).mechanism.assumed).toBe(false);
	});

	it('as hardpoints goes before the tape, for the drawing and for the arm', () => {
		const axle = bareAxle('double-wishbone', {
			armLengthMm: 300,
			outerBelowInnerMm: 0,
			referenceHubToArchMm: 355,
			hardpoints: sampleCorners['double-wishbone']
		});
		expect(drawn(axle, 360, [360]).mechanism).toMatchObject({ assumed: false, jointExpandedMm: 2 });
		expect(armGeometry(axle, 360)).toMatchObject({
			referenceHubToArchMm: 355,
			armLengthMm: { value: expect.closeTo(370.2, 0), u: 1 }
		});
		expect(armGeometry(axle, 360, 'upper-pivot').armLengthMm.value).toBeCloseTo(271.2, 0);
	});

	it('that cannot be a corner is said by its name', () => {
		const axle = bareAxle('macpherson-front', {
			armLengthMm: 60,
			outerBelowInnerMm: 80,
			referenceHubToArchMm: 360
		});
		expect(cornerMechanism(axle, 360)).toMatchObject({
			ok: false,
			faults: [{ field: 'measures.lowerJointBelowPivotMm' }]
		});
	});
});

describe('a tyre’s size', () => {
	// Rim and sidewalls: 16 × 25.4/2 + 205 × 0.55, three per cent less under load.
	it.each([
		['205/55 R16', 0.97 * (203.2 + 112.75)],
		['205/55R16 91V', 0.97 * (203.2 + 112.75)],
		['245/45 ZR19', 0.97 * (241.3 + 110.25)]
	])('%s stands %f mm high', (size, radius) => {
		expect(tyreRadiusMm(size)).toBeCloseTo(radius, 3);
	});

	it('said otherwise is not guessed', () => {
		for (const size of ['', '6.00-16', 'winter tyres']) expect(tyreRadiusMm(size)).toBeUndefined();
	});
});
