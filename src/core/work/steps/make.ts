/** A step of an operation: its words, tool, cautions and minutes from what it is done to. */
import type { Axle, Corner } from '../../height/corners.ts';
import { isDriven, jointOf } from '../../layout/shape.ts';
import type { Layout } from '../../layout/types.ts';
import { operation, type StepKind } from '../operations.ts';
import type { Act, WorkStep } from '../step.ts';
import type { Minutes } from '../terms.ts';

/** What a step has besides its operation. */
export interface Knowledge {
	acts: readonly Act[];
	joints?: WorkStep['joints'];
	each?: WorkStep['each'];
	title?: string;
	/** Told apart from another of its kind at the same place. */
	tail?: string;
	caution?: string;
	tool?: string;
	comesOut?: WorkStep['comesOut'];
	people?: 2;
}

export function makeStep(
	kind: StepKind,
	at: 'car' | Axle | Corner,
	corners: readonly Corner[],
	layout: Layout | undefined,
	{ acts, joints = [], each = {}, title, tail = '', caution, tool, comesOut, people }: Knowledge
): WorkStep {
	const data = operation(kind);
	const first = joints[0] && layout ? jointOf(layout, joints[0].key) : undefined;
	const driven = layout && isDriven(layout) ? data.drivenCaution : undefined;
	const cautions = [data.caution, driven, caution, ...boltWords(acts, layout)]
		.filter(Boolean)
		.join(' ');
	const used = tool ?? data.tool ?? toolFor(joints, layout);
	return {
		id: `${at}/${kind}${tail}`,
		kind,
		phase: data.phase,
		at,
		corners,
		spot: data.phase === 'bench' ? 'bench' : at,
		title: title ?? data.title,
		joints,
		each,
		...(first && { place: first.place }),
		...(used && { tool: used }),
		...(comesOut && { comesOut }),
		...(people && { people }),
		...(cautions && { caution: cautions }),
		...(data.gate && { gate: data.gate }),
		...(data.doneIn && { doneIn: data.doneIn }),
		minutes: forJoints(data.minutes, joints.length),
		acts
	};
}

/** Of a step that undoes one. Common practice, no source. */
const splinedWords = 'A splined bolt: turn the nut alone, its head held.';

const boltWords = (acts: readonly Act[], layout: Layout | undefined): string[] =>
	layout && acts.some((act) => act.do === 'undo' && jointOf(layout, act.joint).leaves === 'splined')
		? [splinedWords]
		: [];

/** A step over one joint takes less than one over five; the usual minutes are for three. Own choice. */
function forJoints({ low, likely, high }: Minutes, count: number): Minutes {
	const factor = count === 0 ? 1 : 0.4 + 0.2 * count;
	return { low: low * factor, likely: likely * factor, high: high * factor };
}

function toolFor(joints: WorkStep['joints'], layout?: Layout): string | undefined {
	if (joints.length === 0 || !layout) return undefined;
	const held = joints.some(({ key }) => jointOf(layout, key).holdStud);
	return held ? 'Spanner and hex for the stud' : 'Socket and spanner';
}

/** A name inside a sentence. */
export const lowered = (name: string) => `${name[0]!.toLowerCase()}${name.slice(1)}`;
