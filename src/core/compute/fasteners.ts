import Joi from 'joi';
import { bolt, torqueAfterAngle, torqueAtFriction, type BoltInput } from '../fastener/bolt.ts';
import { plausibleTorque } from '../fastener/plausibility.ts';
import { actions, castleNut, type Programme } from '../fastener/programme.ts';
import { propertyClasses } from '../fastener/thread.ts';
import { torqueTrace, traceFlags } from '../fastener/trace/read.ts';
import { calibration, wrenchSetting } from '../fastener/wrench.ts';
import { ok } from '../result.ts';
import {
	banded,
	between,
	numbers,
	outFlag,
	outNumber,
	positive,
	type Computation
} from './computation.ts';

const torqueNm = () => positive(100_000);
const friction = () => between(0.04, 0.5).required();
const thread = {
	diameterMm: between(1, 200).required(),
	pitchMm: between(0.1, 20).required(),
	propertyClass: Joi.string()
		.valid(...propertyClasses)
		.required()
};
const screw = {
	...thread,
	frictionThread: friction(),
	frictionHead: friction(),
	meanHeadDiameterMm: between(1, 500).required()
};
const exampleScrew = {
	diameterMm: 12,
	pitchMm: 1.75,
	propertyClass: '10.9',
	frictionThread: 0.12,
	frictionHead: 0.12,
	meanHeadDiameterMm: 15.6
};
const degrees = (most = 360_000) => between(0, most);

const step = Joi.object({
	kind: Joi.string().valid('torque', 'angle', 'slacken', 'castle', 'cushion').required(),
	torqueNm: torqueNm().when('kind', { is: 'torque', then: Joi.required() }),
	lowNm: torqueNm().when('kind', { is: 'castle', then: Joi.required() }),
	highNm: torqueNm().when('kind', { is: 'castle', then: Joi.required() }),
	angleDeg: degrees().when('kind', { is: Joi.valid('angle', 'slacken'), then: Joi.required() }),
	toleranceDeg: degrees(),
	slotDeg: Joi.number().valid(30, 60).when('kind', { is: 'castle', then: Joi.required() }),
	to: Joi.string()
		.valid('washer-edge', 'shoulder')
		.when('kind', { is: 'cushion', then: Joi.required() })
});

/** Run-down at 2 N·m, then 1.5 N·m a degree to 105 N·m: the example of `torque-trace`. */
const angles = Array.from({ length: 100 }, (_, i) => i * 2);
const pull = angles.map((angle) => Math.min(105, 2 + Math.max(0, angle - 90) * 1.5));
const lastAngle = pull.indexOf(105) + 1;

