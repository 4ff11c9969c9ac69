import Joi from 'joi';
import { corners } from '../../core/height/corners.ts';
import { schoolKeys } from '../../core/height/schools.ts';
import { threadConditions } from '../../core/fastener/lubrication.ts';
import { propertyClasses } from '../../core/fastener/thread.ts';
import { jointKinds, jointTools, tightenRules } from '../../core/layout/types.ts';
import { carStates, sights, loadMethods } from '../../core/procedure/facts.ts';
import { pastMoment, quantity, requiredText, text, uuid, version } from './fields.ts';

const cornerList = () =>
	Joi.array()
		.items(Joi.string().valid(...corners))
		.unique()
		.min(1)
		.max(4);
const corner = () =>
	Joi.string()
		.valid(...corners)
		.required();
const phase = () => Joi.string().valid('before', 'after').required();
const school = () => Joi.string().valid(...schoolKeys);
const odometer = () => quantity('distance', { min: 0, max: 3_000_000 }).allow(null, '');
const torque = () => quantity('torque', { min: 0.5, max: 1000 });

export const newJobSchema = Joi.object({
	id: uuid().required(),
	vehicleId: uuid().required(),
	complaint: requiredText(2000),
	odometer: odometer(),
	corners: cornerList().required(),
	technicianId: uuid().allow(null, '')
});

/** A change of the job's head; only what is given changes. */
export const jobChangeSchema = Joi.object({
	version: version(),
	complaint: text(2000).disallow(''),
	odometer: odometer(),
	corners: cornerList(),
	technicianId: uuid().allow(null, ''),
	school: school(),
	resetAbove: quantity('length', { min: 1, max: 200 })
}).or('complaint', 'odometer', 'corners', 'technicianId', 'school', 'resetAbove');

/** How the car stood while heights were read. */
export const conditions = () =>
	Joi.object({
		levelFloor: Joi.boolean().required(),
		rolledAndBounced: Joi.boolean().required(),
		steeringAhead: Joi.boolean().required(),
		brakesOff: Joi.boolean().required(),
		tyrePressures: text(120).required(),
		fuel: text(120).required(),
		load: text(120).required()
	}).required();

export const heightSetSchema = Joi.object({
	version: version(),
	resolution: quantity('length', { min: 0.01, max: 10 }).required(),
	conditions: conditions()
});

export const readingSchema = Joi.object({
	id: uuid().required(),
	phase: phase(),
	corner: corner(),
	school: school().required(),
	height: quantity('length', {}),
	correctsId: uuid(),
	withdraw: Joi.boolean(),
	takenAt: pastMoment().required()
})
	.xor('height', 'withdraw')
	.with('withdraw', 'correctsId');

export const targetSchema = Joi.object({
	version: version(),
	corner: corner(),
	height: quantity('length', {})
		.allow(null)
		.description('null goes back to the default; a predicted one is computed')
		.when('source', { is: 'predicted', then: Joi.forbidden(), otherwise: Joi.required() }),
	source: Joi.string().valid('maker', 'predicted', 'chosen').required(),
	prediction: Joi.object({
		sprungLoad: quantity('force', { min: 100, max: 50_000 }).required(),
		motionRatio: Joi.number().min(0.1).max(2).required(),
		oldRate: quantity('rate', { min: 1, max: 1000 }).required(),
		oldFreeLength: quantity('length', { min: 50, max: 1500 }).required(),
		newRate: quantity('rate', { min: 1, max: 1000 }).required(),
		newFreeLength: quantity('length', { min: 50, max: 1500 }).required(),
		seatChange: quantity('length', { min: -100, max: 100 }).required(),
		settling: quantity('length', { min: 0, max: 30 }).required()
	}).when('source', { is: 'predicted', then: Joi.required(), otherwise: Joi.forbidden() })
});

export const offsetSchema = Joi.object({
	version: version(),
	axle: Joi.string().valid('front', 'rear').required(),
	offset: quantity('length', { min: -800, max: 800 }).required()
});

const angle = () => quantity('angle', { min: 1, max: 720 });
const following = Joi.object({
	kind: Joi.string().valid('angle', 'slacken', 'torque').required(),
	angle: angle().when('kind', { is: 'torque', then: Joi.forbidden(), otherwise: Joi.required() }),
	tolerance: quantity('angle', { min: 0, max: 90 }).when('kind', {
		is: 'angle',
		otherwise: Joi.forbidden()
	}),
	torque: torque().when('kind', { is: 'torque', then: Joi.required(), otherwise: Joi.forbidden() })
});

