import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bolt, torqueAtFriction } from './fastener/bolt';
import { wrenchSetting } from './fastener/wrench';
import { balance } from './height/balance';
import { springCompressor } from './spring/compressor';
import { coilRate, springRate } from './spring/rate';
import { seriesRate, springStack } from './spring/series';
import { convert, dimensions, findUnit, units } from './units/dimensions';
import { parseQuantity } from './units/parse';
import { quarterCar } from './ride/quarter-car';
import type { Result } from './result';

/** Trends and identities that hold whatever the numbers are. */
const value = <T>(result: Result<T>): T => {
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('units', () => {
	it('there and back again, in every dimension', () => {
		for (const dimension of dimensions) {
			for (const unit of units[dimension]) {
				fc.assert(
					fc.property(between(-1e4, 1e4), (number) => {
						const si = convert(number, unit, units[dimension][0]!);
						expect(convert(si, units[dimension][0]!, unit)).toBeCloseTo(number, 8);
					})
				);
			}
		}
	});

	it('every symbol and every other way of writing it is read as that unit', () => {
		for (const dimension of dimensions) {
			for (const unit of units[dimension]) {
				for (const name of [unit.symbol, ...unit.aliases]) {
					expect(findUnit(name, dimension)?.symbol, name).toBe(unit.symbol);
				}
				const said = parseQuantity(`12.5 ${unit.symbol}`, dimension, { field: 'x' });
				expect(value(said).si).toBeCloseTo(12.5 * unit.toSi, 9);
			}
		}
	});
});

describe('springs', () => {
	const wire = fc.record({
		wireDiameterMm: between(8, 16),
		meanDiameterMm: between(80, 180),
		activeCoils: between(3, 10),
		shearModulusGPa: between(75, 85)
	});

	it('thicker wire is stiffer, wider and more coils are softer', () => {
		fc.assert(
			fc.property(wire, (spring) => {
				const rate = coilRate(spring);
				expect(coilRate({ ...spring, wireDiameterMm: spring.wireDiameterMm * 1.1 })).toBeCloseTo(
					rate * 1.1 ** 4,
					6
				);
				expect(coilRate({ ...spring, meanDiameterMm: spring.meanDiameterMm * 2 })).toBeCloseTo(
					rate / 8,
					6
				);
				expect(coilRate({ ...spring, activeCoils: spring.activeCoils * 2 })).toBeCloseTo(
					rate / 2,
					6
				);
			})
		);
	});

	it('stress grows with force in proportion', () => {
		fc.assert(
			fc.property(wire, between(100, 5000), (spring, forceN) => {
				const stress = (n: number) => value(springRate({ ...spring, forceN: n })).stressMPa!;
				expect(stress(2 * forceN)).toBeCloseTo(2 * stress(forceN), 6);
			})
		);
	});

	it('in series they are softer than the softest, and their deflections add up', () => {
		const rates = fc.array(between(5, 200), { minLength: 2, maxLength: 5 });
		fc.assert(
			fc.property(rates, between(10, 200), (list, forceN) => {
				const rate = seriesRate(list);
				expect(rate).toBeLessThan(Math.min(...list));
				const springs = list.map((rateNPerMm) => ({ rateNPerMm, travelMm: 1000 }));
				const { atForce } = value(springStack({ springs, forceN }));
				const sum = list.reduce((all, each) => all + forceN / each, 0);
				expect(atForce!.compressionMm).toBeCloseTo(sum, 6);
			})
		);
	});

	it('a stack’s line never falls, and each corner of it lies on the line', () => {
		const stack = fc.array(fc.record({ rateNPerMm: between(5, 200), travelMm: between(10, 150) }), {
			minLength: 1,
			maxLength: 5
		});
		fc.assert(
			fc.property(stack, (springs) => {
				const { line } = value(springStack({ springs }));
				for (let i = 1; i < line.length; i++) {
					const [a, b] = [line[i - 1]!, line[i]!];
					expect(b.compressionMm).toBeGreaterThanOrEqual(a.compressionMm);
					expect(b.forceN - a.forceN).toBeCloseTo(
						a.rateNPerMm * (b.compressionMm - a.compressionMm),
						4
					);
				}
				// All closed: every spring's travel has been used up.
				const travel = springs.reduce((all, { travelMm }) => all + travelMm, 0);
				expect(line[line.length - 1]!.compressionMm).toBeCloseTo(travel, 6);
			})
		);
	});

	it('a compressor’s work is the energy it stores less what the strut held between the hooks', () => {
		fc.assert(
			fc.property(between(15, 60), between(2, 5), between(0, 30), (rate, hooked, clearance) => {
				const n = 5.5;
				const found = value(
					springCompressor({
						rateNPerMm: rate,
						activeCoils: n,
						hookedCoils: hooked,
						freeLengthMm: 340,
						installedLengthMm: 250,
						clearanceMm: clearance,
						screws: 2,
						hooksPerScrew: 1,
						screwLeadMm: 2,
						wireDiameterMm: 10
					})
				);
				const between0 = (90 * hooked) / n;
				const stiffness = rate * (n / hooked);
				const before = (0.5 * stiffness * between0 ** 2) / 1000;
				const work =
					(((stiffness * between0 + found.hookForceTotalN) / 2) * found.screwTravelMm) / 1000;
				expect(found.energyJ - before).toBeCloseTo(work, 6);
			})
		);
	});
});

describe('fasteners', () => {
	const screw = {
		diameterMm: 12,
		pitchMm: 1.75,
		propertyClass: '10.9' as const,
		meanHeadDiameterMm: 15.6
	};
	it('friction there and back again gives the torque there was', () => {
		fc.assert(
			fc.property(between(10, 150), between(0.05, 0.3), between(0.05, 0.3), (torqueNm, a, b) => {
				const from = { ...screw, frictionThread: a, frictionHead: a, torqueNm };
				const there = value(torqueAtFriction(from, b, b));
				const back = value(
					torqueAtFriction(
						{ ...screw, frictionThread: b, frictionHead: b, torqueNm: there.torqueNm },
						a,
						a
					)
				);
				expect(back.torqueNm).toBeCloseTo(torqueNm, 8);
				expect(back.clampN).toBeCloseTo(there.clampN, 5);
			})
		);
	});

	it('a stronger class holds more, a finer thread of the same size more than a coarse one', () => {
		const clamp = (propertyClass: '8.8' | '10.9' | '12.9', pitchMm: number) =>
			value(bolt({ ...screw, propertyClass, pitchMm, frictionThread: 0.12, frictionHead: 0.12 }))
				.preload90N;
		expect(clamp('10.9', 1.75)).toBeGreaterThan(clamp('8.8', 1.75));
		expect(clamp('12.9', 1.75)).toBeGreaterThan(clamp('10.9', 1.75));
		expect(clamp('10.9', 1.25)).toBeGreaterThan(clamp('10.9', 1.75));
	});

	it('an adapter either way out is the same, and never asks for more than a bare wrench when it points outward', () => {
		fc.assert(
			fc.property(between(20, 300), between(0, 150), between(0, 90), (targetNm, length, angle) => {
				const set = (adapterAngleDeg: number) =>
					value(
						wrenchSetting({
							targetNm,
							wrenchLengthMm: 400,
							adapterLengthMm: length,
							adapterAngleDeg
						})
					).settingNm;
				expect(set(angle)).toBeCloseTo(set(-angle), 9);
				expect(set(angle)).toBeLessThanOrEqual(targetNm + 1e-9);
			})
		);
	});
});

it('heights of a plane have no warp, whatever its heave, pitch and roll', () => {
	fc.assert(
		fc.property(between(300, 400), between(-20, 20), between(-20, 20), (heave, pitch, roll) => {
			const { warpMm } = balance({
				FL: heave + pitch + roll,
				FR: heave + pitch - roll,
				RL: heave - pitch + roll,
				RR: heave - pitch - roll
			});
			expect(warpMm).toBeCloseTo(0, 9);
		})
	);
});

it('a quarter car: more damper, more damping in both modes, until the body is overdamped', () => {
	fc.assert(
		fc.property(between(250, 500), between(15, 40), between(0.2, 1.2), (mass, rate, damper) => {
			const at = (damperNsPerMm: number) =>
				quarterCar({
					sprungMassKg: mass,
					unsprungMassKg: 40,
					wheelRateNPerMm: rate,
					tyreRateNPerMm: 220,
					damperNsPerMm
				});
			expect(at(damper * 1.2).bodyDampingRatio).toBeGreaterThan(at(damper).bodyDampingRatio);
			expect(at(damper * 1.2).hopDampingRatio).toBeGreaterThan(at(damper).hopDampingRatio);
		})
	);
});
