import { describe, expect, it } from 'vitest';
import { armSpring } from './arm-spring';
import { springCompressor, type CompressorInput } from './compressor';
import { identifySpring } from './rate';
import { readSpringTable } from './table';

const fieldsOf = (result: { ok: true } | { ok: false; faults: { field: string }[] }) =>
	result.ok ? [] : result.faults.map(({ field }) => field);

const compressor: CompressorInput = {
	rateNPerMm: 25,
	activeCoils: 6,
	hookedCoils: 4,
	freeLengthMm: 340,
	installedLengthMm: 250,
	clearanceMm: 8,
	screws: 2,
	hooksPerScrew: 1,
	screwLeadMm: 2,
	wireDiameterMm: 12
};

describe('hook compressor', () => {
	const needs = (change: Partial<CompressorInput>) => {
		const result = springCompressor({ ...compressor, ...change });
		if (!result.ok) throw new Error(JSON.stringify(result.faults));
		return result.value;
	};
	it('more coils between the hooks, less force on them', () => {
		const forces = [3, 4, 5, 6].map((hookedCoils) => needs({ hookedCoils }).hookForceTotalN);
		expect(forces).toEqual([...forces].sort((a, b) => b - a));
	});
	it('a tool rated for less is refused, one rated for the load is not', () => {
		const { forcePerHookN } = needs({});
		expect(needs({ ratedLoadPerHookN: forcePerHookN }).overloaded).toBe(false);
		expect(needs({ ratedLoadPerHookN: forcePerHookN - 1 }).overloaded).toBe(true);
		expect(needs({}).overloaded).toBeUndefined();
	});
	it('energy in plain words: the height a mass of 10 kg falls', () => {
		const { energyJ, dropOf10KgMm } = needs({});
		expect((10 * 9.80665 * dropOf10KgMm) / 1000).toBeCloseTo(energyJ, 10);
	});
	it('never more than two turns before the other screw follows', () => {
		expect(Math.max(...needs({}).steps)).toBeLessThanOrEqual(2);
	});
	it('names what cannot be', () => {
		expect(fieldsOf(springCompressor({ ...compressor, hookedCoils: 7 }))).toEqual(['hookedCoils']);
		expect(fieldsOf(springCompressor({ ...compressor, installedLengthMm: 340 }))).toEqual([
			'installedLengthMm'
		]);
		expect(fieldsOf(springCompressor({ ...compressor, installedLengthMm: 60 }))).toEqual([
			'installedLengthMm'
		]);
	});
});

describe('separate coil on an arm', () => {
	const spring = { rateNPerMm: 45, freeLengthMm: 310, droopLengthMm: 265, lengthPerJackMm: 0.6 };
	const lowered = (change: Partial<typeof spring> = {}) => {
		const result = armSpring({ ...spring, ...change });
		if (!result.ok) throw new Error(JSON.stringify(result.faults));
		return result.value;
	};
	it('is still squeezed at full droop, and free where the jack has let it out', () => {
		const { droopForceN, droopEnergyJ, freeAfterMm, rows } = lowered();
		expect(droopForceN).toBe(45 * 45);
		expect(droopEnergyJ).toBeCloseTo(0.5 * 45 * 0.045 ** 2 * 1000, 10);
		expect(freeAfterMm).toBeCloseTo(75, 10);
		expect(rows[rows.length - 1]).toMatchObject({ springForceN: 0, energyJ: 0 });
	});
	it('the work at the jack is the energy that leaves the spring', () => {
		const { rows, droopEnergyJ } = lowered();
		let work = 0;
		for (let i = 1; i < rows.length; i++) {
			const [a, b] = [rows[i - 1]!, rows[i]!];
			work += ((a.jackForceN + b.jackForceN) / 2) * (b.jackDownMm - a.jackDownMm);
		}
		expect(work / 1000).toBeCloseTo(droopEnergyJ, 9);
	});
	it('a spring shorter than the gap is loose already', () => {
		expect(lowered({ droopLengthMm: 320 })).toMatchObject({ droopForceN: 0, freeAfterMm: 0 });
	});
	it('a length in the wrong unit is doubted', () => {
		expect(fieldsOf(armSpring({ ...spring, freeLengthMm: 12 }))).toEqual(['droopLengthMm']);
	});
});

describe('spring by caliper', () => {
	const spring = {
		wireDiameterMm: 12.4,
		outerDiameterMm: 142,
		totalCoils: 6.5,
		deadCoils: 1,
		freeLengthMm: 345,
		coatMm: 0.2,
		shearModulusGPa: 79.5
	};
	it.each([
		['coatMm', { coatMm: 6.5 }],
		['outerDiameterMm', { outerDiameterMm: 24 }],
		['deadCoils', { deadCoils: 6.2 }],
		['freeLengthMm', { freeLengthMm: 70 }]
	])('%s that cannot be is named', (field, change) => {
		expect(fieldsOf(identifySpring({ ...spring, ...change }))).toEqual([field]);
	});
});

describe('progressive spring', () => {
	const points = [
		{ lengthMm: 300, forceN: 0 },
		{ lengthMm: 250, forceN: 1000 },
		{ lengthMm: 200, forceN: 3000 }
	];
	it('reads a force back to the length it came from', () => {
		const there = readSpringTable({ points, lengthMm: [231] });
		const force = there.ok ? there.value.rows[0]!.forceN : NaN;
		const back = readSpringTable({ points, forceN: [force] });
		expect(back.ok && back.value.rows[0]!.lengthMm).toBeCloseTo(231, 9);
	});
	it('never overshoots its points and never gets softer than nothing', () => {
		const lengthMm = Array.from({ length: 101 }, (_, i) => 200 + i);
		const result = readSpringTable({ points, lengthMm });
		if (!result.ok) throw new Error('no rows');
		for (const { forceN, rateNPerMm } of result.value.rows) {
			expect(forceN).toBeGreaterThanOrEqual(0);
			expect(forceN).toBeLessThanOrEqual(3000);
			expect(rateNPerMm).toBeGreaterThanOrEqual(0);
		}
	});
	it('refuses to guess outside the table, and a table that does not fall', () => {
		expect(fieldsOf(readSpringTable({ points, lengthMm: [310], forceN: [3100] }))).toEqual([
			'lengthMm.0',
			'forceN.0'
		]);
		const rising = [...points, { lengthMm: 320, forceN: 50 }];
		expect(fieldsOf(readSpringTable({ points: rising, lengthMm: [250] }))).toEqual(['points']);
		const twice = [...points, { lengthMm: 300, forceN: 0 }];
		expect(fieldsOf(readSpringTable({ points: twice, lengthMm: [250] }))).toEqual(['points']);
	});
});
