import type { Dimension } from '$core/units/dimensions';
import { numberOf, parseQuantity } from '$core/units/parse';

/** What a field that may be empty comes to: a number, or what is wrong with it, or nothing yet. */
export interface TypedNumber {
	si?: number;
	fault?: string;
}

/**
 * A quantity as it was typed, in SI-like units of the core, not negative; without a dimension a plain count,
 * more than none.
 *
 * @param of its dimension, the unit that is meant where none is typed, and its range; `what` names a count
 */
export function typedNumber(
	typed: string | undefined,
	of: { dimension: Dimension; unit: string; min?: number; max?: number } | { what: string }
): TypedNumber {
	const text = typed?.trim();
	if (!text) return {};
	if ('what' in of) {
		const number = numberOf(text);
		return Number.isFinite(number) && number > 0
			? { si: number }
			: { fault: `‘${text}’ is not ${of.what}` };
	}
	const { dimension, unit, min = 0, max } = of;
	const parsed = parseQuantity(text, dimension, {
		field: 'value',
		defaultUnit: unit,
		min,
		...(max !== undefined && { max })
	});
	return parsed.ok ? { si: parsed.value.si } : { fault: parsed.faults[0]!.message };
}
