import { randomLcg, randomNormal, randomUniform } from 'd3-random';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laidAngle, turnBetween, type InclinometerReading } from './inclinometer';
import { edgeAngle, upwardAcceleration, type MotionSample } from './phone';

const angleOf = (readings: readonly InclinometerReading[], resolutionDeg = 0.1) => {
	const angle = laidAngle(readings, resolutionDeg);
	if (!angle.ok) throw new Error(JSON.stringify(angle.faults));
	return angle.value;
};

describe('an angle read as with a level', () => {
	it('turned round, the zero of the instrument falls out', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -30, max: 30, noNaN: true }),
				fc.double({ min: -3, max: 3, noNaN: true }),
				(deg, zero) => {
					const angle = angleOf([
						{ deg: deg + zero, turned: false },
						{ deg: -deg + zero, turned: true }
					]);
					expect(angle.deg).toBeCloseTo(deg, 9);
					expect(angle.zeroDeg).toBeCloseTo(zero, 9);
				}
			)
		);
	});

	it('never turned, its zero is in the band; read more often, the band is narrower', () => {
		const once = angleOf([{ deg: 5, turned: false }]);
		const turned = angleOf([
			{ deg: 5, turned: false },
			{ deg: -5, turned: true }
		]);
		const often = angleOf(
			[5, 5.1, 4.9, 5].flatMap((deg) => [
				{ deg, turned: false },
				{ deg: -deg, turned: true }
			])
		);
		expect(once.zeroDeg).toBeUndefined();
		expect(once.expandedDeg).toBeGreaterThan(2 * turned.expandedDeg);
		expect(often.expandedDeg).toBeLessThan(turned.expandedDeg);
		// A coarse instrument says less.
		expect(angleOf([{ deg: 5, turned: false }], 1).expandedDeg).toBeGreaterThan(once.expandedDeg);
	});

	it('holds the true angle in 95 of 100', () => {
		const lcg = randomLcg(0.7);
		const [lay, zeros, angles] = [
			randomNormal.source(lcg)(0, 0.15),
			randomNormal.source(lcg)(0, 0.3),
			randomUniform.source(lcg)(-20, 20)
		];
		const step = (deg: number) => Math.round(deg / 0.1) * 0.1;
		let [held, turns] = [0, 0];
		const runs = 2000;
		for (let i = 0; i < runs; i++) {
			const zero = zeros();
			const [from, to] = [angles(), angles()];
			const read = (deg: number, both: boolean) => [
				{ deg: step(deg + zero + lay()), turned: false },
				...(both ? [{ deg: step(-deg + zero + lay()), turned: true }] : [])
			];
			const readings = read(from, i % 2 === 0);
			const angle = angleOf(readings);
			if (Math.abs(angle.deg - from) <= angle.expandedDeg) held++;
			const later = read(to, i % 2 === 0);
			const turn = turnBetween(angle, angleOf(later), true);
			if (Math.abs(turn.deg - (to - from)) <= turn.expandedDeg) turns++;
		}
		for (const share of [held / runs, turns / runs]) {
			expect(share).toBeGreaterThan(0.93);
			expect(share).toBeLessThan(0.99);
		}
	});

	it('two positions laid alike: the zero that both show is no part of the turn', () => {
		const laid = (deg: number) => angleOf([{ deg, turned: false }]);
		const turn = turnBetween(laid(2), laid(-6), true);
		expect(turn.deg).toBe(-8);
		expect(turn.expandedDeg).toBeLessThan(laid(2).expandedDeg);
		// Of two instruments each has its own.
		expect(turnBetween(laid(2), laid(-6), false).expandedDeg).toBeGreaterThan(laid(2).expandedDeg);
	});

	it('refuses none, and what no arm stands at', () => {
		expect(laidAngle([], 0.1)).toMatchObject({ ok: false, faults: [{ field: 'readings' }] });
		expect(laidAngle([{ deg: 88, turned: false }], 0.1)).toMatchObject({
			ok: false,
			faults: [{ field: 'readings.0.deg', value: 88 }]
		});
	});
});

describe('a phone', () => {
	const rad = Math.PI / 180;
	/** Laid with its long edge up by `deg` and rolled by `roll`, shaken by `noise`; `sign` is the maker's. */
	const lying = (
		deg: number,
		{ roll = 0, noise = 0, sign = 1, gain = 1, up = () => 0 } = {} as {
			roll?: number;
			noise?: number;
			sign?: number;
			gain?: number;
			up?: (timeS: number) => number;
		}
	): MotionSample[] => {
		const shake = randomNormal.source(randomLcg(0.3))(0, noise);
		return Array.from({ length: 180 }, (_, i) => {
			const timeS = i / 60;
			const g = sign * gain * (9.80665 + up(timeS));
			return {
				timeS,
				x: g * Math.cos(deg * rad) * Math.sin(roll * rad) + shake(),
				y: g * Math.sin(deg * rad) + shake(),
				z: g * Math.cos(deg * rad) * Math.cos(roll * rad) + shake()
			};
		});
	};

	it('says its long edge’s angle, rolled or not, of any maker', () => {
		for (const deg of [-12, -0.4, 0, 3.3, 25])
			for (const how of [{}, { roll: 20 }, { noise: 0.03 }, { gain: 1.02 }]) {
				const got = edgeAngle(lying(deg, how));
				if (!got.ok) throw new Error(JSON.stringify(got.faults));
				expect(got.value.deg).toBeCloseTo(deg, 1);
			}
		const other = edgeAngle(lying(7, { sign: -1 }));
		expect(other.ok && other.value.deg).toBeCloseTo(7, 6);
	});

	it('lies still, or says that it does not', () => {
		const moved = lying(5).map((sample, i) => ({ ...sample, y: sample.y + (i > 90 ? 0.4 : 0) }));
		expect(edgeAngle(moved)).toMatchObject({ ok: false, faults: [{ field: 'samples' }] });
		expect(edgeAngle(lying(5).slice(0, 4))).toMatchObject({ ok: false });
	});

	it('feels what is upwards, however it lies and whatever it shows for gravity', () => {
		const up = (t: number) => (t < 2 ? 3 * Math.sin(8 * t) : 0);
		for (const how of [{}, { roll: 35 }, { sign: -1 }, { gain: 0.97 }]) {
			const felt = upwardAcceleration(lying(8, { ...how, up }));
			if (!felt.ok) throw new Error(JSON.stringify(felt.faults));
			const { timeS, accelerationMPerS2 } = felt.value;
			timeS.forEach((t, i) => expect(accelerationMPerS2[i]).toBeCloseTo(up(t), 6));
		}
	});

	it('that is carried away is no rest', () => {
		const carried = lying(0).map((sample, i) => ({ ...sample, z: i > 140 ? 14 : sample.z }));
		const felt = upwardAcceleration(carried);
		expect(felt).toMatchObject({ ok: false });
		expect(!felt.ok && felt.faults[0]!.message).toContain('lie still at the end');
	});
});
