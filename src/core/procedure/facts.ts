import type { TwistVerdict } from '../bush/verdict.ts';
import type { Corner, PerCorner } from '../height/corners.ts';
import type { HardwarePiece } from '../fastener/hardware.ts';
import type { JointProgramme } from '../fastener/joint-programme.ts';
import type { Stage } from './stages.ts';
import type { SpringDoubt } from './target.ts';
import type { JointKind, TightenRule } from '../layout/types.ts';

/** How the car stands while something is tightened. */
export const carStates = ['hanging', 'loaded'] as const;
export type CarState = (typeof carStates)[number];

/** The three ways of loading a corner. */
export const loadMethods = ['on-wheels', 'on-stands', 'jack-to-height'] as const;
export type LoadMethod = (typeof loadMethods)[number];

export const loadMethodNames: Readonly<Record<LoadMethod, string>> = {
	'on-wheels': 'On its wheels',
	'on-stands': 'On stands under hubs or arms',
	'jack-to-height': 'Jacked to height'
};

/** What is recorded without a number: how a cushion mount looks, or a bush nipped by hand. */
export const sights = ['washer-edge', 'shoulder', 'hand-tight'] as const;
export type Sight = (typeof sights)[number];

export const sightNames: Readonly<Record<Sight, string>> = {
	'washer-edge': 'Rubber at the washer’s edge',
	shoulder: 'Down on the shoulder',
	'hand-tight': 'Nipped by hand'
};

/** Which sights a joint of this kind may be recorded by, in this state of the car. */
export function sightsFor(kind: JointKind, carState: CarState): readonly Sight[] {
	if (kind === 'cushion') return ['washer-edge', 'shoulder'];
	return kind === 'bonded-bush' && carState === 'hanging' ? ['hand-tight'] : [];
}

export interface JointFact {
	id: string;
	corner: Corner;
	name: string;
	kind: JointKind;
	rule: TightenRule;
	/** Specified torque; undefined when nobody has said. */
	torqueNm?: number;
	/** Done together with the joint of the same key on the other side of the axle. */
	pairKey?: string | null;
	programme?: JointProgramme | null;
	/** False: not undone in this job, so nothing is owed unless the height changes; true if absent. */
	loosened?: boolean;
	/** One-time hardware of which nobody has said what became of it; empty or absent: nothing open. */
	hardwareOpen?: readonly HardwarePiece[];
}

/** One torque as it counts now: corrections applied. */
export interface TorqueFact {
	jointId: string;
	/** Which action of the joint's programme, counted from 0; 0 if absent. */
	action?: number;
	/** Undefined where it was recorded as seen, or turned by an angle. */
	torqueNm?: number;
	angleDeg?: number;
	seen?: Sight;
	/** The joint was passed over in the round, and why: nothing was done. */
	skipReason?: string;
	carState: CarState;
	method?: LoadMethod;
	/** What the bush computation said of it; only for a bonded bush tightened loaded. */
	verdict?: TwistVerdict;
	/** The worst that its band still allows. */
	worstVerdict?: TwistVerdict;
	twistDeg?: number;
	/** Hub to arch the bush was judged against. */
	targetHubToArchMm?: number;
	/** False: the wrench was only held against it, as it was clamped before. */
	loosenedFirst?: boolean;
	/** A person has taken this bush as it is, by name. */
	accepted?: boolean;
}

/** Something that the work itself owes to a signature. */
export interface WorkOwed {
	/** hazard: something stands about under load or in the air until a step is done. */
	kind: 'step' | 'hazard' | 'part' | 'tray' | 'work' | 'check';
	stage: Stage;
	corner: Corner;
	/** The whole sentence, without the corner. */
	text: string;
	stepId?: string;
}

/** Everything about a job that decides what it still owes. Corrections are applied. */
export interface JobFacts {
	/** Corners that are worked on; heights are read at all four. */
	corners: readonly Corner[];
	beforeMm: PerCorner<readonly number[]>;
	afterMm: PerCorner<readonly number[]>;
	/** Target in the job's school of height, where there is one. */
	targetMm: PerCorner<number | undefined>;
	/** Why the height before is no target there; absent: it is. */
	springDoubt?: PerCorner<SpringDoubt | undefined>;
	/** Hub to arch at which the corner stands or will stand: after if it was read, else the target. */
	standHubToArchMm: PerCorner<number | undefined>;
	/** How much higher than before the corner stands or will stand; undefined where either is unknown. */
	changeMm: PerCorner<number | undefined>;
	/** A change of height above this owes every bonded bush of the corner a re-set, mm. */
	resetAboveMm: number;
	joints: readonly JointFact[];
	/** In the order they count. */
	torques: readonly TorqueFact[];
	/** What the work still owes: steps, parts, fasteners left over, differences unexplained. */
	work: readonly WorkOwed[];
	/** Steps of stripping, bench and refit that nobody has ticked off yet; 0 where none were planned. */
	stepsLeft: number;
	signed: boolean;
}
