import type Joi from 'joi';
import { faulty, ok, type Fault, type Result } from './result.ts';

/** Of larger data only the first fault is looked for: collecting thousands takes seconds. */
const mostValuesForAll = 2_000;

/**
 * Checks data against a schema: every fault at once, each naming its field; nothing is coerced. Of data with
 * more than 2,000 values only the first fault is told.
 */
export function validate<T>(schema: Joi.Schema, data: unknown, context: object = {}): Result<T> {
	const { error, value } = schema.validate(data, {
		abortEarly: countUpTo(data, mostValuesForAll) === mostValuesForAll,
		convert: false,
		context,
		errors: { wrap: { label: false, array: false } }
	});
	if (!error) return ok(value as T);
	const faults = error.details.slice(0, 50).map(({ path, message, context, type }): Fault => {
		const field = path.join('.') || 'input';
		const label = String(context?.label ?? '');
		const words = message.startsWith(label) ? message.slice(label.length).trim() : message;
		const given = type === 'any.required' ? undefined : shorten(context?.value);
		return { field, message: words, ...(given === undefined ? {} : { value: given }) };
	});
	return faulty(...faults);
}

/** How many values there are in data, counted no further than `most`. */
function countUpTo(data: unknown, most: number): number {
	let count = 0;
	const waiting = [data];
	while (waiting.length && count < most) {
		const value = waiting.pop();
		count++;
		if (typeof value === 'object' && value !== null)
			for (const key in value) {
				if (waiting.push((value as Record<string, unknown>)[key]) > most) return most;
			}
	}
	return count;
}

/** Long values are cut so that an answer never echoes a whole upload. */
function shorten(value: unknown): unknown {
	if (typeof value === 'string') return value.length > 80 ? `${value.slice(0, 80)}…` : value;
	return typeof value === 'object' && value !== null ? undefined : value;
}

/** One fault as a line of text: field, what was given, what is wrong. */
export function faultLine({ field, message, value }: Fault): string {
	const given = value === undefined ? '' : ` (given ${JSON.stringify(value)})`;
	return `${field}: ${message}${given}`;
}
