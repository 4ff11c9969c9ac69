import { describe, expect, it } from 'vitest';
import { knownFor, type KnownSpecification } from './joints.ts';
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
});
