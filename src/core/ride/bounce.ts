import { median } from '../statistics/summary.ts';
import { columnFaults } from '../columns.ts';
import { faulty, ok, type Result } from '../result.ts';
import { movementsOf, type Swing } from './swing.ts';
import { fitSwing, integratedFit, roughNoise, type Signal } from './swing-fit.ts';

export interface BounceInput {
	/** Rising; need not be evenly spaced. */
	timeS: readonly number[];
	/** Of the body over the ground, any zero. */
	heightMm: readonly number[];
}

/** What a bounce says of the damping, however it was recorded. */
export interface Damping {
	/** Of the swing after release; 1 and more means no overshoot. */
	dampingRatio: number;
	/** Half-width of the 95 % band of the ratio: scatter about the fitted swing, and what friction may pass for damping. */
	dampingRatioExpanded: number;
	/** Of the swing as seen; 0 without overshoot. */
	dampedFreqHz: number;
	/** Undamped. */
	naturalFreqHz: number;
	/** There and back is one, until a tenth of the push is left: the count made by eye in a bounce test. */
	movements: number;
	/** Dry friction over the spring rate, mm: it stops a swing and is no damping. */
	frictionMm: number;
	/** From where on the trace was taken as free swing. */
	releasedAtS: number;
}

export interface BounceResult extends Damping {
	/** Height at which it comes to rest. */
	restMm: number;
	/** Standard deviation of the trace about the fit. */
	noiseMm: number;
}

export interface AccelerationInput {
	/** Rising; need not be evenly spaced. */
	timeS: readonly number[];
	/** Of the body, upwards, gravity taken off. */
	accelerationMPerS2: readonly number[];
}

export interface AccelerationResult extends Damping {
	/** How far it was pushed down or pulled up when it was let go. */
	pushMm: number;
	/** Standard deviation of the trace about the fit. */
	noiseMPerS2: number;
}

const leastPoints = 12;
/** The fit needs no more than this; longer traces are averaged in groups. */
const fitPoints = 600;

/**
 * Damping from a bounce trace: free decay of one mass with viscous damping and dry friction, fitted by
 * Levenberg–Marquardt; 40 N of friction read as damping make 0.20 a 0.28. The start comes from the differential
 * equation integrated twice, which is a linear fit and holds without overshoot too.
 */
export function bounce({ timeS, heightMm }: BounceInput): Result<BounceResult> {
	const faults = columnFaults(['timeS', timeS], ['heightMm', heightMm], leastPoints, {
		broken: (time, before) => time <= before,
		words: (before) => `must be later than the value before (${before} s)`
	});
	if (faults.length) return faulty(...faults);

	const start = release(heightMm);
	const { t, x } = thinned(timeS, heightMm, start);
	if (t.length < leastPoints) {
		return faulty({
			field: 'heightMm',
			message: 'ends too soon after the release: record until the body is at rest'
		});
	}
	let highest = -Infinity;
	let lowest = Infinity;
	for (const value of x) {
		highest = Math.max(highest, value);
		lowest = Math.min(lowest, value);
	}
	if (!(highest - lowest > 1e-9 * Math.max(1, Math.abs(highest)))) {
		return faulty({ field: 'heightMm', message: 'does not move: there is no swing to read' });
	}
	const first = integratedFit(t, x);
	if (!first) return faulty({ field: 'heightMm', message: noSwing });
	const { swing, ratioU, noise } = fitSwing(t, x, first, heights);
	return ok({
		...dampingOf(swing, ratioU, timeS[start]!),
		restMm: swing.rest,
		noiseMm: noise
	});
}

const noSwing =
	'does not look like a body that is let go and comes to rest: no swing could be fitted';

const heights: Signal = { quantity: 'height', push: (first) => first, least: 0.02 };
/** In mm/s²; the least is of a phone's sensor. */
const accelerations: Signal = {
	quantity: 'acceleration',
	push: (first, natural) => -first / natural ** 2,
	least: 10
};

/** Where wheel and tyre move along, a body on one spring is not all: of the ratio. Own choice. */
const modelShare = 0.03;

