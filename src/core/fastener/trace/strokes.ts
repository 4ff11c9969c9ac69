/** What a wrench sends, taken apart into its pulls, and what of them tells of the joint. */
import type { Points } from './lines.ts';

/** One pull of the wrench, from where its torque begins to rise to its greatest. */
export interface Stroke {
	from: number;
	/** Of its greatest torque. */
	top: number;
	/** The joint was turned back before it: what came earlier is undone. */
	loosened: boolean;
}

/** Own choices, as shares of the greatest torque. */
const letGo = 0.25;
const counts = 0.15;
const rises = 0.04;
/** Angle that runs back further than this is a return, deg. */
const returnDeg = 1;

/**
 * Noise of a reading, N·m: from how far each lies off the middle of its neighbours, the quieter part of them, so
 * that slipping and letting go are not taken for noise.
 */
export function noiseOf(torqueNm: readonly number[]): number {
	if (torqueNm.length < 3) return 0;
	const off = new Float64Array(torqueNm.length - 2);
	for (let i = 0; i < off.length; i++)
		off[i] = Math.abs(torqueNm[i + 1]! - (torqueNm[i]! + torqueNm[i + 2]!) / 2);
	// A quarter of |x| of a normal lies below 0.3186 of its standard deviation; a − (b + c)/2 scatters more than a.
	return smallest(off, Math.floor(off.length / 4)) / 0.3186 / Math.sqrt(1.5);
}

/** The value that so many others lie below, without sorting the rest (Hoare 1961); `values` are moved about. */
function smallest(values: Float64Array, rank: number): number {
	for (let [left, right] = [0, values.length - 1]; left < right;) {
		const pivot = values[(left + right) >> 1]!;
		let [low, high] = [left, right];
		while (low <= high) {
			while (values[low]! < pivot) low++;
			while (values[high]! > pivot) high--;
			if (low <= high) {
				const moved = values[low]!;
				values[low++] = values[high]!;
				values[high--] = moved;
			}
		}
		if (rank <= high) right = high;
		else if (rank >= low) left = low;
		else break;
	}
	return values[rank]!;
}

/** Of a list of any length: spread into arguments a long one would not fit. */
export const greatest = (values: readonly number[]): number =>
	values.reduce((a, b) => Math.max(a, b), -Infinity);

/** The pulls of a trace, in their order: let go, ratcheted back or slackened in between. */
export function strokesOf({ angleDeg, torqueNm }: Points): Stroke[] {
	const peak = greatest(torqueNm);
	const strokes: Stroke[] = [];
	let stroke: Stroke = { from: 0, top: 0, loosened: false };
	let furthest = angleDeg[0]!;
	let idle = false;
	let lowest = 0;
	const end = () => {
		if (torqueNm[stroke.top]! >= counts * peak) strokes.push(stroke);
	};
	for (let i = 1; i < angleDeg.length; i++) {
		const torque = torqueNm[i]!;
		if (idle) {
			if (torque <= torqueNm[lowest]! || angleDeg[i]! < angleDeg[lowest]!) lowest = i;
			else if (torque > torqueNm[lowest]! + rises * peak && angleDeg[i]! >= angleDeg[i - 1]!) {
				stroke = { from: lowest, top: i, loosened: false };
				furthest = angleDeg[i]!;
				idle = false;
			}
			continue;
		}
		furthest = Math.max(furthest, angleDeg[i]!);
		const back = angleDeg[i]! < furthest - returnDeg;
		const gone = torque < letGo * torqueNm[stroke.top]! && torqueNm[stroke.top]! > counts * peak;
		if (back || gone) {
			end();
			idle = true;
			lowest = i;
		} else if (torque > torqueNm[stroke.top]!) stroke.top = i;
	}
	if (!idle) end();
	return strokes.map((one, i) => ({
		...one,
		loosened: i > 0 && turnedBack({ angleDeg, torqueNm }, strokes[i - 1]!, one)
	}));
}

/** Most degrees over which a wrench takes up a torque that the joint still holds. Own choice. */
const takeUpDeg = 8;

/** Before it reaches the angle where the last pull ended, the joint resists anew: it was slackened. */
function turnedBack({ angleDeg, torqueNm }: Points, before: Stroke, now: Stroke): boolean {
	const left = angleDeg[before.top]!;
	for (let i = now.from; i <= now.top; i++) {
		if (angleDeg[i]! > left - takeUpDeg) return false;
		if (torqueNm[i]! > 0.25 * torqueNm[before.top]!) return true;
	}
	return false;
}

export interface JointPoints extends Points {
	/** Points at which a pull took up what the joint held already, and let go of above what follows. */
	breakawaysNm: number[];
	/** The first of the pulls began at a joint that was tight. */
	tight: boolean;
	/** Pulls since it was last slackened. */
	strokes: number;
}

