import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mirrored, type CornerGeometry, type Point } from './geometry';
import { cornerPoints } from './points';
import { sampleCorners } from './samples';
import { cornerSweep, travelLimits, type SweepRow } from './sweep';

const {
	'double-wishbone': wishbone,
	macpherson: strut,
	'multi-link': links,
	'trailing-arm': arm
} = sampleCorners;

function rowsOf(corner: CornerGeometry, bumpMm: number[]): SweepRow[] {
	const result = cornerSweep(corner, bumpMm);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value.rows;
}

/** Each coordinate moved by up to 20 mm. */
const shaken = (corner: CornerGeometry) =>
	fc
		.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 90, maxLength: 90 })
		.map((noise): CornerGeometry => {
			let i = 0;
			const move = (p: Point): Point => [
				p[0] + noise[i++]!,
				p[1] + noise[i++]!,
				p[2] + noise[i++]!
			];
			return {
				...corner,
				points: Object.fromEntries(
					Object.entries(corner.points).map(([name, p]) => [name, move(p)])
				),
				links: corner.links?.map((link) => ({ inner: move(link.inner), outer: move(link.outer) })),
				wheelCentre: move(corner.wheelCentre)
			};
		});

describe.each(Object.entries(sampleCorners))('%s corner', (_, corner) => {
	it('stands as measured at its reference', () => {
		const row = rowsOf(corner, [0])[0]!;
		expect(row.camberDeg).toBeCloseTo(corner.staticCamberDeg, 9);
		expect(row.toeDeg).toBeCloseTo(corner.staticToeDeg, 9);
		expect(row.trackChangeMm).toBeCloseTo(0, 9);
		for (const twist of Object.values(row.twistDeg)) expect(twist).toBeCloseTo(0, 9);
	});

	it('any hardpoints: the analytic motion ratio is the slope of the length', () => {
		fc.assert(
			fc.property(shaken(corner), fc.double({ min: -50, max: 50, noNaN: true }), (near, bump) => {
				const h = 0.01;
				const result = cornerSweep(near, [bump - h, bump, bump + h]);
				if (!result.ok) return;
				const [low, at, high] = result.value.rows as [SweepRow, SweepRow, SweepRow];
				for (const part of ['spring', 'damper'] as const) {
					if (at[`${part}MotionRatio`] === undefined) continue;
					const slope = (low[`${part}LengthMm`]! - high[`${part}LengthMm`]!) / (2 * h);
					expect(at[`${part}MotionRatio`]!).toBeCloseTo(slope, 6);
				}
			}),
			{ numRuns: 40, seed: 1 }
		);
	});

	it('any hardpoints: the other side of the car does the same', () => {
		fc.assert(
			fc.property(shaken(corner), (near) => {
				const left = cornerSweep(near, [-40, 25]);
				const right = cornerSweep(mirrored(near), [-40, 25]);
				expect(right).toEqual(left);
			}),
			{ numRuns: 20, seed: 2 }
		);
	});

	it('every rod keeps its length', () => {
		const result = cornerPoints(corner, [-45, 0, 50]);
		if (!result.ok) throw new Error('unreachable');
		const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
		const rods = [
			['lowerFrontPivot', 'lowerBallJoint'],
			['lowerRearPivot', 'lowerBallJoint'],
			['upperFrontPivot', 'upperBallJoint'],
			['tieRodInner', 'tieRodOuter'],
			['lateralRodBody', 'lateralRodAxle']
		] as const;
		for (const { points, links: moved, wheelCentre, bumpMm } of result.value.postures) {
			expect(wheelCentre[2]).toBeCloseTo(corner.wheelCentre[2] + bumpMm, 9);
			for (const [a, b] of rods) {
				if (!points[a]) continue;
				expect(apart(points[a]!, points[b]!)).toBeCloseTo(
					apart(corner.points[a]!, corner.points[b]!),
					7
				);
			}
			for (const [i, link] of (moved ?? []).entries()) {
				const built = corner.links![i]!;
				expect(apart(link.inner, link.outer)).toBeCloseTo(apart(built.inner, built.outer), 7);
			}
		}
	});

	it('order and step of the bumps asked for do not matter', () => {
		const one = rowsOf(corner, [40])[0]!;
		const many = rowsOf(corner, [40, -30, 0, 20, 39.5, 40]);
		expect(many[5]!.camberDeg).toBeCloseTo(one.camberDeg, 9);
		expect(many[0]!.trackChangeMm).toBeCloseTo(one.trackChangeMm, 8);
	});

	it('bump twists every arm one way, droop the other', () => {
		const [droop, bump] = rowsOf(corner, [-30, 30]) as [SweepRow, SweepRow];
		for (const key of ['lower', 'upper', 'arm'] as const) {
			if (bump.twistDeg[key] === undefined) continue;
			expect(bump.twistDeg[key]).toBeGreaterThan(0);
			expect(droop.twistDeg[key]).toBeLessThan(0);
		}
		for (const link of bump.links ?? []) expect(link.twistDeg).toBeGreaterThan(0);
	});
});

