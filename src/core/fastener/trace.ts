import { median } from '../statistics/summary.ts';
import { columnFaults } from '../columns.ts';
import { faulty, ok, type Result } from '../result.ts';

export const traceFlags = [
	'cross-thread',
	'wound-up-rubber',
	'slip-stick',
	'yield',
	'over',
	'under',
	're-hit'
] as const;
export type TraceFlag = (typeof traceFlags)[number];

export const traceFlagWords: Readonly<Record<TraceFlag, string>> = {
	'cross-thread': 'Steep before any free turning: cross-threaded?',
	'wound-up-rubber':
		'Slope far below the joint’s own: rubber is being wound, the sleeve is not clamped',
	'slip-stick': 'Torque falls and comes back: sticking thread or head',
	yield: 'Slope falls while torque rises: the screw stretches for good',
	over: 'Pulled too far',
	under: 'Stopped early',
	're-hit': 'Let go and pulled once more'
};

/**
 * Elastic slope to expect where a joint's own is not known, N·m/°: clamped metal reaches its torque
 * about 60° after snug. Own choice; rubber being wound takes several times that.
 */
export const usualSlope = (targetNm: number): number => targetNm / 60;

/** What the trace is held against. */
export interface TraceProgramme {
	/** Final torque, prevailing torque not included. */
	targetNm: number;
	/** Allowed either way as a share of the target; 0.05 if absent (own choice). */
	tolerance?: number;
	/** Turning angle after snug, where the programme ends by angle. */
	angleDeg?: number;
	/** Elastic slope of this joint as known; needed to tell wound-up rubber. */
	slopeNmPerDeg?: number;
}

export interface TraceResult {
	/** Torque of the run-down before anything is clamped. */
	prevailingNm: number;
	/** Angle at which the elastic line meets the prevailing torque. */
	snugDeg: number;
	/** Steepest steady slope of the tightening. */
	slopeNmPerDeg: number;
	peakNm: number;
	/** Angle from snug to the end. */
	finalAngleDeg: number;
	/** Hits of the wrench found in the trace. */
	hits: number;
	verdict: 'accepted' | 'look-again' | 'rejected';
	flags: TraceFlag[];
}

const leastPoints = 8;
/** Slope is read over this share of the tightening angle. */
const windowShare = 0.08;

/** Own choices, said here once. */
const limits = {
	/** Share of the joint's own slope below which rubber is being wound. */
	rubberSlope: 0.3,
	/** Free turning expected before the slope begins, deg. */
	freeDeg: 20,
	/** Slope that starts without free turning and is this much of the final slope: cross-threaded. */
	crossThreadSlope: 0.25,
	/** Yield: slope below this share of its maximum while torque still rises. */
	yieldSlope: 0.5,
	/** Repeated falls deeper than this share of the peak are slip-stick. */
	slip: 0.04,
	slips: 3
} as const;

/**
 * Reads a tightening from torque over angle: run-down, snug point, elastic slope, peak, and what looks
 * wrong with it. Angle may not run backwards; a pause where it stands still is allowed.
 */
