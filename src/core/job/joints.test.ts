import { describe, expect, it } from 'vitest';
import { findLayout } from '../layout/catalogue.ts';
import { demoRecord } from '../../../demo/jobs.testing.ts';
import {
	fastenersOf,
	jointFromLayout,
	knownFor,
	knownTorques,
	nearestKnown,
	twinOf,
	type KnownSpecification
} from './joints.ts';
import type { Vehicle } from './model.ts';

const axles = { front: { layout: 'strut' }, rear: { layout: 'beam' } } as Vehicle['axles'];
const lower = { key: 'lower-arm-front', corner: 'FL' } as const;

const said = (modelYear: number | null, more: Partial<KnownSpecification> = {}) =>
	({
		scope: 'model',
		axle: 'front',
		layout: 'strut',
		jointKey: lower.key,
		torqueNm: modelYear ?? 1,
		jobNumber: 'another',
		modelYear,
		...more
	}) as KnownSpecification;

const offered = (modelYear: number | null, known: KnownSpecification[]) =>
	knownFor(lower, { axles, modelYear }, known, 'this')?.torqueNm;

describe('what a joint was last specified with', () => {
	it('is of the car itself, else of the nearest year of its model', () => {
		const years = [said(2009), said(2012), said(2016)];
		expect(offered(2013, years)).toBe(2012);
		expect(offered(2015, years)).toBe(2016);
		expect(offered(2015, [...years, said(null, { scope: 'car', torqueNm: 88 })])).toBe(88);
	});

	it('is not of years that may be another suspension, and of an unknown year only last', () => {
		expect(offered(2021, [said(2016)])).toBeUndefined();
		expect(offered(2020, [said(2016)])).toBe(2016);
		expect(offered(2020, [said(null), said(2016)])).toBe(2016);
		expect(offered(2021, [said(null), said(2016)])).toBe(1);
		expect(offered(null, [said(2016)])).toBe(2016);
	});

	it('is not of this job, of another joint, axle or layout', () => {
		const others = [{ jobNumber: 'this' }, { jointKey: 'x' }, { axle: 'rear' }, { layout: 'x' }];
		for (const other of others) {
			expect(offered(2020, [said(2020, other as Partial<KnownSpecification>)])).toBeUndefined();
		}
	});

	it('is one for each joint of an axle, and of another layout none, for all that is known', () => {
		const known = [
			said(null, { scope: 'car', jobNumber: 'this' }),
			said(2012),
			said(2016),
			said(2016, { axle: 'rear', layout: 'beam' }),
			said(2016, { axle: 'rear', layout: 'x' }),
			said(1995, { jointKey: 'tie-rod' })
		];
		expect(nearestKnown({ axles, modelYear: 2015 } as Vehicle, known, 'this')).toEqual([
			known[2],
			known[3]
		]);
	});
});

describe('the joints of a job', () => {
	const demo = demoRecord('2026-0261');
	const { key } = demo.joints.find((one) => one.key !== null && one.kind === 'bonded-bush')!;
	const joints = demo.joints.map((one) => (one.key === key ? { ...one, torqueNm: null } : one));
	const record = { ...demo, joints };
	const joint = joints.find((one) => one.key === key)!;

	it('lack torques that another job of this car has', () => {
		const axle = joint.corner.startsWith('F') ? 'front' : 'rear';
		const { layout } = record.vehicle.axles[axle];
		const known = said(null, { scope: 'car', axle, layout, jointKey: joint.key!, torqueNm: 77 });
		const found = knownTorques(record, [known]);
		expect(found.map((one) => one.joint.id)).toEqual(
			record.joints
				.filter(({ key, corner }) => key === joint.key && corner[0] === joint.corner[0])
				.map(({ id }) => id)
		);
		const said77 = record.joints.map((one) => ({ ...one, torqueNm: 77 }));
		expect(knownTorques({ ...record, joints: said77 }, [known])).toEqual([]);
	});

	it('have a twin on the other side of the axle', () => {
		const twin = twinOf(record.joints, joint)!;
		expect([twin.key, twin.corner[0]]).toEqual([joint.key, joint.corner[0]]);
		expect(twin.corner).not.toBe(joint.corner);
		expect(twinOf([joint], joint)).toBeUndefined();
	});

	it('say how many there are of each, by programme or layout', () => {
		const vehicle = { axles: { front: { layout: 'macpherson-front' } } } as unknown as Vehicle;
		const of = (key: string, programme: object | null = null) =>
			fastenersOf({ key, corner: 'FL', programme }, vehicle);
		expect(of('top-mount')).toBe(3);
		expect(of('ball-joint')).toBe(1);
		expect(of('ball-joint', { pattern: { fasteners: 4, passes: 1 } })).toBe(4);
	});

	it('of a car that is only measured and set are undone where there is rubber', () => {
		for (const one of findLayout('macpherson-front')!.joints) {
			expect(jointFromLayout(one).loosened).toBe(!one.seldom);
			expect(jointFromLayout(one, 'set').loosened).toBe(one.rule === 'ride-height');
		}
	});
});
