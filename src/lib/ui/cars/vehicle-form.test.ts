import { describe, expect, it } from 'vitest';
import { imperial, metric } from '$core/units/format';
import { validate } from '$core/validate';
import { demoRecord } from '../../../../demo/jobs.testing';
import { vehicleSchema } from '$lib/schema/vehicle';
import { emptyForm, formOf, toInput } from './vehicle-form';

const { vehicle } = demoRecord('2026-0214');
const check = (input: unknown) =>
	validate(vehicleSchema, input, { units: metric, now: Date.now() });

describe('the car form', () => {
	it('gives back what a car was entered with', () => {
		const result = check(toInput(formOf(vehicle), vehicle.id, metric));
		expect(result).toMatchObject({
			ok: true,
			value: { plate: 'BRX 902', wheelbase: { si: 2555 }, front: { armLength: { si: 342 } } }
		});
	});

	it('a number without a unit is in the person’s own, whoever looks later', () => {
		const form = { ...formOf(vehicle), wheelbase: '100 1/2' };
		expect(toInput(form, vehicle.id, imperial)).toMatchObject({ wheelbase: '100 1/2 in' });
		expect(toInput({ ...form, wheelbase: '2640 mm' }, vehicle.id, imperial)).toMatchObject({
			wheelbase: '2640 mm'
		});
	});

	it('what is left empty is not known, and a year that is no number is said to be none', () => {
		const input = toInput({ ...emptyForm(), modelYear: 'old' }, vehicle.id, metric);
		expect(input).toMatchObject({
			vin: null,
			modelYear: 'old',
			front: { armLength: null, makerHeight: null }
		});
		const result = check(input);
		expect(result.ok ? [] : result.faults.map((fault) => fault.field)).toEqual([
			'plate',
			'plate',
			'modelYear'
		]);
		const short = { ...emptyForm(), plate: 'AB 12' };
		expect(check(toInput(short, vehicle.id, metric)).ok).toBe(true);
	});
});
