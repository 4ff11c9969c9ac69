/**
 * What a shop knows beyond the layout: steps of its own, held in their place by the steps around them, and notes,
 * sockets and counts at a step. They add to the order and never take a rule away from it.
 */
import { axleOf, type Axle } from '../height/corners.ts';
import type { LayoutCover } from '../layout/types.ts';
import type { WorkStep } from './step.ts';

/** What stands at a step. */
export const stepWhats = ['step', 'note', 'socket', 'count'] as const;
/** What is so of the car: a cover that it has, one that it has not, a part that comes off besides. */
const carWhats = ['cover', 'not-there', 'part'] as const;
export const ownWhats = [...stepWhats, ...carWhats] as const;
export type KnowledgeWhat = (typeof ownWhats)[number];

export const ownNames: Readonly<Record<KnowledgeWhat, string>> = {
	step: 'A step',
	note: 'A note',
	socket: 'Tool or socket',
	count: 'How many, and where',
	cover: 'A cover',
	'not-there': 'Not on this car',
	part: 'Comes off besides'
};

export interface Knowledge {
	what: KnowledgeWhat;
	text: string;
	/** The car as a whole, or the corners of one axle that are worked on. */
	where: 'car' | Axle;
	/**
	 * A step by its kind, as `undo-bottom` or `cover-off:boot-trim`: a step of one's own follows it, anything else
	 * stands at it. Of what is so of the car: the cover or the part, as `cover:boot-trim`, `part:caliper`.
	 */
	anchor: string;
	/** Of a step: what it comes before, in the same way; nothing in particular if absent. */
	before?: string;
	/** Of a step: what it takes, min; 1 to 480. */
	minutes?: number;
	/** Of a step: what must be seen before it counts as done. */
	look?: string;
	/** Of a cover: the joints it is over, how it is held, what goes wrong with it. */
	cover?: LayoutCover;
}

export const isOfCar = ({ what }: Pick<Knowledge, 'what'>): boolean =>
	(carWhats as readonly string[]).includes(what);

/** The cover or part that something of the car is about. */
export const carOf = ({ anchor }: Pick<Knowledge, 'anchor'>): string =>
	anchor.slice(anchor.indexOf(':') + 1);

/** Whom it is kept for: this job alone, this car, all of its make and model, all of its layout. */
export const ownScopes = ['job', 'car', 'model', 'layout'] as const;
export type KnowledgeScope = (typeof ownScopes)[number];

/** One of a job, with the id it is kept under. */
export interface KnowledgeInJob extends Knowledge {
	id: string;
}

/** A step's kind with what tells it apart from others of its kind: all of its id but the place. */
export const anchorOf = ({ id }: Pick<WorkStep, 'id'>): string => id.slice(id.indexOf('/') + 1);

/** Where something of one's own may stand, as it is kept. */
export const placeOf = ({ at, corners }: WorkStep): Knowledge['where'] =>
	at === 'car' ? 'car' : axleOf(corners[0]!);

/** Whether a step is the one that is meant. */
export const isAnchor = (
	step: WorkStep,
	{ where, anchor }: Pick<Knowledge, 'where' | 'anchor'>
): boolean => placeOf(step) === where && anchorOf(step) === anchor;

/** The steps of one's own, one at each place where the step that they follow stands. */
export function ownSteps(own: readonly KnowledgeInJob[], steps: readonly WorkStep[]): WorkStep[] {
	return own.flatMap((one) =>
		one.what === 'step'
			? steps.filter((step) => isAnchor(step, one)).map((step) => ownStep(one, step))
			: []
	);
}

function ownStep(
	{ id, text, minutes = usualMinutes, look }: KnowledgeInJob,
	after: WorkStep
): WorkStep {
	const { at, corners, spot, phase } = after;
	return {
		id: `${at}/own:${id}`,
		kind: 'own',
		like: after.like ?? after.kind,
		phase,
		at,
		corners,
		spot,
		title: text,
		joints: [],
		each: {},
		...(after.place && { place: after.place }),
		...(look && { gate: { question: look } }),
		minutes: { low: minutes / 2, likely: minutes, high: minutes * 2 },
		acts: []
	};
}

/** Of a step that nobody has timed. Own choice. */
const usualMinutes = 5;

export interface KnowledgeEdge {
	before: string;
	after: string;
}

/**
 * What holds steps of one's own in their place. One that would have to come before what it follows is held by
 * what it follows alone: no rule gives way to it.
 *
 * @param edges between all other steps
 */
export function ownEdges(
	own: readonly KnowledgeInJob[],
	steps: readonly WorkStep[],
	edges: readonly KnowledgeEdge[]
): KnowledgeEdge[] {
	const later = new Map<string, string[]>();
	for (const { before, after } of edges) later.set(before, [...(later.get(before) ?? []), after]);
	return own
		.filter(({ what }) => what === 'step')
		.flatMap((one) =>
			steps
				.filter((step) => isAnchor(step, one))
				.flatMap((anchor): KnowledgeEdge[] => {
					const id = `${anchor.at}/own:${one.id}`;
					const next = steps.filter(
						(step) =>
							one.before !== undefined &&
							anchorOf(step) === one.before &&
							(step.at === anchor.at || step.at === 'car' || placeOf(step) === one.where) &&
							(step.corners.length > 1 || anchor.corners.includes(step.corners[0]!))
					);
					return [
						{ before: anchor.id, after: id },
						...next
							.filter((step) => !comesAfter(later, step.id, anchor.id) && step !== anchor)
							.map((step) => ({ before: id, after: step.id }))
					];
				})
		);
}

/** Whether one step leads to another by the rules. */
function comesAfter(
	later: ReadonlyMap<string, readonly string[]>,
	from: string,
	to: string
): boolean {
	const seen = new Set<string>();
	const look = (id: string): boolean =>
		(later.get(id) ?? []).some((next) => {
			if (next === to) return true;
			if (seen.has(next)) return false;
			seen.add(next);
			return look(next);
		});
	return look(from);
}
