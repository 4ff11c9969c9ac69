import Joi from 'joi';
import { accelerationBounce, bounce } from '../ride/bounce.ts';
import { dampingFromPeaks } from '../ride/log-decrement.ts';
import { fullCar, type FullCar, type Road } from '../ride/full-car.ts';
import { accelerationOf } from '../ride/swing.ts';
import { quarterCar, type QuarterCar } from '../ride/quarter-car.ts';
import { sampleFullCar } from '../ride/sample.ts';
import { ok } from '../result.ts';
import {
	axlesSchema,
	banded,
	between,
	numbers,
	outNumber,
	perCornerSchema,
	positive,
	type Computation
} from './computation.ts';

const massKg = (most: number) => between(0.1, most).required();
const rate = () => between(0.01, 100_000).required();
const both = (value: Joi.Schema) => axlesSchema(value).required();
const corner = perCornerSchema(outNumber()).required();

/** A free decay, as the example of `bounce`: 1.3 Hz, ζ = 0.3, pushed down 40 mm. */
const decay = Array.from({ length: 60 }, (_, i) => i * 0.03);
const swing = decay.map((t) => {
	const [zeta, natural] = [0.3, 2 * Math.PI * 1.3];
	const damped = natural * Math.sqrt(1 - zeta ** 2);
	const x =
		-40 *
		Math.exp(-zeta * natural * t) *
		(Math.cos(damped * t) + ((zeta * natural) / damped) * Math.sin(damped * t));
	return Math.round(x * 10) / 10;
});

/** The same let go under an accelerometer. */
const felt = { ratio: 0.3, natural: 2 * Math.PI * 1.3, rest: 0, push: -40, friction: 0, delay: 0 };

export const rideComputations: readonly Computation[] = [
	banded({
		name: 'quarter-car',
		summary: 'Body and wheel-hop frequency and damping ratio of one corner.',
		input: Joi.object({
			sprungMassKg: massKg(100_000),
			unsprungMassKg: massKg(10_000),
			wheelRateNPerMm: rate(),
			tyreRateNPerMm: rate(),
			damperNsPerMm: between(0, 1000).required()
		}),
		output: Joi.object({
			bodyFreqHz: outNumber(),
			hopFreqHz: outNumber(),
			bodyDampingRatio: outNumber(),
			hopDampingRatio: outNumber()
		}),
		example: {
			sprungMassKg: 360,
			unsprungMassKg: 42,
			wheelRateNPerMm: 25,
			tyreRateNPerMm: 210,
			damperNsPerMm: 1.6
		},
		run: (input: QuarterCar) => ok(quarterCar(input))
	}),
	{
		name: 'bounce',
		summary: 'Damping ratio, frequency and movements from the trace of a bounce test.',
		input: Joi.object({
			timeS: numbers(1, 200_000, -1e6, 1e6),
			heightMm: numbers(1, 200_000, -1e5, 1e5)
		}),
		output: Joi.object({
			dampingRatio: outNumber(),
			dampingRatioExpanded: outNumber(),
			dampedFreqHz: outNumber(),
			naturalFreqHz: outNumber(),
			movements: outNumber(),
			frictionMm: outNumber(),
			restMm: outNumber(),
			noiseMm: outNumber(),
			releasedAtS: outNumber()
		}),
		example: { timeS: decay.map((t) => Math.round(t * 100) / 100), heightMm: swing },
		run: bounce
	},
	{
		name: 'bounce-acceleration',
		summary:
			'The same from an accelerometer on the body, as of a phone laid on the wing: fitted in acceleration.',
		input: Joi.object({
			timeS: numbers(1, 200_000, -1e6, 1e6),
			accelerationMPerS2: numbers(1, 200_000, -1e3, 1e3)
		}),
		output: Joi.object({
			dampingRatio: outNumber(),
			dampingRatioExpanded: outNumber(),
			dampedFreqHz: outNumber(),
			naturalFreqHz: outNumber(),
			movements: outNumber(),
			frictionMm: outNumber(),
			pushMm: outNumber(),
			noiseMPerS2: outNumber(),
			releasedAtS: outNumber()
		}),
		example: {
			timeS: decay.map((t) => Math.round(t * 100) / 100),
			accelerationMPerS2: decay.map((t) => Number((accelerationOf(felt, t) / 1000).toFixed(3)))
		},
		run: accelerationBounce
	},
	banded({
		name: 'log-decrement',
		summary: 'Damping ratio from two peaks read off a trace, half a swing or a whole one apart.',
		input: Joi.object({
			firstMm: positive(10_000).required().description('from rest, without sign'),
			nextMm: positive(10_000).required(),
			swings: Joi.number()
				.valid(0.5, 1)
				.required()
				.description('0.5: the overshoot on the other side; 1: the next peak on the same')
		}),
		output: Joi.object({ dampingRatio: outNumber(), decrement: outNumber() }),
		example: { firstMm: 40, nextMm: 12, swings: 0.5 },
		run: dampingFromPeaks
	}),
	{
		name: 'full-car',
		summary:
			'The whole car over a step or a hump: seven degrees of freedom, modes and time history.',
		input: Joi.object({
			car: Joi.object({
				bodyMassKg: massKg(100_000),
				pitchInertiaKgM2: positive(1e6).required(),
				rollInertiaKgM2: positive(1e6).required(),
				wheelbaseMm: between(500, 10_000).required(),
				massBehindFrontMm: positive(10_000).required(),
				trackFrontMm: between(300, 5000).required(),
				trackRearMm: between(300, 5000).required(),
				unsprungMassKg: both(massKg(10_000)),
				wheelRateNPerMm: both(rate()),
				tyreRateNPerMm: rate(),
				antiRollNPerMm: both(between(0, 10_000).required()),
				damperNsPerMm: both(
					Joi.object({
						bump: between(0, 1000).required(),
						rebound: between(0, 1000).required()
					}).required()
				)
			}).required(),
			road: Joi.object({
				shape: Joi.string().valid('step', 'hump').required(),
				heightMm: between(-500, 500).invalid(0).required(),
				lengthMm: between(1, 100_000).required(),
				side: Joi.string().valid('both', 'left').required(),
				speedKmh: between(1, 400).required()
			}).required(),
			durationS: between(0.2, 20).default(3)
		}),
		output: Joi.object({
			modes: Joi.array()
				.items(Joi.object({ freqHz: outNumber(), dampingRatio: outNumber() }))
				.required(),
			rows: Joi.array()
				.items(
					Joi.object({
						timeS: outNumber(),
						bodyMm: outNumber(),
						pitchDeg: outNumber(),
						rollDeg: outNumber(),
						bodyAccelerationG: outNumber(),
						heightMm: corner,
						tyreLoadN: corner
					})
				)
				.required(),
			peak: Joi.object({
				bodyMm: outNumber(),
				accelerationG: outNumber(),
				travelMm: corner
			}).required(),
			settledAfterS: outNumber()
		}),
		example: {
			car: sampleFullCar,
			road: { shape: 'hump', heightMm: 50, lengthMm: 1000, side: 'both', speedKmh: 30 },
			durationS: 3
		},
		run: ({ car, road, durationS }: { car: FullCar; road: Road; durationS: number }) =>
			fullCar(car, road, durationS)
	}
];
