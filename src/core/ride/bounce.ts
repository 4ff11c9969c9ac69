import { Matrix, solve } from 'ml-matrix';
import { median } from '../statistics/summary.ts';
import { columnFaults } from '../columns.ts';
import { faulty, ok, type Result } from '../result.ts';

export interface BounceInput {
	/** Rising; need not be evenly spaced. */
	timeS: readonly number[];
	/** Of the body over the ground, any zero. */
	heightMm: readonly number[];
}

export interface BounceResult {
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
	/** Height at which it comes to rest. */
	restMm: number;
	/** Standard deviation of the trace about the fit. */
	noiseMm: number;
	/** From where on the trace was taken as free swing. */
	releasedAtS: number;
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
	if (!first) {
		return faulty({
			field: 'heightMm',
			message:
				'does not look like a body that is let go and comes to rest: no swing could be fitted'
		});
	}
	const fitted = refine(t, x, first);
	const { ratio, natural, rest, friction } = fitted.swing;
	const damped = ratio < 1 ? natural * Math.sqrt(1 - ratio * ratio) : 0;
	return ok({
		dampingRatio: ratio,
		dampingRatioExpanded: 2 * Math.hypot(fitted.ratioU, modelShare * ratio),
		dampedFreqHz: damped / (2 * Math.PI),
		naturalFreqHz: natural / (2 * Math.PI),
		movements: movementsOf(fitted.swing),
		frictionMm: friction,
		restMm: rest,
		noiseMm: fitted.noiseMm,
		releasedAtS: timeS[start]!
	});
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

/** A mass that is let go: viscous damping and dry friction. */
export interface Swing {
	/** Of critical. */
	ratio: number;
	/** Undamped, rad/s. */
	natural: number;
	rest: number;
	/** Where it is let go, from rest. */
	push: number;
	/** Dry friction over the spring rate: as far from rest as it may stay, mm. */
	friction: number;
	/** Later than the first point, s. */
	delay: number;
}

/**
 * Height of a swing at a time: in each half swing friction shifts the middle towards where it came from, until
 * it no longer moves on (Den Hartog, Mechanical Vibrations, 1956, § 1.11, and viscous damping; from memory).
 */
export function heightOf(swing: Swing, timeS: number): number {
	const { ratio, natural, rest, friction } = swing;
	let time = timeS - swing.delay;
	let side = Math.sign(swing.push) || 1;
	let far = Math.abs(swing.push);
	if (time <= 0 || far <= friction) return rest + side * far;
	if (ratio >= 0.999) {
		const w = natural;
		const out = far - friction;
		const root = w * Math.sqrt(Math.max(1e-6, ratio * ratio - 1));
		const [p, q] = [-ratio * w + root, -ratio * w - root];
		const share = (p * Math.exp(q * time) - q * Math.exp(p * time)) / (p - q);
		return rest + side * (friction + out * share);
	}
	const sigma = ratio * natural;
	const omega = natural * Math.sqrt(1 - ratio * ratio);
	const half = Math.PI / omega;
	const keeps = Math.exp(-sigma * half);
	while (far > friction) {
		const out = far - friction;
		if (time < half) {
			const decay =
				Math.exp(-sigma * time) *
				(Math.cos(omega * time) + (sigma / omega) * Math.sin(omega * time));
			return rest + side * (friction + out * decay);
		}
		time -= half;
		far = out * keeps - friction;
		side = -side;
	}
	return rest + side * far;
}

/** A swing under this share of the push is not counted by eye. Own choice. */
const visible = 0.1;

/** There and back is one: half swings until what is left is too small to be seen, one at least. */
function movementsOf({ ratio, push, friction }: Swing): number {
	if (ratio >= 0.999) return 1;
	const keeps = Math.exp((-Math.PI * ratio) / Math.sqrt(1 - ratio * ratio));
	let far = Math.abs(push);
	let halves = 0;
	while (far > visible * Math.abs(push) && far > friction && halves < 200) {
		far = (far - friction) * keeps - friction;
		halves++;
	}
	return Math.max(1, halves / 2);
}

/** x = c₀ + c₁t + c₂t² − 2ζω₀∫x − ω₀²∬x, a linear fit for any damping. */
function integratedFit(
	t: Float64Array,
	x: Float64Array
): Pick<Swing, 'ratio' | 'natural'> | undefined {
	const n = t.length;
	const rows: number[][] = [];
	let once = 0;
	let twice = 0;
	const zero = x[0]!;
	const span = t[n - 1]!;
	for (let i = 0; i < n; i++) {
		if (i > 0) {
			const dt = t[i]! - t[i - 1]!;
			const before = once;
			once += ((x[i]! + x[i - 1]!) / 2 - zero) * dt;
			twice += ((before + once) / 2) * dt;
		}
		const s = t[i]! / span;
		rows.push([1, s, s * s, once / span, twice / (span * span)]);
	}
	const fit = leastSquares(
		rows,
		Array.from(x, (value) => value - zero)
	);
	if (!fit) return undefined;
	const damping = -fit[3]! / span;
	const stiffness = -fit[4]! / (span * span);
	if (!(stiffness > 0 && damping > 0)) return undefined;
	const natural = Math.sqrt(stiffness);
	return { ratio: Math.min(2.5, damping / (2 * natural)), natural };
}

/**
 * What dry friction shifts at a usual car, mm: 0 to 3 nearly always (seals, ball joints, rubber; 40 N over 20 N/mm
 * is 2). It is told apart from damping by the trace where that can be told at all. Common practice, no source.
 */
const usualFriction = { mm: 1, u: 1 } as const;
/** Standard deviation of when it is let go, s. Own choice. */
const releaseS = 0.03;
/** Where wheel and tyre move along, a body on one spring is not all: of the ratio. Own choice. */
const modelShare = 0.03;

const keys = ['ratio', 'natural', 'rest', 'push', 'delay', 'friction'] as const;
type Values = Record<(typeof keys)[number], number>;

interface Fit {
	swing: Values;
	/** Squares over their variance, with what is usual. */
	cost: number;
	noiseMm: number;
	ratioU: number;
}

/** Friction that is tried, mm: from none to what would hold a car up. */
const frictions = [0, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5] as const;

/**
 * Friction passes for damping, and which of them it was the trace may not say: each friction is fitted, and
 * counts by how well it fits and how usual it is.
 */
function refine(
	t: Float64Array,
	x: Float64Array,
	first: Pick<Swing, 'ratio' | 'natural'>
): { swing: Swing; noiseMm: number; ratioU: number } {
	const rest = median(Array.from(x.slice(Math.floor(0.85 * x.length))));
	const push = x[0]! - rest;
	let from: Values = { ...first, rest, push, friction: 0, delay: 0 };
	const fits: Fit[] = [];
	for (const friction of frictions.filter((mm) => mm < 0.25 * Math.abs(push))) {
		const fit = fitted(t, x, { ...from, friction }, 5);
		from = fit.swing;
		fits.push(fit);
	}
	const closest = () => fits.reduce((a, b) => (b.cost < a.cost ? b : a));
	// All are held against one noise: that of the best.
	const variance = closest().noiseMm ** 2;
	const again = fits.map(({ swing }) => fitted(t, x, swing, 5, variance));
	fits.splice(0, fits.length, ...again);
	fits.push(fitted(t, x, closest().swing, 6, variance));
	const best = closest();
	const weights = fits.map(({ cost }) => Math.exp((best.cost - cost) / 2));
	const whole = weights.reduce((sum, w) => sum + w, 0);
	const mean = (of: (fit: Fit) => number) =>
		fits.reduce((sum, fit, i) => sum + (weights[i]! / whole) * of(fit), 0);
	const ratio = mean(({ swing }) => swing.ratio);
	const spread = mean(({ swing, ratioU }) => (swing.ratio - ratio) ** 2 + ratioU ** 2);
	return {
		swing: { ...best.swing, ratio, friction: mean(({ swing }) => swing.friction) },
		noiseMm: best.noiseMm,
		ratioU: Math.sqrt(spread)
	};
}

/** Levenberg–Marquardt over the first so many of the values. */
function fitted(
	t: Float64Array,
	x: Float64Array,
	start: Values,
	free: number,
	given?: number
): Fit {
	let swing = start;
	const steps: Values = {
		ratio: 1e-4,
		natural: 1e-4 * start.natural,
		rest: 1e-3,
		push: 1e-3,
		friction: 1e-3,
		delay: 1e-4
	};
	const off = (at: Values) => Float64Array.from(t, (s, i) => x[i]! - heightOf(at, s));
	const sumOf = (rest: Float64Array) => rest.reduce((sum, r) => sum + r * r, 0);
	const noise2 = (sum: number) => Math.max(0.02 ** 2, sum / Math.max(1, t.length - keys.length));
	const usual = (at: Values) =>
		((at.friction - usualFriction.mm) / usualFriction.u) ** 2 + (at.delay / releaseS) ** 2;
	let residual = off(swing);
	let sum = sumOf(residual);
	let damping = 1e-3;
	let normal = Matrix.zeros(free, free);
	for (let round = 0; round < 60; round++) {
		const variance = given ?? noise2(sum);
		const columns = keys.slice(0, free).map((key) => {
			const there = off({ ...swing, [key]: swing[key] + steps[key] });
			return there.map((r, i) => (residual[i]! - r) / steps[key]);
		});
		const dot = (a: Float64Array, b: Float64Array) =>
			a.reduce((total, value, i) => total + value * b[i]!, 0) / variance;
		normal = Matrix.zeros(free, free);
		const right = Matrix.columnVector(columns.map((column) => dot(column, residual)));
		for (let a = 0; a < free; a++) {
			for (let b = a; b < free; b++) {
				normal.set(a, b, dot(columns[a]!, columns[b]!));
				normal.set(b, a, normal.get(a, b));
			}
		}
		const reading = (at: number, towards: number, u: number) => {
			if (at >= free) return;
			normal.set(at, at, normal.get(at, at) + 1 / u ** 2);
			right.set(at, 0, right.get(at, 0) + towards / u ** 2);
		};
		reading(4, -swing.delay, releaseS);
		reading(5, usualFriction.mm - swing.friction, usualFriction.u);
		const cost = sum / variance + usual(swing);
		let gained = 0;
		for (let tries = 0; tries < 12; tries++) {
			const damped = normal.clone();
			for (let a = 0; a < free; a++) damped.set(a, a, damped.get(a, a) * (1 + damping));
			const step = solved(damped, right);
			if (!step) break;
			const next = bounded(swing, step);
			const there = off(next);
			const squares = sumOf(there);
			const now = squares / variance + usual(next);
			if (now < cost) {
				gained = cost - now;
				[swing, residual, sum] = [next, there, squares];
				damping = Math.max(1e-9, damping / 5);
				break;
			}
			damping *= 4;
		}
		if (gained < 1e-6) break;
	}
	const variance = given ?? noise2(sum);
	const first = Matrix.zeros(free, 1);
	first.set(0, 0, 1);
	const spread = solved(normal, first);
	return {
		swing,
		cost: sum / variance + usual(swing),
		noiseMm: Math.sqrt(noise2(sum)),
		ratioU: spread ? Math.sqrt(Math.max(0, spread[0]!)) : 1
	};
}

function bounded(from: Values, step: readonly number[]): Values {
	const next = { ...from };
	for (const [i, change] of step.entries()) next[keys[i]!] += change;
	next.ratio = Math.min(3, Math.max(0.005, next.ratio));
	next.natural = Math.min(3 * from.natural, Math.max(from.natural / 3, next.natural));
	next.friction = Math.min(0.6 * Math.abs(from.push), Math.max(0, next.friction));
	next.delay = Math.min(0.3, Math.max(-0.3, next.delay));
	return next;
}

function solved(normal: Matrix, right: Matrix): number[] | undefined {
	try {
		const found = solve(normal, right).to1DArray();
		return found.every(Number.isFinite) ? found : undefined;
	} catch {
		return undefined;
	}
}

/** Normal equations, which these well-scaled few columns allow; undefined when singular. */
function leastSquares(rows: readonly number[][], y: ArrayLike<number>): number[] | undefined {
	const n = rows[0]!.length;
	const normal = Matrix.zeros(n, n);
	const right = Matrix.zeros(n, 1);
	const sums = new Float64Array(n * (n + 1));
	for (let r = 0; r < rows.length; r++) {
		const row = rows[r]!;
		for (let i = 0; i < n; i++) {
			for (let j = i; j < n; j++) sums[i * (n + 1) + j]! += row[i]! * row[j]!;
			sums[i * (n + 1) + n]! += row[i]! * y[r]!;
		}
	}
	for (let i = 0; i < n; i++) {
		for (let j = i; j < n; j++) {
			normal.set(i, j, sums[i * (n + 1) + j]!);
			normal.set(j, i, sums[i * (n + 1) + j]!);
		}
		right.set(i, 0, sums[i * (n + 1) + n]!);
	}
	try {
		const fit = solve(normal, right).to1DArray();
		return fit.every(Number.isFinite) ? fit : undefined;
	} catch {
		return undefined;
	}
}