export function torqueTrace(input: {
	angleDeg: readonly number[];
	torqueNm: readonly number[];
	programme: TraceProgramme;
}): Result<TraceResult> {
	const { angleDeg, torqueNm, programme } = input;
	const faults = columnFaults(['angleDeg', angleDeg], ['torqueNm', torqueNm], leastPoints, {
		broken: (angle, before) => angle < before,
		words: (before) =>
			`must not be less than the value before (${before}): send the tightening only, without the return of a ratchet`
	});
	if (faults.length) return faulty(...faults);
	let peak = 0;
	for (let i = 1; i < torqueNm.length; i++) if (torqueNm[i]! > torqueNm[peak]!) peak = i;
	const peakNm = torqueNm[peak]!;
	const span = angleDeg[angleDeg.length - 1]! - angleDeg[0]!;
	if (!(span > 0) || !(peakNm > 0)) {
		return faulty({
			field: span > 0 ? 'torqueNm' : 'angleDeg',
			message:
				span > 0 ? 'never rises above nothing' : 'does not turn: there is no tightening to read'
		});
	}

	const prevailingNm = runDownTorque(onEvenAngles(angleDeg, torqueNm).torque, peakNm);
	const smooth = onEvenAngles(angleDeg, torqueNm, tighteningFrom(input, prevailingNm, peakNm));
	const { slopes, stepDeg } = smooth;
	// The steady part of the rise: between a fifth and nine tenths of the way from prevailing to peak.
	const from = prevailingNm + 0.2 * (peakNm - prevailingNm);
	const rising = slopes.filter((_, i) => smooth.torque[i]! >= from);
	const slopeNmPerDeg = Math.max(quantile(rising.length ? rising : slopes, 0.8), 1e-9);
	const snugDeg = snugPoint(smooth, prevailingNm, peakNm, slopeNmPerDeg, angleDeg[0]!);
	const finalAngleDeg = angleDeg[angleDeg.length - 1]! - snugDeg;
	const hits = countHits(torqueNm, peakNm);

	const flags: TraceFlag[] = [];
	const lowStart = quantile(
		slopes.slice(0, Math.max(1, Math.ceil(limits.freeDeg / 2 / stepDeg))),
		0.5
	);
	if (
		snugDeg - angleDeg[0]! < limits.freeDeg &&
		lowStart > limits.crossThreadSlope * slopeNmPerDeg
	) {
		flags.push('cross-thread');
	}
	if (
		programme.slopeNmPerDeg !== undefined &&
		slopeNmPerDeg < limits.rubberSlope * programme.slopeNmPerDeg
	) {
		flags.push('wound-up-rubber');
	}
	if (slips(torqueNm, peakNm) >= limits.slips && hits < 2) flags.push('slip-stick');
	if (yields(smooth, prevailingNm, peakNm, slopeNmPerDeg)) flags.push('yield');
	const wanted = programme.targetNm + prevailingNm;
	const tolerance = (programme.tolerance ?? 0.05) * wanted;
	const byAngle = programme.angleDeg !== undefined;
	if (!byAngle && peakNm > wanted + tolerance) flags.push('over');
	if (!byAngle && peakNm < wanted - tolerance) flags.push('under');
	if (byAngle) {
		const off = finalAngleDeg - programme.angleDeg!;
		const allowed = Math.max(5, 0.1 * programme.angleDeg!);
		if (off > allowed) flags.push('over');
		if (off < -allowed) flags.push('under');
	}
	if (hits > 1) flags.push('re-hit');
	const bad: TraceFlag[] = ['cross-thread', 'yield', 'over', 'under', 'wound-up-rubber'];
	const verdict = flags.some((flag) => bad.includes(flag))
		? 'rejected'
		: flags.length
			? 'look-again'
			: 'accepted';
	return ok({ prevailingNm, snugDeg, slopeNmPerDeg, peakNm, finalAngleDeg, hits, verdict, flags });
}

interface Even {
	angle0: number;
	stepDeg: number;
	torque: number[];
	slopes: number[];
}

/**
 * The angle to read slopes from: half the tightening before the torque leaves the run-down, so that a
 * long run-down does not make the tightening a few points of the grid.
 */
function tighteningFrom(
	{ angleDeg, torqueNm }: { angleDeg: readonly number[]; torqueNm: readonly number[] },
	prevailingNm: number,
	peakNm: number
): number {
	const edge = prevailingNm + 0.1 * (peakNm - prevailingNm);
	const leaves =
		angleDeg[
			Math.max(
				0,
				torqueNm.findIndex((torque) => torque > edge)
			)
		]!;
	const span = angleDeg[angleDeg.length - 1]! - leaves;
	return Math.max(angleDeg[0]!, leaves - Math.max(0.5 * span, 1));
}