describe('reach', () => {
	it('says how far the wheel goes and what stops it', () => {
		const result = cornerSweep(wishbone, [0, 30, -400]);
		expect(!result.ok && result.faults).toHaveLength(1);
		const fault = !result.ok ? result.faults[0]! : undefined;
		expect(fault).toMatchObject({ field: 'bumpMm.2', value: -400 });
		expect(fault!.message).toMatch(/the wheel goes to \d+\.\d mm of droop, then .* blocks it/);
	});

	it('the limit can be reached and a little more cannot', () => {
		const limits = travelLimits(wishbone, -400, 400);
		if (!limits.ok) throw new Error('no limits');
		for (const { atMm, blocker } of [limits.value.droop, limits.value.bump]) {
			expect(blocker).toMatch(/arm|rod/);
			expect(cornerSweep(wishbone, [atMm * 0.999]).ok).toBe(true);
			expect(cornerSweep(wishbone, [atMm * 1.01]).ok).toBe(false);
		}
	});

	it('reports the travel itself where nothing blocks it', () => {
		const limits = travelLimits(strut, -60, 60);
		expect(limits).toEqual({ ok: true, value: { droop: { atMm: -60 }, bump: { atMm: 60 } } });
	});
});

describe('a geometry that is no mechanism', () => {
	const faultsOf = (corner: CornerGeometry) => {
		const result = cornerSweep(corner, [10]);
		return result.ok ? [] : result.faults.map(({ field, message }) => `${field} ${message}`);
	};
	const without = (name: string) => {
		const { [name]: _, ...points } = strut.points;
		return { ...strut, points };
	};

	it('a missing point is named', () => {
		expect(faultsOf(without('strutTop'))[0]).toMatch(/^points\.strutTop is needed/);
	});
	it('a point of another layout is named with those that are known', () => {
		const points = { ...strut.points, upperBallJoint: [0, 0, 0] as Point };
		expect(faultsOf({ ...strut, points })[0]).toMatch(/^points\.upperBallJoint .*known are/);
	});
	it('two points in one place are named', () => {
		const points = { ...strut.points, tieRodOuter: strut.points.tieRodInner! };
		expect(faultsOf({ ...strut, points })[0]).toMatch(/tieRodOuter must be at least/);
	});
	it('links that all lie in one plane with the wheel’s way up leave it loose', () => {
		const flat = links.links!.map(({ inner, outer }) => ({
			inner: [inner[0], inner[1], 250] as Point,
			outer: [outer[0], outer[1], 250] as Point
		}));
		expect(faultsOf({ ...links, points: {}, springOn: undefined, links: flat })[0]).toMatch(
			/loose, or locked/
		);
	});
	it('four links are not five', () => {
		expect(faultsOf({ ...links, links: links.links!.slice(1) })[0]).toMatch(/^links .*five/);
	});
	it('a pivot axis that points upright leaves the wheel no way up', () => {
		const points = { pivotInner: [0, 500, 100] as Point, pivotOuter: [0, 500, 400] as Point };
		expect(faultsOf({ ...arm, points })[0]).toMatch(/no way up/);
	});
	it('a spring cannot stand on a part that is not there', () => {
		expect(faultsOf({ ...strut, springOn: 'upper' })[0]).toMatch(/^springOn must be one of/);
	});
});

/** Virtual work: the force in the spring times its motion ratio is the slope of the stored energy. */
it('energy in the spring changes by the wheel force over the travel', () => {
	const bumps = Array.from({ length: 401 }, (_, i) => -40 + i * 0.2);
	const rows = rowsOf(wishbone, bumps);
	const k = 30;
	const free = 520;
	const force = (row: SweepRow) => k * (free - row.springLengthMm!) * row.springMotionRatio!;
	const energy = (row: SweepRow) => 0.5 * k * (free - row.springLengthMm!) ** 2;
	let work = 0;
	for (let i = 1; i < rows.length; i++) work += ((force(rows[i]!) + force(rows[i - 1]!)) / 2) * 0.2;
	expect(work / (energy(rows[400]!) - energy(rows[0]!))).toBeCloseTo(1, 6);
});
