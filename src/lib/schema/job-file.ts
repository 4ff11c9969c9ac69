import Joi from 'joi';
import { cornerGeometrySchema } from '../../core/compute/mechanism.ts';
import { corners } from '../../core/height/corners.ts';
import { schoolKeys } from '../../core/height/schools.ts';
import { layoutKeys } from '../../core/layout/catalogue.ts';
import { threadConditions } from '../../core/fastener/lubrication.ts';
import { propertyClasses } from '../../core/fastener/thread.ts';
import { jointKinds, jointPlaces, jointTools, tightenRules } from '../../core/layout/types.ts';
import { carStates, sights, loadMethods } from '../../core/procedure/facts.ts';
import { conditions } from './job.ts';
import { pastMoment, requiredText, text, uuid } from './fields.ts';
import { workData, workKind } from './work.ts';

/** The open file format of one job: everything on record, SI numbers beside what was typed. */
export const jobFileFormat = 'vane-set/job';
export const jobFileVersion = 1;

const id = () => uuid().required();
const mm = () => Joi.number().min(-2000).max(6000);
const optionalMm = () => mm().allow(null).required();
const corner = () =>
	Joi.string()
		.valid(...corners)
		.required();
const school = () => Joi.string().valid(...schoolKeys);
const entered = () => text(60).required();
const appended = {
	correctsId: uuid().allow(null).required(),
	withdrawn: Joi.boolean().required(),
	personId: id(),
	takenAt: pastMoment().required()
};

const axle = Joi.object({
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
	hardpoints: cornerGeometrySchema.allow(null).default(null)
}).required();

const vehicle = Joi.object({
	id: id(),
	plate: requiredText(20),
	vin: Joi.string()
		.pattern(/^[A-HJ-NPR-Z0-9]{17}$/)
		.allow(null)
		.required(),
	make: requiredText(60),
	model: requiredText(60),
	modelYear: Joi.number().integer().min(1900).max(2100).allow(null).required(),
	owner: text(120).required(),
	wheelbaseMm: mm().min(1500).max(5000).required(),
	modifications: text(2000).required(),
	axles: Joi.object({ front: axle, rear: axle }).required(),
	entered: Joi.object()
		.pattern(/^[\w.]{1,60}$/, text(60))
		.required(),
	version: Joi.number().integer().min(1).required()
}).required();

const heightSet = Joi.object({
	conditions: conditions(),
	resolutionMm: Joi.number().greater(0).max(10).required()
});

const reading = Joi.object({
	id: id(),
	phase: Joi.string().valid('before', 'after').required(),
	corner: corner(),
	school: school().required(),
	heightMm: Joi.when('withdrawn', {
		is: true,
		then: Joi.valid(null),
		otherwise: mm().max(1300)
	}).required(),
	entered: entered(),
	...appended
});

