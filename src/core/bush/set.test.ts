import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bushSetBand } from './band';
import { bushSet, type BushSetInput } from './set';
import { twistVerdict } from './verdict';

const input: BushSetInput = {
	armLengthMm: 350,
	outerBelowInnerMm: 20,
	referenceHubToArchMm: 365,
	setHubToArchMm: 365,
	rideHubToArchMm: 365,
	bush: { innerDiameterMm: 20, outerDiameterMm: 42, lengthMm: 45, hardnessIrhd: 55 },
	bushCount: 2,
	wheelRateNPerMm: 24
};
const none = {
	armLengthMm: 0,
	outerBelowInnerMm: 0,
	setHubToArchMm: 0,
	rideHubToArchMm: 0,
	stiffnessRelative: 0
};
const set = (change: Partial<BushSetInput>) => {
	const result = bushSet({ ...input, ...change });
	if (!result.ok) throw new Error(result.faults[0]!.message);
	return result.value;
};

describe('a bush set at ride height', () => {
	it('keeps nothing', () => {
		expect(set({})).toMatchObject({
			twistDeg: 0,
			torquePerBushNm: 0,
			heightErrorMm: 0,
			verdict: 'set'
		});
	});

	it('is judged at two and five degrees', () => {
		expect([0, 2, -2, 2.01, 5, -5.01].map((deg) => twistVerdict(deg))).toEqual([
			'set',
			'set',
			'set',
			're-set-advised',
			're-set-advised',
			'wound-up'
		]);
	});

	it('by the shop’s own limits, if it has some', () => {
		expect(twistVerdict(3, { setDeg: 3.5, advisedDeg: 6 })).toBe('set');
	});
});

describe('properties', () => {
	const heights = fc.integer({ min: 300, max: 440 });

	it('the further from ride height it was set, the more it twists', () => {
		fc.assert(
			fc.property(heights, fc.integer({ min: 1, max: 40 }), (ride, step) => {
				const near = set({ rideHubToArchMm: ride, setHubToArchMm: ride + step });
				const far = set({ rideHubToArchMm: ride, setHubToArchMm: ride + step + 5 });
				expect(far.twistDeg).toBeGreaterThan(near.twistDeg);
				expect(far.heightErrorMm).toBeGreaterThan(near.heightErrorMm);
			})
		);
	});

	it('swapping the two heights turns the twist round', () => {
		fc.assert(
			fc.property(heights, heights, (a, b) => {
				const there = set({ setHubToArchMm: a, rideHubToArchMm: b }).twistDeg;
				expect(there).toBeCloseTo(-set({ setHubToArchMm: b, rideHubToArchMm: a }).twistDeg, 10);
			})
		);
	});
});

describe('the band', () => {
	it('is nothing where nothing is uncertain', () => {
		const band = bushSetBand({ ...input, setHubToArchMm: 385 }, none);
		expect(band.ok && band.value.twistExpandedDeg).toBe(0);
	});

	// A small angle: twist ≈ Δh/L, so 2 mm of height uncertainty are 2/350 rad, doubled for 95 %.
	it('follows the height uncertainty at a small angle', () => {
		const band = bushSetBand({ ...input, outerBelowInnerMm: 0 }, { ...none, setHubToArchMm: 2 });
		expect(band.ok && band.value.twistExpandedDeg).toBeCloseTo(
			((2 * 2) / 350) * (180 / Math.PI),
			3
		);
	});

	it('says the worst verdict it still allows', () => {
		const band = bushSetBand({ ...input, setHubToArchMm: 376 }, { ...none, setHubToArchMm: 3 });
		expect(band.ok && [band.value.verdict, band.value.worstVerdict]).toEqual([
			'set',
			're-set-advised'
		]);
	});

	it('refuses an arm too steep to know', () => {
		const band = bushSetBand(
			{ ...input, outerBelowInnerMm: 345 },
			{ ...none, outerBelowInnerMm: 10 }
		);
		expect(band.ok).toBe(false);
	});
});

describe('what cannot be', () => {
	it.each([
		[{ setHubToArchMm: 800 }, 'setHubToArchMm', 'the arm is only 350 mm long'],
		[{ rideHubToArchMm: -200 }, 'rideHubToArchMm', 'above its pivot'],
		[
			{ bush: { ...input.bush, outerDiameterMm: 20 } },
			'bush.outerDiameterMm',
			'greater than innerDiameterMm'
		],
		[{ bush: { ...input.bush, hardnessIrhd: 90 } }, 'bush.hardnessIrhd', '45 to 70 IRHD']
	])('%o', (change, field, words) => {
		const result = bushSet({ ...input, ...change });
		expect(result.ok ? [] : result.faults).toContainEqual(
			expect.objectContaining({ field, message: expect.stringContaining(words) })
		);
	});
});
