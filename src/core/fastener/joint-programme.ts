/**
 * How a joint is tightened besides pulling to its torque, as data: the joint carries its torque, this
 * says what comes around it. Nothing said: one fastener, to its torque.
 */
import type { Action, Programme, ProgrammeStep } from './programme.ts';
import { actions } from './programme.ts';

/** What follows the first torque. */
export type FollowingStep =
	| { kind: 'angle'; angleDeg: number; toleranceDeg?: number }
	| { kind: 'slacken'; angleDeg: number }
	| { kind: 'torque'; torqueNm: number };

export interface JointProgramme {
	/** After the first torque, in order. */
	then?: readonly FollowingStep[];
	/** The joint's torque is the low limit; forward to the next slot, never above the high limit. */
	castle?: { highNm: number; slotDeg: 30 | 60 };
	/** A cushion mount ends here; either sight if absent. */
	cushionTo?: 'washer-edge' | 'shoulder';
	pattern?: { fasteners: 3 | 4 | 5 | 6 | 8; passes: 1 | 2 };
	/** Torque the nut takes to turn before it meets anything, N·m; added to every torque. */
	prevailingNm?: number;
	/** A joint that is only reached with an adapter: its length, mm, and its angle to the wrench. */
	adapter?: { lengthMm: number; angleDeg: number };
}

/** A joint as far as its programme goes. */
export interface ProgrammedJoint {
	kind: string;
	/** Undefined or null while nobody has said. */
	torqueNm?: number | null;
	programme?: JointProgramme | null;
}

/** The programme of a joint as the core runs it; a torque nobody has said stays open. */
export function programmeOf({ kind, torqueNm, programme }: ProgrammedJoint): Programme {
	const { then = [], castle, cushionTo, pattern, prevailingNm } = programme ?? {};
	const torque = torqueNm ?? undefined;
	let first: ProgrammeStep = { kind: 'torque', torqueNm: torque };
	if (kind === 'cushion') first = { kind: 'cushion', to: cushionTo ?? 'washer-edge' };
	else if (castle) first = { kind: 'castle', lowNm: torque, ...castle };
	return { steps: [first, ...(kind === 'cushion' ? [] : then)], pattern, prevailingNm };
}

/** Everything to be done at a joint, in order; never empty. */
export const actionsOf = (joint: ProgrammedJoint): Action[] => actions(programmeOf(joint));

/** A recorded torque may differ from the specified one by this share. Own choice: a wrench's 4 % and a reading. */
const torqueTolerance = 0.05;

/** An angle may differ by this much where the programme does not say: own choice. */
const angleTolerance = (angleDeg: number): number => Math.max(5, 0.1 * angleDeg);

/** What was reached in one action. */
export interface Reached {
	torqueNm?: number;
	angleDeg?: number;
}

/** How an action was missed: under or over what was asked, as a share of it; undefined when it was met. */
export interface Missed {
	way: 'under' | 'over';
	/** Share of what was asked. */
	by: number;
	of: 'torque' | 'angle';
}

/** Holds what was reached against the action. A castle nut may lie anywhere from its low to its high limit. */
export function missedBy(
	joint: ProgrammedJoint,
	action: Action,
	reached: Reached
): Missed | undefined {
	const { programme } = joint;
	const beyond = (
		of: Missed['of'],
		value: number,
		low: number,
		high: number,
		asked: number
	): Missed | undefined => {
		if (value < low) return { way: 'under', by: 1 - value / asked, of };
		return value > high ? { way: 'over', by: value / asked - 1, of } : undefined;
	};
	if (action.kind === 'slacken') return undefined;
	if (action.kind === 'angle') {
		if (reached.angleDeg === undefined || action.angleDeg === undefined) return undefined;
		const follow = programme?.then?.[action.step - 1];
		const allowed =
			(follow?.kind === 'angle' ? follow.toleranceDeg : undefined) ??
			angleTolerance(action.angleDeg);
		const asked = action.angleDeg;
		return beyond('angle', reached.angleDeg, asked - allowed, asked + allowed, asked);
	}
	const asked = action.torqueNm;
	if (asked === undefined || reached.torqueNm === undefined) return undefined;
	const spread = torqueTolerance * asked;
	const high =
		action.kind === 'castle' && programme?.castle
			? programme.castle.highNm + (programme.prevailingNm ?? 0)
			: asked + spread;
	return beyond('torque', reached.torqueNm, asked - spread, high, asked);
}

const star = (pattern: NonNullable<JointProgramme['pattern']>) =>
	`${pattern.fasteners} in a star${pattern.passes === 2 ? ', two passes' : ''}`;

/** A programme in a few words, for lists; empty for a plain torque. */
export function programmeWords(
	programme: JointProgramme | null | undefined,
	showTorque: (nm: number) => string
): string {
	if (!programme) return '';
	const { then = [], castle, cushionTo, pattern, prevailingNm, adapter } = programme;
	const follow = then.map((step) => {
		if (step.kind === 'angle') return `then ${step.angleDeg}° more`;
		return step.kind === 'slacken'
			? `slacken ${step.angleDeg}°`
			: `then ${showTorque(step.torqueNm)}`;
	});
	return [
		castle && `forward to the slot, at most ${showTorque(castle.highNm)}`,
		...follow,
		cushionTo && (cushionTo === 'shoulder' ? 'to the shoulder' : 'to the washer’s edge'),
		pattern && star(pattern),
		prevailingNm && `run-down ${showTorque(prevailingNm)} added`,
		adapter && `with a ${adapter.lengthMm} mm adapter`
	]
		.filter(Boolean)
		.join(', ');
}
