import Joi from 'joi';
import {
	corner,
	cornerList,
	heightSet,
	id,
	jobNumber,
	jointFields,
	loadingFields,
	mm,
	odometer,
	offset,
	readingFields,
	retorqueFields,
	school,
	targetFields,
	torqueFields,
	vehicle
} from '../../core/schema/kept.ts';
import { pastMoment, requiredText, text, uuid } from '../../core/schema/fields.ts';
import { kinds } from '../../core/job/kinds/index.ts';
import { kindSchemas } from '../../core/job/kinds/schemas.ts';

/** The job file of before there was one book; such files are still taken, and written no more. */

const appended = {
	correctsId: uuid().allow(null).required(),
	withdrawn: Joi.boolean().required(),
	personId: id(),
	takenAt: pastMoment().required()
};

const reading = Joi.object({
	id: id(),
	corner: corner(),
	...readingFields(),
	...appended
});

const joint = Joi.object({ id: id(), ...jointFields() });

const torque = Joi.object({
	id: id(),
	jointId: id(),
	skipReason: text(500).allow(null).default(null),
	...torqueFields(),
	...appended
});

const loading = Joi.object({
	id: id(),
	corner: corner(),
	...loadingFields(),
	personId: id(),
	takenAt: pastMoment().required()
});

/** What stood in the book of the work, which had fewer kinds. */
const workKinds = kinds.filter(({ kind }) =>
	[
		'symptoms',
		'rust',
		'finding',
		'bounce',
		'scope',
		'strategy',
		'prices',
		'decision',
		'part',
		'order',
		'step',
		'tray',
		'comparison',
		'compressor',
		'arm-spring',
		'stack'
	].includes(kind)
);
const work = Joi.object({
	id: id(),
	kind: Joi.string()
		.valid(...workKinds.map(({ kind }) => kind))
		.required(),
	subject: Joi.string().max(120).required(),
	data: Joi.when('kind', {
		switch: workKinds.map(({ kind }) => ({ is: kind, then: kindSchemas[kind].kept() }))
	}).required(),
	personId: id(),
	takenAt: pastMoment().required()
});

const list = (items: Joi.Schema, max: number) =>
	Joi.array().items(items).max(max).unique('id').required();

const job = Joi.object({
	id: id(),
	number: jobNumber(),
	complaint: requiredText(2000),
	...odometer(),
	corners: cornerList().required(),
	technicianId: uuid().allow(null).required(),
	school: school().required(),
	openedAt: pastMoment().required(),
	createdBy: id(),
	signedAt: pastMoment().allow(null).required(),
	resetAboveMm: Joi.number().min(1).max(200).default(10),
	version: Joi.number().integer().min(1).required(),
	vehicle: vehicle(),
	heightSets: Joi.object({ before: heightSet(), after: heightSet() }).required(),
	offsets: Joi.object({ front: offset(), rear: offset() }).required(),
	readings: list(reading, 2000),
	targets: Joi.array()
		.items(Joi.object({ corner: corner(), heightMm: mm().required(), ...targetFields() }))
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
				...retorqueFields(),
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

export const firstJobFileSchema = Joi.object({
	format: Joi.string().valid('vane-set/job').required(),
	formatVersion: Joi.number().valid(1).required(),
	job
});
