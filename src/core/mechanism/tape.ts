import { faulty, ok, type Fault, type Result } from '../result.ts';
import type { Uncertainty } from '../uncertainty/band.ts';
import type { CornerGeometry, MechanismLayout, Point } from './geometry.ts';
import { cornerSweep, type SweepRow } from './sweep.ts';

/** One measure of the tape: what is measured where, and how well it is usually known. */
export interface TapeMeasure {
	label: string;
	unit: 'mm' | 'deg';
	min: number;
	max: number;
	/** Standard uncertainty taken when none is given: own choice, to be measured. */
	usual: number;
	optional?: true;
}

const mm = (label: string, min: number, max: number, usual = 3): TapeMeasure => ({
	label,
	unit: 'mm',
	min,
	max,
	usual
});
const lean = (label: string): TapeMeasure => ({
	label,
	unit: 'deg',
	min: -80,
	max: 80,
	usual: 1.5
});

const armPair = {
	lowerArmMm: mm('lower arm, pivot to joint', 50, 1500),
	lowerJointBelowPivotMm: mm('lower joint below its pivot', -500, 500),
	upperArmMm: mm('upper arm, pivot to joint', 50, 1500),
	upperJointBelowPivotMm: mm('upper joint below its pivot', -500, 500),
	upperPivotAboveLowerMm: mm('upper pivot above lower pivot', 20, 1000),
	upperPivotOutboardMm: mm('upper pivot outboard of lower pivot', -500, 500),
	hubAboveLowerJointMm: mm('hub centre above lower joint', -300, 500),
	hubOutboardOfLowerJointMm: mm('hub centre outboard of lower joint', -100, 400, 5)
};
const seat = (part: 'spring' | 'damper', along: string) => ({
	[`${part}AlongMm`]: {
		...mm(`${part} foot along the ${along}, from its pivot`, -500, 1500),
		optional: true
	},
	[`${part}LengthMm`]: { ...mm(`${part} length, seat to seat, now`, 30, 1500), optional: true },
	[`${part}LeanDeg`]: { ...lean(`${part} lean, + top towards the pivot`), optional: true }
});
const trailing = {
	armMm: mm('arm, pivot to hub centre', 100, 1500),
	hubBelowPivotMm: mm('hub centre below the pivot', -500, 500),
	...seat('spring', 'arm'),
	...seat('damper', 'arm')
};

/** Which measures describe each layout in a plane; heights all at one ride height, the reference. */
export const tapeMeasures: Readonly<
	Record<MechanismLayout, Readonly<Record<string, TapeMeasure>>>
> = {
	'double-wishbone': { ...armPair, ...seat('spring', 'lower arm'), ...seat('damper', 'lower arm') },
	'multi-link': { ...armPair, ...seat('spring', 'lower arm'), ...seat('damper', 'lower arm') },
	macpherson: {
		lowerArmMm: armPair.lowerArmMm,
		lowerJointBelowPivotMm: armPair.lowerJointBelowPivotMm,
		strutTopAboveLowerJointMm: mm('strut top above lower joint', 100, 1200),
		strutTopInboardMm: mm('strut top inboard of lower joint', -200, 600),
		strutLengthMm: mm('strut, top mount to lower clamp, now', 100, 1200),
		strutLeanDeg: lean('lean of the strut, + top inboard'),
		hubAboveLowerJointMm: armPair.hubAboveLowerJointMm,
		hubOutboardOfLowerJointMm: armPair.hubOutboardOfLowerJointMm
	},
	'trailing-arm': trailing,
	'twist-beam': trailing,
	'solid-axle': {
		lowerArmMm: mm('lower link, body bolt to axle bolt', 100, 1500),
		lowerJointBelowPivotMm: mm('axle bolt below body bolt, lower link', -500, 500),
		upperArmMm: { ...mm('upper link, body bolt to axle bolt', 100, 1500), optional: true },
		upperJointBelowPivotMm: {
			...mm('axle bolt below body bolt, upper link', -500, 500),
			optional: true
		},
		upperPivotAboveLowerMm: { ...mm('upper body bolt above the lower', 20, 1000), optional: true },
		upperPivotOutboardMm: {
			...mm('upper body bolt rearward of the lower', -800, 800),
			optional: true
		},
		hubAboveLowerJointMm: mm('axle centre above the lower axle bolt', -300, 500),
		hubOutboardOfLowerJointMm: mm('axle centre rearward of the lower axle bolt', -300, 300),
		...seat('spring', 'lower link'),
		...seat('damper', 'lower link')
	}
};

