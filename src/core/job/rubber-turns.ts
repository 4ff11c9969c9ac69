/** Which parts rubber lies between, and how far they turn when the wheels of their axle move. */
import { findLayout } from '../layout/registry.ts';
import { partOf } from '../layout/shape.ts';
import type { JointRubber, Layout, LayoutJoint, RubberBody } from '../layout/types.ts';
import { partTurns, type PartTurns } from '../mechanism/turns.ts';
import { faulty, ok, type Result } from '../result.ts';
import { isUpper } from './arm.ts';
import type { WhichArm } from './arm-angles.ts';
import type { CornerMechanism } from './corner.ts';
import type { Joint } from './model.ts';

/** A joint as far as its rubber goes: one of its layout, or one added in the shop, which has only a place. */
export type RubberJoint = Pick<Joint, 'key' | 'place'>;

/** Half of the step over which a turn per mm is taken, mm. */
export const stepMm = 1;

/** Rubber, and the two bodies of the mechanism that it lies between. */
export interface RubberBetween extends JointRubber {
	between: readonly [RubberBody, RubberBody];
}

/** The rubber of a joint. One that was added in the shop is taken to lie between body and the arm of its place. */
export function rubberOf(layoutKey: string, { key, place }: RubberJoint): RubberBetween {
	const layout = findLayout(layoutKey)!;
	const { joints, mechanism } = layout;
	const own = joints.find((joint) => joint.key === key);
	if (own?.rubber) return { ...own.rubber, between: bodiesOf(layout, own) };
	if (mechanism === 'trailing-arm' || mechanism === 'twist-beam')
		return { between: ['body', 'arm'], bolt: 'across' };
	const arm = isUpper(place) ? 'upper-arm' : 'lower-arm';
	return { between: ['body', arm], bolt: mechanism === 'solid-axle' ? 'across' : 'along' };
}

/** The bodies of the mechanism that the two parts of a joint turn with. */
function bodiesOf(layout: Layout, { key, between }: LayoutJoint): [RubberBody, RubberBody] {
	const bodies = between.map((part) => (part === 'body' ? 'body' : partOf(layout, part)?.turns));
	const [a, b] = bodies;
	if (!a || !b) throw new Error(`${layout.key}: a part of ${key} turns with no body`);
	return [a, b];
}

/** The arm that rubber lies at, if at one. */
export function armOfRubber({ between }: RubberBetween): WhichArm | undefined {
	if (between.includes('upper-arm')) return 'upper';
	return between.some(isArm) ? 'lower' : undefined;
}

export const isArm = (body: RubberBody) => body.endsWith('arm');

/** Heights of both wheels of the axle as bump from where the corner's geometry was taken, mm. */
export interface Wheels {
	ownMm: number;
	otherMm: number;
}

/** The same, moved a little up and down: own wheel, then the other. */
export function around({ ownMm, otherMm }: Wheels): Wheels[] {
	return [
		{ ownMm: ownMm - stepMm, otherMm },
		{ ownMm: ownMm + stepMm, otherMm },
		{ ownMm, otherMm: otherMm - stepMm },
		{ ownMm, otherMm: otherMm + stepMm }
	];
}

/** Turns of the two parts, and of the lower arm, at each stand of the wheels, rad. */
export function turns(
	{ between, bolt, link, otherShare = 0 }: RubberBetween,
	{ geometry }: CornerMechanism,
	trackMm: number,
	stands: readonly Wheels[]
): Result<[number, number, number][]> {
	const seen = stands.map(({ ownMm, otherMm }) => ownMm + otherShare * (otherMm - ownMm));
	const parts = partTurns(geometry, bolt, seen);
	if (!parts.ok) return parts;
	const turnOf = (body: RubberBody, part: PartTurns, i: number): number => {
		switch (body) {
			case 'body':
				return 0;
			case 'lower-arm':
			case 'arm':
				return part.lower ?? part.arm ?? NaN;
			case 'upper-arm':
				return part.upper ?? part.lower ?? part.arm ?? NaN;
			case 'knuckle':
			case 'damper':
				return part[body] ?? NaN;
			case 'axle':
				return bolt === 'across'
					? part.knuckle!
					: (stands[i]!.ownMm - stands[i]!.otherMm) / trackMm;
			default: {
				const { lengthMm, belowMm, perWheel } = link!;
				const rise = seen[i]! * perWheel;
				return Math.asin((rise - belowMm) / lengthMm) + Math.asin(belowMm / lengthMm);
			}
		}
	};
	const all = parts.value.map((part, i) =>
		([...between, 'lower-arm'] as const).map((body) => turnOf(body, part, i))
	);
	return all.flat().some(Number.isNaN)
		? faulty({ field: 'hubToArch', message: 'cannot be reached: a link is too short to go so far' })
		: ok(all as [number, number, number][]);
}
