/** One step of the work at a car, and what it does to the car. */
import type { Axle, Corner } from '../height/corners.ts';
import type { JointPlace } from '../layout/types.ts';
import type { StepKind } from './kinds.ts';
import type { DoneIn, Gate, Minutes, WorkPhase } from './terms.ts';

/** What a step does to the car, in terms that can be replayed; joints by their key in the layout. */
export type Act =
	| { do: 'read-heights' | 'crack-wheels' | 'chock' | 'lift' | 'stands' | 'ignition-off' }
	| { do: 'ground' | 'torque-wheels' | 'read-heights-after' }
	| { do: 'soak' | 'mark' | 'trim-off' | 'vent' | 'wheel-off' | 'wheel-on'; corner: Corner }
	| { do: 'hose-off' | 'hose-on' | 'support' | 'unsupport' | 'tie' | 'untie'; corner: Corner }
	| { do: 'lower' | 'raise' | 'squeeze' | 'unsqueeze'; corner: Corner }
	| { do: 'damper-out' | 'damper-in' | 'spring-out' | 'spring-in' | 'compare'; corner: Corner }
	| { do: 'compress' | 'shaft-off' | 'restack' | 'shaft-on' | 'release'; corner: Corner }
	| { do: 'load'; corner: Corner }
	| { do: 'slack' | 'crack' | 'undo' | 'start' | 'tighten'; corner: Corner; joint: string };

/** Where the step is done; one person fits at each place. */
type Spot = 'car' | 'bench' | Axle | Corner;

export interface WorkStep {
	/** Its kind and place, as `FL/support`. */
	id: string;
	kind: StepKind;
	phase: WorkPhase;
	at: 'car' | Axle | Corner;
	/** Corners it touches. */
	corners: readonly Corner[];
	spot: Spot;
	title: string;
	/** Joints it undoes, starts or tightens, by key, for the drawing and the torque round. */
	joints: readonly { corner: Corner; key: string }[];
	place?: JointPlace;
	tool?: string;
	caution?: string;
	gate?: Gate;
	/** Done in the torque round, the heights pages or at the bench; undefined: ticked off here. */
	doneIn?: DoneIn;
	minutes: Minutes;
	acts: readonly Act[];
}
