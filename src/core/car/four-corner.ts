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

/**
 * The hubs are taken out first: with s the change of hub to arch and f that of the load, each axle has
 * f = K·e − A·s (A: springs and bar) and s = u + f/kt, so f = B·(K·e − A·u) with B = (1 + A/kt)⁻¹, two by
 * two. What is left is the balance of the body in heave, pitch and roll.
 *
 * @returns a fault when the car's numbers leave it without a stand (practically: rates of nothing)
 */
export function influence(car: FourCornerCar): Result<Influence> {
	const kt = car.tyreRateNPerMm;
	/** f = push·e − hold·u within an axle: for each corner its own and its neighbour's share. */
	const axles = corners.map((corner, i) => {
		const [k, other] = [car.wheelRatesNPerMm[corner], car.wheelRatesNPerMm[corners[i ^ 1]!]];
		const bar = car.antiRollNPerMm[axleOf(corner)];
		const [a, d] = [1 + (k + bar) / kt, 1 + (other + bar) / kt];
		const c = -bar / kt;
		const size = a * d - c * c;
		const [own, across] = [d / size, -c / size];
		return {
			push: own * (k / car.motionRatio[corner]),
			pushAcross: across * (other / car.motionRatio[corners[i ^ 1]!]),
			hold: own * (k + bar) - across * bar,
			holdAcross: across * (other + bar) - own * bar
		};
	});
	const places = corners.map((_, i) => place(car, i));
	const body = Matrix.zeros(3, 3);
	const right = Matrix.zeros(3, 4);
	for (let i = 0; i < 4; i++) {
		const { push, pushAcross, hold, holdAcross } = axles[i]!;
		for (let row = 0; row < 3; row++) {
			const arm = places[i]![row]!;
			for (let column = 0; column < 3; column++) {
				const turned = hold * places[i]![column]! + holdAcross * places[i ^ 1]![column]!;
				body.set(row, column, body.get(row, column) + arm * turned);
			}
			right.set(row, i, right.get(row, i) + arm * push);
			right.set(row, i ^ 1, right.get(row, i ^ 1) + arm * pushAcross);
		}
	}
	const lu = new LuDecomposition(body);
	if (lu.isSingular()) {
		return faulty({
			field: 'wheelRatesNPerMm',
			message: 'leave the body without a stand: all four must be above 0'
		});
	}
	const pose = lu.solve(right);
	const bodyPerPerch = places.map(([, x, y]) =>
		corners.map((_, j) => pose.get(0, j) + pose.get(1, j) * x + pose.get(2, j) * y)
	);
	const loadPerPerch = axles.map(({ push, pushAcross, hold, holdAcross }, i) =>
		corners.map(
			(_, j) =>
				(i === j ? push : (i ^ 1) === j ? pushAcross : 0) -
				hold * bodyPerPerch[i]![j]! -
				holdAcross * bodyPerPerch[i ^ 1]![j]!
		)
	);
	const heightPerPerch = bodyPerPerch.map((row, i) =>
		row.map((rise, j) => rise + loadPerPerch[i]![j]! / kt)
	);
	return ok({ heightPerPerch, loadPerPerch });
}

/** How a corner rises with the body's heave, pitch and roll: 1, mm forward and mm left of the middle. */
function place(car: FourCornerCar, i: number): readonly [number, number, number] {
	const corner = corners[i]!;
	const front = axleOf(corner) === 'front';
	const track = front ? car.trackFrontMm : car.trackRearMm;
	return [1, ((front ? 1 : -1) * car.wheelbaseMm) / 2, ((isLeft(corner) ? 1 : -1) * track) / 2];
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
