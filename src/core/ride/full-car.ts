import { Matrix } from 'ml-matrix';
import ode45 from 'ode45-cash-karp';
import {
	axleOf,
	corners,
	isLeft,
	perCorner,
	type Axle,
	type PerCorner
} from '../height/corners.ts';
import { faulty, ok, type Result } from '../result.ts';
import { standardGravity } from '../units/dimensions.ts';
import { modesOf, type Mode } from './modes.ts';

export interface FullCar {
	bodyMassKg: number;
	/** About the body's own axes. */
	pitchInertiaKgM2: number;
	rollInertiaKgM2: number;
	wheelbaseMm: number;
	/** Centre of mass behind the front axle. */
	massBehindFrontMm: number;
	trackFrontMm: number;
	trackRearMm: number;
	unsprungMassKg: Record<Axle, number>;
	wheelRateNPerMm: Record<Axle, number>;
	tyreRateNPerMm: number;
	antiRollNPerMm: Record<Axle, number>;
	/** At the wheel, N·s/mm, in bump and in rebound. */
	damperNsPerMm: Record<Axle, { bump: number; rebound: number }>;
}

export interface Road {
	/** A step up, or a hump of a half sine. */
	shape: 'step' | 'hump';
	heightMm: number;
	/** Of the hump, or of the ramp that leads up the step. */
	lengthMm: number;
	/** Which side meets it. */
	side: 'both' | 'left';
	speedKmh: number;
}

export interface FullCarRun {
	modes: Mode[];
	rows: {
		timeS: number;
		/** Body at its centre of mass; pitch + = nose up; roll + = left side up. */
		bodyMm: number;
		pitchDeg: number;
		rollDeg: number;
		bodyAccelerationG: number;
		/** Body over hub at each corner, change of hub to arch. */
		heightMm: PerCorner<number>;
		/** Change of tyre load; a wheel in the air has lost all of it, and no more. */
		tyreLoadN: PerCorner<number>;
	}[];
	peak: { bodyMm: number; accelerationG: number; travelMm: PerCorner<number> };
	/** Time after which the body stays within 5 % of the height of the obstacle from its end. */
	settledAfterS: number;
}

const order = 7;
/** Rows of a run. */
const frames = 400;
const mostSteps = 200_000;

/** Constants of the seven equations: corners in the order FL FR RL RR, SI units. */
function constants(car: FullCar) {
	const front = car.massBehindFrontMm / 1000;
	return corners.map((corner) => {
		const axle = axleOf(corner);
		const track = axle === 'front' ? car.trackFrontMm : car.trackRearMm;
		return {
			x: axle === 'front' ? front : front - car.wheelbaseMm / 1000,
			y: ((isLeft(corner) ? 1 : -1) * track) / 2000,
			mass: car.unsprungMassKg[axle],
			rate: car.wheelRateNPerMm[axle] * 1000,
			bar: car.antiRollNPerMm[axle] * 1000,
			damper: car.damperNsPerMm[axle],
			/** Load of the standing tyre, N: it pushes, it never pulls. */
			standsN:
				(car.unsprungMassKg[axle] +
					(car.bodyMassKg / 2) *
						(axle === 'front'
							? 1 - car.massBehindFrontMm / car.wheelbaseMm
							: car.massBehindFrontMm / car.wheelbaseMm)) *
				standardGravity
		};
	});
}

/**
 * Modes of the full car with the mean of bump and rebound damping. Seven degrees of freedom: heave,
 * pitch and roll of the body, and four hubs.
 */
export function fullCarModes(car: FullCar): Mode[] {
	const system = Matrix.zeros(2 * order, 2 * order);
	const derivative = equations(car, () => 0, true);
	const state = new Array<number>(2 * order).fill(0);
	const column = new Float64Array(2 * order);
	for (let j = 0; j < 2 * order; j++) {
		derivative(column, Float64Array.from(state.with(j, 1)), 0);
		for (let i = 0; i < 2 * order; i++) system.set(i, j, column[i]!);
	}
	return modesOf(system);
}

function equations(car: FullCar, road: (corner: number, timeS: number) => number, linear: boolean) {
	const wheels = constants(car);
	const tyre = car.tyreRateNPerMm * 1000;
	// State: z, pitch, roll, four hubs, then their rates.
	return (out: Float64Array, s: Float64Array, timeS: number): void => {
		let lift = 0;
		let pitch = 0;
		let roll = 0;
		const extension = (i: number) =>
			s[0]! + wheels[i]!.x * s[1]! + wheels[i]!.y * s[2]! - s[3 + i]!;
		for (let i = 0; i < 4; i++) {
			const { x, y, mass, rate, bar, damper, standsN } = wheels[i]!;
			const opening = s[7]! + x * s[8]! + y * s[9]! - s[10 + i]!;
			const c = linear
				? (damper.bump + damper.rebound) * 500
				: (opening > 0 ? damper.rebound : damper.bump) * 1000;
			const force = -rate * extension(i) - bar * (extension(i) - extension(i ^ 1)) - c * opening;
			lift += force;
			pitch += force * x;
			roll += force * y;
			out[3 + i] = s[10 + i]!;
			const push = tyre * (road(i, timeS) - s[3 + i]!);
			out[10 + i] = (-force + (linear ? push : Math.max(push, -standsN))) / mass;
		}
		out[0] = s[7]!;
		out[1] = s[8]!;
		out[2] = s[9]!;
		out[7] = lift / car.bodyMassKg;
		out[8] = pitch / car.pitchInertiaKgM2;
		out[9] = roll / car.rollInertiaKgM2;
	};
}

