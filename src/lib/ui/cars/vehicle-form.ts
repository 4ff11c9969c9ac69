/** The car form's fields as text, from a car on record and back to what the API takes. */
import type { Dimension } from '$core/units/dimensions';
import type { UnitChoice } from '$core/units/format';
import { numberOf, withMeantUnit } from '$core/units/parse';
import { furtherMeasures } from '$core/job/corner';
import type { Vehicle } from '$core/job/model';
import { assumedSizes } from '$core/vehicle/sizes';

interface AxleForm {
	layout: string;
	track: string;
	tyreSize: string;
	armLength: string;
	outerBelowInner: string;
	referenceHubToArch: string;
	wheelRate: string;
	makerHeight: string;
	makerHeightSchool: string;
	/** Further measures by the core's names of them, as typed. */
	tape: Record<string, string>;
	/** Hardpoints as JSON, as the core's corner-sweep takes them; empty where not known. */
	hardpoints: string;
}

export interface VehicleForm {
	plate: string;
	vin: string;
	make: string;
	model: string;
	modelYear: string;
	owner: string;
	phone: string;
	wheelbase: string;
	modifications: string;
	front: AxleForm;
	rear: AxleForm;
}

export function emptyForm(): VehicleForm {
	const axle = (layout: string): AxleForm => ({
		layout,
		track: '',
		tyreSize: '',
		armLength: '',
		outerBelowInner: '',
		referenceHubToArch: '',
		wheelRate: '',
		makerHeight: '',
		makerHeightSchool: 'hub-to-arch',
		tape: {},
		hardpoints: ''
	});
	return {
		plate: '',
		vin: '',
		make: '',
		model: '',
		modelYear: '',
		owner: '',
		phone: '',
		wheelbase: '',
		modifications: '',
		front: axle('macpherson-front'),
		rear: axle('trailing-arm-rear')
	};
}

export function formOf(vehicle: Vehicle): VehicleForm {
	const assumed: readonly string[] = assumedSizes(vehicle);
	const axle = (which: 'front' | 'rear'): AxleForm => {
		const values = vehicle.axles[which];
		/** As it was typed; a car from a file may only have the number. */
		const said = (name: keyof typeof values, unit = 'mm') =>
			vehicle.entered[`${which}.${name}`] ??
			(values[name] === null || assumed.includes(`${which}.${name}`)
				? ''
				: `${values[name]} ${unit}`);
		return {
			layout: values.layout,
			track: said('trackMm'),
			tyreSize: values.tyreSize,
			armLength: said('armLengthMm'),
			outerBelowInner: said('outerBelowInnerMm'),
			referenceHubToArch: said('referenceHubToArchMm'),
			wheelRate: said('wheelRateNPerMm', 'N/mm'),
			makerHeight: said('makerHeightMm'),
			makerHeightSchool: values.makerHeightSchool ?? 'hub-to-arch',
			tape: Object.fromEntries(
				Object.entries(values.tape ?? {}).map(([name, value]) => [
					name,
					vehicle.entered[`${which}.tape.${name}`] ??
						`${value} ${name.endsWith('Deg') ? '°' : 'mm'}`
				])
			),
			hardpoints: values.hardpoints ? JSON.stringify(values.hardpoints, null, 1) : ''
		};
	};
	return {
		plate: vehicle.plate,
		vin: vehicle.vin ?? '',
		make: vehicle.make,
		model: vehicle.model,
		modelYear: vehicle.modelYear === null ? '' : String(vehicle.modelYear),
		owner: vehicle.owner,
		phone: vehicle.phone ?? '',
		wheelbase:
			vehicle.entered.wheelbaseMm ??
			(assumed.includes('wheelbaseMm') ? '' : `${vehicle.wheelbaseMm} mm`),
		modifications: vehicle.modifications,
		front: axle('front'),
		rear: axle('rear')
	};
}

/** Text that is no JSON goes to the API as it is, which says what is wrong with it. */
function hardpointsOf(text: string): unknown {
	if (!text.trim()) return null;
	try {
		const { bumpMm: _, ...corner } = JSON.parse(text) as Record<string, unknown>;
		return corner;
	} catch {
		return text;
	}
}

/** What the API takes; a number without a unit gets the person's own, so that it stays what was meant. */
export function toInput(form: VehicleForm, id: string, units: UnitChoice): Record<string, unknown> {
	const year = form.modelYear.trim();
	const withUnit = (text: string, dimension: Dimension) =>
		withMeantUnit(text, units[dimension]) || null;
	const axle = (a: AxleForm) => ({
		...a,
		track: withUnit(a.track, 'length'),
		armLength: withUnit(a.armLength, 'length'),
		outerBelowInner: withUnit(a.outerBelowInner, 'length'),
		referenceHubToArch: withUnit(a.referenceHubToArch, 'length'),
		wheelRate: withUnit(a.wheelRate, 'rate'),
		makerHeight: withUnit(a.makerHeight, 'length'),
		tape: Object.fromEntries(
			Object.entries(a.tape)
				// Measures of a layout that was chosen before and is not any more stay behind.
				.filter(([name, text]) => text.trim() && name in furtherMeasures(a.layout))
				.map(([name, text]) => [name, withUnit(text, name.endsWith('Deg') ? 'angle' : 'length')])
		),
		hardpoints: hardpointsOf(a.hardpoints)
	});
	return {
		...form,
		id,
		vin: form.vin.trim() || null,
		modelYear: year === '' ? null : Number.isNaN(numberOf(year)) ? year : numberOf(year),
		wheelbase: withUnit(form.wheelbase, 'length'),
		front: axle(form.front),
		rear: axle(form.rear)
	};
}
