import Joi from 'joi';
import * as inputs from '../schema/inputs.ts';
import { armSpring } from '../spring/arm-spring.ts';
import { coilover } from '../spring/coilover.ts';
import { springCompressor } from '../spring/compressor.ts';
import { identifySpring, springRate, usualCaliperUncertainty } from '../spring/rate.ts';
import { springStack } from '../spring/series.ts';
import { readSpringTable } from '../spring/table.ts';
import {
	banded,
	between,
	lengthMm,
	outFlag,
	outNumber,
	positive,
	type Computation
} from './computation.ts';

const forceN = (most = 1e6) => between(0, most);
const shearModulus = () =>
	between(10, 250)
		.required()
		.description('GPa: 81.5 drawn wire (EN 10270-1), 79.5 oil-tempered (EN 10270-2)');
const rows = (row: Record<string, Joi.Schema>) => Joi.array().items(Joi.object(row)).required();

export const springComputations: readonly Computation[] = [
	banded({
		name: 'spring-rate',
		summary: 'Rate, index and stress of a coil spring of round wire (EN 13906-1).',
		input: Joi.object({
			wireDiameterMm: lengthMm(100),
			meanDiameterMm: lengthMm(1000),
			activeCoils: between(0.5, 200).required(),
			shearModulusGPa: shearModulus(),
			forceN: forceN()
		}),
		output: Joi.object({ rateNPerMm: outNumber(), index: outNumber(), stressMPa: Joi.number() }),
		example: {
			wireDiameterMm: 12,
			meanDiameterMm: 130,
			activeCoils: 5.5,
			shearModulusGPa: 79.5,
			forceN: 3200
		},
		run: springRate
	}),
	banded({
		name: 'spring-identify',
		summary: 'Rate of a spring on the bench, by caliper through its paint, with its band.',
		input: Joi.object({
			wireDiameterMm: lengthMm(100).description('over the paint'),
			outerDiameterMm: lengthMm(1000),
			totalCoils: between(1, 200).required(),
			deadCoils: between(0, 10).required(),
			freeLengthMm: lengthMm(2000),
			coatMm: between(0, 3).required().description('paint on one side'),
			shearModulusGPa: shearModulus()
		}),
		output: Joi.object({
			rateNPerMm: outNumber(),
			index: outNumber(),
			wireDiameterMm: outNumber(),
			meanDiameterMm: outNumber(),
			activeCoils: outNumber(),
			solidLengthMm: outNumber()
		}),
		example: {
			wireDiameterMm: 12.4,
			outerDiameterMm: 142.4,
			totalCoils: 6.5,
			deadCoils: 1,
			freeLengthMm: 345,
			coatMm: 0.2,
			shearModulusGPa: 79.5
		},
		run: identifySpring,
		usualUncertainty: () => usualCaliperUncertainty
	}),
	banded({
		name: 'spring-series',
		summary:
			'Stacked springs, a helper on a main spring: where each closes and the rate in between.',
		input: Joi.object({
			springs: Joi.array()
				.items(Joi.object({ rateNPerMm: inputs.rate(), travelMm: lengthMm(1000) }))
				.min(1)
				.max(6)
				.required(),
			forceN: forceN()
		}),
		output: Joi.object({
			rateNPerMm: outNumber(),
			line: rows({ compressionMm: outNumber(), forceN: outNumber(), rateNPerMm: outNumber() }),
			atForce: Joi.object({ compressionMm: outNumber(), rateNPerMm: outNumber() })
		}),
		example: {
			springs: [
				{ rateNPerMm: 20, travelMm: 30 },
				{ rateNPerMm: 70, travelMm: 110 }
			],
			forceN: 3200
		},
		run: springStack
	}),
	banded({
		name: 'spring-table',
		summary: 'A progressive spring from press readings, read at lengths or at forces.',
		input: Joi.object({
			points: Joi.array()
				.items(Joi.object({ lengthMm: lengthMm(2000), forceN: forceN().required() }))
				.min(2)
				.max(500)
				.required(),
			lengthMm: Joi.array().items(positive(2000)).max(2000),
			forceN: Joi.array().items(forceN()).max(2000)
		}).or('lengthMm', 'forceN'),
		output: Joi.object({
			rows: rows({ lengthMm: outNumber(), forceN: outNumber(), rateNPerMm: outNumber() })
		}),
		example: {
			points: [
				{ lengthMm: 330, forceN: 0 },
				{ lengthMm: 290, forceN: 900 },
				{ lengthMm: 250, forceN: 2100 },
				{ lengthMm: 210, forceN: 3900 },
				{ lengthMm: 180, forceN: 6200 }
			],
			lengthMm: [300, 250, 200],
			forceN: [3200]
		},
		run: readSpringTable,
		rows: ({ lengthMm = [], forceN = [] }) => lengthMm.length + forceN.length
	}),
	banded({
		name: 'spring-compressor',
		summary: 'What a hook compressor must bear to free the seat, its turns, and the energy held.',
		input: Joi.object(inputs.compressor()),
		output: Joi.object({
			seatForceN: outNumber(),
			hookForceTotalN: outNumber(),
			forcePerScrewN: outNumber(),
			forcePerHookN: outNumber(),
			screwTravelMm: outNumber(),
			turnsPerHook: outNumber(),
			energyJ: outNumber(),
			coilBind: outFlag(),
			coilGapMm: outNumber(),
			dropOf10KgMm: outNumber(),
			steps: Joi.array().items(Joi.number()).required(),
			overloaded: Joi.boolean()
		}),
		example: {
			rateNPerMm: 25,
			activeCoils: 5.5,
			hookedCoils: 3.5,
			freeLengthMm: 345,
			installedLengthMm: 250,
			clearanceMm: 10,
			screws: 2,
			hooksPerScrew: 1,
			screwLeadMm: 2,
			wireDiameterMm: 12,
			ratedLoadPerHookN: 5000
		},
		run: springCompressor
	}),
	banded({
		name: 'arm-spring',
		summary: 'Force and energy in a separate coil as the jack under its arm goes down.',
		input: Joi.object(inputs.armSpring()),
		output: Joi.object({
			droopForceN: outNumber(),
			droopEnergyJ: outNumber(),
			freeAfterMm: outNumber(),
			rows: rows({
				jackDownMm: outNumber(),
				springForceN: outNumber(),
				jackForceN: outNumber(),
				energyJ: outNumber()
			})
		}),
		example: { rateNPerMm: 45, freeLengthMm: 310, droopLengthMm: 265, lengthPerJackMm: 0.62 },
		run: armSpring
	}),
	banded({
		name: 'coilover',
		summary: 'A coilover in its travel: where the damper stands, what is left, turns for a height.',
		input: Joi.object({
			springRateNPerMm: inputs.rate(),
			freeLengthMm: lengthMm(2000),
			solidLengthMm: lengthMm(2000),
			motionRatio: positive(5).required(),
			sprungLoadN: positive(1e6).required(),
			damperStrokeMm: lengthMm(1000),
			preloadMm: between(-500, 500).required(),
			threadPitchMm: positive(50).required(),
			heightChangeMm: between(-500, 500),
			bodyLengthAdjuster: Joi.boolean()
		}),
		output: Joi.object({
			springForceN: outNumber(),
			toppedOut: outFlag(),
			bottomedOut: outFlag(),
			damperFromExtendedMm: outNumber(),
			droopAtWheelMm: outNumber(),
			bumpAtWheelMm: outNumber(),
			bindMarginMm: outNumber(),
			bind: Joi.string().valid('clear', 'within-margin', 'coil-bound').required(),
			looseAtDroop: outFlag(),
			turnsForHeight: Joi.number(),
			preloadAfterMm: Joi.number()
		}),
		example: {
			springRateNPerMm: 60,
			freeLengthMm: 200,
			solidLengthMm: 78,
			motionRatio: 0.95,
			sprungLoadN: 3300,
			damperStrokeMm: 110,
			preloadMm: 10,
			threadPitchMm: 1.5,
			heightChangeMm: -10
		},
		run: coilover
	})
];
