import { describe, expect, it } from 'vitest';
import type { CornerGeometry, Point } from '../../src/core/mechanism/geometry';
import { cornerSweep, type SweepRow } from '../../src/core/mechanism/sweep';
import reference from './reference/reference.json';

const degrees = 180 / Math.PI;

function rowsOf(corner: CornerGeometry, bumpMm: number[]): SweepRow[] {
	const result = cornerSweep(corner, bumpMm);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value.rows;
}

/** Random hardpoints, solved by scipy.optimize.least_squares from rod lengths (reference/make.py). */
describe('against a general least-squares solver', () => {
	it.each(reference.corners.map((c, i) => [`${c.corner.layout} ${i}`, c] as const))(
		'%s',
		(_, { corner, rows }) => {
			const got = rowsOf(
				corner as unknown as CornerGeometry,
				rows.map((row) => row.bumpMm)
			);
			for (const [i, row] of rows.entries()) {
				const mine = got[i]!;
				for (const key of ['camberDeg', 'toeDeg'] as const) {
					expect(mine[key]).toBeCloseTo(row[key], 5);
				}
				expect(mine.trackChangeMm).toBeCloseTo(row.trackChangeMm, 4);
				expect(mine.wheelbaseChangeMm).toBeCloseTo(row.wheelbaseChangeMm, 4);
				if ('lowerTwistDeg' in row) {
					expect(mine.twistDeg.lower).toBeCloseTo(row.lowerTwistDeg as number, 5);
				}
				if ('damperLengthMm' in row) {
					expect(mine.damperLengthMm).toBeCloseTo(row.damperLengthMm as number, 5);
				}
			}
		}
	);
});

/**
 * Wishbones with parallel axes are a planar four-bar. Freudenstein (Trans. ASME 77, 1955):
 * K₁cos ψ − K₂cos φ + K₃ = cos(φ − ψ), with K₁ = d/a, K₂ = d/c, K₃ = (a² − b² + c² + d²)/(2ac);
 * a, c the arms, b the knuckle, d the distance of the pivots, angles from the line of the pivots.
 */
describe('parallel-axis wishbones against Freudenstein’s equation', () => {
	const lower: [number, number] = [330, 200];
	const upper: [number, number] = [420, 470];
	const lowerJoint: [number, number] = [720, 185];
	const upperJoint: [number, number] = [690, 492];
	const at = ([y, z]: [number, number], x: number): Point => [x, y, z];
	const corner: CornerGeometry = {
		layout: 'double-wishbone',
		side: 'left',
		points: {
			lowerFrontPivot: at(lower, 150),
			lowerRearPivot: at(lower, -140),
			lowerBallJoint: at(lowerJoint, 0),
			upperFrontPivot: at(upper, 100),
			upperRearPivot: at(upper, -120),
			upperBallJoint: at(upperJoint, -10),
			// In line with the lower arm's axis and joint: no steer.
			tieRodInner: at(lower, -140),
			tieRodOuter: at(lowerJoint, -140)
		},
		wheelCentre: [0, 770, 310],
		staticCamberDeg: 0,
		staticToeDeg: 0
	};
	const distance = (p: [number, number], q: [number, number]) =>
		Math.hypot(p[0] - q[0], p[1] - q[1]);
	const a = distance(lower, lowerJoint);
	const b = distance(lowerJoint, upperJoint);
	const c = distance(upper, upperJoint);
	const d = distance(lower, upper);
	const base = Math.atan2(upper[1] - lower[1], upper[0] - lower[0]);
	const angle = (from: [number, number], to: [number, number]) =>
		Math.atan2(to[1] - from[1], to[0] - from[0]) - base;

	/** Output angle ψ from input φ, closed form of the half-angle tangent. */
	function output(phi: number): number {
		const k1 = d / a;
		const k2 = d / c;
		const k3 = (a * a - b * b + c * c + d * d) / (2 * a * c);
		const A = Math.cos(phi) - k1 - k2 * Math.cos(phi) + k3;
		const B = -2 * Math.sin(phi);
		const C = k1 - (k2 + 1) * Math.cos(phi) + k3;
		const root = Math.sqrt(B * B - 4 * A * C);
		const near = (psi: number) => Math.abs(Math.sin((psi - angle(upper, upperJoint)) / 2));
		return [-1, 1]
			.map((sign) => 2 * Math.atan2(-B + sign * root, 2 * A))
			.sort((p, q) => near(p) - near(q))[0]!;
	}

	it.each([-70, -30, 15, 45, 75])('at %i mm of bump', (bump) => {
		const row = rowsOf(corner, [bump])[0]!;
		const start = angle(lower, lowerJoint);
		const phi = start + row.twistDeg.lower! / degrees;
		const psi = output(phi);
		expect(row.twistDeg.upper).toBeCloseTo((psi - angle(upper, upperJoint)) * degrees, 8);
		// The knuckle's lean follows from both joints; leaning inboard is negative camber.
		const joint = [lower[0] + a * Math.cos(phi + base), lower[1] + a * Math.sin(phi + base)];
		const top = [upper[0] + c * Math.cos(psi + base), upper[1] + c * Math.sin(psi + base)];
		const lean = Math.atan2(joint[0]! - top[0]!, top[1]! - joint[1]!);
		const before = Math.atan2(lowerJoint[0] - upperJoint[0], upperJoint[1] - lowerJoint[1]);
		expect(row.camberDeg).toBeCloseTo(-(lean - before) * degrees, 8);
		expect(row.toeDeg).toBeCloseTo(0, 8);
		expect(row.kpiDeg).toBeCloseTo(lean * degrees, 8);
	});
});

