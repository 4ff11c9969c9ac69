/** What the core makes of the work's book: scope, order, what is done, what is owed. Shared by pages and server. */
import { compareParts } from '../bench/compare.ts';
import { absentOf, checkStack, checkUnit, stackOf } from '../bench/stack.ts';
import { axleOf, type Corner } from '../height/corners.ts';
import { springSeat } from '../layout/shape.ts';
import { readCompressorInput, springCompressor } from '../spring/compressor.ts';
import { learnedPace, stepMinutes, type Learned, type TimedKind } from '../work/minutes.ts';
import type { StepKind } from '../work/operations.ts';
import { workOrder, type WorkOrder } from '../work/order.ts';
import type { WorkScope } from '../work/scope.ts';
import type { WorkStep } from '../work/step.ts';
import type { Minutes } from '../work/terms.ts';
import type { Joint } from './model.ts';
import type { JobRecord } from './record.ts';
import { layoutsOf, scopeOf } from './scope.ts';
import { springFinding } from './findings.ts';
import { fightsOf, withFights } from './fights.ts';
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
	const book = new WorkBook(record.entries);
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
	if (book.get('step', step.id)?.state === 'done') return true;
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

/** What a bench step still wants before it may be called done; nothing for other steps. */
export function benchWants(record: JobRecord, book: WorkBook, step: WorkStep): string[] {
	const [corner] = step.corners;
	if (step.doneIn !== 'bench' || !corner) return [];
	const layout = layoutsOf(record)[axleOf(corner)];
	if (step.kind === 'compare') return comparisonWants(book, corner, scopeOf(record, book));
	if (step.kind === 'compress') {
		const kept = book.get('compressor', corner);
		if (!kept) return ['the compressor: type the spring and the tool'];
		const computed = springCompressor(readCompressorInput(kept.input));
		if (!computed.ok) return computed.faults.map(({ message }) => message);
		if (computed.value.overloaded) return ['a stronger tool: this one is overloaded'];
		if (computed.value.coilBind) return ['more coils between the hooks: they close too early'];
		return kept.free ? [] : ['the spring seen turning loosely in its seat'];
	}
	const stack = book.get('stack', corner);
	const checks = stack ? checkUnit(stack.checks) : [];
	const primed = checks.find(({ key }) => key === 'strokes');
	const wants = [
		...(primed?.ok ? [] : ['the new damper primed through its stroke']),
		...checks.filter(({ ok, key }) => !ok && key !== 'strokes').map(({ words }) => words)
	];
	const absent = absentOf(stack?.changed);
	const wanted = stackOf(layout, absent).filter(({ key }) => key !== 'shaft-nut');
	const order = stack?.order ?? [];
	const faults = checkStack(layout, order, absent).map(({ words }) => words);
	const missing = wanted.filter(({ key }) => !order.includes(key));
	if (missing.length)
		faults.push(`to go on: ${fewOf(missing.map(({ name }) => name.toLowerCase()))}`);
	return [...faults, ...wants];
}

/** The first of them by name. */
const fewOf = (names: readonly string[]): string =>
	names.length > 3
		? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
		: names.join(', ');

function comparisonWants(book: WorkBook, corner: Corner, scope: WorkScope): string[] {
	const axle = axleOf(corner);
	const want = scope.axles[axle];
	const air = springSeat(scope.layouts[axle]) === 'air';
	const parts = [
		...(want?.damper ? (['damper'] as const) : []),
		...(want?.spring && !air ? (['spring'] as const) : [])
	];
	return parts.flatMap((part) => {
		const kept = book.get('comparison', `${corner}/${part}`);
		if (!kept) return [`the ${part} compared, old against new`];
		const { verdict, words } = compareParts(part, kept.old, kept.new, {
			oldBroken: springFinding(book, corner)?.state === 'broken'
		});
		if (kept.outcome === 'explained' || (kept.outcome === 'fits' && verdict === 'same')) return [];
		if (kept.outcome === 'returned') return [`the ${part} went back: compare the next one`];
		return [`${part}: ${words.toLowerCase()}`];
	});
}
