/** Fits a swing to what was recorded of it: its height, or its acceleration. */
import { Matrix, solve } from 'ml-matrix';
import { median } from '../statistics/summary.ts';
import {
	sampleSwing,
	swingDerivatives,
	swingKeys,
	type Swing,
	type SwingQuantity
} from './swing.ts';

/** What is recorded of a swing. */
export interface Signal {
	quantity: SwingQuantity;
	/** How far it was pushed, mm, from how far the first point is from the last ones. */
	push(first: number, natural: number): number;
	/** Standard deviation that is always taken to be there. */
	least: number;
}

/** x = c₀ + c₁t + c₂t² − 2ζω₀∫x − ω₀²∬x, a linear fit for any damping. */
export function integratedFit(
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
interface Fit {
	swing: Swing;
	/** Squares over their variance, with what is usual. */
	cost: number;
	noise: number;
	ratioU: number;
}

/** Friction that is tried, mm: from none to what would hold a car up. */
const frictions = [0, 0.5, 1, 1.5, 2, 2.5, 3, 4, 5] as const;

/**
 * Friction passes for damping, and which of them it was the trace may not say: each friction is fitted, and
 * counts by how well it fits and how usual it is.
 */
export function fitSwing(
	t: Float64Array,
	x: Float64Array,
	first: Pick<Swing, 'ratio' | 'natural'>,
	signal: Signal
): { swing: Swing; noise: number; ratioU: number } {
	let from = startOf(x, first, signal, 0);
	const { push } = from;
	const fits: Fit[] = [];
	for (const friction of frictions.filter((mm) => mm < 0.25 * Math.abs(push))) {
		const fit = fitted(t, x, { ...from, friction }, 5, signal);
		from = fit.swing;
		fits.push(fit);
	}
	const closest = () => fits.reduce((a, b) => (b.cost < a.cost ? b : a));
	// All are held against one noise: that of the best.
	const variance = closest().noise ** 2;
	const again = fits.map(({ swing }) => fitted(t, x, swing, 5, signal, variance));
	fits.splice(0, fits.length, ...again);
	fits.push(fitted(t, x, closest().swing, 6, signal, variance));
	const best = closest();
	const weights = fits.map(({ cost }) => Math.exp((best.cost - cost) / 2));
	const whole = weights.reduce((sum, w) => sum + w, 0);
	const mean = (of: (fit: Fit) => number) =>
		fits.reduce((sum, fit, i) => sum + (weights[i]! / whole) * of(fit), 0);
	const ratio = mean(({ swing }) => swing.ratio);
	const spread = mean(({ swing, ratioU }) => (swing.ratio - ratio) ** 2 + ratioU ** 2);
	return {
		swing: { ...best.swing, ratio, friction: mean(({ swing }) => swing.friction) },
		noise: best.noise,
		ratioU: Math.sqrt(spread)
	};
}

/** What a fit with usual friction leaves: enough to choose between starts. */
export function roughNoise(
	t: Float64Array,
	x: Float64Array,
	first: Pick<Swing, 'ratio' | 'natural'>,
	signal: Signal
): number {
	return fitted(t, x, startOf(x, first, signal, usualFriction.mm), 5, signal).noise;
}

function startOf(
	x: Float64Array,
	first: Pick<Swing, 'ratio' | 'natural'>,
	signal: Signal,
	friction: number
): Swing {
	const rest = median(Array.from(x.slice(Math.floor(0.85 * x.length))));
	const push = signal.push(x[0]! - rest, first.natural);
	return { ...first, rest, push, delay: 0, friction };
}

/** Levenberg–Marquardt over the first so many of the values. */
function fitted(
	t: Float64Array,
	x: Float64Array,
	start: Swing,
	free: number,
	signal: Signal,
	given?: number
): Fit {
	const n = t.length;
	/** How far the trace lies from a swing; the sum of its squares. */
	const residualOf = (at: Swing, into: Float64Array): number => {
		sampleSwing(at, signal.quantity, t, into);
		for (let i = 0; i < n; i++) into[i] = x[i]! - into[i]!;
		return dot(into, into);
	};
	const noise2 = (sum: number) =>
		Math.max(signal.least ** 2, sum / Math.max(1, n - swingKeys.length));
	const usual = (at: Swing) =>
		((at.friction - usualFriction.mm) / usualFriction.u) ** 2 + (at.delay / releaseS) ** 2;
	const columns = Array.from({ length: free }, () => new Float64Array(n));
	let swing = start;
	let residual = new Float64Array(n);
	let there = new Float64Array(n);
	let sum = residualOf(swing, residual);
	let damping = 1e-3;
	let normal = Matrix.zeros(free, free);
	for (let round = 0; round < 60; round++) {
		const variance = given ?? noise2(sum);
		swingDerivatives(swing, signal.quantity, t, columns);
		const right = Matrix.columnVector(columns.map((column) => dot(column, residual) / variance));
		normal = Matrix.zeros(free, free);
		for (let a = 0; a < free; a++) {
			for (let b = a; b < free; b++) {
				normal.set(a, b, dot(columns[a]!, columns[b]!) / variance);
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
			// What such a step would gain on a straight slope is too little to go on for.
			if (step.reduce((gain, by, a) => gain + by * right.get(a, 0), 0) < leastGain) break;
			const next = bounded(swing, step);
			const squares = residualOf(next, there);
			const now = squares / variance + usual(next);
			if (now < cost) {
				gained = cost - now;
				[residual, there] = [there, residual];
				[swing, sum] = [next, squares];
				damping = Math.max(1e-9, damping / 5);
				break;
			}
			damping *= 4;
		}
		if (gained < leastGain) break;
	}
	const variance = given ?? noise2(sum);
	const first = Matrix.zeros(free, 1);
	first.set(0, 0, 1);
	const spread = solved(normal, first);
	return {
		swing,
		cost: sum / variance + usual(swing),
		noise: Math.sqrt(noise2(sum)),
		ratioU: spread ? Math.sqrt(Math.max(0, spread[0]!)) : 1
	};
}

/** Of the cost: a fit that gains less than this is there. */
const leastGain = 1e-6;

function dot(a: Float64Array, b: Float64Array): number {
	let sum = 0;
	for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
	return sum;
}

function bounded(from: Swing, step: readonly number[]): Swing {
	const next = { ...from };
	for (const [i, change] of step.entries()) next[swingKeys[i]!] += change;
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
