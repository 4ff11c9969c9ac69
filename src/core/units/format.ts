import { convert, findUnit, siUnit, type Dimension } from './dimensions.ts';

/** Which units a person or a shop reads in, by symbol. */
export interface UnitChoice {
	length: string;
	torque: string;
	rate: string;
	mass: string;
	pressure: string;
	distance: string;
	force: string;
	angle: string;
}

export const metric: UnitChoice = {
	length: 'mm',
	torque: 'N·m',
	rate: 'N/mm',
	mass: 'kg',
	pressure: 'bar',
	distance: 'km',
	force: 'N',
	angle: '°'
};
export const imperial: UnitChoice = {
	length: 'in',
	torque: 'lbf·ft',
	rate: 'lbf/in',
	mass: 'lb',
	pressure: 'psi',
	distance: 'mi',
	force: 'lbf',
	angle: '°'
};

/** What a shop or a person picks; the rest of the units follows. */
export interface UnitPreference {
	system: 'metric' | 'imperial';
	torque: string;
}

export function unitChoice({ system, torque }: UnitPreference): UnitChoice {
	return { ...(system === 'metric' ? metric : imperial), torque };
}

export interface FormatOptions {
	/** Decimals to show; the unit's usual number if not given. */
	decimals?: number;
	/** Write a plus sign before positive numbers: for differences. */
	signed?: boolean;
	/** Leave the unit's symbol off: for table cells whose heading names it. */
	bare?: boolean;
}

/** An SI value as text in the given unit, with a true minus sign and a no-break space. */
export function formatQuantity(
	si: number,
	dimension: Dimension,
	unitSymbol: string,
	options: FormatOptions = {}
): string {
	const unit = findUnit(unitSymbol, dimension) ?? siUnit(dimension);
	const value = convert(si, siUnit(dimension), unit);
	const number = formatNumber(value, options.decimals ?? unit.decimals, options.signed);
	return options.bare ? number : `${number}\u00a0${unit.symbol}`;
}

/** A number with fixed decimals; minus zero is written as zero. */
export function formatNumber(value: number, decimals: number, signed = false): string {
	const fixed = Math.abs(value).toFixed(decimals);
	if (Number(fixed) === 0) return fixed;
	return (value < 0 ? '−' : signed ? '+' : '') + fixed;
}

/** A duration in whole minutes, as `2 h 05`. */
export function formatHours(minutes: number): string {
	const whole = Math.round(minutes);
	return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}
