import { describe, expect, it } from 'vitest';
import { bolt, torqueAtFriction } from '../../src/core/fastener/bolt';
import { friction, lubricatedTorque } from '../../src/core/fastener/lubrication';
import { plausibleTorque } from '../../src/core/fastener/plausibility';
import { proofStressMPa, stressArea, type PropertyClass } from '../../src/core/fastener/thread';
import { calibration, wrenchSetting, workingRange } from '../../src/core/fastener/wrench';
import { valueOf } from './value-of';

/** ISO 898-1, nominal stress areas (from memory); the table rounds to three figures. */
describe('stress area', () => {
	it.each([
		[8, 1.25, 36.6],
		[10, 1.5, 58.0],
		[12, 1.75, 84.3],
		[14, 2, 115],
		[16, 2, 157],
		[8, 1, 39.2],
		[10, 1.25, 61.2],
		[12, 1.5, 88.1],
		[12, 1.25, 92.1],
		[14, 1.5, 125]
	])('M%f×%f: %f mm²', (diameterMm, pitchMm, area) => {
		const digits = area >= 100 ? 0 : 1;
		expect(stressArea({ diameterMm, pitchMm }).toFixed(digits)).toBe(area.toFixed(digits));
	});
});

/** ISO 898-1, proof stress (from memory). */
it('proof stress changes with the size of class 8.8', () => {
	expect(proofStressMPa('8.8', 16)).toBe(580);
	expect(proofStressMPa('8.8', 18)).toBe(600);
	expect(proofStressMPa('10.9', 12)).toBe(830);
	expect(proofStressMPa('12.9', 12)).toBe(970);
});

/**
 * VDI 2230-1, table A1, torque at 90 % of yield for μ = 0.12 in thread and head (from memory). Bearing
 * diameters are those of hexagon heads with medium holes: (d_w + d_h)/2, ISO 4014 and ISO 273.
 */
describe('tightening torque', () => {
	const heads: Record<number, number> = {
		8: (11.6 + 9) / 2,
		10: (14.6 + 11) / 2,
		12: (16.6 + 13.5) / 2,
		14: (19.6 + 15.5) / 2,
		16: (22.5 + 17.5) / 2
	};
	const rows: [number, number, number, number, number][] = [
		[8, 1.25, 24.6, 36.1, 42.2],
		[10, 1.5, 48, 71, 83],
		[12, 1.75, 84, 123, 144],
		[14, 2, 133, 195, 229],
		[16, 2, 206, 302, 354]
	];
	const cases = rows.flatMap(([d, p, ...torques]) =>
		(['8.8', '10.9', '12.9'] as const).map((c, i) => [d, p, c, torques[i]!] as const)
	);
	it.each(cases)('M%i×%f %s: %f N·m', (diameterMm, pitchMm, propertyClass, torque) => {
		const { torque90Nm } = valueOf(
			bolt({
				diameterMm,
				pitchMm,
				propertyClass: propertyClass as PropertyClass,
				frictionThread: 0.12,
				frictionHead: 0.12,
				meanHeadDiameterMm: heads[diameterMm]!
			})
		);
		expect(Math.abs(torque90Nm / torque - 1)).toBeLessThan(0.01);
	});
});

describe('a lubricated thread', () => {
	const dry = {
		diameterMm: 12,
		pitchMm: 1.75,
		propertyClass: '10.9' as const,
		frictionThread: 0.14,
		frictionHead: 0.14,
		meanHeadDiameterMm: 15.6,
		torqueNm: 110
	};
	/** VDI 2230-1: M = F·(0.16·P + 0.58·d₂·μ_G + D_Km/2·μ_K), by hand for M12×1.5, D_Km 15.6 mm. */
	it.each(['oil', 'anti-seize'] as const)('%s: the ratio of the two brackets', (condition) => {
		const bracket = (mu: number) =>
			0.16 * 1.5 + 0.58 * (12 - 0.649519 * 1.5) * mu + (15.6 / 2) * mu;
		const wanted = bracket(friction[condition]) / bracket(friction['as-specified']);
		const thread = { diameterMm: 12, pitchMm: 1.5, propertyClass: '10.9' as const };
		const found = valueOf(lubricatedTorque(thread, 100, condition));
		expect(found.share).toBeCloseTo(wanted, 9);
		expect(found.torqueNm).toBeCloseTo(100 * wanted, 9);
		expect(found.clampN).toBeCloseTo(100_000 / bracket(friction['as-specified']), 6);
	});

	it('as specified changes nothing', () => {
		const thread = { diameterMm: 8, pitchMm: 1.25, propertyClass: '8.8' as const };
		expect(valueOf(lubricatedTorque(thread, 25, 'as-specified')).torqueNm).toBeCloseTo(25, 9);
	});

	it('needs less torque for the same clamp', () => {
		const oiled = valueOf(torqueAtFriction(dry, 0.09, 0.09));
		expect(oiled.torqueNm).toBeLessThan(110);
		const check = valueOf(
			bolt({ ...dry, frictionThread: 0.09, frictionHead: 0.09, torqueNm: oiled.torqueNm })
		);
		expect(check.clampN).toBeCloseTo(oiled.clampN, 6);
	});
});

/** M8 class 8.8 mount nut about 25 N·m; wheel fasteners 90 to 180 N·m: common practice, no source. */
describe('plausible torque', () => {
	const ask = (diameterMm: number, pitchMm: number, torqueNm: number) =>
		valueOf(plausibleTorque({ diameterMm, pitchMm, propertyClass: '8.8', torqueNm }));

	it('takes what the trade takes', () => {
		expect(ask(8, 1.25, 25).plausible).toBe(true);
		expect(ask(12, 1.5, 100).plausible).toBe(true);
	});
	it('names the unit that was mixed up', () => {
		const slip = ask(12, 1.5, 900); // 900 lbf·in is 102 N·m
		expect(slip.plausible).toBe(false);
		expect(slip.likely).toContain('the number was in lbf·in');
	});
	it('names the thread that would carry it', () => {
		expect(ask(8, 1.25, 85).likely.some((words) => words.includes('M12'))).toBe(true);
	});
});

describe('wrench', () => {
	it('an adapter in line: T·L/(L + E); at right angles nothing', () => {
		const set = (adapterAngleDeg: number) =>
			valueOf(
				wrenchSetting({ targetNm: 100, wrenchLengthMm: 400, adapterLengthMm: 100, adapterAngleDeg })
			).settingNm;
		expect(set(0)).toBe(80);
		expect(set(90)).toBe(100);
		expect(set(-90)).toBe(100);
		expect(set(180)).toBeCloseTo(400 / 3, 9);
		expect(set(60)).toBeCloseTo(40000 / 450, 9);
	});

	/** ISO 6789-1 (from memory): 20 to 100 % of the range; ±4 % above 10 N·m, ±6 % up to it. */
	it('works from a fifth of its range', () => {
		expect(workingRange({ lowestNm: 10, highestNm: 200 })).toEqual({ fromNm: 40, toNm: 200 });
		expect(workingRange({ lowestNm: 60, highestNm: 200 }).fromNm).toBe(60);
	});
	it.each([
		[100, 96.2, true],
		[100, 96.1, false],
		[100, 104.1, true],
		[100, 104.2, false],
		[10.1, 9.7, false],
		[8, 8.5, true],
		[8, 8.6, false]
	])('set %f, read %f: %s', (setNm, readNm, passes) => {
		// Deviation is of the reading: 100 set passes from 96.154 to 104.167 read.
		expect(calibration([{ setNm, readNm }]).passes).toBe(passes);
	});
});