/** A point on an arm of radius r about a level axis: z = r·sin α, closed form. */
describe('trailing arm against its closed form', () => {
	const corner: CornerGeometry = {
		layout: 'trailing-arm',
		side: 'left',
		points: {
			pivotInner: [0, 450, 300],
			pivotOuter: [0, 650, 300],
			springTop: [-260, 560, 560],
			springBottom: [-260, 560, 262]
		},
		wheelCentre: [-400, 740, 280],
		staticCamberDeg: -1.2,
		staticToeDeg: 0.15
	};
	const radius = Math.hypot(400, 20);

	it.each([-90, -25, 40, 80])('at %i mm of bump', (bump) => {
		const row = rowsOf(corner, [bump])[0]!;
		const turn = Math.asin((-20 + bump) / radius) - Math.asin(-20 / radius);
		expect(row.twistDeg.arm).toBeCloseTo(turn * degrees, 9);
		expect(row.wheelbaseChangeMm).toBeCloseTo(
			400 - radius * Math.cos(Math.asin((-20 + bump) / radius)),
			9
		);
		expect(row.trackChangeMm).toBeCloseTo(0, 9);
		// Spring foot: turned about the pivot by the same angle.
		const foot = [-260, -38];
		const x = foot[0]! * Math.cos(turn) + foot[1]! * Math.sin(turn);
		const z = foot[1]! * Math.cos(turn) - foot[0]! * Math.sin(turn);
		expect(row.springLengthMm).toBeCloseTo(Math.hypot(x + 260, z - 260), 9);
	});

	it('a wheel cannot be lifted further than the arm is long', () => {
		const result = cornerSweep(corner, [500]);
		expect(!result.ok && result.faults[0]).toMatchObject({ field: 'bumpMm.0', value: 500 });
	});
});

/**
 * Semi-trailing arm: rotation about a skew axis by Rodrigues' formula, the turn found by bisection of
 * the wheel centre's height.
 */
