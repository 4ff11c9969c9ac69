import { numberOf } from '$core/units/parse';
/** Amounts of money as they are typed. */

/** Nothing where nothing is typed; NaN where it is no number. */
export const amountOf = (text: string): number | undefined =>
	text.trim() === '' ? undefined : numberOf(text);

/** A number of 0 or more was typed. */
export const isAmount = (value: number | undefined): value is number =>
	value !== undefined && Number.isFinite(value) && value >= 0;

/** What is wrong with what was typed; nothing is not wrong. */
export const amountFault = (text: string): string | undefined =>
	amountOf(text) === undefined || isAmount(amountOf(text))
		? undefined
		: `‘${text}’ is not an amount: a number such as 180 or 92,50`;
