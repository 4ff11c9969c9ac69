/**
 * What a transducer wrench sees at a screwed joint: run-down at the prevailing torque, snug, elastic
 * rise, yield. Made up, but shaped as real pulls are; the stand-in wrench draws its traces from it.
 */

export interface SimulatedJoint {
	/** Torque at which the pull is meant to stop, run-down not included, N·m. */
	targetNm: number;
	/** Torque that the nut takes to turn before it meets anything, N·m. */
	prevailingNm: number;
	/** Free turning before snug, degrees. */
	freeDeg: number;
	/** Elastic slope, N·m per degree. */
	slopeNmPerDeg: number;
	/** Torque at which the screw begins to stretch for good, N·m. */
	yieldNm: number;
}

/** A joint of metal on metal, pulled until the wrench shows what was asked. */
export function soundJoint(askedNm: number, prevailingNm = 0.02 * askedNm): SimulatedJoint {
	const targetNm = askedNm - prevailingNm;
	return {
		targetNm,
		prevailingNm,
		freeDeg: 150,
		slopeNmPerDeg: targetNm / 55,
		yieldNm: 1.8 * targetNm
	};
}

export const behaviours = {
	good: 'A good pull',
	early: 'Stopped early',
	over: 'Pulled too far',
	'cross-thread': 'Cross-threaded',
	rubber: 'Rubber winds, sleeve not clamped',
	'stick-slip': 'Sticks and slips',
	yield: 'The screw stretches',
	'wrong-joint': 'At another joint than asked',
	battery: 'Battery dies in the pull',
	duplicate: 'Reported twice',
	reconnect: 'Line drops before the answer',
	'out-of-order': 'Reported out of order'
} as const;
export type Behaviour = keyof typeof behaviours;

export interface Pull {
	angleDeg: number[];
	torqueNm: number[];
	complete: boolean;
}

/** Mulberry32: the same noise for the same seed. */
function noise(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = state;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296 - 0.5;
	};
}

/**
 * One pull at a joint.
 *
 * @param points how many samples the trace has, 20 or more
 */
export function pull(
	joint: SimulatedJoint,
	behaviour: Behaviour,
	seed: number,
	points = 500
): Pull {
	const shape = { ...joint };
	let stopNm = joint.targetNm;
	if (behaviour === 'early') stopNm *= 0.78;
	if (behaviour === 'over') stopNm *= 1.18;
	if (behaviour === 'battery') stopNm *= 0.55;
	if (behaviour === 'cross-thread') shape.freeDeg = 1;
	if (behaviour === 'rubber') shape.slopeNmPerDeg = joint.targetNm / 380;
	if (behaviour === 'yield') shape.yieldNm = 0.7 * joint.targetNm;
	const riseDeg = elasticAngle(shape, stopNm);
	const spanDeg = shape.freeDeg + riseDeg;
	const random = noise(seed);
	const angleDeg: number[] = [];
	const torqueNm: number[] = [];
	for (let i = 0; i < points; i++) {
		const angle = (spanDeg * i) / (points - 1);
		let torque = shape.prevailingNm + torqueAt(shape, angle - shape.freeDeg);
		if (behaviour === 'stick-slip' && torque > 0.3 * stopNm && Math.floor(i / 9) % 3 === 2) {
			torque -= 0.09 * stopNm;
		}
		torque += 0.004 * joint.targetNm * random();
		angleDeg.push(round(angle, 2));
		torqueNm.push(Math.max(0, round(torque, 3)));
	}
	return { angleDeg, torqueNm, complete: behaviour !== 'battery' };
}

/** Torque beyond the run-down at an angle after snug: straight, then a fifth as steep beyond yield. */
function torqueAt({ slopeNmPerDeg, yieldNm }: SimulatedJoint, afterSnugDeg: number): number {
	if (afterSnugDeg <= 0) return 0;
	const elastic = afterSnugDeg * slopeNmPerDeg;
	return elastic <= yieldNm ? elastic : yieldNm + (elastic - yieldNm) / 5;
}

/** Angle after snug at which a torque is reached. */
function elasticAngle({ slopeNmPerDeg, yieldNm }: SimulatedJoint, torqueNm: number): number {
	const elastic = torqueNm <= yieldNm ? torqueNm : yieldNm + 5 * (torqueNm - yieldNm);
	return elastic / slopeNmPerDeg;
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));
