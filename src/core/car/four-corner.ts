import { LuDecomposition, Matrix } from 'ml-matrix';
import {
	corners,
	isLeft,
	axleOf,
	perCorner,
	type Axle,
	type PerCorner
} from '../height/corners.ts';
import { faulty, ok, type Result } from '../result.ts';

export interface FourCornerCar {
	wheelbaseMm: number;
	trackFrontMm: number;
	trackRearMm: number;
	/** Sprung load at each wheel. */
	loadsN: PerCorner<number>;
	wheelRatesNPerMm: PerCorner<number>;
	tyreRateNPerMm: number;
	/** Anti-roll bar at the wheel, per side, for the difference of both sides. */
	antiRollNPerMm: Record<Axle, number>;
	/** At the spring. */
	motionRatio: PerCorner<number>;
}

export interface FourCornerResult {
	/** Hub to arch, + = body higher. */
	heightChangeMm: PerCorner<number>;
	loadChangeN: PerCorner<number>;
	/** (FR + RL) / total. */
	crossWeight: { before: number; after: number };
}

/**
 * Heights and loads for a perch raised by one mm at one corner: columns over corners FL FR RL RR. Body
 * rigid on four springs on four tyres, bars resisting the difference of their two sides; small angles.
 */
export interface Influence {
	heightPerPerch: readonly (readonly number[])[];
	loadPerPerch: readonly (readonly number[])[];
}

/** @returns a fault when the car's numbers leave it without a stand (practically: rates of nothing) */
export function influence(car: FourCornerCar): Result<Influence> {
	const system = Matrix.zeros(7, 7);
	const right = Matrix.zeros(7, 4);
	// Unknowns: load changes f of FL FR RL RR, then heave z, pitch b and roll c of the body.
	for (const [i, corner] of corners.entries()) {
		const other = i ^ 1;
		const [x, y] = place(car, i);
		const [ox, oy] = place(car, other);
		const rate = car.wheelRatesNPerMm[corner];
		const bar = car.antiRollNPerMm[axleOf(corner)];
		// s = z + b·x + c·y + f/kt is the change of hub to arch; f = k(e − s) − bar(s − s_other).
		system.set(i, i, 1 + (rate + bar) / car.tyreRateNPerMm);
		system.set(i, other, -bar / car.tyreRateNPerMm);
		system.set(i, 4, rate);
		system.set(i, 5, (rate + bar) * x - bar * ox);
		system.set(i, 6, (rate + bar) * y - bar * oy);
		right.set(i, i, rate / car.motionRatio[corner]);
		system.set(4, i, 1);
		system.set(5, i, x / 1000);
		system.set(6, i, y / 1000);
	}
	const lu = new LuDecomposition(system);
	if (lu.isSingular()) {
		return faulty({
			field: 'wheelRatesNPerMm',
			message: 'leave the body without a stand: all four must be above 0'
		});
	}
	const solved = lu.solve(right);
	const loadPerPerch = corners.map((_, i) => corners.map((_, j) => solved.get(i, j)));
	const heightPerPerch = corners.map((_, i) => {
		const [x, y] = place(car, i);
		return corners.map(
			(_, j) =>
				solved.get(4, j) +
				solved.get(5, j) * x +
				solved.get(6, j) * y +
				solved.get(i, j) / car.tyreRateNPerMm
		);
	});
	return ok({ heightPerPerch, loadPerPerch });
}

/** Place of a corner on the body, mm forward and left of the middle. */
function place(car: FourCornerCar, i: number): [number, number] {
	const corner = corners[i]!;
	const front = axleOf(corner) === 'front';
	const track = front ? car.trackFrontMm : car.trackRearMm;
	return [((front ? 1 : -1) * car.wheelbaseMm) / 2, ((isLeft(corner) ? 1 : -1) * track) / 2];
}

export const crossWeight = (loads: PerCorner<number>): number =>
	(loads.FR + loads.RL) / (loads.FL + loads.FR + loads.RL + loads.RR);

const timesVector = (rows: readonly (readonly number[])[], vector: readonly number[]) =>
	perCorner((corner) =>
		rows[corners.indexOf(corner)]!.reduce((sum, value, j) => sum + value * vector[j]!, 0)
	);

/** Applies known influence: heights, loads and cross weight after the perches move. */
export function standAfter(
	car: FourCornerCar,
	known: Influence,
	perchMm: PerCorner<number>
): FourCornerResult {
	const perch = corners.map((corner) => perchMm[corner]);
	const heightChangeMm = timesVector(known.heightPerPerch, perch);
	const loadChangeN = timesVector(known.loadPerPerch, perch);
	const after = perCorner((corner) => car.loadsN[corner] + loadChangeN[corner]);
	return {
		heightChangeMm,
		loadChangeN,
		crossWeight: { before: crossWeight(car.loadsN), after: crossWeight(after) }
	};
}

/**
 * Where the car stands after its perches are raised (+) or lowered, mm at the spring.
 * Faults: a wheel that would leave the ground, since a tyre only pushes.
 */
export function fourCorner(
	car: FourCornerCar & { perchMm: PerCorner<number> }
): Result<FourCornerResult> {
	const known = influence(car);
	if (!known.ok) return known;
	const result = standAfter(car, known.value, car.perchMm);
	const lifted = liftedWheels(car, result);
	if (lifted.length) {
		return faulty(
			...lifted.map((corner) => ({
				field: `perchMm.${corner}`,
				value: car.perchMm[corner],
				message: `these perches would lift the ${corner} wheel off the ground (load there ${car.loadsN[corner].toFixed(0)} N, change ${result.loadChangeN[corner].toFixed(0)} N)`
			}))
		);
	}
	return ok(result);
}

export const liftedWheels = (car: FourCornerCar, { loadChangeN }: FourCornerResult) =>
	corners.filter((corner) => car.loadsN[corner] + loadChangeN[corner] < 0);
