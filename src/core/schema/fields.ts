import Joi from 'joi';
import type { Dimension } from '../units/dimensions.ts';
import type { UnitChoice } from '../units/format.ts';
import { parseQuantity } from '../units/parse.ts';

/** What a schema needs to know of the person who typed: which unit no unit means. */
export interface TypedContext {
	units: UnitChoice;
	/** For dates: nothing on record happens in the future. */
	now: number;
}

/**
 * A quantity as typed (`14 3/8 in`, `365`), read by the core; the value becomes a `Quantity`.
 * Limits are SI.
 */
export function quantity(
	dimension: Dimension,
	limits: { min?: number; max?: number }
): Joi.AnySchema {
	return Joi.any()
		.custom((value: unknown, helpers) => {
			if (typeof value !== 'string' && typeof value !== 'number') {
				return helpers.error('quantity', { why: 'must be text such as it is said, or a number' });
			}
			const { units } = helpers.prefs.context as TypedContext;
			const parsed = parseQuantity(String(value), dimension, {
				field: 'value',
				defaultUnit: units[dimension],
				...limits
			});
			return parsed.ok
				? parsed.value
				: helpers.error('quantity', { why: parsed.faults[0]!.message });
		})
		.messages({ quantity: '{{#why}}' })
		.meta({ quantity: dimension })
		.description(`${dimension} as said, for example with its unit`);
}

export const uuid = () =>
	Joi.string().guid({ separator: '-', wrapper: false }).lowercase().prefs({ convert: true });

/** A line or a paragraph of text; control characters are refused, anything else is kept as typed. */
export const text = (max: number) =>
	Joi.string()
		.trim()
		.max(max)
		.allow('')
		.pattern(
			/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]*$/,
			'text without control characters'
		)
		.prefs({ convert: true });
export const requiredText = (max: number) => text(max).disallow('').min(1).required();

/** A moment by whatever clock: a tablet's may be wrong, but none shows a year before 1970 or after 9999. */
export const moment = () =>
	Joi.string()
		.isoDate()
		.custom((value: string, helpers) => {
			const at = new Date(value);
			const shown = at.getTime() >= 0 && at.getTime() < Date.UTC(10_000, 0, 1);
			return shown ? at.toISOString() : helpers.error('noClock');
		})
		.messages({ noClock: 'must lie between the years 1970 and 9999' });

/** A moment that is not in the future (two minutes are allowed for a tablet's clock). */
export const pastMoment = () =>
	Joi.string()
		.isoDate()
		.custom((value: string, helpers) => {
			const { now } = helpers.prefs.context as TypedContext;
			if (Date.parse(value) > now + 120_000) return helpers.error('future');
			if (Date.parse(value) < Date.UTC(2000, 0, 1)) return helpers.error('ancient');
			return new Date(value).toISOString();
		})
		.messages({ future: 'lies in the future', ancient: 'lies before the year 2000' });

export const version = () => Joi.number().integer().min(1).max(1e9).required();
