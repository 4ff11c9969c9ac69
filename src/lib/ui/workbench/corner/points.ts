import type { CornerGeometry, Point } from '$core/mechanism/geometry';
import type { NumberEntry, TextEntry } from '../frame/values.svelte';
import { tapeMeasures, type TapedCorner } from '$core/mechanism/tape';

/** A point as people write it: `10, 720, 190` or `10 720 190`; undefined when it is not three numbers. */
export function readPoint(text: string): Point | undefined {
	const parts = text
		.replaceAll('−', '-')
		.split(/[\s,;]+/)
		.filter((part) => part !== '');
	const numbers = parts.map(Number);
	return numbers.length === 3 && numbers.every(Number.isFinite)
		? (numbers as unknown as Point)
		: undefined;
}

export const writePoint = (point: Point): string => point.join(', ');

/** `lowerFrontPivot` → `lower front pivot`. */
export const pointName = (key: string): string =>
	key.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** Every coordinate of a corner as text entries of a bench, by the path a fault would name. */
export function pointEntries(corner: CornerGeometry): TextEntry[] {
	const entry = (key: string, label: string, point: Point): TextEntry => ({
		key,
		label,
		initial: writePoint(point)
	});
	return [
		...Object.entries(corner.points).map(([name, point]) =>
			entry(`points.${name}`, pointName(name), point)
		),
		...(corner.links ?? []).flatMap(({ inner, outer }, i) => [
			entry(`links.${i}.inner`, `link ${i + 1} inner`, inner),
			entry(`links.${i}.outer`, `link ${i + 1} outer`, outer)
		]),
		entry('wheelCentre', 'wheel centre', corner.wheelCentre)
	];
}

/** The corner with its points as they are typed now; undefined while one is not understood. */
export function cornerFromTexts(
	sample: CornerGeometry,
	text: Readonly<Record<string, string>>,
	numbers: { staticCamberDeg: number; staticToeDeg: number }
): CornerGeometry | undefined {
	const read = (key: string) => readPoint(text[key]!);
	const points = Object.keys(sample.points).map((name) => [name, read(`points.${name}`)] as const);
	const links = sample.links?.map((link, i) => ({
		...link,
		inner: read(`links.${i}.inner`),
		outer: read(`links.${i}.outer`)
	}));
	const wheelCentre = read('wheelCentre');
	if (!wheelCentre || points.some(([, p]) => !p) || links?.some((l) => !l.inner || !l.outer)) {
		return undefined;
	}
	return {
		...sample,
		...numbers,
		points: Object.fromEntries(points) as Record<string, Point>,
		...(links && { links: links as { inner: Point; outer: Point }[] }),
		wheelCentre
	};
}

/** The tape measures of a corner as number entries of a bench. */
export function tapeEntries({ layout, measures }: TapedCorner): NumberEntry[] {
	return Object.entries(tapeMeasures[layout])
		.filter(([key]) => key in measures)
		.map(([key, { label, unit, min, max, usual }]) => ({
			key,
			label,
			...(unit === 'mm' ? { dimension: 'length' as const } : { dimension: 'angle' as const }),
			initial: measures[key]!,
			min,
			max,
			decimals: unit === 'mm' ? 1 : 2,
			hint: usual === 3 || usual === 1.5 ? undefined : `known to about ±${2 * usual} ${unit}`
		}));
}

/** How the corner stands, and how far it is moved. */
export const postureEntries = (
	sample: Pick<CornerGeometry, 'staticCamberDeg' | 'staticToeDeg'>,
	byTape: boolean
): NumberEntry[] => [
	{
		key: 'bumpMm',
		label: 'Wheel now, + = bump',
		dimension: 'length',
		initial: -60,
		min: -300,
		max: 300,
		decimals: 1
	},
	{
		key: 'travelMm',
		label: 'Travel shown, each way',
		dimension: 'length',
		initial: 80,
		min: 10,
		max: 300,
		decimals: 0
	},
	{
		key: 'wheelRadiusMm',
		label: 'Wheel radius, for the drawing',
		dimension: 'length',
		initial: 310,
		min: 150,
		max: 600,
		decimals: 0
	},
	{
		key: 'staticCamberDeg',
		label: 'Camber now, + = top outward',
		dimension: 'angle',
		initial: byTape ? -0.8 : sample.staticCamberDeg,
		min: -15,
		max: 15
	},
	...(byTape
		? []
		: [
				{
					key: 'staticToeDeg',
					label: 'Toe now, + = toe-in',
					dimension: 'angle' as const,
					initial: sample.staticToeDeg,
					min: -10,
					max: 10
				}
			])
];
