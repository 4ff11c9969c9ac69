import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { torqueTrace, type TraceProgramme } from './trace';

interface Pull {
	prevailing?: number;
	freeDeg?: number;
	slope?: number;
	peak?: number;
	stepDeg?: number;
	/** Torque at which the slope falls to a fifth. */
	yieldAt?: number;
	noise?: (i: number) => number;
}

function pull({
	prevailing = 2,
	freeDeg = 180,
	slope = 1.5,
	peak = 100,
	stepDeg = 1,
	yieldAt = Infinity,
	noise = () => 0
}: Pull = {}) {
	const angleDeg: number[] = [];
	const torqueNm: number[] = [];
	let torque = prevailing;
	for (let i = 0; torque < peak && i < 5000; i++) {
		const angle = i * stepDeg;
		if (angle > freeDeg) torque += (torque > yieldAt ? slope / 5 : slope) * stepDeg;
		angleDeg.push(angle);
		torqueNm.push(Math.max(0, Math.min(torque, peak) + noise(i)));
	}
	return { angleDeg, torqueNm };
}

const read = (
	trace: { angleDeg: number[]; torqueNm: number[] },
	programme: Partial<TraceProgramme> = {}
) => {
	const result = torqueTrace({
		...trace,
		programme: { targetNm: 98, slopeNmPerDeg: 1.5, ...programme }
	});
	if (!result.ok) throw new Error(JSON.stringify(result.faults));
	return result.value;
};

describe('a good pull', () => {
	it('is accepted, with its run-down, snug point, slope and peak', () => {
		const good = read(pull());
		expect(good).toMatchObject({ verdict: 'accepted', flags: [], hits: 1 });
		expect(good.prevailingNm).toBeCloseTo(2, 6);
		expect(good.slopeNmPerDeg).toBeCloseTo(1.5, 2);
		expect(Math.abs(good.snugDeg - 180)).toBeLessThan(2);
		expect(good.peakNm).toBe(100);
	});

	it('any joint: the slope and the snug point are found', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.3, max: 6, noNaN: true }),
				fc.double({ min: 60, max: 700, noNaN: true }),
				fc.double({ min: 0, max: 8, noNaN: true }),
				(slope, freeDeg, prevailing) => {
					const got = read(pull({ slope, freeDeg, prevailing, stepDeg: 0.5 }), {
						slopeNmPerDeg: slope
					});
					expect(got.slopeNmPerDeg / slope).toBeCloseTo(1, 1);
					expect(Math.abs(got.snugDeg - freeDeg)).toBeLessThan(6);
					expect(got.prevailingNm).toBeCloseTo(prevailing, 1);
				}
			),
			{ seed: 6, numRuns: 60 }
		);
	});

	it('reading noise does not raise a flag', () => {
		const noisy = read(pull({ noise: (i) => 0.6 * Math.sin(i * 12.9898) }));
		expect(noisy.flags).toEqual([]);
	});
});

describe('what is wrong with a pull', () => {
	it('stopped early, pulled too far', () => {
		expect(read(pull({ peak: 80 })).flags).toEqual(['under']);
		expect(read(pull({ peak: 115 })).flags).toEqual(['over']);
	});

	it('cross-threaded: steep before any free turning', () => {
		expect(read(pull({ freeDeg: 0 })).flags).toContain('cross-thread');
	});

	it('rubber being wound: a slope far below the joint’s own', () => {
		expect(read(pull({ slope: 0.25 })).flags).toEqual(['wound-up-rubber']);
	});

	it('yield: the slope falls below half while torque still rises', () => {
		expect(read(pull({ yieldAt: 78 })).flags).toContain('yield');
	});

	it('slip-stick: torque falls and comes back, again and again', () => {
		const stick = pull({
			noise: (i) => (i > 200 && Math.floor(i / 4) % 3 === 0 ? -9 : 0)
		});
		expect(read(stick).flags).toContain('slip-stick');
	});

	it('re-hit: let go and pulled once more', () => {
		const { angleDeg, torqueNm } = pull();
		const end = angleDeg[angleDeg.length - 1]!;
		for (const [i, torque] of [60, 20, 2, 2, 40, 80, 99].entries()) {
			angleDeg.push(end + (i > 4 ? 0.2 * i : 0.1 * i));
			torqueNm.push(torque);
		}
		const got = read({ angleDeg, torqueNm });
		expect(got).toMatchObject({ hits: 2, verdict: 'look-again' });
		expect(got.flags).toContain('re-hit');
	});

	it('a programme by angle is judged by angle', () => {
		const byAngle = { angleDeg: 60, targetNm: 20 };
		expect(read(pull({ peak: 2 + 60 * 1.5 }), byAngle).flags).toEqual([]);
		expect(read(pull({ peak: 2 + 90 * 1.5 }), byAngle).flags).toEqual(['over']);
		expect(read(pull({ peak: 2 + 30 * 1.5 }), byAngle).flags).toEqual(['under']);
	});
});

describe('a trace that is none', () => {
	it.each([
		['torqueNm', { angleDeg: [...Array(20).keys()], torqueNm: [1, 2] }],
		['angleDeg', { angleDeg: [0, 1], torqueNm: [1, 2] }],
		['angleDeg.5', { angleDeg: [0, 1, 2, 3, 4, 2, 6, 7, 8], torqueNm: Array<number>(9).fill(3) }],
		['angleDeg', { angleDeg: Array<number>(9).fill(3), torqueNm: [...Array(9).keys()] }],
		['torqueNm', { angleDeg: [...Array(9).keys()], torqueNm: Array<number>(9).fill(0) }]
	])('%s is named', (field, trace) => {
		const result = torqueTrace({ ...trace, programme: { targetNm: 98 } });
		expect(!result.ok && result.faults[0]!.field).toBe(field);
	});
});
