import Joi from 'joi';
import { collarPlan } from '../car/collar-plan.ts';
import { fourCorner } from '../car/four-corner.ts';
import { predictHeight, usualPredictUncertainty } from '../car/predict-height.ts';
import { otherCauses, sagDiagnosis } from '../car/sag.ts';
import { sampleCar } from '../car/sample.ts';
import { corners } from '../height/corners.ts';
import {
	axlesSchema,
	banded,
	between,
	lengthMm,
	outNumber,
	perCornerSchema,
	positive,
	type Computation
} from './computation.ts';

const each = (value: Joi.Schema) => perCornerSchema(value.required()).required();

const car = {
	wheelbaseMm: between(500, 10_000).required(),
	trackFrontMm: between(300, 5000).required(),
	trackRearMm: between(300, 5000).required(),
	loadsN: each(positive(1e6)).description('sprung load at each wheel'),
	wheelRatesNPerMm: each(between(0.1, 10_000)),
	tyreRateNPerMm: between(1, 1e6).required(),
	antiRollNPerMm: axlesSchema(between(0, 10_000).required())
		.required()
		.description('bar at the wheel, per side, for opposite movement'),
	motionRatio: each(between(0.05, 5)).description('at the spring')
};
const stand = {
	heightChangeMm: each(Joi.number()),
	loadChangeN: each(Joi.number()),
	crossWeight: Joi.object({ before: outNumber(), after: outNumber() }).required()
};
const spring = Joi.object({
	rateNPerMm: positive(10_000).required(),
	freeLengthMm: lengthMm(2000)
});

export const carComputations: readonly Computation[] = [
	banded({
		name: 'four-corner',
		summary: 'Heights, loads and cross weight after spring perches are moved.',
		input: Joi.object({ ...car, perchMm: each(between(-500, 500)) }),
		output: Joi.object(stand),
		example: { ...sampleCar, perchMm: { FL: 5, FR: 0, RL: 0, RR: 0 } },
		run: fourCorner
	}),
	banded({
		name: 'collar-plan',
		summary: 'Quarter-turns of four collars for wanted heights and, with scales, a cross weight.',
		input: Joi.object({
			...car,
			targetHeightChangeMm: each(between(-500, 500)),
			targetCrossWeight: between(0.2, 0.8).description('a share: 0.5 is level'),
			threadPitchMm: between(0.1, 50).required(),
			limitsMm: Joi.object({
				min: between(-500, 500).required(),
				max: between(-500, 500).required()
			})
				.required()
				.description('how far each perch may move from where it is'),
			heightWeight: perCornerSchema(between(0.001, 1000).required()),
			crossWeightMmPerPercent: between(0, 1000).description(
				'how many mm of height error one percent of cross weight is worth'
			)
		}),
		output: Joi.object({
			turns: each(Joi.number()),
			perchMm: each(Joi.number()),
			predicted: Joi.object(stand).required(),
			residualMm: outNumber(),
			unroundedResidualMm: outNumber(),
			atLimit: Joi.array()
				.items(Joi.string().valid(...corners))
				.required()
		}),
		example: {
			...sampleCar,
			targetHeightChangeMm: { FL: -12, FR: -10, RL: -8, RR: -10 },
			threadPitchMm: 1.5,
			limitsMm: { min: -25, max: 15 }
		},
		run: collarPlan,
		step: ({ threadPitchMm }, path) =>
			path.startsWith('turns.') ? 1 / 4 : path.startsWith('perchMm.') ? threadPitchMm / 4 : 0
	}),
	{
		name: 'sag-diagnosis',
		summary:
			'Which spring has lost length, or what else makes the car stand so, beside what sound cars scatter.',
		input: Joi.object({
			...car,
			deviationMm: each(between(-500, 500)).description('measured minus specified'),
			heightUncertaintyMm: between(0, 100).default(2),
			shorterMm: perCornerSchema(between(-50, 200)).description(
				'by how much a spring measured free is shorter than it was sold, where one was measured'
			)
		}),
		output: Joi.object({
			suspects: Joi.array()
				.items(
					Joi.object({
						springs: Joi.array()
							.items(Joi.string().valid(...corners))
							.required(),
						lossMm: outNumber(),
						lossExpandedMm: outNumber(),
						unexplainedMm: outNumber(),
						explained: outNumber(),
						likelihood: outNumber()
					})
				)
				.required(),
			others: Joi.array()
				.items(
					Joi.object({
						cause: Joi.string()
							.valid(...otherCauses)
							.required(),
						likelihood: outNumber()
					})
				)
				.required(),
			verdict: Joi.string().valid('sound', 'sagged', 'unclear').required(),
			cannotSeparate: Joi.array().items(Joi.string()).required(),
			candidates: Joi.array().items(Joi.string()).required(),
			warpMm: outNumber()
		}),
		example: {
			...sampleCar,
			deviationMm: { FL: -4, FR: 1, RL: -16, RR: -3 },
			heightUncertaintyMm: 1.5
		},
		run: sagDiagnosis
	},
	banded({
		name: 'predict-height',
		summary: 'Where a corner will stand with a new spring, settled, with its band.',
		input: Joi.object({
			heightBeforeMm: between(-500, 2000).required(),
			sprungLoadN: positive(1e6).required(),
			weighed: Joi.boolean().description('the load was read on scales'),
			motionRatio: between(0.05, 5).required(),
			motionRatioPerMm: between(-0.05, 0.05),
			oldSpring: spring.description('as sold; not needed with its length under the car'),
			oldSpringLengthMm: positive(2000).description(
				'seat to seat under the car, at the height before'
			),
			newSpring: spring.required(),
			gasForceOldN: between(0, 2000).description('of the damper; 0 if absent'),
			gasForceNewN: between(0, 2000).description('of the damper; 0 if absent'),
			damperMotionRatio: between(0.05, 5).description('that of the spring if absent'),
			seatChangeMm: between(-200, 200).required(),
			settlingMm: between(0, 50).required()
		}),
		output: Joi.object({
			newHeightMm: outNumber(),
			settledHeightMm: outNumber(),
			changeMm: outNumber(),
			oldSpringLengthMm: outNumber(),
			newSpringLengthMm: outNumber()
		}),
		example: {
			heightBeforeMm: 352,
			sprungLoadN: 3600,
			motionRatio: 0.95,
			oldSpring: { rateNPerMm: 25, freeLengthMm: 340 },
			newSpring: { rateNPerMm: 25, freeLengthMm: 358 },
			seatChangeMm: 0,
			settlingMm: 5
		},
		run: predictHeight,
		usualUncertainty: usualPredictUncertainty
	})
];