/** Height of the road under a wheel, m, at a distance driven since its front axle met the obstacle. */
function roadHeight({ shape, heightMm, lengthMm }: Road, travelledMm: number): number {
	if (travelledMm <= 0) return 0;
	const share = travelledMm / lengthMm;
	if (shape === 'step') {
		return share >= 1 ? heightMm / 1000 : ((1 - Math.cos(Math.PI * share)) / 2) * (heightMm / 1000);
	}
	return share >= 1 ? 0 : Math.sin(Math.PI * share) * (heightMm / 1000);
}

/**
 * Drives the car over an obstacle. Adaptive Runge–Kutta (Cash–Karp, orders 4 and 5);
 * dampers with different bump and rebound make it non-linear.
 *
 * @param durationS 0.2 to 20 s; the front axle meets the obstacle at 0
 */
export function fullCar(car: FullCar, road: Road, durationS: number): Result<FullCarRun> {
	if (car.massBehindFrontMm >= car.wheelbaseMm) {
		return faulty({
			field: 'car.massBehindFrontMm',
			value: car.massBehindFrontMm,
			message: `must be less than wheelbaseMm (${car.wheelbaseMm})`
		});
	}
	const speed = road.speedKmh / 3.6;
	const under = (i: number, timeS: number) => {
		const met = corners[i]![1] === 'L' || road.side === 'both';
		const behind = i < 2 ? 0 : car.wheelbaseMm;
		return met ? roadHeight(road, speed * timeS * 1000 - behind) : 0;
	};
	const derivative = equations(car, under, false);
	const rows: FullCarRun['rows'] = [];
	const wheels = constants(car);
	const rates = new Float64Array(2 * order);
	const record = (timeS: number, s: Float64Array) => {
		derivative(rates, s, timeS);
		const extension = corners.map(
			(_, i) => (s[0]! + wheels[i]!.x * s[1]! + wheels[i]!.y * s[2]! - s[3 + i]!) * 1000
		);
		rows.push({
			timeS,
			bodyMm: s[0]! * 1000,
			pitchDeg: (s[1]! * 180) / Math.PI,
			rollDeg: (s[2]! * 180) / Math.PI,
			bodyAccelerationG: rates[7]! / standardGravity,
			heightMm: perCorner((corner) => extension[corners.indexOf(corner)]!),
			tyreLoadN: perCorner((corner) => {
				const i = corners.indexOf(corner);
				const push = car.tyreRateNPerMm * 1000 * (under(i, timeS) - s[3 + i]!);
				return Math.max(push, -wheels[i]!.standsN);
			})
		});
	};
	const integrator = ode45(new Float64Array(2 * order), derivative, 0, 1e-4, {
		tol: 1e-6,
		verbose: false,
		// Metres and metres a second: a hundredth of either is the size that counts.
		errorScaleFunction: () => 0.01,
		// An obstacle shorter than a step must not be jumped over.
		dtMaxMag: Math.min(0.02, road.lengthMm / 1000 / speed / 4)
	});
	let steps = 0;
	/** False where the integrator gives up, or takes so many steps that it would never end. */
	const reach = (timeS: number): boolean => {
		try {
			while (integrator.t < timeS && steps++ < mostSteps) integrator.step(timeS);
		} catch {
			return false;
		}
		return steps < mostSteps && integrator.y.every(Number.isFinite);
	};
	for (let row = 0; row <= frames; row++) {
		const timeS = (durationS * row) / frames;
		const usual = integrator.dt;
		if (!reach(timeS)) {
			return faulty({
				field: 'car',
				message:
					'could not be driven over this road: its numbers are too far apart (very stiff or very light parts, or a very short obstacle)'
			});
		}
		// The short last step up to a row must not slow the next ones down.
		integrator.dt = Math.max(integrator.dt, usual);
		record(timeS, integrator.y);
	}
	const last = rows[rows.length - 1]!;
	const end = road.shape === 'step' && road.side === 'both' ? road.heightMm : last.bodyMm;
	const band = 0.05 * road.heightMm;
	const unsettled = rows.findLastIndex((row) => Math.abs(row.bodyMm - end) > band);
	const largest = (value: (row: (typeof rows)[number]) => number) =>
		rows.reduce((most, row) => Math.max(most, Math.abs(value(row))), 0);
	return ok({
		modes: fullCarModes(car),
		rows,
		peak: {
			bodyMm: largest((row) => row.bodyMm),
			accelerationG: largest((row) => row.bodyAccelerationG),
			travelMm: perCorner((corner) => largest((row) => row.heightMm[corner]))
		},
		settledAfterS: unsettled < 0 ? 0 : rows[unsettled]!.timeS
	});
}
