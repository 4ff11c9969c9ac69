import { convert, findUnit, siUnit, type Dimension } from './dimensions.ts';
import { formatQuantity, type FormatOptions, type UnitChoice } from './format.ts';

/** Numbers in the units of one person. */
export interface PersonalUnits {
	readonly choice: UnitChoice;
	/** An SI value in this person's unit, with the unit. */
	show(si: number, dimension: Dimension, options?: FormatOptions): string;
	/** An SI value as a number of this person's unit: for axes and lists. */
	number(si: number, dimension: Dimension): number;
	/** And back. */
	si(number: number, dimension: Dimension): number;
}

/** @param choice asked each time: it may change while it is shown */
export function unitsOf(choice: () => UnitChoice): PersonalUnits {
	const unit = (dimension: Dimension) => findUnit(choice()[dimension], dimension)!;
	return {
		get choice() {
			return choice();
		},
		show: (si, dimension, options) => formatQuantity(si, dimension, choice()[dimension], options),
		number: (si, dimension) => convert(si, siUnit(dimension), unit(dimension)),
		si: (number, dimension) => convert(number, unit(dimension), siUnit(dimension))
	};
}
