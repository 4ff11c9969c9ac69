import Joi from 'joi';
import { comparedParts, dimensionsOf } from '../../core/bench/compare.ts';
import { stackParts } from '../../core/bench/stack.ts';
import { corners } from '../../core/height/corners.ts';
import { findPoint, pointKeys } from '../../core/inspect/points.ts';
import { symptomKeys } from '../../core/inspect/suspects.ts';
import { findComputation } from '../../core/compute.ts';
import { rustGrades } from '../../core/work/scope.ts';
import { partStatuses, workKinds, type WorkData, type WorkKind } from '../../core/job/work-book.ts';
import { pastMoment, text, uuid } from './fields.ts';

const corner = () =>
	Joi.string()
		.valid(...corners)
		.required();
/** A difference is explained in no fewer letters. */
const leastReason = 5;
const reason = () => text(500).default('');
const typed = () =>
	Joi.object()
		.pattern(/^[A-Za-z0-9.-]{1,60}$/, text(60))
		.max(40)
		.default({});
const money = () => Joi.number().min(0).max(100_000).required();
const stepId = () =>
	Joi.string().pattern(
		/^(car|front|rear|FL|FR|RL|RR)\/[a-z:-]{1,60}$/,
		'a step such as FL/support'
	);

/** A regular expression, so that the published schema says it too. */
const dimensionKeys = new RegExp(
	`^(${comparedParts.flatMap((part) => dimensionsOf[part].map(({ key }) => key)).join('|')})$`
);
const measures = Joi.object({
	values: Joi.object().pattern(dimensionKeys, Joi.number().greater(0).max(3000)).required(),
	hand: Joi.string().valid('left', 'right', 'either')
});

const degrees = () => Joi.number().min(-720).max(720);
const seconds = () => Joi.number().greater(0).max(600);

/** What a named computation takes, without bands. */
const inputOf = (name: string) =>
	findComputation(name)!
		.input.fork(['uncertainty'], (field) => field.forbidden())
		.required();

/** What the data of each kind of entry must be. */
const workDataSchemas: Readonly<Record<WorkKind, Joi.ObjectSchema>> = {
	symptoms: Joi.object({
		symptoms: Joi.array()
			.items(Joi.string().valid(...symptomKeys))
			.unique()
			.required()
	}),
	rust: Joi.object({
		grade: Joi.string()
			.valid(...rustGrades)
			.required()
	}),
	finding: Joi.object({
		corner: corner(),
		point: Joi.string()
			.valid(...pointKeys)
			.required(),
		state: Joi.string().max(30).allow(null).required(),
		where: text(120).default(''),
		note: text(500).default('')
	})
		.custom((data: WorkData['finding'], helpers) => {
			const states = findPoint(data.point)!.states.map(({ key }) => key);
			return data.state === null || states.includes(data.state)
				? data
				: helpers.error('state', { states: states.join(', ') });
		})
		.messages({ state: 'is not a state of this point; there are {{#states}}' }),
	bounce: Joi.object({
		movements: Joi.number().min(0).max(20).allow(null).required(),
		dampingRatio: Joi.number().min(0).max(5),
		expanded: Joi.number().min(0).max(5)
	}),
	scope: Joi.object({
		damper: Joi.boolean().required(),
		spring: Joi.boolean().required(),
		bushes: Joi.boolean().required()
	}),
	strategy: Joi.object({
		assembly: Joi.string().valid('rebuild', 'complete').required(),
		springOut: Joi.string().valid('lower-arm', 'internal-compressor').required(),
		first: Joi.string().valid('bottom', 'top').required(),
		sides: Joi.string().valid('one-by-one', 'together').required(),
		people: Joi.number().valid(1, 2).required(),
		load: Joi.string().valid('jack-to-height', 'on-wheels').required()
	}),
	prices: Joi.object({ unit: money(), damper: money(), wearParts: money() }),
	decision: Joi.object({
		state: Joi.string().valid('open', 'accepted', 'declined', 'done').required(),
		title: text(200).required(),
		reason: reason()
	}),
	part: Joi.object({
		number: text(60).default(''),
		status: Joi.string()
			.valid(...partStatuses)
			.required(),
		note: text(200).default('')
	}),
	order: Joi.object({ ids: Joi.array().items(stepId()).max(300).unique().required() }),
	step: Joi.object({
		state: Joi.string().valid('started', 'done', 'open').required(),
		note: text(300).default(''),
		overrideReason: text(500).disallow('').min(10),
		tookMin: Joi.number().min(0).max(100_000),
		expectedMin: Joi.number().min(0).max(10_000)
	}),
	tray: Joi.object({
		step: text(80).default(''),
		place: Joi.string()
			.pattern(/^[A-Z][1-9]$/, 'a place such as A3')
			.required(),
		name: text(120).disallow('').required(),
		count: Joi.number().integer().min(1).max(99).required(),
		lengthMm: Joi.number().greater(0).max(500),
		back: Joi.number().integer().min(0).max(99).required(),
		reason: text(300),
		removed: Joi.boolean()
	}),
	comparison: Joi.object({
		corner: corner(),
		part: Joi.string()
			.valid(...comparedParts)
			.required(),
		old: measures.required(),
		new: measures.required(),
		typed: typed(),
		outcome: Joi.string().valid('open', 'fits', 'explained', 'returned').required(),
		reason: reason()
	})
		.custom((data: WorkData['comparison'], helpers) =>
			data.outcome === 'explained' && data.reason.length < leastReason
				? helpers.error('reason')
				: data
		)
		.messages({ reason: `wants a reason of ${leastReason} letters or more for the difference` }),
	'arm-spring': Joi.object({ input: inputOf('arm-spring'), typed: typed() }),
	compressor: Joi.object({
		input: inputOf('spring-compressor'),
		typed: typed(),
		turned: Joi.number().integer().min(0).max(1000).required(),
		free: Joi.boolean().required()
	}),
	stack: Joi.object({
		order: Joi.array()
			.items(Joi.string().valid(...stackParts))
			.max(30)
			.required(),
		checks: Joi.object({
			clockOldDeg: degrees(),
			clockNewDeg: degrees(),
			reboundOldS: seconds(),
			reboundNewS: seconds(),
			threadMm: Joi.number().min(-5).max(100),
			threadOtherMm: Joi.number().min(-5).max(100),
			strokes: Joi.number().integer().min(0).max(100)
		}).required(),
		typed: typed()
	})
};

