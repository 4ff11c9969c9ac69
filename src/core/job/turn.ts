/** What stands before a joint is tightened: its turn in the order of work, and what only a person knows. */
import type { CarState, LoadMethod } from '../procedure/facts.ts';
import type { JointStatus } from '../procedure/joint-status.ts';
import type { RoundStop } from '../procedure/round.ts';
import type { Act, WorkStep } from '../work/step.ts';
import { blockedBy } from '../work/order.ts';
import type { Joint } from './model.ts';
import type { JobRecord } from './record.ts';
import type { WorkView } from './work.ts';

type Order = Pick<WorkView, 'order' | 'done'>;
type At = Pick<Joint, 'corner' | 'key' | 'kind' | 'rule'>;

/** The step that is to be done before a joint may be tightened; undefined when its turn has come. */
export function waitsFor(work: Order, joint: At, carState: CarState): WorkStep | undefined {
	const { order, done } = work;
	const putsBack = order.steps.find(({ id, acts }) => !done.has(id) && acts.some(backFor(joint)));
	const nipped = joint.rule === 'ride-height' && carState === 'hanging';
	if (putsBack || nipped) return putsBack;
	const tightens = order.steps.find(({ acts }) =>
		acts.some(
			(act) => act.do === 'tighten' && act.corner === joint.corner && act.joint === joint.key
		)
	);
	return tightens && outsideRound(work, tightens.id);
}

/** The act that brings what a joint holds back to its place, its fastener started by hand. */
const backFor =
	({ corner, key, kind }: At) =>
	(act: Act): boolean => {
		if (!('corner' in act) || act.corner !== corner) return false;
		if (kind === 'wheel') return act.do === 'wheel-on';
		if (kind === 'shaft-nut') return act.do === 'restack';
		return act.do === 'start' && act.joint === key;
	};

/** What a step waits for and the round does not do itself, in its own order. */
const outsideRound = ({ order, done }: Order, id: string): WorkStep | undefined =>
	blockedBy(order, id, done).find(({ step }) => step.doneIn !== 'round')?.step;

/** The same of a stop of the round, with the car as that stop wants it. */
export function stopWaitsFor(
	work: Order,
	stop: RoundStop,
	joints: readonly Joint[]
): WorkStep | undefined {
	if (stop.phase === 'load') {
		const id = `${stop.corner}/load`;
		return work.order.waitsFor.has(id) ? outsideRound(work, id) : undefined;
	}
	const joint = joints.find(({ id }) => id === stop.jointId)!;
	return waitsFor(work, joint, stop.phase === 'rigid' ? 'hanging' : 'loaded');
}

/** A joint that gets its torque on the ground: wheels, hub nuts, and upper nuts where the shop wants the weight on them. */
export const onGround = ({ order }: Pick<WorkView, 'order'>, { corner, key, rule }: At): boolean =>
	rule === 'wheels-on-ground' ||
	order.steps.some(
		(step) =>
			step.kind === 'top-tight' &&
			step.joints.some((one) => one.corner === corner && one.key === key)
	);

/** What comes first, in words. */
export const waitWords = ({ title, at }: WorkStep): string =>
	`“${title}”${at === 'car' ? '' : ` (${at})`} comes first`;

const ground = 'car/ground';

/** The car stands on its wheels: as said last, or because the plan's step that lets it down is done. */
const standsOnWheels = (
	{ onWheels }: Pick<JobRecord, 'onWheels'>,
	{ done }: Pick<WorkView, 'done'>
): boolean => onWheels ?? done.has(ground);

/** The plan's step that lets the car down, where it has one: ticked off, it says that the car is down. */
export const letsDown = ({ order }: Pick<WorkView, 'order'>): WorkStep | undefined =>
	order.steps.find(({ id }) => id === ground);

/** How a joint is about to be tightened, and what was said of it already. */
export interface Tightening {
	action: number;
	carState: CarState;
	method?: LoadMethod;
	loosenedFirst?: boolean;
	aheadReason?: string;
}

/**
 * What must be known before a torque is taken. waits: an earlier step, or a reason; down: whether the car is on
 * its wheels; loosened: whether rubber that was clamped elsewhere was loosened first.
 */
export type Question = { kind: 'waits'; step: WorkStep } | { kind: 'down' } | { kind: 'loosened' };

export function questionBefore(
	record: JobRecord,
	work: Order,
	status: Pick<JointStatus, 'clamped'>,
	joint: Joint,
	how: Tightening
): Question | undefined {
	const wanted = onGround(work, joint) && how.method === 'on-wheels';
	if (wanted && !standsOnWheels(record, work)) return { kind: 'down' };
	const step = waitsFor(work, joint, how.carState);
	if (step && !how.aheadReason) return { kind: 'waits', step };
	const again = status.clamped && how.carState === 'loaded' && how.action === 0;
	return again && how.loosenedFirst === undefined ? { kind: 'loosened' } : undefined;
}