function dampingOf(swing: Swing, ratioU: number, releasedAtS: number): Damping {
	const { ratio, natural, friction } = swing;
	const damped = ratio < 1 ? natural * Math.sqrt(1 - ratio * ratio) : 0;
	return {
		dampingRatio: ratio,
		dampingRatioExpanded: 2 * Math.hypot(ratioU, modelShare * ratio),
		dampedFreqHz: damped / (2 * Math.PI),
		naturalFreqHz: natural / (2 * Math.PI),
		movements: movementsOf(swing),
		frictionMm: friction,
		releasedAtS
	};
}

/**
 * Damping from what an accelerometer on the body recorded of a bounce test: the same swing, fitted in acceleration.
 * The hands that push are no part of it: it begins at the first peak from which on all that follows is one swing.
 */
export function accelerationBounce({
	timeS,
	accelerationMPerS2
}: AccelerationInput): Result<AccelerationResult> {
	const faults = columnFaults(
		['timeS', timeS],
		['accelerationMPerS2', accelerationMPerS2],
		leastPoints,
		{
			broken: (time, before) => time <= before,
			words: (before) => `must be later than the value before (${before} s)`
		}
	);
	if (faults.length) return faulty(...faults);
	const field = 'accelerationMPerS2';
	const mm = accelerationMPerS2.map((value) => 1000 * value);
	const starts = peaks(mm);
	if (starts.length === 0) {
		return faulty({ field, message: 'does not move: there is no swing to read' });
	}
	const fits = starts.flatMap((start) => {
		const { t, x } = thinned(timeS, mm, start);
		const first = t.length < leastPoints ? undefined : integratedFit(t, x);
		return first ? [{ start, t, x, first, rough: roughNoise(t, x, first, accelerations) }] : [];
	});
	if (fits.length === 0) return faulty({ field, message: noSwing });
	const quietest = Math.min(...fits.map(({ rough }) => rough));
	const { start, t, x, first } = fits.find(({ rough }) => rough <= 1.3 * quietest)!;
	const { swing, ratioU, noise } = fitSwing(t, x, first, accelerations);
	return ok({
		...dampingOf(swing, ratioU, timeS[start]!),
		pushMm: swing.push,
		noiseMPerS2: noise / 1000
	});
}

/** A peak under this share of the greatest is no release. Own choice. */
const leastPeak = 0.3;
/** What a phone that lies still shows, mm/s². */
const stillMm = 60;

/** The farthest point of each half swing about where it comes to rest, the small ones left out. */
function peaks(x: readonly number[]): number[] {
	const rest = median(x.slice(Math.floor(0.8 * x.length)));
	const found: number[] = [];
	let best = 0;
	for (let i = 1; i < x.length; i++) {
		const [now, far] = [x[i]! - rest, x[best]! - rest];
		if (now * far < 0) {
			found.push(best);
			best = i;
		} else if (Math.abs(now) > Math.abs(far)) best = i;
	}
	found.push(best);
	const greatest = Math.max(...found.map((i) => Math.abs(x[i]! - rest)));
	if (greatest < stillMm) return [];
	return found.filter((i) => Math.abs(x[i]! - rest) >= leastPeak * greatest);
}

/** Index at which the body is let go: the last point at its farthest from where it ends. */
function release(heightMm: readonly number[]): number {
	const n = heightMm.length;
	const tail = heightMm.slice(Math.floor(0.8 * n));
	const rest = median(tail);
	let farthest = 0;
	for (const value of heightMm) farthest = Math.max(farthest, Math.abs(value - rest));
	let peak = 0;
	while (Math.abs(heightMm[peak]! - rest) < farthest) peak++;
	const side = Math.sign(heightMm[peak]! - rest);
	let last = peak;
	while (last + 1 < n && side * (heightMm[last + 1]! - rest) >= 0.98 * farthest) last++;
	return last;
}

function thinned(timeS: readonly number[], heightMm: readonly number[], start: number) {
	const group = Math.max(1, Math.floor((timeS.length - start) / fitPoints));
	const n = Math.floor((timeS.length - start) / group);
	const t = new Float64Array(n);
	const x = new Float64Array(n);
	for (let i = 0; i < n; i++) {
		for (let j = 0; j < group; j++) {
			t[i]! += (timeS[start + i * group + j]! - timeS[start]!) / group;
			x[i]! += heightMm[start + i * group + j]! / group;
		}
	}
	return { t, x };
}
