/** The units of the person at this screen, for every component below the layout. */
import { getContext, setContext } from 'svelte';
import { convert, findUnit, siUnit, type Dimension } from '$core/units/dimensions';
import { formatQuantity, type FormatOptions, type UnitChoice } from '$core/units/format';

const key = Symbol('units');

export interface PersonalUnits {
	readonly choice: UnitChoice;
	/** An SI value in this person's unit, with the unit. */
	show(si: number, dimension: Dimension, options?: FormatOptions): string;
	/** An SI value as a number of this person's unit: for axes and lists. */
	number(si: number, dimension: Dimension): number;
	/** And back. */
	si(number: number, dimension: Dimension): number;
}

/** The units of a choice, which may change. */
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

export const provideUnits = (choice: () => UnitChoice): PersonalUnits =>
	setContext(key, unitsOf(choice));

export const personalUnits = (): PersonalUnits => getContext<PersonalUnits>(key);
