import { describe, expect, it } from 'vitest';
import { compute, findComputation } from '../../src/core/compute';
import { numbersOf } from '../../src/core/uncertainty/band';
import { valueOf } from './value-of';

/**
 * Each named computation once with numbers that can be followed by hand, through the same door as shell
 * and HTTP use. The working stands beside each.
 */
function ask(name: string, input: object): Map<string, number> {
	return numbersOf(valueOf(compute(findComputation(name)!, input)));
}
const near = (values: Map<string, number>, path: string, expected: number, digits = 6) =>
	expect(values.get(path), path).toBeCloseTo(expected, digits);
const each = (value: number) => ({ FL: value, FR: value, RL: value, RR: value });

describe('by hand', () => {
	it('convert: 1 lbf·ft is 0.3048 m times 4.4482216152605 N', () => {
		near(ask('convert', { text: '1 ft-lb', dimension: 'torque' }), 'value', 1.3558179483314, 12);
		near(ask('convert', { text: '790 lbf', dimension: 'force' }), 'value', 3514.0950760558, 9);
		near(ask('convert', { text: '30′', dimension: 'angle' }), 'value', 0.5, 12);
	});

	it('height-compare: s of 352, 353, 352 is 1/√3; with 1 mm steps u is √(2·(1/9 + 1/12))', () => {
		const got = ask('height-compare', {
			beforeMm: [352, 353, 352],
			afterMm: [366, 365, 366],
			resolutionMm: 1,
			stanceMm: 0
		});
		near(got, 'differenceMm', 40 / 3);
		// Welch–Satterthwaite: two repeats with 2 degrees each, the resolution with none.
		const u2 = 2 * (1 / 9 + 1 / 12);
		near(got, 'degreesOfFreedom', u2 ** 2 / (2 * ((1 / 9) ** 2 / 2)));
	});

	it('height-balance: (FL + RR − FR − RL)/4 is what no plane can be', () => {
		const got = ask('height-balance', { heightsMm: { FL: 360, FR: 352, RL: 355, RR: 371 } });
		near(got, 'warpMm', (360 + 371 - 352 - 355) / 4);
		near(got, 'frontMinusRearMm', (360 + 352 - 355 - 371) / 2);
		near(got, 'leftMinusRightMm.rear', -16);
	});

	it('bush-set: sin of 30° on an arm of 400 mm is a drop of 200 mm', () => {
		const got = ask('bush-set', {
			armLengthMm: 400,
			outerBelowInnerMm: 0,
			referenceHubToArchMm: 300,
			setHubToArchMm: 500,
			rideHubToArchMm: 300,
			bush: { innerDiameterMm: 20, outerDiameterMm: 40, lengthMm: 50, shearModulusMPa: 1 },
			bushCount: 2,
			wheelRateNPerMm: 20
		});
		near(got, 'twistDeg', 30);
		// M = 4πGℓθ/(1/a² − 1/b²): 4π·1·50·(π/6)/(1/100 − 1/400) = 43 864.9 N·mm
		const moment = (4 * Math.PI * 50 * (Math.PI / 6)) / (1 / 100 - 1 / 400) / 1000;
		near(got, 'torquePerBushNm', moment);
		// γ = 2θb²/(b² − a²) = 2·(π/6)·400/300
		near(got, 'maxShearStrain', (2 * (Math.PI / 6) * 400) / 300);
		// Level arm: 1 mm of wheel is 1/400 rad.
		near(got, 'wheelForceN', (2 * moment * 1000) / 400);
		near(got, 'heightErrorMm', (2 * moment * 1000) / 400 / 20);
	});

	it('corner-sweep: a level trailing arm of 400 mm raised by 200 mm has turned 30°', () => {
		const got = ask('corner-sweep', {
			layout: 'trailing-arm',
			side: 'left',
			points: {
				pivotInner: [0, 400, 300],
				pivotOuter: [0, 600, 300],
				springTop: [-200, 500, 600],
				springBottom: [-200, 500, 300]
			},
			wheelCentre: [-400, 700, 300],
			springOn: 'arm',
			bumpMm: [0, 200]
		});
		near(got, 'rows.1.twistDeg.arm', 30);
		near(got, 'rows.1.wheelbaseChangeMm', 400 * (1 - Math.cos(Math.PI / 6)));
		// Half way along the arm: the spring foot moves half as far, straight into the spring.
		near(got, 'rows.0.springMotionRatio', 0.5);
		near(got, 'rows.0.springLengthMm', 300);
		// Foot at (−200 cos 30°, 100 up): length from (−200, 300 up).
		near(got, 'rows.1.springLengthMm', Math.hypot(200 - 200 * Math.cos(Math.PI / 6), 200));
	});

	it('spring-rate: d 10, D 100, 5 coils, 80 GPa: 80000·10⁴/(8·10⁶·5) = 20 N/mm', () => {
		const got = ask('spring-rate', {
			wireDiameterMm: 10,
			meanDiameterMm: 100,
			activeCoils: 5,
			shearModulusGPa: 80
		});
		near(got, 'rateNPerMm', 20);
		near(got, 'index', 10);
	});

	it('spring-compressor: 6 coils at 20 N/mm, 3 of them hooked, are 40 N/mm', () => {
		const got = ask('spring-compressor', {
			rateNPerMm: 20,
			activeCoils: 6,
			hookedCoils: 3,
			freeLengthMm: 300,
			installedLengthMm: 220,
			clearanceMm: 20,
			screws: 2,
			hooksPerScrew: 1,
			screwLeadMm: 2,
			wireDiameterMm: 10
		});
		near(got, 'seatForceN', 20 * 80);
		near(got, 'hookForceTotalN', 40 * 100);
		near(got, 'forcePerHookN', 2000);
		// Hooks 110 mm apart in the strut, 150 − 100 = 50 mm when the seat is free.
		near(got, 'screwTravelMm', 60);
		near(got, 'turnsPerHook', 30);
		near(got, 'energyJ', 0.5 * 40 * 0.1 ** 2 * 1000);
	});

	it('arm-spring: 50 mm of squeeze at 40 N/mm, half of it gained per mm of jack', () => {
		const got = ask('arm-spring', {
			rateNPerMm: 40,
			freeLengthMm: 300,
			droopLengthMm: 250,
			lengthPerJackMm: 0.5
		});
		near(got, 'droopForceN', 2000);
		near(got, 'droopEnergyJ', 50);
		near(got, 'freeAfterMm', 100);
	});

	it('coilover: 3200 N over a ratio of 0.8 on 50 N/mm with 20 mm of preload', () => {
		const got = ask('coilover', {
			springRateNPerMm: 50,
			freeLengthMm: 220,
			solidLengthMm: 80,
			motionRatio: 0.8,
			sprungLoadN: 3200,
			damperStrokeMm: 100,
			preloadMm: 20,
			threadPitchMm: 2,
			heightChangeMm: -25
		});
		near(got, 'springForceN', 4000);
		near(got, 'damperFromExtendedMm', 80 - 20);
		near(got, 'droopAtWheelMm', 75);
		near(got, 'bumpAtWheelMm', 50);
		near(got, 'bindMarginMm', 220 - 20 - 100 - 80);
		near(got, 'turnsForHeight', -10);
	});

	it('four-corner and collar-plan: all four perches up by 4 at a ratio of 0.8 lift the car by 5', () => {
		const car = {
			wheelbaseMm: 2500,
			trackFrontMm: 1500,
			trackRearMm: 1500,
			loadsN: each(3000),
			wheelRatesNPerMm: each(25),
			tyreRateNPerMm: 200,
			antiRollNPerMm: { front: 10, rear: 5 },
			motionRatio: each(0.8)
		};
		const stands = ask('four-corner', { ...car, perchMm: each(4) });
		for (const corner of ['FL', 'FR', 'RL', 'RR']) near(stands, `heightChangeMm.${corner}`, 5);
		near(stands, 'crossWeight.after', 0.5);
		const plan = ask('collar-plan', {
			...car,
			targetHeightChangeMm: each(5),
			threadPitchMm: 2,
			limitsMm: { min: -20, max: 20 }
		});
		for (const corner of ['FL', 'FR', 'RL', 'RR']) near(plan, `turns.${corner}`, 2);
		near(plan, 'residualMm', 0);
		const sag = ask('sag-diagnosis', { ...car, deviationMm: { ...each(0), FL: -6, FR: -6 } });
		// Both front springs short by 6·0.8, when the rear stays: the pair explains it all.
		near(sag, 'suspects.0.lossMm', 4.8);
		near(sag, 'suspects.0.unexplainedMm', 0);
	});

	it('predict-height: 12 mm more free length at a ratio of 0.8 are 15 mm, less 5 of settling', () => {
		const got = ask('predict-height', {
			heightBeforeMm: 350,
			sprungLoadN: 3000,
			motionRatio: 0.8,
			oldSpring: { rateNPerMm: 30, freeLengthMm: 330 },
			newSpring: { rateNPerMm: 30, freeLengthMm: 342 },
			seatChangeMm: 0,
			settlingMm: 5
		});
		near(got, 'newHeightMm', 365);
		near(got, 'settledHeightMm', 360);
	});

	it('quarter-car: light hub, hard tyre, 400 kg on 25 N/mm: √62.5/2π Hz', () => {
		const got = ask('quarter-car', {
			sprungMassKg: 400,
			unsprungMassKg: 0.1,
			wheelRateNPerMm: 25,
			tyreRateNPerMm: 100_000,
			damperNsPerMm: 2
		});
		near(got, 'bodyFreqHz', Math.sqrt(62.5) / (2 * Math.PI), 3);
		// c/(2√(km)) = 2000/(2·√(25000·400))
		near(got, 'bodyDampingRatio', 2000 / (2 * Math.sqrt(1e7)), 3);
	});

	it('log-decrement: e to one, a swing apart, is 1/√(4π² + 1)', () => {
		const got = ask('log-decrement', { firstMm: Math.E, nextMm: 1, swings: 1 });
		near(got, 'dampingRatio', 1 / Math.hypot(2 * Math.PI, 1));
	});

	it('bolt: M10×1.5 from ISO 724 diameters', () => {
		const got = ask('bolt', {
			diameterMm: 10,
			pitchMm: 1.5,
			propertyClass: '8.8',
			frictionThread: 0.12,
			frictionHead: 0.12,
			meanHeadDiameterMm: 12.8,
			torqueNm: 48
		});
		const d2 = 10 - 0.649519 * 1.5;
		const d3 = 10 - 1.226869 * 1.5;
		near(got, 'stressAreaMm2', (Math.PI / 4) * ((d2 + d3) / 2) ** 2);
		near(got, 'proofLoadN', 580 * (Math.PI / 4) * ((d2 + d3) / 2) ** 2);
		near(got, 'clampN', 48_000 / (0.16 * 1.5 + 0.58 * d2 * 0.12 + 6.4 * 0.12));
	});

	it('wrench-setting: 120 N·m over 400 + 100 mm', () => {
		const wrench = { targetNm: 120, wrenchLengthMm: 400, adapterLengthMm: 100 };
		near(ask('wrench-setting', { ...wrench, adapterAngleDeg: 0 }), 'settingNm', 96);
		near(ask('wrench-setting', { ...wrench, adapterAngleDeg: 90 }), 'settingNm', 120);
		near(ask('wrench-setting', { ...wrench, adapterAngleDeg: 60 }), 'settingNm', 48_000 / 450);
	});

	it('castle-nut: 40 N·m and 20° at 1.5 N·m a degree are 70', () => {
		const nut = { lowNm: 40, highNm: 69, toNextSlotDeg: 20, slopeNmPerDeg: 1.5 };
		near(ask('castle-nut', nut), 'torqueNm', 70);
		expect(valueOf(compute(findComputation('castle-nut')!, nut))).toMatchObject({ refused: true });
	});

	it('torque-trace: 2 N·m of run-down to 200°, then 2 N·m a degree to 102', () => {
		const angleDeg = Array.from({ length: 251 }, (_, i) => i);
		const torqueNm = angleDeg.map((angle) => 2 + Math.max(0, angle - 200) * 2);
		const got = ask('torque-trace', { angleDeg, torqueNm, programme: { targetNm: 100 } });
		near(got, 'prevailingNm', 2);
		near(got, 'slopeNmPerDeg', 2, 3);
		near(got, 'snugDeg', 200, 0);
		near(got, 'peakNm', 102);
		near(got, 'finalAngleDeg', 50, 0);
	});
});
