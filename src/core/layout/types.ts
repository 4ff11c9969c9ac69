import type { Axle } from '../height/corners.ts';
import type { MechanismLayout } from '../mechanism/geometry.ts';
import type { BushSize } from '../bush/torsion.ts';
import type { BoltDirection } from '../mechanism/turns.ts';
import type { RubberSize } from './rubber-sizes.ts';
import type { JointProgramme } from '../fastener/joint-programme.ts';

/** What a fastener holds; decides when it may be tightened for good. */
export const jointKinds = [
	'bonded-bush',
	'rigid',
	'ball-joint',
	'shaft-nut',
	'hub-nut',
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
	'hub-nut': 'Hub nut',
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
	return kind === 'wheel' || kind === 'hub-nut' ? 'wheels-on-ground' : 'any-time';
}

/** By hand only, or run down by a power tool first; the final torque is by wrench either way. */
export const jointTools = ['hand', 'run-down'] as const;
export type JointTool = (typeof jointTools)[number];

export const jointToolNames: Readonly<Record<JointTool, string>> = {
	hand: 'By hand only',
	'run-down': 'Run-down allowed, final by wrench'
};

/** Where on a corner a joint sits, for the drawing. */
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
	'bar',
	'bracket',
	'hub'
] as const;
export type JointPlace = (typeof jointPlaces)[number];

/** What rubber is fixed to at its two ends; a link, rod or bar turns by its own length. */
export type RubberBody =
	| 'body'
	| 'lower-arm'
	| 'upper-arm'
	| 'arm'
	| 'knuckle'
	| 'axle'
	| 'damper'
	| 'link'
	| 'rod'
	| 'bar';

/** Rubber clamped between the two parts of a joint: it is twisted by how far one turns against the other. */
export interface JointRubber {
	bolt: BoltDirection;
	/** Of a link, rod or bar: its length, how far its moving end stands below the other, and its mm per mm of wheel. */
	link?: { lengthMm: number; belowMm: number; perWheel: number };
	/** Where both wheels move it: the share of the other wheel, 0 to 0.5; none if absent. */
	otherShare?: number;
	/** Its rubber; that of the layout's arms if absent. */
	size?: RubberSize;
}

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
	/** Where it is fixed sets the wheel: it is scribed before it moves, and stands on its mark before it is tight. */
	sets?: 'eccentric' | 'bracket' | 'subframe';
	/** How its bolt leaves its hole: splined under its head, so that the nut alone turns; or tapped through. */
	leaves?: 'splined' | 'tapped';
	/** Done together with the same joint on the other side of the axle, before the car is loaded. */
	pair?: boolean;
	place: JointPlace;
	/** The two parts it joins. */
	between: readonly [string, string];
	/**
	 * How far beyond hanging it lets its parts move against each other as it is, mm: a bush until its rubber
	 * tears, a bracket until its hose is stretched. 0 if absent.
	 */
	slackMm?: number;
	/** Undone on the bench only, never in the car. */
	bench?: boolean;
	/** Comes apart only where a way parts it: nothing else is gained by it. */
	onlyByWay?: boolean;
	/** Undone only where its own part is renewed: where nothing is planned, nobody owes it. */
	seldom?: boolean;
	/** There is one for both sides; it is counted to the left. */
	single?: boolean;
	/** Of a bonded bush. */
	rubber?: JointRubber;
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

/** What a part is to the work: what it can hold, and how it comes away. */
export const partKinds = [
	'damper',
	'mount',
	'spring',
	'arm',
	'rod',
	'knuckle',
	'caliper',
	'disc',
	'axle',
	'subframe',
	'link',
	'bar',
	'line',
	'shaft'
] as const;
export type PartKind = (typeof partKinds)[number];

/** What is put under or around a part that nothing else holds. */
export type Holder = 'jack' | 'strap' | 'hook';

/** Something of a corner that moves or comes off. The body is always there and is not listed. */
export interface LayoutPart {
	/** Unique in the layout. */
	key: string;
	name: string;
	kind: PartKind;
	/** One for both sides of the axle. */
	shared?: boolean;
	/** The body of the mechanism it turns with, for the rubber it lies at. */
	turns?: RubberBody;
	/** It drops when its last hold is undone: what it is held by until then. */
	heldBy?: Holder;
	/** It is got at only with this part off. */
	behind?: string;
	/** Comes out in one piece with this part, and off it on the bench. */
	of?: string;
	/** Of a damper: it locates the wheel. */
	locates?: boolean;
	/** Of a damper: the plug on it, as it is called. */
	plug?: string;
	/** It tells the car its height: once it was off, that is taught again. */
	calibrated?: boolean;
	/** Of a spring or a line: filled with air under pressure. */
	air?: boolean;
	/** Of a spring beside its damper: what it pushes apart. */
	between?: readonly [string, string];
	/** Of such a spring: the part that stands inside it, and is out before it. */
	around?: string;
	/** Of such a spring: how far beyond hanging its seats are apart when it is loose, mm. */
	looseMm?: number;
}

/** Two parts that stay joined in this work, as hose and caliper: no fastener of it is undone. */
export interface LayoutContact {
	between: readonly [string, string];
	/** How far they give, mm; absent: as far as anything here moves. */
	slackMm?: number;
}

/** Where a cover is got at. */
export const coverPlaces = ['boot', 'cabin', 'bonnet', 'arch', 'under'] as const;
type CoverPlace = (typeof coverPlaces)[number];

/** One kind of fastener of a cover. */
export interface CoverFastener {
	/** In the plural, small letters: `clips`. */
	what: string;
	/** How many, where somebody counted them: 1 to 40. */
	count?: number;
	/** Where one is that nobody sees. */
	hidden?: string;
	/** Left in, only loose. */
	slackened?: true;
}

/** What lies over joints: it comes off before they are reached, and goes on again. */
export interface LayoutCover {
	key: string;
	name: string;
	where: CoverPlace;
	/** Joints that it hides. */
	over: readonly string[];
	/** How it is held, as far as cars of this kind agree; how many is of the car. Common practice, no source. */
	held?: readonly CoverFastener[];
	/** What is plugged in on its back. */
	plugs?: readonly string[];
	/** One for both sides. */
	shared?: boolean;
	/** Other covers that it lies on: off before them, on after them. */
	liesOn?: readonly string[];
	/** What goes wrong when it goes back. */
	traps?: readonly string[];
}

/** One of several ways to get a part out. */
export interface LayoutWay {
	/** Unique among the ways of its part. */
	key: string;
	name: string;
	/** How far parts must be able to go beyond where they hang, mm; 0: it stays where it hangs. */
	moves?: Readonly<Record<string, number>>;
	/** Parts that must come apart from each other for it. */
	apart?: readonly (readonly [string, string])[];
	/** The spring is drawn together where it stands. */
	compressor?: boolean;
	tool?: string;
	/** Persons it takes. */
	people?: 2;
}

/** What a corner is made of, as far as it is taken apart. */
interface LayoutAssembly {
	parts: readonly LayoutPart[];
	contacts: readonly LayoutContact[];
	covers: readonly LayoutCover[];
	/** By the part that comes out; the first one is the usual one. A part without is simply taken out. */
	ways: Readonly<Record<string, readonly LayoutWay[]>>;
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
		/** The other measures of this mechanism's tape, for the drawing and for upper arms, mm and degrees. */
		measures: Readonly<Record<string, number>>;
	};
	assembly: LayoutAssembly;
	/** In the order they are tightened. */
	joints: readonly LayoutJoint[];
}