export const fastenerComputations: readonly Computation[] = [
	banded({
		name: 'bolt',
		summary: 'Stress area, proof load, clamp and torque at 90 % of yield, clamp of a torque.',
		input: Joi.object({ ...screw, torqueNm: torqueNm() }),
		output: Joi.object({
			stressAreaMm2: outNumber(),
			proofLoadN: outNumber(),
			preload90N: outNumber(),
			torque90Nm: outNumber(),
			clampN: Joi.number(),
			utilisation: Joi.number()
		}),
		example: { ...exampleScrew, torqueNm: 110 },
		run: bolt
	}),
	{
		name: 'torque-plausible',
		summary: 'Do thread, class and torque belong together? If not, which slip would explain it.',
		input: Joi.object({ ...thread, torqueNm: torqueNm().required() }),
		output: Joi.object({
			plausible: outFlag(),
			referenceNm: outNumber(),
			share: outNumber(),
			likely: Joi.array().items(Joi.string()).required()
		}),
		example: { diameterMm: 8, pitchMm: 1.25, propertyClass: '8.8', torqueNm: 90 },
		run: plausibleTorque
	},
	banded({
		name: 'torque-lubricated',
		summary: 'The torque for the same clamp when thread and head have another friction.',
		input: Joi.object({
			...screw,
			torqueNm: torqueNm().required(),
			newFrictionThread: friction(),
			newFrictionHead: friction()
		}),
		output: Joi.object({ torqueNm: outNumber(), clampN: outNumber(), share: outNumber() }),
		example: { ...exampleScrew, torqueNm: 110, newFrictionThread: 0.08, newFrictionHead: 0.08 },
		run: ({
			newFrictionThread,
			newFrictionHead,
			...screw
		}: BoltInput & { torqueNm: number; newFrictionThread: number; newFrictionHead: number }) =>
			torqueAtFriction(screw, newFrictionThread, newFrictionHead)
	}),
	banded({
		name: 'torque-after-angle',
		summary:
			'The torque to expect at the end of torque plus angle, from the stiffness of the joint.',
		input: Joi.object({
			...screw,
			snugNm: torqueNm().required(),
			angleDeg: between(0, 3600).required(),
			boltNPerMm: positive(1e8).required(),
			partsNPerMm: positive(1e8).required()
		}),
		output: Joi.object({
			torqueNm: outNumber(),
			slopeNmPerDeg: outNumber(),
			clampN: outNumber(),
			yields: outFlag()
		}),
		example: {
			...exampleScrew,
			snugNm: 50,
			angleDeg: 90,
			boltNPerMm: 300_000,
			partsNPerMm: 1_200_000
		},
		run: torqueAfterAngle
	}),
	banded({
		name: 'wrench-setting',
		summary: 'What to set on a wrench with an adapter in line or at an angle.',
		input: Joi.object({
			targetNm: torqueNm().required(),
			wrenchLengthMm: positive(5000).required(),
			adapterLengthMm: between(0, 5000).required(),
			adapterAngleDeg: between(-180, 180).required()
		}),
		output: Joi.object({ settingNm: outNumber() }),
		example: { targetNm: 120, wrenchLengthMm: 400, adapterLengthMm: 75, adapterAngleDeg: 0 },
		run: wrenchSetting
	}),
	{
		name: 'wrench-calibration',
		summary: 'Calibration readings against the permitted deviation of ISO 6789-1.',
		input: Joi.object({
			readings: Joi.array()
				.items(Joi.object({ setNm: torqueNm().required(), readNm: torqueNm().required() }))
				.min(1)
				.max(100)
				.required(),
			highestNm: torqueNm().description('the tool’s maximum; absent: the highest that was set')
		}),
		output: Joi.object({
			passes: outFlag(),
			readings: Joi.array()
				.items(
					Joi.object({
						deviation: outNumber(),
						permitted: outNumber(),
						passes: outFlag()
					})
				)
				.required()
		}),
		example: {
			readings: [
				{ setNm: 40, readNm: 40.8 },
				{ setNm: 120, readNm: 118.9 },
				{ setNm: 200, readNm: 206.5 }
			]
		},
		run: ({
			readings,
			highestNm
		}: {
			readings: { setNm: number; readNm: number }[];
			highestNm?: number;
		}) => ok(calibration(readings, highestNm))
	},
	banded({
		name: 'castle-nut',
		summary:
			'From the low limit forward to the next slot: the torque there, and whether it may be.',
		input: Joi.object({
			lowNm: torqueNm().required(),
			highNm: Joi.number().min(Joi.ref('lowNm')).max(100_000).required(),
			toNextSlotDeg: between(0, 60).required(),
			slopeNmPerDeg: between(0, 1000).required()
		}),
		output: Joi.object({ angleDeg: outNumber(), torqueNm: outNumber(), refused: outFlag() }),
		example: { lowNm: 40, highNm: 90, toNextSlotDeg: 35, slopeNmPerDeg: 1.1 },
		run: (input: Parameters<typeof castleNut>[0]) => ok(castleNut(input))
	}),
	{
		name: 'tightening-steps',
		summary: 'What to do in which order for a programme: passes, star pattern, prevailing torque.',
		input: Joi.object({
			steps: Joi.array().items(step).min(1).max(20).required(),
			pattern: Joi.object({
				fasteners: Joi.number().valid(3, 4, 5, 6, 8).required(),
				passes: Joi.number().valid(1, 2).required()
			}),
			prevailingNm: between(0, 1000)
		}),
		output: Joi.object({
			actions: Joi.array()
				.items(
					Joi.object({
						fastener: outNumber(),
						pass: outNumber(),
						step: outNumber(),
						kind: Joi.string().valid('torque', 'angle', 'slacken', 'castle', 'cushion').required(),
						torqueNm: Joi.number(),
						angleDeg: Joi.number()
					})
				)
				.required()
		}),
		example: {
			steps: [{ kind: 'torque', torqueNm: 120 }],
			pattern: { fasteners: 5, passes: 2 }
		},
		run: (programme: Programme) => ok({ actions: actions(programme) })
	},
	{
		name: 'torque-trace',
		summary: 'A tightening from torque over angle: run-down, snug, slope, peak, and what is wrong.',
		input: Joi.object({
			angleDeg: numbers(1, 200_000, -1e6, 1e6),
			torqueNm: numbers(1, 200_000, -1e5, 1e5),
			programme: Joi.object({
				targetNm: torqueNm().required().description('prevailing torque not included'),
				tolerance: between(0, 1).description('share of the target, either way; 0.05 if absent'),
				angleDeg: positive(3600).description('from snug, where the programme ends by angle'),
				prevailingNm: between(0, 1000).description(
					'to turn the nut, where it is known; else read from the run-down'
				),
				slopeNmPerDeg: positive(1000).description('of this joint as known'),
				rubberNmPerDeg: positive(1000).description(
					'torsional rate of the rubber that may be wound; left out: there is none'
				)
			}).required()
		}),
		output: Joi.object({
			prevailingNm: outNumber(),
			snugDeg: outNumber(),
			slopeNmPerDeg: outNumber(),
			peakNm: outNumber(),
			finalAngleDeg: outNumber(),
			hits: outNumber(),
			verdict: Joi.string().valid('accepted', 'cannot-tell', 'rejected').required(),
			flags: Joi.array()
				.items(Joi.string().valid(...traceFlags))
				.required()
		}),
		example: {
			angleDeg: angles.slice(0, lastAngle),
			torqueNm: pull.slice(0, lastAngle),
			programme: { targetNm: 105, slopeNmPerDeg: 1.5 }
		},
		run: torqueTrace
	}
];
