/**
 * The quantities people type here and the units they say them in.
 *
 * `toSi` turns a number in the unit into the number the program computes with (mm, N·m, N/mm, kg,
 * kPa, km, N, degrees). The factors are exact by definition: 1 in = 25.4 mm and 1 lb = 0.45359237 kg
 * (International yard and pound agreement, 1959); g = 9.80665 m/s² (CGPM 1901).
 */
export type Dimension =
	| 'length'
	| 'torque'
	| 'rate'
	| 'mass'
	| 'pressure'
	| 'distance'
	| 'force'
	| 'angle';

export interface Unit {
	/** The symbol shown to people; also the unit's name in files. */
	symbol: string;
	/** Other ways people write it, folded as `foldUnit` does. */
	aliases: readonly string[];
	toSi: number;
	/** Decimals worth showing for a typical workshop value. */
	decimals: number;
}

const inch = 25.4;
const pound = 0.45359237;
/** m/s², exact by definition. */
export const standardGravity = 9.80665;
const g = standardGravity;
/** One pound-force in newtons: 4.4482216152605 exactly. */
const poundForce = pound * g;

export const units: Readonly<Record<Dimension, readonly Unit[]>> = {
	length: [
		{
			symbol: 'mm',
			aliases: ['millimetre', 'millimeter', 'millimetres', 'millimeters'],
			toSi: 1,
			decimals: 1
		},
		{ symbol: 'in', aliases: ['"', '″', '”', "''", 'inch', 'inches'], toSi: inch, decimals: 2 },
		{
			symbol: 'cm',
			aliases: ['centimetre', 'centimeter', 'centimetres', 'centimeters'],
			toSi: 10,
			decimals: 2
		},
		{ symbol: 'm', aliases: ['metre', 'meter', 'metres', 'meters'], toSi: 1000, decimals: 4 }
	],
	torque: [
		{
			symbol: 'N·m',
			aliases: ['nm', 'newtonmetre', 'newtonmeter', 'newtonmetres', 'newtonmeters'],
			toSi: 1,
			decimals: 1
		},
		{
			symbol: 'lbf·ft',
			aliases: [
				'lbfft',
				'lbft',
				'ftlb',
				'ftlbs',
				'lbsft',
				'ftlbf',
				'footpound',
				'footpounds',
				'poundfoot',
				'poundfeet'
			],
			toSi: (poundForce * 12 * inch) / 1000,
			decimals: 1
		},
		{
			symbol: 'lbf·in',
			aliases: [
				'lbfin',
				'lbin',
				'inlb',
				'inlbs',
				'lbsin',
				'inlbf',
				'inchpound',
				'inchpounds',
				'poundinch'
			],
			toSi: (poundForce * inch) / 1000,
			decimals: 0
		},
		{ symbol: 'kgf·m', aliases: ['kgfm', 'kgm', 'mkg', 'mkgf', 'kpm', 'mkp'], toSi: g, decimals: 2 }
	],
	rate: [
		{ symbol: 'N/mm', aliases: [], toSi: 1, decimals: 1 },
		{ symbol: 'lbf/in', aliases: ['lb/in', 'lbs/in'], toSi: poundForce / inch, decimals: 0 },
		{ symbol: 'kgf/mm', aliases: ['kg/mm'], toSi: g, decimals: 2 }
	],
	mass: [
		{ symbol: 'kg', aliases: ['kilo', 'kilos'], toSi: 1, decimals: 1 },
		{ symbol: 'lb', aliases: ['lbs', 'pound', 'pounds'], toSi: pound, decimals: 1 }
	],
	pressure: [
		{ symbol: 'kPa', aliases: [], toSi: 1, decimals: 0 },
		{ symbol: 'bar', aliases: [], toSi: 100, decimals: 2 },
		{
			symbol: 'psi',
			aliases: ['lbf/in²', 'lb/in²', 'lbf/in2', 'lb/in2'],
			toSi: (poundForce / (inch * inch)) * 1000,
			decimals: 0
		}
	],
	distance: [
		{
			symbol: 'km',
			aliases: ['kilometre', 'kilometer', 'kilometres', 'kilometers'],
			toSi: 1,
			decimals: 0
		},
		{ symbol: 'mi', aliases: ['mile', 'miles'], toSi: 1.609344, decimals: 0 }
	],
	force: [
		{ symbol: 'N', aliases: ['newton', 'newtons'], toSi: 1, decimals: 0 },
		{ symbol: 'kN', aliases: ['kilonewton', 'kilonewtons'], toSi: 1000, decimals: 2 },
		{
			symbol: 'lbf',
			aliases: ['lb', 'lbs', 'poundforce', 'poundsforce'],
			toSi: poundForce,
			decimals: 0
		},
		{ symbol: 'kgf', aliases: ['kg', 'kp'], toSi: g, decimals: 1 }
	],
	angle: [
		{ symbol: '°', aliases: ['deg', 'degree', 'degrees'], toSi: 1, decimals: 2 },
		{ symbol: 'rad', aliases: ['radian', 'radians'], toSi: 180 / Math.PI, decimals: 4 },
		{ symbol: '′', aliases: ["'", 'min', 'arcmin', 'minutes'], toSi: 1 / 60, decimals: 0 }
	]
};

export const dimensions = Object.keys(units) as Dimension[];

/** Case, spaces, hyphens, dots and multiplication signs do not change which unit is meant. */
function foldUnit(text: string): string {
	return text.toLowerCase().replace(/[\s.\-·⋅∙•*×]/g, '');
}

/** Finds a unit by any way of writing it; undefined when none of the dimension matches. */
export function findUnit(text: string, dimension: Dimension): Unit | undefined {
	const folded = foldUnit(text);
	return units[dimension].find(
		(unit) => foldUnit(unit.symbol) === folded || unit.aliases.includes(folded)
	);
}

/** The unit the program computes and stores in: the first of its dimension. */
export function siUnit(dimension: Dimension): Unit {
	return units[dimension][0]!;
}

/** Exact conversion of a number between two units of one dimension. */
export function convert(value: number, from: Unit, to: Unit): number {
	return from === to ? value : (value * from.toSi) / to.toSi;
}