/** A taped corner: the measures of its layout by name. */
export interface TapedCorner {
	layout: MechanismLayout;
	measures: Readonly<Record<string, number>>;
	staticCamberDeg?: number;
}

/** Measures that only mean something together: all of a row or none. */
const together = [
	['springAlongMm', 'springLengthMm', 'springLeanDeg'],
	['damperAlongMm', 'damperLengthMm', 'damperLeanDeg'],
	['upperArmMm', 'upperJointBelowPivotMm', 'upperPivotAboveLowerMm', 'upperPivotOutboardMm']
] as const;
const armAndDrop = [
	['lowerArmMm', 'lowerJointBelowPivotMm'],
	['upperArmMm', 'upperJointBelowPivotMm'],
	['armMm', 'hubBelowPivotMm']
] as const;

/** What is missing, unknown, out of range or impossible among the measures; all at once. */
function checkTape(layout: MechanismLayout, measures: Readonly<Record<string, number>>): Fault[] {
	const known = tapeMeasures[layout];
	const faults: Fault[] = [];
	const missing = (name: string, why = '') =>
		faults.push({
			field: `measures.${name}`,
			message: `is needed${why}: ${known[name]!.label}, ${known[name]!.unit}`
		});
	for (const [name, { optional }] of Object.entries(known)) {
		if (!optional && measures[name] === undefined) missing(name);
	}
	for (const group of together) {
		const given = group.find((name) => measures[name] !== undefined && known[name]?.optional);
		if (given === undefined) continue;
		for (const name of group) if (measures[name] === undefined) missing(name, ` with ${given}`);
	}
	for (const [name, value] of Object.entries(measures)) {
		const measure = known[name];
		if (!measure) {
			faults.push({
				field: `measures.${name}`,
				message: `is not measured on a ${layout} corner; known are ${Object.keys(known).join(', ')}`
			});
		} else if (!(value >= measure.min && value <= measure.max)) {
			faults.push({
				field: `measures.${name}`,
				value,
				message: `must be from ${measure.min} to ${measure.max} ${measure.unit}`
			});
		}
	}
	for (const [arm, drop] of armAndDrop) {
		const [length, below] = [measures[arm], measures[drop]];
		if (length !== undefined && below !== undefined && Math.abs(below) >= length) {
			faults.push({
				field: `measures.${drop}`,
				value: below,
				message: `must be less than ${arm} (${length} mm)`
			});
		}
	}
	return faults;
}

/** Where the planar model hangs in the car: the lower pivot, and half the length of its axis. */
const pivotOut = 300;
const halfAxis = 120;

/**
 * The planar model of a taped corner as hardpoints: all pivot axes lie along the car (across it for
 * arms and links seen from the side), so the same solver answers. Toe is not known from a tape.
 */
