import { faulty, ok, type Result } from '../result.ts';
import { dimensions, findUnit, siUnit, units, type Dimension } from './dimensions.ts';

/** A quantity as it was said, and what it means in the unit the program computes in. */
export interface Quantity {
	/** The text as typed, trimmed. */
	text: string;
	/** The number as typed. */
	entered: number;
	/** Symbol of the unit it was typed in, or the default unit if none was typed. */
	unit: string;
	/** The number in the SI unit of the dimension (mm, N·m, N/mm, kg, kPa, km). */
	si: number;
}

export interface QuantityRules {
	/** Name of the field, for the message. */
	field: string;
	/** Symbol of the unit meant when none is typed; the SI unit of the dimension if not given. */
	defaultUnit?: string;
	/** Least and greatest plausible value, in SI. */
	min?: number;
	max?: number;
}

const vulgar: Record<string, string> = {
	'½': '1/2',
	'¼': '1/4',
	'¾': '3/4',
	'⅛': '1/8',
	'⅜': '3/8',
	'⅝': '5/8',
	'⅞': '7/8'
};

const decimal = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`;
const pattern = new RegExp(
	String.raw`^([+-]?)(?:(\d+)[\s-]+(\d+)\s*/\s*(\d+)|(\d+)\s*/\s*(\d+)|(${decimal}))\s*(.*)$`,
	'u'
);

/**
 * Reads a quantity the way it is said: `62 ft-lb`, `14 3/8 in`, `14⅜"`, `365`, `36,5 cm`.
 * A comma is a decimal comma; thousands are written without a separator. A unit of another
 * dimension, a number outside the given limits and anything not understood are faults that say
 * what would be right.
 */
export function parseQuantity(
	text: string,
	dimension: Dimension,
	rules: QuantityRules
): Result<Quantity> {
	const { field } = rules;
	const said = text.trim();
	const fault = (message: string) => faulty({ field, message, value: text });
	const examples = `for example ${exampleOf(dimension, rules.defaultUnit)}`;
	if (said === '') return fault(`nothing was entered; ${examples}`);
	if (said.length > 60) return fault(`too long to be a ${dimension}; ${examples}`);

	const read = readNumber(said, 'a number with a unit');
	if (typeof read === 'string') return fault(`${read}; ${examples}`);
	const { value: entered, rest } = read;

	const unit =
		rest === ''
			? rules.defaultUnit
				? findUnit(rules.defaultUnit, dimension)
				: siUnit(dimension)
			: findUnit(rest, dimension);
	if (!unit) {
		const wrong = rest || rules.defaultUnit || '';
		const other = dimensions.find((d) => d !== dimension && findUnit(wrong, d));
		const known = units[dimension].map((u) => u.symbol).join(', ');
		return fault(
			other
				? `'${wrong}' is a unit of ${other}; ${dimension} is entered in ${known}`
				: `'${wrong}' is not a unit known here; ${dimension} is entered in ${known}`
		);
	}
	const si = entered * unit.toSi;
	const { min, max } = rules;
	if ((min !== undefined && si < min) || (max !== undefined && si > max)) {
		const inUnit = (value: number) => Number((value / unit.toSi).toPrecision(4));
		const range =
			min !== undefined && max !== undefined
				? `between ${inUnit(min)} and ${inUnit(max)} ${unit.symbol}`
				: min !== undefined
					? `${inUnit(min)} ${unit.symbol} or more`
					: `${inUnit(max!)} ${unit.symbol} or less`;
		return fault(
			`${Number(entered.toPrecision(6))} ${unit.symbol} is outside what is possible here: ${range}`
		);
	}
	return ok({ text: said, entered, unit: unit.symbol, si });
}

/** The number a text starts with and what follows it, or in words what is wrong. */
function readNumber(said: string, kind = 'a number'): { value: number; rest: string } | string {
	const spelled = said.replace(/[½¼¾⅛⅜⅝⅞]/gu, (sign) => ` ${vulgar[sign]}`).trim();
	const match = pattern.exec(spelled.replace('−', '-'));
	if (!match) return `'${said}' is not ${kind}`;
	const [, sign, whole, over, under, top, bottom, plain, rest = ''] = match;
	if (/^[.,]?\d/.test(rest)) {
		return `'${said}' holds more than one number; write thousands without a separator`;
	}
	if (Number(under ?? bottom ?? 1) === 0) return `'${said}' divides by zero`;
	const size =
		whole !== undefined
			? Number(whole) + Number(over) / Number(under)
			: top !== undefined
				? Number(top) / Number(bottom)
				: Number(plain!.replace(',', '.'));
	return { value: sign === '-' ? -size : size, rest };
}

/** A number without a unit, or followed by the one unit it can have: `1,25`, `6 1/2`, `0.12 %`. */
export function parseNumber(
	text: string,
	rules: { field: string; unit?: string; min?: number; max?: number }
): Result<number> {
	const { field, unit = '', min = -Infinity, max = Infinity } = rules;
	const said = text.trim();
	const fault = (message: string) => faulty({ field, message, value: text });
	if (said === '') return fault('nothing was entered');
	const read = readNumber(said);
	if (typeof read === 'string') return fault(read);
	if (read.rest !== '' && read.rest !== unit) {
		return fault(
			`'${read.rest}' is not known here; this is ${unit ? `in ${unit}` : 'a plain number'}`
		);
	}
	if (read.value < min || read.value > max) {
		return fault(
			`${read.value} is outside what is possible here: between ${min} and ${max}${unit ? ` ${unit}` : ''}`
		);
	}
	return ok(read.value);
}

/** A plain number as it was typed, `1,25` or `6 1/2`; NaN where it is none. For forms that say themselves what is wrong. */
export function numberOf(text: string, unit = ''): number {
	const read = parseNumber(text, { field: '', unit });
	return read.ok ? read.value : NaN;
}

function exampleOf(dimension: Dimension, defaultUnit: string | undefined): string {
	const samples: Record<Dimension, string> = {
		length: '365 mm or 14 3/8 in',
		torque: '84 N·m or 62 ft-lb',
		rate: '25 N/mm or 140 lbf/in',
		mass: '320 kg or 700 lb',
		pressure: '2.3 bar or 33 psi',
		distance: '84000 km or 52000 mi',
		force: '3500 N or 790 lbf',
		angle: '1.5° or 1.5'
	};
	return defaultUnit ? `${samples[dimension]} (no unit means ${defaultUnit})` : samples[dimension];
}

/** The text with the unit that is meant where none was said: `365` → `365 mm`; empty stays empty. */
export function withMeantUnit(text: string, unitSymbol: string): string {
	const said = text.trim();
	return /[\d.,¼½¾⅛⅜⅝⅞]$/u.test(said) ? `${said} ${unitSymbol}` : said;
}

/** What was typed, with the unit that was meant if none was. */
export const withUnit = ({ text, unit }: Quantity): string => withMeantUnit(text, unit);
