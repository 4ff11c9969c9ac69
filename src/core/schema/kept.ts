/** Schemas of what a job keeps: SI numbers beside what was typed. For files, old and new. */
import Joi from 'joi';
import { cornerGeometry } from './inputs.ts';
import { threadConditions } from '../fastener/lubrication.ts';
import { propertyClasses } from '../fastener/thread.ts';
import { corners } from '../height/corners.ts';
import { schoolKeys } from '../height/schools.ts';
import { layoutKeys } from '../layout/catalogue.ts';
import { jointKinds, jointPlaces, jointTools, tightenRules } from '../layout/types.ts';
import { carStates, loadMethods, sights } from '../procedure/facts.ts';
import { requiredText, text, uuid } from './fields.ts';

export const id = () => uuid().required();
export const mm = () => Joi.number().min(-2000).max(6000);
export const optionalMm = () => mm().allow(null).required();
export const corner = () =>
	Joi.string()
		.valid(...corners)
		.required();
export const phase = () => Joi.string().valid('before', 'after').required();
export const school = () => Joi.string().valid(...schoolKeys);
export const method = () => Joi.string().valid(...loadMethods);
export const carState = () =>
	Joi.string()
		.valid(...carStates)
		.required();
export const entered = () => text(60).required();
export const cornerList = () =>
	Joi.array()
		.items(Joi.string().valid(...corners))
		.unique()
		.min(1)
		.max(4);
export const step = () => Joi.number().integer().min(0).max(200);

const axle = () =>
	Joi.object({
		layout: Joi.string()
			.valid(...layoutKeys)
			.required(),
		trackMm: mm().min(900).max(2200).required(),
		tyreSize: text(40).required(),
		armLengthMm: optionalMm(),
		outerBelowInnerMm: optionalMm(),
		referenceHubToArchMm: optionalMm(),
		wheelRateNPerMm: Joi.number().greater(0).max(300).allow(null).required(),
		makerHeightMm: optionalMm(),
		makerHeightSchool: school().allow(null).required(),
		tape: Joi.object()
			.pattern(/^[a-zA-Z]{1,40}(Mm|Deg)$/, mm())
			.max(20)
			.allow(null)
			.default(null),
		hardpoints: Joi.object(cornerGeometry()).allow(null).default(null)
	}).required();

export const vehicle = () =>
	Joi.object({
		id: id(),
		plate: requiredText(20),
		vin: Joi.string()
			.pattern(/^[A-HJ-NPR-Z0-9]{17}$/)
			.allow(null)
			.required(),
		make: text(60).required(),
		model: text(60).required(),
		modelYear: Joi.number().integer().min(1900).max(2100).allow(null).required(),
		owner: text(120).required(),
		phone: text(40),
		wheelbaseMm: mm().min(1500).max(5000).required(),
		modifications: text(2000).required(),
		axles: Joi.object({ front: axle(), rear: axle() }).required(),
		entered: Joi.object()
			.pattern(/^[\w.]{1,60}$/, text(60))
			.required(),
		version: Joi.number().integer().min(1).required()
	}).required();

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

export const heightSet = () =>
	Joi.object({
		conditions: conditions(),
		resolutionMm: Joi.number().greater(0).max(10).required()
	});

const torqueNm = () => Joi.number().greater(0).max(1000);
const degrees = () => Joi.number().min(0).max(720);
const programme = () =>
	Joi.object({
		then: Joi.array()
			.items(
				Joi.object({
					kind: Joi.string().valid('angle', 'slacken', 'torque').required(),
					angleDeg: degrees(),
					toleranceDeg: degrees(),
					torqueNm: torqueNm()
				})
			)
			.max(6),
		castle: Joi.object({
			highNm: torqueNm().required(),
			slotDeg: Joi.number().valid(30, 60).required()
		}),
		cushionTo: Joi.string().valid('washer-edge', 'shoulder'),
		pattern: Joi.object({
			fasteners: Joi.number().valid(3, 4, 5, 6, 8).required(),
			passes: Joi.number().valid(1, 2).required()
		}),
		prevailingNm: torqueNm(),
		adapter: Joi.object({
			lengthMm: Joi.number().greater(0).max(1000).required(),
			angleDeg: Joi.number().min(-90).max(90).required()
		})
	});
export const thread = () =>
	Joi.object({
		diameterMm: Joi.number().min(4).max(36).required(),
		pitchMm: Joi.number().min(0.5).max(4).required(),
		propertyClass: Joi.string()
			.valid(...propertyClasses)
			.required(),
		condition: Joi.string()
			.valid(...threadConditions)
			.required()
	});

