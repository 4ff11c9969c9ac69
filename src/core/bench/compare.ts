/** Old part against new on the bench. Tolerances are own choice; a maker's data goes before them. */
import { damperEnd, isStrut } from '../layout/shape.ts';
import type { Layout } from '../layout/types.ts';
import { formatNumber } from '../units/format.ts';

export const comparedParts = ['damper', 'spring'] as const;
export type ComparedPart = (typeof comparedParts)[number];

export interface Dimension {
	key: string;
	name: string;
	unit: 'mm' | '';
	/** Differences up to this are a tape's and a part's own. */
	tolerance: number;
	/** What a difference would do. */
	matters: string;
	/** Only of dampers that end so; absent: of all. */
	ends?: readonly LowerEnd[];
}

/** How a damper is held below: clamped by its tube, between two bolts of a bracket, or by an eye. */
type LowerEnd = 'clamp' | 'bracket' | 'eye';

/** How this layout holds the lower end of its dampers. */
export function lowerEndOf(layout: Layout): LowerEnd {
	const bottom = damperEnd(layout, 'bottom');
	if (bottom.some(({ kind }) => kind === 'clamp')) return 'clamp';
	return isStrut(layout) && bottom.length > 1 ? 'bracket' : 'eye';
}

const dimension = (
	key: string,
	name: string,
	tolerance: number,
	matters: string,
	unit: Dimension['unit'] = 'mm',
	ends?: Dimension['ends']
): Dimension => ({ key, name, tolerance, matters, unit, ...(ends && { ends }) });

export const dimensionsOf: Readonly<Record<ComparedPart, readonly Dimension[]>> = {
	damper: [
		dimension('extendedMm', 'Length extended', 5, 'Droop travel, and how far the arm hangs'),
		dimension('compressedMm', 'Length compressed', 5, 'Bump travel before metal meets'),
		dimension(
			'bushWidthMm',
			'Lower bush width',
			0.5,
			'It will not enter its bracket, or it is pinched',
			'mm',
			['eye']
		),
		dimension('boreMm', 'Lower bore', 0.2, 'The bolt will not enter, or it moves', 'mm', ['eye']),
		dimension(
			'tubeMm',
			'Tube in the clamp',
			0.2,
			'It will not enter, or slips in its clamp',
			'mm',
			['clamp']
		),
		dimension(
			'stopHeightMm',
			'Stop or bracket to tube end',
			1,
			'How deep it sits in the clamp, and so camber and height',
			'mm',
			['clamp']
		),
		dimension(
			'holeSpacingMm',
			'Knuckle holes, apart',
			0.5,
			'The bolts will not enter; camber',
			'mm',
			['bracket']
		),
		dimension(
			'bracketWidthMm',
			'Bracket, inside width',
			0.5,
			'The knuckle will not enter, or is pinched',
			'mm',
			['bracket']
		),
		dimension('studSpacingMm', 'Mount stud spacing', 1, 'The mount will not enter the body'),
		dimension('nutMm', 'Its nut, across flats', 0.5, 'Another socket than the old one is wanted')
	],
	spring: [
		dimension('freeLengthMm', 'Free length', 5, 'Ride height at its corner'),
		dimension('wireMm', 'Wire diameter', 0.2, 'Rate, with its fourth power'),
		dimension('outerMm', 'Outer diameter', 2, 'How it sits in its seats'),
		dimension('coils', 'Active coils', 0.25, 'Rate', '')
	]
};

export type Hand = 'left' | 'right' | 'either';

export interface PartMeasures {
	/** By the keys of `dimensionsOf`; a dimension that was not measured is absent. */
	values: Readonly<Record<string, number>>;
	hand?: Hand;
}

interface DimensionVerdict extends Dimension {
	old?: number;
	new?: number;
	difference?: number;
	verdict: 'same' | 'differs' | 'not-measured';
}

export interface ComparisonAnswer {
	rows: DimensionVerdict[];
	/** Hands that do not go together. */
	handDiffers: boolean;
	verdict: 'same' | 'differs' | 'unfinished';
	words: string;
}

interface Compared {
	/** The old spring is in pieces: its free length is not asked, and not believed. */
	oldBroken?: boolean;
	/** How the damper is held below; absent: whatever was measured counts. */
	lowerEnd?: LowerEnd;
}

/** What can be measured of both: a broken spring has no free length, a tube in a clamp no bush. */
export const dimensionsFor = (
	part: ComparedPart,
	{ oldBroken = false, lowerEnd }: Compared
): readonly Dimension[] =>
	dimensionsOf[part].filter(
		({ key, ends }) =>
			!(oldBroken && key === 'freeLengthMm') && (!lowerEnd || !ends || ends.includes(lowerEnd))
	);

/** Compares what was measured of an old and a new part. */
export function compareParts(
	part: ComparedPart,
	old: PartMeasures,
	fresh: PartMeasures,
	how: Compared = {}
): ComparisonAnswer {
	const rows = dimensionsFor(part, how).map((one): DimensionVerdict => {
		const [a, b] = [old.values[one.key], fresh.values[one.key]];
		if (a === undefined || b === undefined)
			return { ...one, old: a, new: b, verdict: 'not-measured' };
		const difference = b - a;
		const same = Math.abs(difference) <= one.tolerance + 1e-9;
		return { ...one, old: a, new: b, difference, verdict: same ? 'same' : 'differs' };
	});
	const handDiffers =
		old.hand !== undefined &&
		fresh.hand !== undefined &&
		old.hand !== fresh.hand &&
		old.hand !== 'either' &&
		fresh.hand !== 'either';
	const off = rows.filter((row) => row.verdict === 'differs');
	const measured = rows.filter((row) => row.verdict !== 'not-measured').length;
	if (off.length || handDiffers) {
		const what = off.map(
			(row) =>
				`${row.name.toLowerCase()} ${formatNumber(row.difference!, 1, true)}${row.unit ? ` ${row.unit}` : ''}`
		);
		if (handDiffers) what.push(`hand ${fresh.hand} for ${old.hand}`);
		return { rows, handDiffers, verdict: 'differs', words: `Differs: ${what.join(', ')}` };
	}
	return measured < leastMeasured
		? {
				rows,
				handDiffers,
				verdict: 'unfinished',
				words: `${leastMeasured} dimensions at least: ${measured} measured on both`
			}
		: { rows, handDiffers, verdict: 'same', words: `The same in ${measured} dimensions` };
}

/** A part is not called the same on less. Own choice. */
const leastMeasured = 2;
