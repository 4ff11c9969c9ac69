/** The units of the person at this screen, for every component below the layout. */
import { getContext, setContext } from 'svelte';
import type { Dimension } from '$core/units/dimensions';
import { formatQuantity, type FormatOptions, type UnitChoice } from '$core/units/format';

const key = Symbol('units');

export interface PersonalUnits {
	readonly choice: UnitChoice;
	/** An SI value in this person's unit, with the unit. */
	show(si: number, dimension: Dimension, options?: FormatOptions): string;
}

export function provideUnits(choice: () => UnitChoice): PersonalUnits {
	return setContext<PersonalUnits>(key, {
		get choice() {
			return choice();
		},
		show: (si, dimension, options) => formatQuantity(si, dimension, choice()[dimension], options)
	});
}

export const personalUnits = (): PersonalUnits => getContext<PersonalUnits>(key);