describe('semi-trailing arm against a rotation about its axis', () => {
	const inner: Point = [60, 380, 310];
	const outer: Point = [-40, 660, 300];
	const centre: Point = [-380, 740, 290];
	const corner: CornerGeometry = {
		layout: 'trailing-arm',
		side: 'left',
		points: { pivotInner: inner, pivotOuter: outer },
		wheelCentre: centre,
		staticCamberDeg: -1,
		staticToeDeg: 0.2
	};
	const length = Math.hypot(100, 280, 10);
	const k = [100 / length, -280 / length, 10 / length] as const;
	const rotate = (v: readonly number[], t: number) => {
		const [x, y, z] = v as [number, number, number];
		const dot = k[0] * x + k[1] * y + k[2] * z;
		const cross = [k[1] * z - k[2] * y, k[2] * x - k[0] * z, k[0] * y - k[1] * x];
		return v.map(
			(value, i) => value * Math.cos(t) + cross[i]! * Math.sin(t) + k[i]! * dot * (1 - Math.cos(t))
		);
	};

	it.each([-60, 55])('at %i mm of bump', (bump) => {
		const arm = centre.map((value, i) => value - inner[i]!);
		const height = (t: number) => rotate(arm, t)[2]! - arm[2]!;
		let [low, high] = [-0.6, 0.6];
		if (height(low) > height(high)) [low, high] = [high, low];
		for (let i = 0; i < 80; i++) {
			const middle = (low + high) / 2;
			if (height(middle) < bump) low = middle;
			else high = middle;
		}
		const turned = rotate(arm, low);
		const [g, d] = [-1 / degrees, 0.2 / degrees];
		const spin = rotate([Math.sin(d) * Math.cos(g), Math.cos(d) * Math.cos(g), -Math.sin(g)], low);
		const row = rowsOf(corner, [bump])[0]!;
		expect(row.trackChangeMm).toBeCloseTo(turned[1]! - arm[1]!, 7);
		expect(row.wheelbaseChangeMm).toBeCloseTo(turned[0]! - arm[0]!, 7);
		expect(row.camberDeg).toBeCloseTo(Math.asin(-spin[2]!) * degrees, 7);
		expect(row.toeDeg).toBeCloseTo(Math.atan2(spin[0]!, spin[1]!) * degrees, 7);
		expect(Math.abs(row.twistDeg.arm!)).toBeCloseTo(Math.abs(low) * degrees, 7);
		expect(Math.sign(row.twistDeg.arm!)).toBe(Math.sign(bump));
	});
});

/**
 * A planar strut is a slider-crank upside down: the joint turns on the arm, the strut's line goes
 * through its top at a fixed offset e: sin of the angle between line and joint-to-top is e over their
 * distance.
 */
describe('planar MacPherson strut against its closed form', () => {
	const pivot = [330, 210];
	const joint = [700, 190];
	const top = [570, 800];
	const bottom = [640, 380];
	const at = ([y, z]: number[], x = 0): Point => [x, y!, z!];
	const corner: CornerGeometry = {
		layout: 'macpherson',
		side: 'left',
		points: {
			lowerFrontPivot: at(pivot, 160),
			lowerRearPivot: at(pivot, -150),
			lowerBallJoint: at(joint),
			tieRodInner: at(pivot, 160),
			tieRodOuter: at(joint, 160),
			strutTop: at(top),
			strutBottom: at(bottom)
		},
		wheelCentre: [0, 760, 300],
		staticCamberDeg: 0,
		staticToeDeg: 0
	};
	const armLength = Math.hypot(joint[0]! - pivot[0]!, joint[1]! - pivot[1]!);

	it.each([-65, -20, 35, 70])('at %i mm of bump', (bump) => {
		const row = rowsOf(corner, [bump])[0]!;
		const start = Math.atan2(joint[1]! - pivot[1]!, joint[0]! - pivot[0]!);
		const arm = start + row.twistDeg.lower! / degrees;
		const now = [pivot[0]! + armLength * Math.cos(arm), pivot[1]! + armLength * Math.sin(arm)];
		// Direction of the strut's line, and its distance from the joint.
		const line = Math.atan2(top[1]! - bottom[1]!, top[0]! - bottom[0]!);
		const reach = (j: number[]) => Math.hypot(top[0]! - j[0]!, top[1]! - j[1]!);
		const bearing = (j: number[]) => Math.atan2(top[1]! - j[1]!, top[0]! - j[0]!);
		const e = reach(joint) * Math.sin(bearing(joint) - line);
		const lineNow = bearing(now) - Math.asin(e / reach(now));
		// The line turning clockwise seen from behind is a wheel leaning outward: positive camber.
		expect(row.camberDeg).toBeCloseTo(-(lineNow - line) * degrees, 7);
		expect(row.twistDeg.lower! * bump).toBeGreaterThan(0);
		const along = (j: number[], l: number) => reach(j) * Math.cos(bearing(j) - l);
		const fixed = along(joint, line) - Math.hypot(top[0]! - bottom[0]!, top[1]! - bottom[1]!);
		expect(row.damperLengthMm).toBeCloseTo(along(now, lineNow) - fixed, 7);
	});
});