/** How a joint is tightened besides its torque, as said. */
const programme = Joi.object({
	then: Joi.array().items(following).max(6),
	castle: Joi.object({
		high: torque().required(),
		slotDeg: Joi.number().valid(30, 60).required()
	}),
	cushionTo: Joi.string().valid('washer-edge', 'shoulder'),
	pattern: Joi.object({
		fasteners: Joi.number().valid(3, 4, 5, 6, 8).required(),
		passes: Joi.number().valid(1, 2).required()
	}),
	prevailing: quantity('torque', { min: 0.1, max: 100 }),
	adapter: Joi.object({
		length: quantity('length', { min: 5, max: 1000 }).required(),
		angleDeg: Joi.number().min(-90).max(90).required()
	})
});

const thread = Joi.object({
	diameterMm: Joi.number().min(4).max(36).required(),
	pitchMm: Joi.number().min(0.5).max(4).required(),
	propertyClass: Joi.string()
		.valid(...propertyClasses)
		.required(),
	condition: Joi.string()
		.valid(...threadConditions)
		.required()
});

const jointFields = {
	name: text(120).disallow(''),
	kind: Joi.string().valid(...jointKinds),
	rule: Joi.string().valid(...tightenRules),
	torque: torque().allow(null, ''),
	torqueSource: Joi.string().valid('maker', 'shop', 'estimated').allow(null),
	oneTime: Joi.boolean(),
	tool: Joi.string().valid(...jointTools),
	holdStud: Joi.boolean(),
	programme: programme.allow(null),
	thread: thread.allow(null),
	loosened: Joi.boolean(),
	note: text(500)
};

export const newJointSchema = Joi.object({
	version: version(),
	id: uuid().required(),
	corner: corner(),
	...jointFields
}).fork(['name', 'kind', 'rule'], (field) => field.required());

export const jointChangeSchema = Joi.object({ version: version(), ...jointFields }).or(
	...Object.keys(jointFields)
);

export const removeSchema = Joi.object({ version: version() });

export const retorqueSchema = Joi.object({
	id: uuid().required(),
	odometer: quantity('distance', { min: 0, max: 3_000_000 }).allow('', null),
	torque: torque().required(),
	found: Joi.string().valid('held', 'moved').required(),
	note: text(500).default(''),
	takenAt: pastMoment().required()
});

const method = () => Joi.string().valid(...loadMethods);
const hubToArch = () => quantity('length', { min: 150, max: 800 });

/** A torque, an angle, a sight, a skip, or the withdrawal of one: exactly one of them. */
export const torqueSchema = Joi.object({
	id: uuid().required(),
	jointId: uuid().required(),
	action: Joi.number().integer().min(0).max(200).default(0),
	torque: torque(),
	angle: angle().description('turned in this step; a torque may be said with it'),
	seen: Joi.string().valid(...sights),
	skipReason: text(500).disallow('').min(3),
	withdraw: Joi.boolean(),
	wrench: text(80).default(''),
	wrenchId: uuid(),
	overrideReason: text(500).disallow('').min(10),
	carState: Joi.string()
		.valid(...carStates)
		.required(),
	method: Joi.when('carState', {
		is: 'loaded',
		then: method().required(),
		otherwise: Joi.forbidden()
	}),
	hubToArch: hubToArch(),
	correctsId: uuid(),
	lastSeenId: uuid()
		.allow(null)
		.description('newest row of this joint the writer knows; refused when there is a newer one'),
	takenAt: pastMoment().required()
})
	.or('torque', 'angle', 'seen', 'skipReason', 'withdraw')
	.without('seen', ['torque', 'angle', 'skipReason', 'withdraw'])
	.without('skipReason', ['torque', 'angle', 'withdraw'])
	.without('withdraw', ['torque', 'angle'])
	.with('withdraw', 'correctsId');

/** A look at a loaded corner; where it is jacked, with the opposite corner before and now. */
export const loadingSchema = Joi.object({
	id: uuid().required(),
	corner: corner(),
	method: method().required(),
	hubToArch: hubToArch().required(),
	oppositeBefore: quantity('length', { min: 50, max: 1300 }),
	oppositeNow: quantity('length', { min: 50, max: 1300 }),
	takenAt: pastMoment().required()
}).and('oppositeBefore', 'oppositeNow');

export const signOffSchema = Joi.object({
	id: uuid().required(),
	version: version(),
	overrideReason: text(1000).disallow('').min(10)
});
