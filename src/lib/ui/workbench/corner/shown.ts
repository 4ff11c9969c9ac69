/** What the bench of a corner shows of its sweep: curves over travel, and numbers at one height. */
import type { SweepRow } from '$core/mechanism/sweep';
import { formatNumber } from '$core/units/format';

interface Swept {
	rows: SweepRow[];
	/** Half-widths of the 95 % bands. */
	expanded?: { rows: SweepRow[] };
}

export interface CornerCurve {
	name: string;
	unit: string;
	decimals: number;
	/** The least span its axis has. */
	least: number;
	y: number[];
	band: number[] | undefined;
}

/** @param byTape toe cannot be known of tape measures */
export function cornerCurves(swept: Swept | undefined, byTape: boolean): CornerCurve[] {
	if (!swept) return [];
	const { rows, expanded } = swept;
	const of = (
		name: string,
		unit: string,
		decimals: number,
		least: number,
		pick: (row: SweepRow) => number | undefined
	): CornerCurve[] =>
		pick(rows[0]!) === undefined
			? []
			: [
					{
						name,
						unit,
						decimals,
						least,
						y: rows.map((row) => pick(row)!),
						band: expanded?.rows.map((row) => pick(row)!)
					}
				];
	return [
		...of('Camber', '°', 2, 1, (row) => row.camberDeg),
		...(byTape ? [] : of('Toe', '°', 2, 0.4, (row) => row.toeDeg)),
		...of('Twist, lower arm', '°', 1, 4, (row) => row.twistDeg.lower),
		...of('Twist, upper arm', '°', 1, 4, (row) => row.twistDeg.upper),
		...of('Twist, arm', '°', 1, 4, (row) => row.twistDeg.arm),
		...of('Motion ratio, spring', '', 3, 0.1, (row) => row.springMotionRatio),
		// A strut carries its spring: one curve for both.
		...of('Motion ratio, damper', '', 3, 0.1, (row) =>
			row.damperLengthMm === row.springLengthMm ? undefined : row.damperMotionRatio
		),
		...of('Twist, link 1', '°', 1, 4, (row) => row.links?.[0]?.twistDeg)
	];
}

interface Shown {
	label: string;
	value: string;
	band?: string;
	main?: boolean;
}

/**
 * Numbers of one height as they are read, the twist of the arm's bush first.
 *
 * @param band half-widths of their 95 % bands, where the measures have uncertainties
 * @param show lengths (mm) and angles (degrees) as this person reads them
 */
export function cornerReadouts(
	row: SweepRow,
	band: SweepRow | undefined,
	byTape: boolean,
	show: {
		length: (mm: number, signed?: boolean) => string;
		angle: (deg: number, decimals?: number) => string;
	}
): Shown[] {
	const { length, angle } = show;
	const give = (
		label: string,
		value: number | undefined,
		say: (value: number) => string,
		half?: number,
		sayHalf: (half: number) => string = say
	): Shown[] =>
		value === undefined
			? []
			: [{ label, value: say(value), ...(half !== undefined && { band: sayHalf(half) }) }];
	const degrees = (decimals: number) => (half: number) => `${half.toFixed(decimals)}\u00a0°`;
	const arm = row.twistDeg.arm === undefined ? 'lower arm' : 'arm';
	const main = give(
		`Bush twist against the height measured, ${arm}`,
		row.twistDeg.lower ?? row.twistDeg.arm,
		(deg) => angle(deg, 1),
		band?.twistDeg.lower ?? band?.twistDeg.arm,
		degrees(1)
	).map((one) => ({ ...one, main: true }));
	return [
		...main,
		...give(
			'Twist, upper arm',
			row.twistDeg.upper,
			(deg) => angle(deg, 1),
			band?.twistDeg.upper,
			degrees(1)
		),
		...(row.links ?? []).map((link, i) => ({
			label: `Link ${i + 1}: twist, cone`,
			value: `${formatNumber(link.twistDeg, 1, true)} ° ${angle(link.coneDeg, 1)}`
		})),
		...give('Camber', row.camberDeg, angle, band?.camberDeg, degrees(2)),
		...(byTape ? [] : give('Toe', row.toeDeg, angle)),
		...give('Caster', row.casterDeg, angle),
		...give('Kingpin inclination', row.kpiDeg, angle, band?.kpiDeg, degrees(2)),
		...give(
			'Track change',
			row.trackChangeMm,
			(mm) => length(mm, true),
			band?.trackChangeMm,
			length
		),
		...give('Spring length', row.springLengthMm, length, band?.springLengthMm),
		...give(
			'Motion ratio, spring',
			row.springMotionRatio,
			(ratio) => formatNumber(ratio, 3),
			band?.springMotionRatio,
			(half) => half.toFixed(3)
		),
		...give('Damper length', row.damperLengthMm, length, band?.damperLengthMm)
	];
}
