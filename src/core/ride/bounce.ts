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
	/** Half-width of the 95 % band of the ratio, from the scatter about the fitted swing. */
	dampingRatioExpanded: number;
	/** Of the swing as seen; 0 without overshoot. */
	dampedFreqHz: number;
	/** Undamped. */
	naturalFreqHz: number;
	/** Swings past or back to rest that can be seen: the count made by eye in a bounce test. */
	movements: number;
	/** Height at which it comes to rest. */
	restMm: number;
	/** Standard deviation of the trace about the fit. */
	noiseMm: number;
	/** From where on the trace was taken as free swing. */
	releasedAtS: number;
}

const leastPoints = 12;
/** The fit needs no more than this; longer traces are averaged in groups. */
const fitPoints = 4000;
/** A swing smaller than this share of the first is not counted by eye: own choice. */
const visible = 0.05;

/**
 * Damping from a bounce trace: free decay of one mass, x = x₀ + e^(−σt)(A·cos ω t + B·sin ω t), fitted
 * by Gauss–Newton over σ and ω with the rest linear. The start comes from the differential equation
 * integrated twice, which is a linear fit and holds without overshoot too.
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
	const { sigma, omega, restMm, noiseMm, sigmaU, omegaU } = fitted;
	const natural = Math.hypot(sigma, omega);
	// ∂ζ/∂σ = ω²/|λ|³, ∂ζ/∂ω = −σω/|λ|³.
	const ratioU = Math.hypot(omega * omega * sigmaU, sigma * omega * omegaU) / natural ** 3;
	const dampingRatio = fitted.overdamped ?? sigma / natural;
	return ok({
		dampingRatio,
		dampingRatioExpanded: fitted.overdamped === undefined ? 2 * ratioU : 0.2 * dampingRatio,
		dampedFreqHz: fitted.overdamped === undefined ? omega / (2 * Math.PI) : 0,
		naturalFreqHz: natural / (2 * Math.PI),
		movements: countMovements(x, restMm, noiseMm),
		restMm,
		noiseMm,
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

interface Swing {
	sigma: number;
	omega: number;
	overdamped?: number;
}

/** x = c₀ + c₁t + c₂t² − 2ζω₀∫x − ω₀²∬x, a linear fit for any damping. */
function integratedFit(t: Float64Array, x: Float64Array): Swing | undefined {
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
	const ratio = damping / (2 * natural);
	const sigma = ratio * natural;
	if (ratio >= 0.98) return { sigma: natural, omega: 0, overdamped: ratio };
	return { sigma, omega: natural * Math.sqrt(1 - ratio * ratio) };
}

/** Gauss–Newton over σ and ω; offset, cosine and sine follow linearly at each step. */
function refine(t: Float64Array, x: Float64Array, first: Swing) {
	if (first.overdamped !== undefined) {
		const restMm = median(Array.from(x.slice(Math.floor(0.9 * x.length))));
		return { ...first, restMm, noiseMm: 0, sigmaU: 0, omegaU: 0 };
	}
	let { sigma, omega } = first;
	let last = Infinity;
	let state = linearPart(t, x, sigma, omega)!;
	for (let i = 0; i < 40; i++) {
		const { a, b, residual } = state;
		const rows = Array.from(t, (s) => {
			const decay = Math.exp(-sigma * s);
			const [cos, sin] = [Math.cos(omega * s), Math.sin(omega * s)];
			const swing = decay * (a * cos + b * sin);
			return [1, decay * cos, decay * sin, -s * swing, s * decay * (b * cos - a * sin)];
		});
		const step = leastSquares(rows, Array.from(residual));
		if (!step) break;
		let scale = 1;
		let next = linearPart(t, x, sigma + step[3]!, omega + step[4]!);
		while (scale > 1e-4 && !(next && next.sum < state.sum && sigma + scale * step[3]! > 0)) {
			scale /= 2;
			next = linearPart(t, x, sigma + scale * step[3]!, omega + scale * step[4]!);
		}
		if (!next || next.sum >= state.sum) break;
		sigma += scale * step[3]!;
		omega += scale * step[4]!;
		state = next;
		if (last - state.sum < 1e-12 * state.sum) break;
		last = state.sum;
	}
	omega = Math.abs(omega);
	const { c: restMm, a, b, sum } = state;
	const variance = sum / Math.max(1, t.length - 5);
	const spread = covariance(t, sigma, omega, a, b, variance);
	return { sigma, omega, restMm, noiseMm: Math.sqrt(variance), ...spread, overdamped: undefined };
}

function linearPart(t: Float64Array, x: Float64Array, sigma: number, omega: number) {
	const rows = Array.from(t, (s) => {
		const decay = Math.exp(-sigma * s);
		return [1, decay * Math.cos(omega * s), decay * Math.sin(omega * s)];
	});
	const fit = leastSquares(rows, x);
	if (!fit) return undefined;
	const [c, a, b] = fit as [number, number, number];
	const residual = Float64Array.from(
		x,
		(value, i) => value - c - a * rows[i]![1]! - b * rows[i]![2]!
	);
	let sum = 0;
	for (const r of residual) sum += r * r;
	return { c, a, b, residual, sum };
}

function covariance(
	t: Float64Array,
	sigma: number,
	omega: number,
	a: number,
	b: number,
	variance: number
) {
	const normal = Matrix.zeros(5, 5);
	for (const s of t) {
		const decay = Math.exp(-sigma * s);
		const [cos, sin] = [Math.cos(omega * s), Math.sin(omega * s)];
		const row = [
			1,
			decay * cos,
			decay * sin,
			-s * decay * (a * cos + b * sin),
			s * decay * (b * cos - a * sin)
		];
		for (let i = 0; i < 5; i++) {
			for (let j = 0; j < 5; j++) normal.set(i, j, normal.get(i, j) + row[i]! * row[j]!);
		}
	}
	try {
		const inverse = solve(normal, Matrix.eye(5));
		return {
			sigmaU: Math.sqrt(Math.max(0, inverse.get(3, 3) * variance)),
			omegaU: Math.sqrt(Math.max(0, inverse.get(4, 4) * variance))
		};
	} catch {
		return { sigmaU: 0, omegaU: 0 };
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

/** Turning points that stand out of the noise and of the first swing's visible share. */
function countMovements(x: Float64Array, rest: number, noise: number): number {
	const least = Math.max(visible * Math.abs(x[0]! - rest), 3 * noise);
	let turning = x[0]!;
	let way = -Math.sign(x[0]! - rest);
	let movements = 0;
	for (const value of x) {
		if (way * (value - turning) >= 0) turning = value;
		else if (Math.abs(value - turning) > least) {
			movements++;
			way = -way;
			turning = value;
		}
	}
	const unfinished = way * (turning - rest) > -least && movements === 0;
	return unfinished ? 1 : movements + (Math.abs(turning - rest) > least ? 1 : 0);
}
