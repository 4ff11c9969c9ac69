import Joi from 'joi';
import { bushSetBand } from './bush/band.ts';
import { bushSet, type BushSetInput } from './bush/set.ts';
import { compareHeights } from './height/compare.ts';
import { faulty, ok, type Result } from './result.ts';
import {
	convert,
	dimensions,
	findUnit,
	siUnit,
	units,
	type Dimension
} from './units/dimensions.ts';
import { parseQuantity } from './units/parse.ts';
import { validate } from './validate.ts';

/** One named computation: the same for the shell, HTTP and workers. */
export interface Computation {
	name: string;
	summary: string;
	input: Joi.ObjectSchema;
	output: Joi.ObjectSchema;
	/** An input that works. */
	example: Record<string, unknown>;
	run(input: never): Result<object>;
}

const positiveMm = (max = 10_000) => Joi.number().greater(0).max(max).required();
const heightMm = () => Joi.number().min(-500).max(2000).required();
const readings = () =>
	Joi.array().items(Joi.number().min(-1e9).max(1e9)).min(2).max(100_000).required();

interface ConvertInput {
	text?: string;
	value?: number;
	dimension: Dimension;
	from?: string;
	to?: string;
}

function convertQuantity({ text, value, dimension, from, to }: ConvertInput): Result<object> {
	const target = to === undefined ? siUnit(dimension) : findUnit(to, dimension);
	if (!target) {
		const known = units[dimension].map((unit) => unit.symbol).join(', ');
		return faulty({
			field: 'to',
			value: to,
			message: `is not a unit of ${dimension}; one of ${known}`
		});
	}
	const parsed = parseQuantity(text ?? String(value), dimension, {
		field: text === undefined ? 'value' : 'text',
		defaultUnit: from
	});
	if (!parsed.ok) return parsed;
	const { entered, unit, si } = parsed.value;
	return ok({
		value: convert(entered, findUnit(unit, dimension)!, target),
		unit: target.symbol,
		entered,
		enteredUnit: unit,
		siValue: si,
		siUnit: siUnit(dimension).symbol
	});
}

const twistLimits = Joi.object({
	setDeg: Joi.number().min(0).max(90).required(),
	advisedDeg: Joi.number().min(Joi.ref('setDeg')).max(90).required()
});

export const computations: readonly Computation[] = [
	{
		name: 'convert',
		summary: 'A quantity as people say it, in the unit asked for. Exact factors.',
		input: Joi.object({
			text: Joi.string().max(60).description('as typed, for example "14 3/8 in"'),
			value: Joi.number().min(-1e12).max(1e12),
			dimension: Joi.string()
				.valid(...dimensions)
				.required(),
			from: Joi.string().max(20).description('unit of value, or of text that names none'),
			to: Joi.string().max(20).description('unit wanted; the SI unit if absent')
		}).xor('text', 'value'),
		output: Joi.object({
			value: Joi.number().required(),
			unit: Joi.string().required(),
			entered: Joi.number().required(),
			enteredUnit: Joi.string().required(),
			siValue: Joi.number().required(),
			siUnit: Joi.string().required()
		}),
		example: { text: '75 ft-lb', dimension: 'torque', to: 'N·m' },
		run: convertQuantity
	},
	{
		name: 'height-compare',
		summary: 'Did a ride height change? Difference of two sets of readings with its 95 % interval.',
		input: Joi.object({
			beforeMm: readings(),
			afterMm: readings(),
			resolutionMm: Joi.number().min(0).max(100).required(),
			repeatToleranceMm: Joi.number().greater(0).max(1000)
		}),
		output: Joi.object({
			meanBefore: Joi.number().required(),
			meanAfter: Joi.number().required(),
			differenceMm: Joi.number().required(),
			expandedUncertaintyMm: Joi.number().required(),
			degreesOfFreedom: Joi.number().required(),
			verdict: Joi.string().valid('changed', 'not-shown-to-have-changed', 'read-again').required()
		}),
		example: { beforeMm: [352, 353, 352], afterMm: [366, 365, 366], resolutionMm: 1 },
		run: (input: {
			beforeMm: number[];
			afterMm: number[];
			resolutionMm: number;
			repeatToleranceMm?: number;
		}) =>
			ok(compareHeights(input.beforeMm, input.afterMm, input.resolutionMm, input.repeatToleranceMm))
	},
	{
		name: 'bush-set',
		summary:
			'Twist, strain, moment and height error a bonded bush keeps from the height it was set at.',
		input: Joi.object({
			armLengthMm: positiveMm(3000),
			outerBelowInnerMm: Joi.number().min(-3000).max(3000).required(),
			referenceHubToArchMm: heightMm(),
			setHubToArchMm: heightMm(),
			rideHubToArchMm: heightMm(),
			jointPerWheel: Joi.number().greater(0).max(5),
			bush: Joi.object({
				innerDiameterMm: positiveMm(1000),
				outerDiameterMm: positiveMm(1000),
				lengthMm: positiveMm(1000),
				hardnessIrhd: Joi.number(),
				shearModulusMPa: Joi.number().greater(0).max(1000)
			})
				.or('hardnessIrhd', 'shearModulusMPa')
				.required(),
			bushCount: Joi.number().integer().min(1).max(20).required(),
			wheelRateNPerMm: Joi.number().greater(0).max(10_000).required(),
			limits: twistLimits,
			uncertainty: Joi.object({
				armLengthMm: Joi.number().min(0).max(1000).required(),
				outerBelowInnerMm: Joi.number().min(0).max(1000).required(),
				setHubToArchMm: Joi.number().min(0).max(1000).required(),
				rideHubToArchMm: Joi.number().min(0).max(1000).required(),
				stiffnessRelative: Joi.number().min(0).max(10).required()
			}).description('standard uncertainties; with them the answer carries its 95 % bands')
		}),
		output: Joi.object({
			twistDeg: Joi.number().required(),
			maxShearStrain: Joi.number().required(),
			torquePerBushNm: Joi.number().required(),
			wheelForceN: Joi.number().required(),
			heightErrorMm: Joi.number().required(),
			verdict: Joi.string().valid('set', 're-set-advised', 'wound-up').required(),
			twistExpandedDeg: Joi.number(),
			heightErrorExpandedMm: Joi.number(),
			worstVerdict: Joi.string().valid('set', 're-set-advised', 'wound-up')
		}),
		example: {
			armLengthMm: 350,
			outerBelowInnerMm: 20,
			referenceHubToArchMm: 365,
			setHubToArchMm: 430,
			rideHubToArchMm: 365,
			bush: { innerDiameterMm: 20, outerDiameterMm: 42, lengthMm: 45, hardnessIrhd: 55 },
			bushCount: 2,
			wheelRateNPerMm: 24
		},
		run: ({
			uncertainty,
			...input
		}: BushSetInput & { uncertainty?: Parameters<typeof bushSetBand>[1] }) =>
			uncertainty ? bushSetBand(input, uncertainty) : bushSet(input)
	}
];

export function findComputation(name: string): Computation | undefined {
	return computations.find((computation) => computation.name === name);
}

/** Validates the input and runs one computation; every fault names its field. */
export function compute(computation: Computation, input: unknown): Result<object> {
	const checked = validate<never>(computation.input, input);
	return checked.ok ? computation.run(checked.value) : checked;
}