export function tapedGeometry({
	layout,
	measures,
	staticCamberDeg = 0
}: TapedCorner): Result<CornerGeometry> {
	const faults = checkTape(layout, measures);
	if (faults.length) return faulty(...faults);
	const m = (name: string) => measures[name]!;
	const sideView = ['trailing-arm', 'twist-beam', 'solid-axle'].includes(layout);
	/** Plane coordinates (away from the pivot, up) to the car's axes; `depth` along the pivot axis. */
	const at = (out: number, up: number, depth = 0): Point =>
		sideView ? [-out, 600 + depth, up + 400] : [depth, pivotOut + out, up + 200];
	const points: Record<string, Point> = {};
	const reach = (arm: number, below: number) => Math.sqrt(arm * arm - below * below);
	const attach = (
		part: 'spring' | 'damper',
		armReach: number,
		armLength: number,
		below: number
	) => {
		if (measures[`${part}AlongMm`] === undefined) return;
		const share = m(`${part}AlongMm`) / armLength;
		const [out, up] = [armReach * share, -below * share];
		const angle = (m(`${part}LeanDeg`) * Math.PI) / 180;
		const length = m(`${part}LengthMm`);
		points[`${part}Bottom`] = at(out, up);
		points[`${part}Top`] = at(out - length * Math.sin(angle), up + length * Math.cos(angle));
	};

	if (layout === 'trailing-arm' || layout === 'twist-beam') {
		const armReach = reach(m('armMm'), m('hubBelowPivotMm'));
		const [one, other] =
			layout === 'trailing-arm' ? ['pivotInner', 'pivotOuter'] : ['pivotLeft', 'pivotRight'];
		points[one!] = at(0, 0, -halfAxis);
		points[other!] = at(0, 0, halfAxis);
		attach('spring', armReach, m('armMm'), m('hubBelowPivotMm'));
		attach('damper', armReach, m('armMm'), m('hubBelowPivotMm'));
		return ok(corner(layout, points, at(armReach, -m('hubBelowPivotMm'), 100), staticCamberDeg));
	}

	const below = m('lowerJointBelowPivotMm');
	const joint = [reach(m('lowerArmMm'), below), -below] as const;
	const hub = at(joint[0] + m('hubOutboardOfLowerJointMm'), joint[1] + m('hubAboveLowerJointMm'));
	const hasUpper = measures.upperArmMm !== undefined;
	const upperPivot = [m('upperPivotOutboardMm'), m('upperPivotAboveLowerMm')] as const;
	const upperJoint = hasUpper
		? ([
				upperPivot[0] + reach(m('upperArmMm'), m('upperJointBelowPivotMm')),
				upperPivot[1] - m('upperJointBelowPivotMm')
			] as const)
		: undefined;
	if (layout === 'solid-axle') {
		points.lowerInner = at(0, 0);
		points.lowerOuter = at(...joint);
		if (upperJoint) {
			points.upperInner = at(...upperPivot);
			points.upperOuter = at(...upperJoint);
		}
	} else {
		points.lowerFrontPivot = at(0, 0, halfAxis);
		points.lowerRearPivot = at(0, 0, -halfAxis);
		points.lowerBallJoint = at(...joint);
		// A tie rod beside the lower arm, as long and as steep: no bump steer in the plane.
		points.tieRodInner = at(0, 0, halfAxis);
		points.tieRodOuter = at(...joint, halfAxis);
		if (layout === 'macpherson') {
			const top = [
				joint[0] - m('strutTopInboardMm'),
				joint[1] + m('strutTopAboveLowerJointMm')
			] as const;
			const angle = (m('strutLeanDeg') * Math.PI) / 180;
			points.strutTop = at(...top);
			points.strutBottom = at(
				top[0] + m('strutLengthMm') * Math.sin(angle),
				top[1] - m('strutLengthMm') * Math.cos(angle)
			);
		} else {
			points.upperFrontPivot = at(...upperPivot, halfAxis);
			points.upperRearPivot = at(...upperPivot, -halfAxis);
			points.upperBallJoint = at(...upperJoint!);
		}
	}
	if (layout !== 'macpherson') {
		attach('spring', joint[0], m('lowerArmMm'), below);
		attach('damper', joint[0], m('lowerArmMm'), below);
	}
	// A taped multi-link corner is the pair of arms that stands for its links.
	const solved = layout === 'multi-link' ? 'double-wishbone' : layout;
	return ok({
		...corner(solved, points, hub, staticCamberDeg),
		...(layout !== 'macpherson' && { springOn: 'lower' as const, damperOn: 'lower' as const })
	});
}

const corner = (
	layout: MechanismLayout,
	points: Record<string, Point>,
	wheelCentre: Point,
	staticCamberDeg: number
): CornerGeometry => ({
	layout,
	side: 'left',
	points,
	wheelCentre,
	staticCamberDeg,
	staticToeDeg: 0
});

export interface TapedTravel extends TapedCorner {
	bumpMm: readonly number[];
}

/** A posture from tape: what the plane knows of it. Toe and caster lie outside it. */
export type TapeRow = Omit<SweepRow, 'toeDeg' | 'casterDeg' | 'links'>;

/** The standard uncertainty of each measure when none is given: the usual one of its kind. */
export function usualTapeUncertainty({ layout, measures }: TapedCorner): Uncertainty {
	return Object.fromEntries(
		Object.keys(measures).map((name) => [
			`measures.${name}`,
			tapeMeasures[layout][name]?.usual ?? 0
		])
	);
}

/** Moves a taped corner through the given bumps, mm. Same faults as `cornerSweep`. */
export function tapeSweep({ bumpMm, ...taped }: TapedTravel): Result<{ rows: TapeRow[] }> {
	const geometry = tapedGeometry(taped);
	if (!geometry.ok) return geometry;
	const swept = cornerSweep(geometry.value, bumpMm);
	if (!swept.ok) return swept;
	return ok({
		rows: swept.value.rows.map(({ toeDeg: _, casterDeg: __, links: ___, ...row }) => row)
	});
}
