import type { Axle } from '../../core/height/corners.ts';
import { findLayout } from '../../core/layout/catalogue.ts';
import { checkCorner, type CornerGeometry } from '../../core/mechanism/geometry.ts';
import { schools } from '../../core/height/schools.ts';
import { withUnit, type Quantity } from '../../core/units/parse.ts';
import { furtherMeasures } from '../../core/job/corner.ts';
import type { Entry } from '../../core/job/book/entry.ts';
import type { Vehicle, VehicleAxle } from '../../core/job/model.ts';
import { usualSizes } from '../../core/vehicle/sizes.ts';
import { v7 as uuidv7 } from 'uuid';
import { isDuplicate, type Database } from './db/pool.ts';
import { listOpenJobIdsOf } from './db/jobs.ts';
import type { Person } from './db/people.ts';
import { findVehicle, insertVehicle, updateVehicle } from './db/vehicles.ts';
import { sameOrRefused } from './same.ts';
import { tell } from './jobs/book.ts';
import { invalid, notFound, Problem, refuse } from '../../core/problem.ts';

interface AxleInput {
	layout: string;
	track?: Quantity | null | '';
	tyreSize: string;
	armLength?: Quantity | null | '';
	outerBelowInner?: Quantity | null | '';
	referenceHubToArch?: Quantity | null | '';
	wheelRate?: Quantity | null | '';
	makerHeight?: Quantity | null | '';
	makerHeightSchool?: VehicleAxle['makerHeightSchool'] | '';
	tape?: Record<string, Quantity | null | ''> | null;
	hardpoints?: CornerGeometry | null;
}

export interface VehicleInput {
	id: string;
	plate: string;
	vin?: string | null;
	make: string;
	model: string;
	modelYear?: number | null;
	owner: string;
	phone?: string;
	wheelbase?: Quantity | null | '';
	modifications: string;
	front: AxleInput;
	rear: AxleInput;
}

/** Adds a car; the same id twice is one car. */
export async function createVehicle(db: Database, input: VehicleInput): Promise<Vehicle> {
	const vehicle = toVehicle(input, 1);
	await withPlateFault(vehicle, () =>
		db.transaction(async (tx) => {
			const here = await findVehicle(tx, vehicle.id);
			if (here) sameOrRefused(vehicle.id, here, vehicle);
			else await insertVehicle(tx, vehicle);
		})
	);
	return vehicle;
}

/**
 * Writes the whole car, and an entry into each of its open jobs: they go on with the car as it is known
 * now. Signed jobs keep the car they were signed with.
 *
 * @param jobId the job in which it was measured, where it was
 */
export async function changeVehicle(
	db: Database,
	id: string,
	{ version, jobId, ...input }: VehicleInput & { version: number; jobId?: string },
	person: Pick<Person, 'id' | 'name' | 'role'>
): Promise<{ version: number; told: { jobId: string; entries: Entry[] }[] }> {
	const vehicle = { ...toVehicle(input, version), id };
	const written = await withPlateFault(vehicle, () =>
		db.transaction(async (tx) => {
			if (!(await findVehicle(tx, id))) throw notFound('car');
			const open = await listOpenJobIdsOf(tx, id);
			if (jobId !== undefined && !open.includes(jobId)) {
				throw refuse('jobId', 'is not an open job of this car', jobId);
			}
			if (!(await updateVehicle(tx, vehicle, jobId))) return undefined;
			const told = [];
			for (const one of open)
				told.push(await tellCar(tx, one, { ...vehicle, version: version + 1 }, person));
			return told;
		})
	);
	if (written) return { version: version + 1, told: written };
	const current = (await findVehicle(db, id))!;
	throw new Problem(409, 'Someone else changed this car meanwhile.', [], {
		currentVersion: current.version,
		current
	});
}

async function tellCar(
	tx: Database,
	jobId: string,
	vehicle: Vehicle,
	person: Pick<Person, 'id' | 'name' | 'role'>
): Promise<{ jobId: string; entries: Entry[] }> {
	const command = {
		id: uuidv7(),
		kind: 'car',
		subject: 'car',
		enteredAt: new Date().toISOString()
	} as const;
	const { entries } = await tell(tx, jobId, command, {
		person,
		decide: ({ record }) => [
			{
				...command,
				personId: person.id,
				device: null,
				seen: record.seq,
				corrects: null,
				data: { vehicle }
			}
		]
	});
	return { jobId, entries };
}

async function withPlateFault<T>(vehicle: Vehicle, work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (error) {
		if (isDuplicate(error, 'vehicles_plate'))
			throw refuse('plate', 'is already the plate of another car', vehicle.plate);
		throw error;
	}
}

