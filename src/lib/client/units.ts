/** The units of the person at this screen, for every component below the layout. */
import type { UnitChoice } from '$core/units/format';
import { unitsOf, type PersonalUnits } from '$core/units/personal';
import { getContext, setContext } from 'svelte';

const key = Symbol('units');

export const provideUnits = (choice: () => UnitChoice): PersonalUnits =>
	setContext(key, unitsOf(choice));

export const personalUnits = (): PersonalUnits => getContext<PersonalUnits>(key);
