import Joi from 'joi';
import type { Job } from '../../core/job/book/job.ts';
import type { Entry } from '../../core/job/book/entry.ts';
import { kinds } from '../../core/job/kinds/index.ts';
import { kindSchemas } from '../../core/job/kinds/schemas.ts';
import type { PersonName } from '../../core/job/model.ts';
import type { Sheet } from '../../core/job/sheet/document.ts';
import { id, jobNumber } from '../../core/schema/kept.ts';
import { moment, pastMoment, requiredText, text, uuid } from '../../core/schema/fields.ts';

/** The open file format of one job: its book, SI numbers beside what was typed. */
const jobFileFormat = 'vane-set/job';
const jobFileVersion = 2;

/** Without its pictures: they stay with the shop and its backups, their digests are in the book. */
export interface JobFile {
	format: typeof jobFileFormat;
	formatVersion: typeof jobFileVersion;
	job: { id: string; number: string };
	/** Hash of the last entry. */
	head: string;
	entries: readonly Entry[];
	people: PersonName[];
	/** The shop's key over the head. */
	seal?: { keyId: string; publicKey: string; shop: string; signature: string };
	/** What was sealed at each signature; the PDF in base64. */
	sheets?: { seq: number; sheet: Sheet; pdf: string }[];
}

const hash = () =>
	Joi.string()
		.pattern(/^[0-9a-f]{64}$/)
		.required();

const entry = Joi.object({
	seq: Joi.number().integer().min(1).required(),
	id: id(),
	kind: Joi.string()
		.valid(...kinds.map(({ kind }) => kind))
		.required(),
	subject: Joi.string().max(120).required(),
	personId: id(),
	device: text(60).allow(null).required(),
	enteredAt: moment().required(),
	storedAt: pastMoment().required(),
	seen: Joi.number().integer().min(0).required(),
	vouchedBy: uuid(),
	corrects: uuid().allow(null).required(),
	data: Joi.when('kind', {
		switch: kinds.map(({ kind }) => ({ is: kind, then: kindSchemas[kind].kept() }))
	}).required(),
	hash: hash()
});

export const jobFileSchema = Joi.object({
	format: Joi.string().valid(jobFileFormat).required(),
	formatVersion: Joi.number().valid(jobFileVersion).required(),
	job: Joi.object({ id: id(), number: jobNumber() }).required(),
	head: hash().description('hash of the last entry: it stands for the whole book'),
	entries: Joi.array()
		.items(entry)
		.min(1)
		.max(20_000)
		.unique('id')
		.required()
		.description(
			'the book in its order; each hash is the SHA-256 of the hash before it, a line feed, and the entry without its hash and with jobId, in canonical JSON (RFC 8785)'
		),
	people: Joi.array()
		.items(
			Joi.object({
				id: id(),
				name: requiredText(120),
				role: Joi.string().valid('technician', 'lead').required()
			})
		)
		.unique('id')
		.max(200)
		.required(),
	seal: Joi.object({
		keyId: Joi.string()
			.pattern(/^[0-9a-f]{16}$/)
			.required(),
		publicKey: Joi.string()
			.pattern(/^[A-Za-z0-9_-]{43}$/)
			.required(),
		shop: text(120).required(),
		signature: Joi.string()
			.pattern(/^[A-Za-z0-9_-]{86}$/)
			.required()
	}).description('the shop’s Ed25519 key over the head'),
	sheets: Joi.array()
		.items(
			Joi.object({
				seq: Joi.number().integer().min(1).required(),
				sheet: Joi.object().unknown().required(),
				pdf: Joi.string().base64().max(8_000_000).required()
			})
		)
		.max(50)
		.description('what was sealed at each signature, by the number of its entry')
});

/** A job as a file, without the shop's seal. */
export function toJobFile({ record, entries }: Job): JobFile {
	const { id, number, people } = record;
	return {
		format: jobFileFormat,
		formatVersion: jobFileVersion,
		job: { id, number },
		head: entries.at(-1)!.hash,
		entries,
		people
	};
}
