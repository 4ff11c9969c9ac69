/** What the core makes of the work's book: scope, order, what is done, what is owed. Shared by pages and server. */
import { jointId } from '../assembly/graph.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { jointOf } from '../layout/shape.ts';
import { learnedPace, stepMinutes, type Learned, type TimedKind } from '../work/minutes.ts';
import type { StepKind } from '../work/operations.ts';
import { workOrder, type WorkOrder } from '../work/order.ts';
import type { WorkScope } from '../work/scope.ts';
import type { WorkStep } from '../work/step.ts';
import type { Minutes } from '../work/terms.ts';
import type { Joint } from './model.ts';
import type { JobRecord } from './record.ts';
import { isTicked, scopeOf } from './scope.ts';
import { fightsOf, withFights } from './stuck-fasteners.ts';
import { loadedStanding } from './loaded.ts';
import { viewJob, type JobView } from './view.ts';
import { WorkBook } from './work-book.ts';
import type { TwistLimits } from '../bush/verdict.ts';

export interface WorkView {
	book: WorkBook;
	scope: WorkScope;
	order: WorkOrder;
	/** With rust, second sides and the shop's own pace. */
	minutes: ReadonlyMap<string, Minutes>;
	pace: ReadonlyMap<StepKind, Learned>;
	done: ReadonlySet<string>;
	/** The first step in order that is not done. */
	next: WorkStep | undefined;
}

export function viewWork(
	record: JobRecord,
	limits: TwistLimits,
	timed: readonly TimedKind[] = [],
	view: JobView = viewJob(record)
): WorkView {
	const book = WorkBook.of(record);
	const scope = scopeOf(record, book);
	const order = workOrder(scope, book.get('order')?.ids ?? []);
	const pace = learnedPace(timed);
	const done = new Set(
		order.steps.filter((step) => stepDone(record, view, book, step, limits)).map(({ id }) => id)
	);
	return {
		book,
		scope,
		order,
		pace,
		minutes: withFights(
			stepMinutes(order.steps, scope, pace),
			order.steps,
			fightsOf(book, scope.layouts)
		),
		done,
		next: order.steps.find(({ id }) => !done.has(id))
	};
}

/** A step that is done elsewhere is done when that says so; every other when it was ticked off. */
function stepDone(
	record: JobRecord,
	view: JobView,
	book: WorkBook,
	step: WorkStep,
	limits: TwistLimits
): boolean {
	if (isTicked(book, step)) return true;
	const owes = (kind: string) => view.standing.owed.some((item) => item.kind === kind);
	if (step.doneIn === 'heights-before') return !owes('height-before');
	if (step.doneIn === 'heights-after') return !owes('height-after');
	if (step.doneIn !== 'round') return false;
	if (step.kind === 'load') {
		const [corner] = step.corners as [Corner];
		return loadedStanding(record, corner, limits)?.verdict === 'in-band';
	}
	const joints =
		step.kind === 'torque-wheels'
			? record.joints.filter(({ kind }) => kind === 'wheel')
			: step.joints.flatMap(({ corner, key }) => jointAt(record, corner, key) ?? []);
	return joints.length > 0 && joints.every(({ id }) => !view.standing.joints.get(id)!.owed);
}

/** The job's joint that is this one of the layout, whatever it is called; undefined when it was removed. */
export const jointAt = (record: JobRecord, corner: Corner, key: string): Joint | undefined =>
	record.joints.find((joint) => joint.corner === corner && joint.key === key);

/** Names of the joints that the plan has added to a step since it was ticked off. */
export function addedSince(
	{ book, scope }: Pick<WorkView, 'book' | 'scope'>,
	step: WorkStep
): string[] {
	const said = book.get('step', step.id);
	if (said?.state !== 'done' || !said.joints) return [];
	return step.joints
		.filter(({ corner, key }) => !said.joints!.includes(jointId(corner, key)))
		.map(({ corner, key }) => jointOf(scope.layouts[axleOf(corner)], key).name);
}