/** Torque on an even grid of angles, and its slope over a window: any sampling looks the same. */
function onEvenAngles(
	angleDeg: readonly number[],
	torqueNm: readonly number[],
	angle0 = angleDeg[0]!
): Even {
	const points = Math.min(400, angleDeg.length);
	const stepDeg = (angleDeg[angleDeg.length - 1]! - angle0) / (points - 1);
	const torque: number[] = [];
	let at = 0;
	for (let i = 0; i < points; i++) {
		const wanted = angle0 + i * stepDeg;
		while (at < angleDeg.length - 2 && angleDeg[at + 1]! < wanted) at++;
		const [a, b] = [angleDeg[at]!, angleDeg[at + 1]!];
		const share = b > a ? Math.min(1, Math.max(0, (wanted - a) / (b - a))) : 1;
		torque.push(torqueNm[at]! + share * (torqueNm[at + 1]! - torqueNm[at]!));
	}
	const half = Math.max(1, Math.round((windowShare * points) / 2));
	const slopes = torque.map((_, i) => {
		const low = Math.max(0, i - half);
		const high = Math.min(points - 1, i + half);
		return regressionSlope(torque, low, high) / stepDeg;
	});
	return { angle0, stepDeg, torque, slopes };
}

function regressionSlope(y: readonly number[], low: number, high: number): number {
	const n = high - low + 1;
	const middle = (low + high) / 2;
	let top = 0;
	let bottom = 0;
	for (let i = low; i <= high; i++) {
		top += (i - middle) * y[i]!;
		bottom += (i - middle) ** 2;
	}
	return n > 1 ? top / bottom : 0;
}

/** Median of what lies in the lowest tenth of the torque's range, where the nut runs free. */
function runDownTorque(torque: readonly number[], peak: number): number {
	const lowest = Math.max(0, quantile(torque, 0.02));
	const edge = lowest + 0.1 * (peak - lowest);
	const first = torque.findIndex((value) => value > edge);
	const free = torque.slice(0, first < 0 ? torque.length : first);
	return free.length ? Math.max(0, median(free)) : lowest;
}

function snugPoint(
	even: Even,
	prevailing: number,
	peak: number,
	slope: number,
	angle0: number
): number {
	// The steepest part is followed back down to the prevailing torque.
	const level = prevailing + 0.5 * (peak - prevailing);
	const i = even.slopes.findIndex(
		(s, j) =>
			s >= 0.9 * slope && even.torque[j]! >= Math.min(level, prevailing + 0.2 * (peak - prevailing))
	);
	const at = i < 0 ? even.torque.length - 1 : i;
	const angle = even.angle0 + at * even.stepDeg;
	return Math.max(angle0, angle - (even.torque[at]! - prevailing) / slope);
}

function yields(even: Even, prevailing: number, peak: number, slope: number): boolean {
	const steep = even.slopes.findIndex((s) => s >= 0.9 * slope);
	if (steep < 0) return false;
	const top = even.torque.indexOf(Math.max(...even.torque));
	const least = Math.max(3, Math.round(0.04 * even.torque.length));
	let run = 0;
	for (let i = steep; i <= top; i++) {
		const high = even.torque[i]! > prevailing + 0.5 * (peak - prevailing);
		run = high && even.slopes[i]! > 0 && even.slopes[i]! < limits.yieldSlope * slope ? run + 1 : 0;
		// The window at the very end sees only half of itself: the run must be longer than that.
		if (run >= least) return true;
	}
	return false;
}

/** Falls of torque that recover, deep enough to be heard. */
function slips(torqueNm: readonly number[], peak: number): number {
	let high = torqueNm[0]!;
	let low = high;
	let count = 0;
	let falling = false;
	for (const value of torqueNm) {
		if (!falling && value > high) high = value;
		else if (!falling && high - value > limits.slip * peak) {
			falling = true;
			low = value;
		} else if (falling && value < low) low = value;
		else if (falling && value - low > limits.slip * peak) {
			falling = false;
			high = value;
			count++;
		}
	}
	return count;
}

/** A wrench set down and pulled again: torque near the target, nearly nothing, near the target again. */
function countHits(torqueNm: readonly number[], peak: number): number {
	let hits = 0;
	let armed = true;
	for (const value of torqueNm) {
		if (armed && value > 0.8 * peak) {
			hits++;
			armed = false;
		} else if (!armed && value < 0.3 * peak) armed = true;
	}
	return hits;
}

function quantile(values: readonly number[], share: number): number {
	const sorted = [...values].sort((a, b) => a - b);
	return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
}
