/** Inputs of computations that cars and jobs keep too: read here by both, so that neither loads the other. */
import Joi from 'joi';
import { between, lengthMm, positive } from '../compute/computation.ts';
import { mechanismLayouts } from '../mechanism/geometry.ts';

export const rate = () => positive(10_000).required();

export const namePattern = /^[A-Za-z]{1,40}$/;
export const cornerLayout = () =>
	Joi.string()
		.valid(...mechanismLayouts)
		.required();
export const point = () =>
	Joi.array()
		.items(between(-10_000, 10_000))
		.length(3)
		.description('[x, y, z] in mm: x forward, y left, z up');
const carrier = () =>
	Joi.string().pattern(
		/^(lower|upper|knuckle|arm|link:[0-4])$/,
		'lower, upper, knuckle, arm or link:0 to link:4'
	);
export const angle = (most: number) => between(-most, most).default(0);

/** A corner by its hardpoints, all at the reference posture. */
export const cornerGeometry = () => ({
	layout: cornerLayout(),
	side: Joi.string().valid('left', 'right').required(),
	points: Joi.object().pattern(namePattern, point()).max(30).default({}),
	links: Joi.array()
		.items(Joi.object({ inner: point().required(), outer: point().required(), bushAxis: point() }))
		.max(5)
		.description('five, for multi-link'),
	wheelCentre: point().required(),
	staticCamberDeg: angle(30),
	staticToeDeg: angle(30),
	springOn: carrier(),
	damperOn: carrier()
});

export const compressor = () => ({
	rateNPerMm: rate(),
	activeCoils: between(0.5, 200).required(),
	hookedCoils: positive(200).required(),
	freeLengthMm: lengthMm(2000),
	installedLengthMm: lengthMm(2000),
	clearanceMm: between(0, 200).required(),
	deadCoils: between(0, 10).description(
		'that lie dead on the seats, both ends together; 1.5 if absent'
	),
	screws: Joi.number().integer().min(1).max(4).required(),
	hooksPerScrew: Joi.number()
		.integer()
		.min(1)
		.max(4)
		.required()
		.description('hooks at each end of one screw'),
	screwLeadMm: positive(50).required(),
	wireDiameterMm: lengthMm(100),
	ratedLoadPerHookN: positive(1e6),
	ratedLoadPerScrewN: positive(1e6)
});

export const armSpring = () => ({
	rateNPerMm: rate(),
	freeLengthMm: lengthMm(2000),
	droopLengthMm: lengthMm(2000),
	lengthPerJackMm: positive(5).required()
});