/**
 * What tells of the joint: forward points only, without returns, pauses and the taking up of a torque that
 * the joint holds already.
 *
 * @param noise of a reading, N·m
 */
export function jointPoints(
	points: Points,
	strokes: readonly Stroke[],
	noise: number
): JointPoints {
	const { angleDeg, torqueNm } = points;
	const first = Math.max(
		0,
		strokes.findLastIndex(({ loosened }) => loosened)
	);
	const found: JointPoints & { angleDeg: number[]; torqueNm: number[] } = {
		angleDeg: [],
		torqueNm: [],
		breakawaysNm: [],
		tight: false,
		strokes: strokes.length - first
	};
	let held = 0;
	for (const [n, stroke] of strokes.slice(first).entries()) {
		const taken = takenUp(points, stroke, noise);
		if (n === 0) found.tight = taken?.breaks === true;
		if (taken?.breaks) found.breakawaysNm.push(torqueNm[taken.at]!);
		let from = taken && (n > 0 || taken.breaks) ? taken.at + (taken.breaks ? 1 : 0) : stroke.from;
		if (n > 0) while (from < stroke.top && torqueNm[from]! < 0.97 * held) from++;
		// A breakaway at the very end is all there is.
		const last = n === strokes.length - first - 1 ? lastForward(points, stroke) : stroke.top;
		if (from > last) from = last;
		// What the wrench gave while it took up is no angle of the joint.
		const reached = found.angleDeg.at(-1);
		const step = (angleDeg[from + 1] ?? angleDeg[from]!) - angleDeg[from]!;
		const gave =
			reached === undefined ? 0 : Math.max(0, angleDeg[from]! - reached - Math.max(0, step));
		for (let i = from; i <= last; i++) add(found, angleDeg[i]! - gave, torqueNm[i]!);
		held = torqueNm[stroke.top]!;
	}
	return found;
}

/** After its greatest torque a pull may still turn: a screw that yields, a breakaway that goes on. */
function lastForward({ angleDeg, torqueNm }: Points, { top }: Stroke): number {
	let last = top;
	while (
		last + 1 < angleDeg.length &&
		angleDeg[last + 1]! > angleDeg[last]! &&
		torqueNm[last + 1]! > 0.8 * torqueNm[top]!
	)
		last++;
	return last;
}

/** Where the angle stands still the greatest torque counts: the rest is a pause. */
function add(to: { angleDeg: number[]; torqueNm: number[] }, angle: number, torque: number): void {
	const last = to.angleDeg.length - 1;
	if (last >= 0 && angle <= to.angleDeg[last]! + 1e-6) {
		if (torque > to.torqueNm[last]!) to.torqueNm[last] = torque;
		return;
	}
	to.angleDeg.push(angle);
	to.torqueNm.push(torque);
}

/**
 * Where a pull has taken up what the joint holds: the torque rises far more steeply than it does later, and
 * breaks away above what follows, or bends into it. Undefined where the pull begins with a joint that is loose.
 */
function takenUp(
	{ angleDeg, torqueNm }: Points,
	{ from, top }: Stroke,
	noise: number
): { at: number; breaks: boolean } | undefined {
	const start = angleDeg[from]!;
	const peak = torqueNm[top]!;
	let best: { at: number; breaks: boolean } | undefined;
	// The greatest so far, while the torque is still being taken up.
	let high = from;
	for (let i = from; i < angleDeg.length && angleDeg[i]! <= start + 2 * takeUpDeg; i++) {
		if (i > top + 30) break;
		if (torqueNm[i]! > torqueNm[high]!) high = i;
		const fell = torqueNm[high]! - torqueNm[i]! > Math.max(0.015 * peak, 4 * noise);
		const early = angleDeg[high]! <= start + takeUpDeg;
		if (fell && early && torqueNm[high]! > 0.4 * peak && angleDeg[i]! > angleDeg[high]!) {
			best = { at: high, breaks: true };
			break;
		}
	}
	if (best) return best;
	// No breakaway: a bend from steep to flat that lies early and high, where it stands out most from the chord.
	const total = angleDeg[top]! - start;
	const chord = (i: number) =>
		torqueNm[from]! + ((peak - torqueNm[from]!) * (angleDeg[i]! - start)) / total;
	let knee = from;
	for (let i = from + 1; i < top; i++) {
		if (torqueNm[i]! - chord(i) > torqueNm[knee]! - chord(knee)) knee = i;
	}
	const turned = angleDeg[knee]! - start;
	const rest = total - turned;
	if (turned <= 0 || turned > takeUpDeg || rest < 3 || torqueNm[knee]! < 0.35 * peak)
		return undefined;
	const steep = (torqueNm[knee]! - torqueNm[from]!) / turned;
	const after = (peak - torqueNm[knee]!) / rest;
	return steep > 3 * after ? { at: knee, breaks: false } : undefined;
}
