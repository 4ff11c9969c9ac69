import { describe, expect, it } from 'vitest';
import { corners } from '../height/corners';
import { fullCar, fullCarModes, type FullCar, type Road } from './full-car';
import { sampleFullCar } from './sample';

const car: FullCar = {
	...sampleFullCar,
	damperNsPerMm: { front: { bump: 1.6, rebound: 1.6 }, rear: { bump: 1.5, rebound: 1.5 } }
};
const hump: Road = { shape: 'hump', heightMm: 40, lengthMm: 800, side: 'both', speedKmh: 30 };
const drive = (road: Partial<Road> = {}, change: Partial<FullCar> = {}, seconds = 2) => {
	const result = fullCar({ ...car, ...change }, { ...hump, ...road }, seconds);
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};

describe('over an obstacle', () => {
	it('nothing moves before the front wheels meet it, and the rear follows by the wheelbase', () => {
		const { rows } = drive({ speedKmh: 36 });
		expect(rows[0]!.bodyMm).toBe(0);
		// 2600 mm at 10 m/s: until 0.26 s the rear tyre stands on level ground and only answers the body.
		const early = rows.filter(({ timeS }) => timeS < 0.05);
		for (const row of early) {
			expect(Math.abs(row.tyreLoadN.RL)).toBeLessThan(0.02 * Math.abs(row.tyreLoadN.FL) + 1);
		}
		const peak = (corner: 'FL' | 'RL') =>
			rows.reduce((best, row) => (row.tyreLoadN[corner] > best.tyreLoadN[corner] ? row : best))
				.timeS;
		expect(peak('RL') - peak('FL')).toBeCloseTo(0.26, 1);
	});

	it('on both sides the car does not roll, and both sides do the same', () => {
		for (const row of drive().rows) {
			expect(row.rollDeg).toBeCloseTo(0, 9);
			expect(row.heightMm.FL).toBeCloseTo(row.heightMm.FR, 9);
			expect(row.tyreLoadN.RL).toBeCloseTo(row.tyreLoadN.RR, 6);
		}
	});

	it('under the left wheels the left side goes up first', () => {
		const { rows } = drive({ side: 'left' });
		const moved = rows.find(({ rollDeg }) => Math.abs(rollDeg) > 0.05)!;
		expect(moved.rollDeg).toBeGreaterThan(0);
	});

	it('with like dampers both ways, twice the hump is twice the movement', () => {
		// Low enough for no wheel to leave the ground.
		const [one, two] = [drive({ heightMm: 5 }), drive({ heightMm: 10 })];
		for (const [i, row] of one.rows.entries()) {
			expect(two.rows[i]!.bodyMm).toBeCloseTo(2 * row.bodyMm, 2);
		}
		expect(two.peak.accelerationG).toBeCloseTo(2 * one.peak.accelerationG, 2);
	});

	it('both sides are the left and the right added up', () => {
		const [both, left] = [drive({ heightMm: 8 }), drive({ heightMm: 8, side: 'left' })];
		// The right side alone is the left one mirrored: heave the same, roll the other way.
		for (const [i, row] of left.rows.entries()) {
			expect(both.rows[i]!.bodyMm).toBeCloseTo(2 * row.bodyMm, 2);
		}
	});

	it('a tyre pushes and never pulls: a wheel in the air has lost its load, and no more', () => {
		const { rows } = drive({ heightMm: 120, lengthMm: 500, speedKmh: 60 });
		const least = Math.min(...rows.map(({ tyreLoadN }) => tyreLoadN.FL));
		const stands =
			9.80665 *
			(car.unsprungMassKg.front +
				(car.bodyMassKg / 2) * (1 - car.massBehindFrontMm / car.wheelbaseMm));
		expect(least).toBeCloseTo(-stands, 6);
	});

	it('comes to rest where it was after a hump; stronger dampers sooner than weak ones', () => {
		const weak = { front: { bump: 0.5, rebound: 0.5 }, rear: { bump: 0.5, rebound: 0.5 } };
		const [good, bad] = [drive({}, {}, 10), drive({}, { damperNsPerMm: weak }, 10)];
		expect(Math.abs(good.rows[good.rows.length - 1]!.bodyMm)).toBeLessThan(0.05);
		expect(bad.settledAfterS).toBeGreaterThan(good.settledAfterS);
	});

	it('a damper that is stiffer in rebound holds the body down over humps', () => {
		const jacked = { front: { bump: 0.6, rebound: 2.6 }, rear: { bump: 0.6, rebound: 2.4 } };
		const mean = (rows: { bodyMm: number }[]) =>
			rows.reduce((sum, { bodyMm }) => sum + bodyMm, 0) / rows.length;
		expect(mean(drive({}, { damperNsPerMm: jacked }).rows)).toBeLessThan(mean(drive().rows));
	});

	it('a car whose mass lies behind its rear axle is refused', () => {
		const result = fullCar({ ...car, massBehindFrontMm: 2700 }, hump, 1);
		expect(!result.ok && result.faults[0]!.field).toBe('car.massBehindFrontMm');
	});

	it('numbers that are too far apart are told, not computed for ever', () => {
		const result = fullCar({ ...car, tyreRateNPerMm: 1e9 }, { ...hump, lengthMm: 1 }, 20);
		if (!result.ok) expect(result.faults[0]!.field).toBe('car');
		else for (const corner of corners) expect(result.value.peak.travelMm[corner]).toBeLessThan(1e4);
	});
});

describe('modes of the full car', () => {
	it('a bar stiffens roll and leaves heave and pitch alone', () => {
		const without = fullCarModes({ ...car, antiRollNPerMm: { front: 0, rear: 0 } });
		const withBars = fullCarModes(car);
		const rounded = (modes: { freqHz: number }[]) => modes.map(({ freqHz }) => freqHz.toFixed(4));
		const kept = rounded(withBars).filter((freq) => rounded(without).includes(freq));
		// Heave, pitch and the two hops that do not roll.
		expect(kept).toHaveLength(4);
		const sum = (modes: { freqHz: number }[]) => modes.reduce((all, { freqHz }) => all + freqHz, 0);
		expect(sum(withBars)).toBeGreaterThan(sum(without));
	});

	it('harder springs swing faster, more body slower', () => {
		const first = (change: Partial<FullCar>) => fullCarModes({ ...car, ...change })[0]!.freqHz;
		expect(first({ wheelRateNPerMm: { front: 50, rear: 48 } })).toBeGreaterThan(first({}));
		expect(first({ bodyMassKg: 1700 })).toBeLessThan(first({}));
	});
});