const subjects: Partial<Record<WorkKind, Joi.StringSchema>> = {
	symptoms: Joi.string().valid('car'),
	rust: Joi.string().valid('car'),
	strategy: Joi.string().valid('car'),
	order: Joi.string().valid('car'),
	scope: Joi.string().valid('front', 'rear'),
	prices: Joi.string().valid('front', 'rear'),
	bounce: Joi.string().valid(...corners),
	compressor: Joi.string().valid(...corners),
	'arm-spring': Joi.string().valid(...corners),
	stack: Joi.string().valid(...corners),
	step: stepId(),
	tray: uuid()
};

export const workKind = () => Joi.string().valid(...workKinds);
/** The data beside a `kind`. */
export const workData = () =>
	Joi.when('kind', {
		switch: workKinds.map((kind) => ({ is: kind, then: workDataSchemas[kind] }))
	});

/** One entry of the work's book. */
export const workEntrySchema = Joi.object({
	id: uuid().required(),
	kind: workKind().required(),
	subject: Joi.when('kind', {
		switch: Object.entries(subjects).map(([kind, schema]) => ({ is: kind, then: schema })),
		otherwise: Joi.string().max(120)
	}).required(),
	data: workData().required(),
	takenAt: pastMoment().required()
});

export const photoSchema = Joi.object({
	id: uuid().required(),
	corner: Joi.string()
		.valid(...corners)
		.allow(null)
		.default(null),
	subject: text(120).default(''),
	note: text(500).default(''),
	takenAt: pastMoment().required(),
	image: Joi.string()
		.max(11_000_000)
		.pattern(
			/^data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/=]+$/,
			'a JPEG, PNG or WebP as a data URL'
		)
		.required()
});
export const photoChangeSchema = Joi.object({ withdrawn: Joi.boolean().required() });

const slot = {
	bay: Joi.number().integer().min(0).max(7).required(),
	startsAt: Joi.string().isoDate().required(),
	minutes: Joi.number().integer().min(15).max(14_400).required(),
	version: Joi.number().integer().min(0).max(1e9).required()
};
/** A car's place in the plan of the bays. */
export const slotSchema = Joi.object(slot);
/** The places of several cars, which may change with each other. */
export const slotsSchema = Joi.object({
	slots: Joi.array()
		.items(Joi.object({ jobId: uuid().required(), ...slot }))
		.unique('jobId')
		.min(1)
		.max(8)
		.required()
});
