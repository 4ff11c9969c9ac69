import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { torqueTrace, type TraceProgramme } from './read';

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

	it('cross-threaded: the run-down grows all the way to the clamp', () => {
		const grows = (until: number) => pull({ freeDeg: 360, noise: (i) => 0.1 * Math.min(i, until) });
		expect(read(grows(360), { targetNm: 130 }).flags).toEqual(['cross-thread']);
		// A prevailing nut grows while it is started, and stays.
		expect(read(grows(120)).verdict).toBe('accepted');
	});

	it('no free turning is no crossed thread: the trace begins at a threshold', () => {
		const { angleDeg, torqueNm } = pull();
		const from = torqueNm.findIndex((torque) => torque > 15);
		const later = { angleDeg: angleDeg.slice(from), torqueNm: torqueNm.slice(from) };
		expect(read(later)).toMatchObject({ verdict: 'accepted', flags: [], prevailingNm: 0 });
	});

	it('a check of a tight joint: it breaks loose a little above, and that is named only', () => {
		const torqueNm = [20, 45, 70, 96, 103, 94, 95, 96, 97, 98, 99];
		const angleDeg = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5];
		const got = read({ angleDeg, torqueNm });
		expect(got).toMatchObject({ verdict: 'accepted', flags: ['re-hit', 'breakaway'] });
		expect(got.peakNm).toBe(99);
	});

	it('what was slackened in between no longer counts', () => {
		const one = pull({ peak: 140 });
		const two = pull({ freeDeg: 60 });
		const end = one.angleDeg.at(-1)!;
		const back = Array.from({ length: 60 }, (_, i) => end - 2 * (i + 1));
		const angleDeg = [...one.angleDeg, ...back, ...two.angleDeg.map((a) => end - 120 + a)];
		const torqueNm = [...one.torqueNm, ...back.map(() => 0), ...two.torqueNm];
		expect(read({ angleDeg, torqueNm })).toMatchObject({ verdict: 'accepted', hits: 2 });
	});

	it('into yield where the programme ends by angle: as it is meant', () => {
		const byAngle = { angleDeg: 90, targetNm: 20 };
		const turned = pull({ yieldAt: 80, peak: 2 + 78 + 38 * 0.3 });
		expect(read(turned, byAngle)).toMatchObject({ verdict: 'accepted', flags: [] });
	});

	it('too few points are no yield', () => {
		expect(read(pull({ stepDeg: 10, yieldAt: 78 })).flags).not.toContain('yield');
	});

	it('rubber and joint of one slope: nobody can tell', () => {
		const got = read(pull({ slope: 1.5 }), { rubberNmPerDeg: 1.4 });
		expect(got).toMatchObject({ verdict: 'cannot-tell', flags: ['rubber-or-joint'] });
		expect(read(pull({ slope: 4 }), { slopeNmPerDeg: 4, rubberNmPerDeg: 1.4 }).verdict).toBe(
			'accepted'
		);
		expect(read(pull({ slope: 1.4 }), { slopeNmPerDeg: 4, rubberNmPerDeg: 1.4 }).flags).toEqual([
			'wound-up-rubber'
		]);
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
		expect(got).toMatchObject({ hits: 2, verdict: 'accepted' });
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
		['angleDeg', { angleDeg: Array<number>(9).fill(3), torqueNm: [...Array(9).keys()] }],
		['torqueNm', { angleDeg: [...Array(9).keys()], torqueNm: Array<number>(9).fill(0) }]
	])('%s is named', (field, trace) => {
		const result = torqueTrace({ ...trace, programme: { targetNm: 98 } });
		expect(!result.ok && result.faults[0]!.field).toBe(field);
	});
});