export const jointFields = () => ({
	corner: corner(),
	position: Joi.number().integer().min(0).max(1000).required(),
	name: requiredText(120),
	kind: Joi.string()
		.valid(...jointKinds)
		.required(),
	rule: Joi.string()
		.valid(...tightenRules)
		.required(),
	torqueNm: Joi.number().greater(0).max(1000).allow(null).required(),
	torqueEntered: text(60).allow(null).required(),
	torqueSource: Joi.string().valid('maker', 'shop', 'estimated').allow(null).required(),
	oneTime: Joi.boolean().required(),
	tool: Joi.string()
		.valid(...jointTools)
		.default('run-down'),
	holdStud: Joi.boolean().default(false),
	pairKey: text(40).allow(null).default(null),
	programme: programme().allow(null).default(null),
	thread: thread().allow(null).default(null),
	place: Joi.string()
		.valid(...jointPlaces)
		.allow(null)
		.default(null),
	loosened: Joi.boolean().default(true),
	note: text(500).required()
});

const verdict = () => Joi.string().valid('set', 're-set-advised', 'wound-up').required();
const number = () => Joi.number().required();
const bush = () =>
	Joi.object({
		twistDeg: number(),
		maxShearStrain: number(),
		torquePerBushNm: number(),
		wheelForceN: number(),
		heightErrorMm: number(),
		verdict: verdict(),
		twistExpandedDeg: number(),
		heightErrorExpandedMm: number(),
		worstVerdict: verdict()
	});

export const torqueFields = () => ({
	action: step().default(0),
	torqueNm: torqueNm().allow(null).required(),
	angleDeg: degrees().allow(null).default(null),
	wrenchId: uuid().allow(null).default(null),
	settingNm: torqueNm().max(5000).allow(null).default(null),
	overrideReason: text(500).allow(null).default(null),
	deviceReadingId: uuid().allow(null).default(null),
	entered: entered(),
	seen: Joi.string()
		.valid(...sights)
		.allow(null)
		.required(),
	wrench: text(80).required(),
	carState: carState(),
	method: method().allow(null).required(),
	hubToArchMm: optionalMm(),
	hubToArchEntered: text(60).allow(null).required(),
	targetHubToArchMm: optionalMm(),
	bush: bush().allow(null).required(),
	// Absent in books of before: a default would change what was hashed.
	loosenedFirst: Joi.boolean().allow(null),
	aheadReason: text(500).allow(null)
});

/** Beside `withdrawn`, which says whether there is a height. */
export const readingFields = () => ({
	phase: phase(),
	school: school().required(),
	heightMm: Joi.when('withdrawn', {
		is: true,
		then: Joi.valid(null),
		otherwise: mm().max(1300)
	}).required(),
	entered: entered()
});

export const loadingFields = () => ({
	method: method().required(),
	hubToArchMm: mm().required(),
	entered: entered(),
	oppositeBeforeMm: optionalMm(),
	oppositeNowMm: optionalMm(),
	deviceReadingId: uuid().allow(null).default(null)
});

const spring = () =>
	Joi.object({
		rateNPerMm: Joi.number().greater(0).max(10_000).required(),
		freeLengthMm: Joi.number().greater(0).max(10_000).required()
	});
const prediction = () =>
	Joi.object({
		input: Joi.object({
			heightBeforeMm: mm().required(),
			sprungLoadN: Joi.number().greater(0).max(1e6).required(),
			weighed: Joi.boolean(),
			motionRatio: Joi.number().greater(0).max(5).required(),
			oldSpring: spring(),
			oldSpringLengthMm: mm(),
			newSpring: spring().required(),
			gasForceOldN: Joi.number().min(0).max(2000),
			gasForceNewN: Joi.number().min(0).max(2000),
			seatChangeMm: mm().required(),
			settlingMm: mm().required()
		}).required(),
		typed: Joi.object()
			.pattern(/^[A-Za-z]{1,40}$/, text(60))
			.max(20)
			.required(),
		expandedMm: mm().required()
	});

export const targetFields = () => ({
	entered: entered(),
	source: Joi.string().valid('maker', 'predicted', 'chosen').required(),
	prediction: prediction().allow(null).default(null)
});

export const offset = () => Joi.object({ offsetMm: mm().required(), entered: entered() });

export const odometer = () => ({
	odometerKm: Joi.number().min(0).max(3_000_000).allow(null).required(),
	odometerEntered: text(60).allow(null).required()
});

export const retorqueFields = () => ({
	...odometer(),
	torqueNm: Joi.number().greater(0).max(1000).required(),
	entered: entered(),
	found: Joi.string().valid('held', 'moved').required(),
	note: text(500).required()
});

export const jobNumber = () =>
	Joi.string()
		.pattern(/^\d{4}-\d{4,8}$/)
		.required();
