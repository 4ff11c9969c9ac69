/** The units of the person at this screen and the clock of the shop, for every component below the layout. */
import type { UnitChoice } from '$core/units/format';
import { momentsOf, type Moments, type ShopClock } from '$core/units/moments';
import { unitsOf, type PersonalUnits } from '$core/units/personal';
import { getContext, setContext } from 'svelte';

const key = Symbol('units');
const clockKey = Symbol('clock');

export const provideUnits = (choice: () => UnitChoice): PersonalUnits =>
	setContext(key, unitsOf(choice));

export const personalUnits = (): PersonalUnits => getContext<PersonalUnits>(key);

export const provideClock = (clock: () => ShopClock): Moments =>
	setContext(clockKey, momentsOf(clock));

export const shopTime = (): Moments => getContext<Moments>(clockKey);
