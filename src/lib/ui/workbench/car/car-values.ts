import { sampleCar } from '$core/car/sample';
import { axleOf, corners, perCorner, type Corner, type PerCorner } from '$core/height/corners';
import type { BenchValues, NumberEntry } from '../frame/values.svelte';

const length = { dimension: 'length' as const, decimals: 0 };
const load = { dimension: 'force' as const, min: 50, max: 30_000 };

/** What every bench of the whole car needs to know of it. */
export const carEntries: readonly NumberEntry[] = [
	{
		key: 'wheelbaseMm',
		label: 'Wheelbase',
		...length,
		initial: sampleCar.wheelbaseMm,
		min: 1500,
		max: 5000
	},
	{
		key: 'trackFrontMm',
		label: 'Track, front',
		...length,
		initial: sampleCar.trackFrontMm,
		min: 900,
		max: 2500
	},
	{
		key: 'trackRearMm',
		label: 'Track, rear',
		...length,
		initial: sampleCar.trackRearMm,
		min: 900,
		max: 2500
	},
	...corners.map((corner) => ({
		key: `load${corner}`,
		label: `Sprung load ${corner}`,
		...load,
		initial: sampleCar.loadsN[corner]
	})),
	...(['front', 'rear'] as const).flatMap((axle): NumberEntry[] => {
		const corner = axle === 'front' ? 'FL' : 'RL';
		return [
			{
				key: `rate-${axle}`,
				label: `Wheel rate, ${axle}`,
				dimension: 'rate',
				initial: sampleCar.wheelRatesNPerMm[corner],
				min: 2,
				max: 500
			},
			{
				key: `ratio-${axle}`,
				label: `Motion ratio, ${axle}`,
				initial: sampleCar.motionRatio[corner],
				min: 0.1,
				max: 2,
				decimals: 3
			},
			{
				key: `bar-${axle}`,
				label: `Anti-roll bar, ${axle}`,
				dimension: 'rate',
				initial: sampleCar.antiRollNPerMm[axle],
				min: 0,
				max: 200,
				hint: 'at the wheel, each side, for opposite movement'
			}
		];
	}),
	{
		key: 'tyreRateNPerMm',
		label: 'Tyre rate',
		dimension: 'rate',
		initial: sampleCar.tyreRateNPerMm,
		min: 50,
		max: 1000
	}
];

/** The entries in groups, as they stand on the bench. */
export const carGroups = [
	{
		title: 'Loads',
		keys: corners.map((corner) => `load${corner}`)
	},
	{
		title: 'Springs, bars, tyres',
		keys: [
			'rate-front',
			'ratio-front',
			'bar-front',
			'rate-rear',
			'ratio-rear',
			'bar-rear',
			'tyreRateNPerMm'
		]
	},
	{ title: 'Size', keys: ['wheelbaseMm', 'trackFrontMm', 'trackRearMm'] }
] as const;

/** The car as the computations take it. */
export function carInput(values: BenchValues) {
	const byAxle = (name: string) => perCorner((corner) => values.num(`${name}-${axleOf(corner)}`));
	return {
		...values.nums('wheelbaseMm', 'trackFrontMm', 'trackRearMm', 'tyreRateNPerMm'),
		loadsN: perCorner((corner) => values.num(`load${corner}`)),
		wheelRatesNPerMm: byAxle('rate'),
		antiRollNPerMm: { front: values.num('bar-front'), rear: values.num('bar-rear') },
		motionRatio: byAxle('ratio')
	};
}

/** One value for each corner, keyed `nameFL` and so on. */
export const cornerEntries = (
	name: string,
	label: (corner: Corner) => string,
	initial: PerCorner<number>,
	range: { min: number; max: number }
): NumberEntry[] =>
	corners.map((corner) => ({
		key: `${name}${corner}`,
		label: label(corner),
		dimension: 'length',
		decimals: 1,
		initial: initial[corner],
		...range
	}));

export const cornerNumbers = (values: BenchValues, name: string): PerCorner<number> =>
	perCorner((corner) => values.num(`${name}${corner}`));

/** Faults name paths like `loadsN.FL`; the entries are called otherwise. */
export function carEntryOf(field: string): string {
	const [name, corner] = field.split('.') as [string, string?];
	const renamed: Record<string, string> = {
		loadsN: 'load',
		perchMm: 'perch',
		targetHeightChangeMm: 'target',
		deviationMm: 'off'
	};
	if (corner && renamed[name]) return `${renamed[name]}${corner}`;
	if (name === 'limitsMm') return corner ?? 'min';
	return field;
}
