import Joi from 'joi';
import { bushSetBand } from '../bush/band.ts';
import { bushSet, type BushSetInput } from '../bush/set.ts';
import { between, lengthMm, outNumber, positive, type Computation } from './computation.ts';

const heightMm = () => between(-500, 2000).required();

export const bushComputations: readonly Computation[] = [
	{
		name: 'bush-set',
		summary:
			'Twist, strain, moment and height error a bonded bush keeps from the height it was set at.',
		input: Joi.object({
			armLengthMm: lengthMm(3000),
			outerBelowInnerMm: between(-3000, 3000).required(),
			referenceHubToArchMm: heightMm(),
			setHubToArchMm: heightMm(),
			rideHubToArchMm: heightMm(),
			jointPerWheel: positive(5),
			bush: Joi.object({
				innerDiameterMm: lengthMm(1000),
				outerDiameterMm: lengthMm(1000),
				lengthMm: lengthMm(1000),
				hardnessIrhd: Joi.number(),
				shearModulusMPa: positive(1000)
			})
				.or('hardnessIrhd', 'shearModulusMPa')
				.required(),
			bushCount: Joi.number().integer().min(1).max(20).required(),
			wheelRateNPerMm: positive(10_000).required(),
			limits: Joi.object({
				setDeg: between(0, 90).required(),
				advisedDeg: Joi.number().min(Joi.ref('setDeg')).max(90).required()
			}),
			uncertainty: Joi.object({
				armLengthMm: between(0, 1000).required(),
				outerBelowInnerMm: between(0, 1000).required(),
				setHubToArchMm: between(0, 1000).required(),
				rideHubToArchMm: between(0, 1000).required(),
				stiffnessRelative: between(0, 10).required()
			}).description('standard uncertainties; with them the answer carries its 95 % bands')
		}),
		output: Joi.object({
			twistDeg: outNumber(),
			maxShearStrain: outNumber(),
			torquePerBushNm: outNumber(),
			wheelForceN: outNumber(),
			heightErrorMm: outNumber(),
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
			uncertainty ? bushSetBand(input, uncertainty) : bushSet(input),
		model: (input: BushSetInput) => bushSet(input)
	}
];
