/** What may be said, at every door: one schema made of what each kind says of itself. */
import './deciders.ts';
import Joi from 'joi';
import { faulty, type Result } from '../../result.ts';
import { moment, text, uuid, type TypedContext } from '../../schema/fields.ts';
import { validate } from '../../validate.ts';
import type { KindName } from '../kinds/data.ts';
import { kinds } from '../kinds/index.ts';
import { kindSchemas } from '../kinds/schemas.ts';
import type { Command } from './entry.ts';

/** Kinds that may be said; the others have doors of their own. */
const saidKinds: readonly KindName[] = kinds
	.map(({ kind }) => kind)
	.filter((kind) => kindSchemas[kind].said);

/** Of all kinds together for the document of the interface, of one for what is said. */
export function commandSchema(these: readonly KindName[] = saidKinds): Joi.ObjectSchema {
	const ofKind = (schema: (kind: KindName) => Joi.Schema) =>
		Joi.when('kind', { switch: these.map((kind) => ({ is: kind, then: schema(kind) })) });
	return Joi.object({
		id: uuid().required().description('UUIDv7 of the writer; the same id twice is one entry'),
		kind: Joi.string()
			.valid(...these)
			.required(),
		subject: ofKind((kind) => kindSchemas[kind].subject()).required(),
		data: ofKind((kind) => kindSchemas[kind].said!()),
		corrects: uuid().description('the entry that this one takes the place of'),
		again: uuid().description('an earlier entry of this subject that is to count again'),
		enteredAt: moment()
			.required()
			.description('by the clock of the device; the book keeps beside it when it was stored'),
		seen: Joi.number()
			.integer()
			.min(0)
			.max(1e9)
			.description('number of the last entry the writer had; left out: all of them'),
		device: text(60).disallow('').description('the tablet it was entered at'),
		personId: uuid().description('who made it; left out: whoever is signed in'),
		vouched: Joi.boolean().description('a lead, signed in, vouches for what somebody else made')
	})
		.xor('data', 'again')
		.required();
}

/** With what the edge knows of it. */
export type SaidCommand = Command & { device?: string; personId?: string; vouched?: boolean };

const schemas = new Map<unknown, Joi.ObjectSchema>();

/** Made once for each kind that is said; what names no kind is held against all of them. */
function schemaFor(kind: unknown): Joi.ObjectSchema {
	const one = saidKinds.find((name) => name === kind);
	const schema = schemas.get(one) ?? commandSchema(one && [one]);
	schemas.set(one, schema);
	return schema;
}

/**
 * What was said, checked, quantities read in the person's units. Faults name the field of the data, as
 * `height`.
 */
export function readCommand(given: unknown, context: TypedContext): Result<SaidCommand> {
	const read = validate<SaidCommand>(
		schemaFor((given as Partial<Command> | null)?.kind),
		given,
		context
	);
	if (read.ok) return read;
	return faulty(
		...read.faults.map((fault) => ({ ...fault, field: fault.field.replace(/^data\./, '') }))
	);
}
