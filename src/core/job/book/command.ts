/** What may be said, at every door: one schema made of what each kind says of itself. */
import Joi from 'joi';
import { faulty, type Result } from '../../result.ts';
import { pastMoment, text, uuid, type TypedContext } from '../../schema/fields.ts';
import { validate } from '../../validate.ts';
import type { KindName } from '../kinds/data.ts';
import { kinds, kindOf } from '../kinds/index.ts';
import type { Command } from './entry.ts';

/** Kinds that may be said; the others have doors of their own. */
const saidKinds: readonly KindName[] = kinds.filter(({ said }) => said).map(({ kind }) => kind);

const ofKind = (schema: (kind: KindName) => Joi.Schema) =>
	Joi.when('kind', { switch: saidKinds.map((kind) => ({ is: kind, then: schema(kind) })) });

export const commandSchema = Joi.object({
	id: uuid().required().description('UUIDv7 of the writer; the same id twice is one entry'),
	kind: Joi.string()
		.valid(...saidKinds)
		.required(),
	subject: ofKind((kind) => kindOf(kind).subject).required(),
	data: ofKind((kind) => kindOf(kind).said!),
	corrects: uuid().description('the entry that this one takes the place of'),
	again: uuid().description('an earlier entry of this subject that is to count again'),
	enteredAt: pastMoment().required(),
	seen: Joi.number()
		.integer()
		.min(0)
		.max(1e9)
		.description('number of the last entry the writer had; left out: all of them'),
	device: text(60).disallow('').description('the tablet it was entered at')
}).xor('data', 'again');

/**
 * What was said, checked, quantities read in the person's units. Faults name the field of the data, as
 * `height`.
 */
export function readCommand(
	given: unknown,
	context: TypedContext
): Result<Command & { device?: string }> {
	const read = validate<Command & { device?: string }>(commandSchema, given, context);
	if (read.ok) return read;
	return faulty(
		...read.faults.map((fault) => ({ ...fault, field: fault.field.replace(/^data\./, '') }))
	);
}