function toVehicle(input: VehicleInput, version: number): Vehicle {
	const entered: Record<string, string> = {};
	const si = (path: string, quantity: Quantity | null | undefined | ''): number | null => {
		if (!quantity) return null;
		entered[path] = withUnit(quantity);
		return quantity.si;
	};
	const axle = (which: Axle): VehicleAxle => {
		const given = input[which];
		const made: VehicleAxle = {
			layout: given.layout,
			trackMm: si(`${which}.trackMm`, given.track) ?? usualSizes[`${which}.trackMm`].value,
			tyreSize: given.tyreSize,
			armLengthMm: si(`${which}.armLengthMm`, given.armLength),
			outerBelowInnerMm: si(`${which}.outerBelowInnerMm`, given.outerBelowInner),
			referenceHubToArchMm: si(`${which}.referenceHubToArchMm`, given.referenceHubToArch),
			wheelRateNPerMm: si(`${which}.wheelRateNPerMm`, given.wheelRate),
			makerHeightMm: si(`${which}.makerHeightMm`, given.makerHeight),
			makerHeightSchool: given.makerHeight ? given.makerHeightSchool || 'hub-to-arch' : null,
			tape: tapeOf(which, given, si),
			hardpoints: given.hardpoints ?? null
		};
		checkAxle(which, made);
		return made;
	};
	return {
		id: input.id,
		plate: input.plate,
		vin: input.vin || null,
		make: input.make,
		model: input.model,
		modelYear: input.modelYear ?? null,
		owner: input.owner,
		...(input.phone && { phone: input.phone }),
		wheelbaseMm: si('wheelbaseMm', input.wheelbase) ?? usualSizes.wheelbaseMm.value,
		modifications: input.modifications,
		axles: { front: axle('front'), rear: axle('rear') },
		entered,
		version
	};
}

function checkHardpoints(which: Axle, axle: VehicleAxle, hardpoints: CornerGeometry): void {
	const { mechanism, name } = findLayout(axle.layout)!;
	const field = `${which}.hardpoints`;
	if (hardpoints.layout !== mechanism) {
		throw refuse(`${field}.layout`, `must be ${mechanism} for ${name}`, hardpoints.layout);
	}
	if (hardpoints.side !== 'left') {
		throw refuse(`${field}.side`, 'give the left side; the right is its mirror image', 'right');
	}
	if (axle.referenceHubToArchMm === null) {
		throw refuse(
			`${which}.referenceHubToArch`,
			'note the hub to arch at which the hardpoints are given'
		);
	}
	const sound = checkCorner(hardpoints);
	if (!sound.ok) {
		throw invalid(sound.faults.map((fault) => ({ ...fault, field: `${field}.${fault.field}` })));
	}
}

/** The further measures, each one of the layout's and inside its limits; null where there is none. */
function tapeOf(
	which: Axle,
	{ layout, tape }: AxleInput,
	si: (path: string, quantity: Quantity | null | '') => number | null
): Record<string, number> | null {
	const known = furtherMeasures(layout);
	const kept: Record<string, number> = {};
	for (const [name, quantity] of Object.entries(tape ?? {})) {
		if (!quantity) continue;
		const measure = known[name];
		const field = `${which}.tape.${name}`;
		if (!measure) {
			throw refuse(
				field,
				`is not measured on this layout; known are ${Object.keys(known).join(', ')}`
			);
		}
		const value = si(field, quantity)!;
		if (value < measure.min || value > measure.max) {
			throw refuse(field, `must be from ${measure.min} to ${measure.max} ${measure.unit}`, value);
		}
		kept[name] = value;
	}
	return Object.keys(kept).length ? kept : null;
}

function checkAxle(which: Axle, axle: VehicleAxle): void {
	if (axle.outerBelowInnerMm !== null && axle.referenceHubToArchMm === null) {
		throw refuse(
			`${which}.referenceHubToArch`,
			'note the hub to arch at which the joint drop was taped: the drop means nothing without it'
		);
	}
	if (axle.hardpoints) checkHardpoints(which, axle, axle.hardpoints);
	if (
		axle.armLengthMm !== null &&
		axle.outerBelowInnerMm !== null &&
		Math.abs(axle.outerBelowInnerMm) >= axle.armLengthMm
	) {
		throw refuse(
			`${which}.outerBelowInner`,
			`must be less than the arm length (${axle.armLengthMm} mm)`,
			axle.outerBelowInnerMm
		);
	}
	if (axle.makerHeightMm !== null && axle.makerHeightSchool) {
		const { minMm, maxMm, name } = schools[axle.makerHeightSchool];
		if (axle.makerHeightMm < minMm || axle.makerHeightMm > maxMm) {
			throw refuse(
				`${which}.makerHeight`,
				`${name} lies between ${minMm} and ${maxMm} mm`,
				axle.makerHeightMm
			);
		}
	}
}
