import type { Axle } from '../height/corners.ts';
import type { MechanismLayout } from '../mechanism/geometry.ts';
import type { BushSize } from '../bush/torsion.ts';
import type { JointProgramme } from '../fastener/joint-programme.ts';

/** What a fastener holds; decides when it may be tightened for good. */
export const jointKinds = [
	'bonded-bush',
	'rigid',
	'ball-joint',
	'shaft-nut',
	'clamp',
	'cushion',
	'wheel'
] as const;
export type JointKind = (typeof jointKinds)[number];

export const jointKindNames: Readonly<Record<JointKind, string>> = {
	'bonded-bush': 'Bonded bush',
	rigid: 'Rigid',
	'ball-joint': 'Ball joint',
	'shaft-nut': 'Shaft nut',
	clamp: 'Clamp',
	cushion: 'Cushion',
	wheel: 'Wheel'
};

/** When a joint may be tightened for good. */
export const tightenRules = ['any-time', 'ride-height', 'wheels-on-ground'] as const;
export type TightenRule = (typeof tightenRules)[number];

export const tightenRuleNames: Readonly<Record<TightenRule, string>> = {
	'any-time': 'Any time',
	'ride-height': 'At ride height',
	'wheels-on-ground': 'Wheels on ground'
};

/** The rule a joint of this kind follows unless the job says otherwise. */
export function defaultRule(kind: JointKind): TightenRule {
	if (kind === 'bonded-bush') return 'ride-height';
	return kind === 'wheel' ? 'wheels-on-ground' : 'any-time';
}

/** By hand only, or run down by a power tool first; the final torque is by wrench either way. */
export const jointTools = ['hand', 'run-down'] as const;
export type JointTool = (typeof jointTools)[number];

export const jointToolNames: Readonly<Record<JointTool, string>> = {
	hand: 'By hand only',
	'run-down': 'Run-down allowed, final by wrench'
};

/** Where on a corner a joint sits, for the drawing; also which arm its rubber turns with. */
export const jointPlaces = [
	'damper-top',
	'damper-bottom',
	'lower-pivot',
	'lower-joint',
	'upper-pivot',
	'upper-joint',
	'tie-rod-inner',
	'tie-rod-outer',
	'drop-link',
	'lateral-rod',
	'bracket',
	'hub'
] as const;
export type JointPlace = (typeof jointPlaces)[number];

export interface LayoutJoint {
	/** Unique in the layout. */
	key: string;
	name: string;
	kind: JointKind;
	rule: TightenRule;
	/** Fastener that is not used twice. */
	oneTime: boolean;
	/** `run-down` if absent. */
	tool?: JointTool;
	/** The stud turns with its nut unless it is held by its hex or flats. */
	holdStud?: boolean;
	/** Done together with the same joint on the other side of the axle, before the car is loaded. */
	pair?: boolean;
	place: JointPlace;
	/** How many of them, each to its torque; one if absent, or as many as the programme's pattern. */
	fasteners?: number;
	/** What is done besides pulling to the torque. */
	programme?: JointProgramme;
	/** Short advice shown with the joint. */
	note?: string;
}

/** A value with its standard uncertainty, same unit. */
export interface Estimate {
	value: number;
	u: number;
}

/** How a corner comes apart: which of its joints hold what. Keys are those of the layout's joints. */
interface LayoutBuild {
	/** A strut locates the wheel; a coilover carries its spring but locates nothing. */
	damper: 'strut' | 'coilover' | 'damper';
	/** Around the damper; on the arm or axle beside it; or air. */
	spring: 'on-damper' | 'on-arm' | 'air';
	/** Joints at the damper's lower and upper end. */
	bottom: readonly string[];
	top: readonly string[];
	/** Undone too, so that the knuckle swings clear of the damper. */
	alsoUndone?: readonly string[];
	/**
	 * The joint that holds an arm spring at droop, by taper or by bolt. Where it is absent the damper holds
	 * it: the arm or axle hangs on it.
	 */
	heldBy?: { joint: string; taper: boolean };
	airLine?: string;
	/** Both wheels are on one beam or axle: it comes down on both sides together. */
	oneBody?: boolean;
	/** Links that locate an axle, by their joint at the body: one at a time. */
	links?: readonly string[];
	/** A driven wheel: the knuckle may not pull the shaft out of its joint. */
	driveShaft?: boolean;
	/** What comes off inside the car before the upper end is reached. */
	access?: string;
}

/** How one axle's corners are built: what has to be tightened, and the geometry to assume untaped. */
export interface Layout {
	key: string;
	name: string;
	axles: readonly Axle[];
	/** The mechanism that moves it. */
	mechanism: MechanismLayout;
	/** What the tape measures, in words, for the geometry form. */
	tape: { armLength: string; outerBelowInner: string };
	/** Assumed until taped; the uncertainty is wide on purpose. */
	assumed: {
		armLengthMm: Estimate;
		outerBelowInnerMm: Estimate;
		jointPerWheel: number;
		wheelRateNPerMm: number;
		/** Relative uncertainty of rubber and wheel rate together. */
		stiffnessRelative: number;
		bush: BushSize & { hardnessIrhd: number };
		bushCount: number;
		/** The other measures of this mechanism's tape, for the drawing and for upper arms, mm and degrees. */
		measures: Readonly<Record<string, number>>;
	};
	build: LayoutBuild;
	/** In the order they are tightened. */
	joints: readonly LayoutJoint[];
}
