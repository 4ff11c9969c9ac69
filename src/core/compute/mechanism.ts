import Joi from 'joi';
import type { CornerGeometry } from '../mechanism/geometry.ts';
import { cornerPoints } from '../mechanism/points.ts';
import { sampleCorners, sampleTape } from '../mechanism/samples.ts';
import { cornerSweep, travelLimits } from '../mechanism/sweep.ts';
import {
	tapedGeometry,
	tapeSweep,
	usualTapeUncertainty,
	type TapedCorner,
	type TapedTravel
} from '../mechanism/tape.ts';
import { angle, cornerGeometry, cornerLayout, namePattern, point } from '../schema/inputs.ts';
import { banded, between, outNumber, type Computation } from './computation.ts';

const bumps = (most: number) =>
	Joi.array()
		.items(between(-1000, 1000))
		.min(1)
		.max(most)
		.required()
		.description('vertical movement of the wheel centre from the reference posture, mm, + = up');
const mostRows = 2001;

const geometry = cornerGeometry();
const taped = {
	layout: cornerLayout(),
	measures: Joi.object()
		.pattern(namePattern, between(-10_000, 10_000))
		.max(30)
		.required()
		.description('tape measures of this layout by name, at one ride height'),
	staticCamberDeg: angle(30)
};

const twist = Joi.object({ lower: Joi.number(), upper: Joi.number(), arm: Joi.number() });
const tapeRow = {
	bumpMm: outNumber(),
	camberDeg: outNumber(),
	kpiDeg: Joi.number(),
	trackChangeMm: outNumber(),
	wheelbaseChangeMm: outNumber(),
	springLengthMm: Joi.number(),
	springMotionRatio: Joi.number(),
	damperLengthMm: Joi.number(),
	damperMotionRatio: Joi.number(),
	twistDeg: twist.required()
};
const limit = Joi.object({ atMm: outNumber(), blocker: Joi.string() }).required();

type Swept = CornerGeometry & { bumpMm: number[] };

export const mechanismComputations: readonly Computation[] = [
	banded({
		name: 'corner-sweep',
		summary: 'A corner through its travel from hardpoints: angles, twists, lengths, motion ratios.',
		input: Joi.object({ ...geometry, bumpMm: bumps(mostRows) }),
		output: Joi.object({
			rows: Joi.array()
				.items(
					Joi.object({
						...tapeRow,
						toeDeg: outNumber(),
						casterDeg: Joi.number(),
						links: Joi.array().items(Joi.object({ twistDeg: outNumber(), coneDeg: outNumber() }))
					})
				)
				.required()
		}),
		example: { ...sampleCorners['double-wishbone'], bumpMm: [-80, -40, 0, 40, 80] },
		run: ({ bumpMm, ...corner }: Swept) => cornerSweep(corner, bumpMm),
		rows: ({ bumpMm }) => bumpMm.length
	}),
	{
		name: 'corner-travel',
		summary: 'How far a wheel goes each way from hardpoints, and the part that stops it.',
		input: Joi.object({
			...geometry,
			droopMm: between(-1000, 0).default(-300),
			bumpMm: between(0, 1000).default(300)
		}),
		output: Joi.object({ droop: limit, bump: limit }),
		example: { ...sampleCorners['double-wishbone'] },
		run: ({ droopMm, bumpMm, ...corner }: CornerGeometry & { droopMm: number; bumpMm: number }) =>
			travelLimits(corner, droopMm, bumpMm)
	},
	{
		name: 'corner-points',
		summary: 'Where every point of a corner stands at each bump: for drawings.',
		input: Joi.object({ ...geometry, bumpMm: bumps(mostRows) }),
		output: Joi.object({
			postures: Joi.array()
				.items(
					Joi.object({
						bumpMm: outNumber(),
						points: Joi.object().pattern(namePattern, point()).required(),
						links: Joi.array().items(Joi.object({ inner: point(), outer: point() })),
						wheelCentre: point().required(),
						spinAxis: point().required()
					})
				)
				.required()
		}),
		example: { ...sampleCorners['double-wishbone'], bumpMm: [-60, 0, 60] },
		run: ({ bumpMm, ...corner }: Swept) => cornerPoints(corner, bumpMm)
	},
	banded({
		name: 'tape-sweep',
		summary: 'A corner through its travel from a few tape measures, with the band each answer has.',
		input: Joi.object({ ...taped, bumpMm: bumps(mostRows) }),
		output: Joi.object({ rows: Joi.array().items(Joi.object(tapeRow)).required() }),
		example: { ...sampleTape.macpherson, bumpMm: [-60, 0, 60] },
		run: tapeSweep,
		usualUncertainty: usualTapeUncertainty,
		rows: ({ bumpMm }: TapedTravel) => bumpMm.length
	}),
	{
		name: 'tape-geometry',
		summary: 'The hardpoints of the planar model that stands for a taped corner.',
		input: Joi.object(taped),
		output: Joi.object({ ...geometry, points: geometry.points.required() }),
		example: { ...sampleTape.macpherson },
		run: (input: TapedCorner) => tapedGeometry(input)
	}
];
