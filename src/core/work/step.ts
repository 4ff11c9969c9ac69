/** One step of the work at a car, and what it does to the car. */
import { jointId, type JointId } from '../assembly/graph.ts';
import type { Axle, Corner } from '../height/corners.ts';
import type { CoverFastener, Holder, JointPlace } from '../layout/types.ts';
import type { StepKind } from './operations.ts';
import type { Each } from './operations/types.ts';
import type { DoneIn, Gate, Minutes, WorkPhase } from './terms.ts';

/** What a step does to the car, in terms that can be replayed; parts, joints and covers by their key in the layout. */
export type Act =
	| { do: 'read-heights' | 'crack-wheels' | 'chock' | 'lift' | 'ignition-off' | 'compressor-off' }
	| { do: 'stands'; under: 'body' | 'subframe' }
	| { do: 'system-on' | 'calibrate' | 'look-again' }
	| { do: 'ground' | 'torque-wheels' | 'pump-brakes' | 'read-heights-after' }
	| { do: 'piston-back'; corner: Corner }
	| { do: 'soak' | 'mark' | 'vent' | 'fill' | 'wheel-off' | 'wheel-on'; corner: Corner }
	| { do: 'cover-off' | 'cover-on'; corner: Corner; cover: string }
	| { do: 'hold' | 'let-go'; corner: Corner; part: string; by: Holder }
	/** Parts go from where they hang, mm, or stay there, all at once; and come back. */
	| { do: 'move'; corner: Corner; parts: Readonly<Record<string, number>> }
	| { do: 'back'; corner: Corner; parts: readonly string[] }
	| { do: 'out' | 'in' | 'press'; corner: Corner; part: string }
	| { do: 'squeeze' | 'unsqueeze' | 'compare'; corner: Corner }
	| {
			do: 'compress' | 'shaft-off' | 'let-off' | 'restack' | 'shaft-on' | 'release' | 'load';
			corner: Corner;
	  }
	| { do: 'slack' | 'start' | 'tighten'; corner: Corner; joint: string }
	/** Undone, or all but its last threads, which come off once what it holds is in the hand. */
	| { do: 'undo'; corner: Corner; joint: string; lastThreads?: true }
	| { do: 'off'; corner: Corner; joint: string }
	/** Something is made at the car: a bracket's place, its holes, their edges, nuts, the bracket on them. */
	| { do: 'make'; corner: Corner; what: StepKind }
	/** A nut loosened while the wheels hold the car; a plug off and on. */
	| { do: 'ease'; corner: Corner; joint: string }
	| { do: 'unplug' | 'plug'; corner: Corner; part: string }
	/** A nut off and on again by hand, and what it holds loose under it: a taper, or a bolt; a clamp held open. */
	| { do: 'run' | 'crack' | 'tap' | 'spread' | 'unspread'; corner: Corner; joint: string }
	/** The outline of what sets the wheel, scribed; and back on it. */
	| { do: 'scribe' | 'to-mark'; corner: Corner; joint: string };

/** Where the step is done; one person fits at each place. */
type Spot = 'car' | 'bench' | Axle | Corner;

export interface WorkStep {
	/** Its kind and place, as `FL/support`. */
	id: string;
	kind: StepKind;
	/** Of a step of one's own: it stands behind steps of this kind. */
	like?: StepKind;
	phase: WorkPhase;
	at: 'car' | Axle | Corner;
	/** Corners it touches. */
	corners: readonly Corner[];
	spot: Spot;
	title: string;
	/** Joints it undoes, starts or tightens, by key, for the drawing and the torque round. */
	joints: readonly { corner: Corner; key: string }[];
	/** What its operation needs and makes, one by one: joints apart, covers off, parts held. */
	each: Readonly<Partial<Record<Each, readonly JointId[]>>>;
	place?: JointPlace;
	tool?: string;
	/** What comes out with it and is counted back, in the plural; how many, where somebody counted them. */
	comesOut?: readonly Pick<CoverFastener, 'what' | 'count'>[];
	/** Persons it takes. */
	people?: 2;
	caution?: string;
	gate?: Gate;
	/** Done in the torque round, the heights pages or at the bench; undefined: ticked off here. */
	doneIn?: DoneIn;
	minutes: Minutes;
	acts: readonly Act[];
}

export const jointIdsOf = ({ joints }: Pick<WorkStep, 'joints'>): JointId[] =>
	joints.map(({ corner, key }) => jointId(corner, key));

/** Whether a step was done at every joint that it is at now. @param at absent: at all it was ever at */
export const wasDoneAt = (
	at: readonly string[] | undefined,
	step: Pick<WorkStep, 'joints'>
): boolean => !at || jointIdsOf(step).every((id) => at.includes(id));