const torqueNm = () => Joi.number().greater(0).max(1000);
const degrees = () => Joi.number().min(0).max(720);
const programme = Joi.object({
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

const joint = Joi.object({
	id: id(),
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
	programme: programme.allow(null).default(null),
	thread: thread.allow(null).default(null),
	place: Joi.string()
		.valid(...jointPlaces)
		.allow(null)
		.default(null),
	loosened: Joi.boolean().default(true),
	note: text(500).required()
});

const verdict = () => Joi.string().valid('set', 're-set-advised', 'wound-up').required();
const number = () => Joi.number().required();
const bush = Joi.object({
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

const torque = Joi.object({
	id: id(),
	jointId: id(),
	action: Joi.number().integer().min(0).max(200).default(0),
	torqueNm: torqueNm().allow(null).required(),
	angleDeg: degrees().allow(null).default(null),
	skipReason: text(500).allow(null).default(null),
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
	carState: Joi.string()
		.valid(...carStates)
		.required(),
	method: Joi.string()
		.valid(...loadMethods)
		.allow(null)
		.required(),
	hubToArchMm: optionalMm(),
	hubToArchEntered: text(60).allow(null).required(),
	targetHubToArchMm: optionalMm(),
	bush: bush.allow(null).required(),
	...appended
});

const loading = Joi.object({
	id: id(),
	corner: corner(),
	method: Joi.string()
		.valid(...loadMethods)
		.required(),
	hubToArchMm: mm().required(),
	entered: entered(),
	oppositeBeforeMm: optionalMm(),
	oppositeNowMm: optionalMm(),
	deviceReadingId: uuid().allow(null).default(null),
	personId: id(),
	takenAt: pastMoment().required()
});

const work = Joi.object({
	id: id(),
	kind: workKind().required(),
	subject: Joi.string().max(120).required(),
	data: workData().required(),
	personId: id(),
	takenAt: pastMoment().required()
});

const spring = Joi.object({
	rateNPerMm: Joi.number().greater(0).max(10_000).required(),
	freeLengthMm: Joi.number().greater(0).max(10_000).required()
});
const prediction = Joi.object({
	input: Joi.object({
		heightBeforeMm: mm().required(),
		sprungLoadN: Joi.number().greater(0).max(1e6).required(),
		motionRatio: Joi.number().greater(0).max(5).required(),
		oldSpring: spring.required(),
		newSpring: spring.required(),
		seatChangeMm: mm().required(),
		settlingMm: mm().required()
	}).required(),
	typed: Joi.object()
		.pattern(/^[A-Za-z]{1,40}$/, text(60))
		.max(20)
		.required(),
	expandedMm: mm().required()
});

const offset = Joi.object({ offsetMm: mm().required(), entered: entered() });
const list = (items: Joi.Schema, max: number) =>
	Joi.array().items(items).max(max).unique('id').required();

const job = Joi.object({
	id: id(),
	number: Joi.string()
		.pattern(/^\d{4}-\d{4,8}$/)
		.required(),
	complaint: requiredText(2000),
	odometerKm: Joi.number().min(0).max(3_000_000).allow(null).required(),
	odometerEntered: text(60).allow(null).required(),
	corners: Joi.array()
		.items(Joi.string().valid(...corners))
		.unique()
		.min(1)
		.max(4)
		.required(),
	technicianId: uuid().allow(null).required(),
	school: school().required(),
	openedAt: pastMoment().required(),
	createdBy: id(),
	signedAt: pastMoment().allow(null).required(),
	resetAboveMm: Joi.number().min(1).max(200).default(10),
	version: Joi.number().integer().min(1).required(),
	vehicle,
	heightSets: Joi.object({ before: heightSet, after: heightSet }).required(),
	offsets: Joi.object({ front: offset, rear: offset }).required(),
	readings: list(reading, 2000),
	targets: Joi.array()
		.items(
			Joi.object({
				corner: corner(),
				heightMm: mm().required(),
				entered: entered(),
				source: Joi.string().valid('maker', 'predicted', 'chosen').required(),
				prediction: prediction.allow(null).default(null)
			})
		)
		.unique('corner')
		.max(4)
		.required(),
	joints: list(joint, 400),
	torques: list(torque, 4000),
	loadings: Joi.array().items(loading).max(2000).unique('id').default([]),
	work: Joi.array().items(work).max(20_000).unique('id').default([]),
	photos: Joi.array().max(0).default([]).description('empty: photos stay with the shop'),
	chain: Joi.array()
		.items(
			Joi.object({
				seq: Joi.number().integer().min(1).required(),
				kind: Joi.string().valid('reading', 'torque', 'loading').required(),
				id: uuid().required(),
				hash: Joi.string()
					.pattern(/^[0-9a-f]{64}$/)
					.required()
			})
		)
		.unique('id')
		.max(6000)
		.default([])
		.description(
			'SHA-256 chain over readings, torques and loadings; a file without one starts a new one'
		),
	signOff: Joi.object({
		id: id(),
		personId: id(),
		overrideReason: text(1000).allow(null).required(),
		owed: Joi.array().items(text(300)).max(500).required(),
		signedAt: pastMoment().required()
	})
		.allow(null)
		.required(),
	retorques: Joi.array()
		.items(
			Joi.object({
				id: id(),
				odometerKm: Joi.number().min(0).max(3_000_000).allow(null).required(),
				odometerEntered: text(60).allow(null).required(),
				torqueNm: Joi.number().greater(0).max(1000).required(),
				entered: entered(),
				found: Joi.string().valid('held', 'moved').required(),
				note: text(500).required(),
				personId: id(),
				takenAt: pastMoment().required()
			})
		)
		.unique('id')
		.max(100)
		.default([]),
	people: list(
		Joi.object({
			id: id(),
			name: requiredText(120),
			role: Joi.string().valid('technician', 'lead').required()
		}),
		200
	)
}).required();

export const jobFileSchema = Joi.object({
	format: Joi.string().valid(jobFileFormat).required(),
	formatVersion: Joi.number().valid(jobFileVersion).required(),
	job
});
