/** Why one step waits for another: from what operations need, make and end, and from the way chosen. */
import { axleOf, type Axle, type Corner } from '../height/corners.ts';
import { isInside, partOf } from '../layout/shape.ts';
import { operation, operations, type StepKind } from './operations.ts';
import type { Effect, Need, OperationData } from './operations/types.ts';
import { ownEdges } from './shop-knowledge.ts';
import { axlePlans, type AxlePlan, type Strategy, type WorkScope } from './scope.ts';
import type { WorkStep } from './step.ts';

/** A reason a person can be told. */
export interface Rule {
	/** What is needed and why; or a choice. */
	id: string;
	words: string;
	/** A way somebody chose, not a matter of safety. */
	choice?: boolean;
}

/** The first step comes before the second. */
interface Edge {
	before: string;
	after: string;
	rule: Rule;
}

/** A place that the shop gave a step of its own. */
const ownRule: Rule = { id: 'own', words: 'The shop’s own: it has its place here.', choice: true };

/** One sentence is one rule, at however many operations it stands. */
const ruleOf = ({ fact, words }: Need): Rule => ({ id: `${fact}: ${words}`, words });

/** Every rule there is, once. */
export const needRules: readonly Rule[] = [
	...new Map(
		Object.values<OperationData>(operations)
			.flatMap(({ needs = [] }) => needs.map(ruleOf))
			.map((rule) => [rule.id, rule])
	).values()
];

/**
 * The edges of a job. Whatever makes so what a step needs comes before it; whatever ends it comes after, unless
 * it also makes it. A need that nothing in the job makes so is so already.
 *
 * @param left a rule to leave out, for tests
 */
export function edgesOf(steps: readonly WorkStep[], scope: WorkScope, left?: string): Edge[] {
	const found: Edge[] = [];
	const [makes, ends] = [effectsOf(steps, 'makes'), effectsOf(steps, 'ends')];
	for (const step of steps) {
		for (const need of operation(step.kind).needs ?? []) {
			const rule = ruleOf(need);
			if (rule.id === left || (need.when && need.when !== scope.strategy.load)) continue;
			const concerned = concerning(step, need);
			const makers = (makes.get(need.fact) ?? []).filter(concerned).map((one) => one.step);
			const enders = (ends.get(need.fact) ?? []).filter(concerned).map((one) => one.step);
			for (const { id } of makers) found.push({ before: id, after: step.id, rule });
			for (const ender of enders) {
				if (!makers.includes(ender)) found.push({ before: step.id, after: ender.id, rule });
			}
		}
	}
	const edges = [...found, ...choiceEdges(steps, scope)];
	const taught = ownEdges(scope.own ?? [], steps, edges);
	return [...edges, ...taught.map((edge) => ({ ...edge, rule: ownRule }))];
}

/** What steps do to facts, by fact. */
interface StepEffect {
	step: WorkStep;
	effect: Effect;
}

function effectsOf(steps: readonly WorkStep[], which: 'makes' | 'ends'): Map<string, StepEffect[]> {
	const found = new Map<string, StepEffect[]>();
	for (const step of steps) {
		for (const effect of operation(step.kind)[which] ?? []) {
			const all = found.get(effect.fact) ?? [];
			found.set(effect.fact, all);
			all.push({ step, effect });
		}
	}
	return found;
}

/** What of other steps has to do with what a step needs: one by one, or at its place. */
function concerning(step: WorkStep, need: Need): (other: StepEffect) => boolean {
	const wanted = need.each && new Set(step.each[need.each] ?? []);
	const place = need.at === 'car' ? 'car' : need.at === 'axle' ? axleAt(step) : step.at;
	return ({ step: other, effect }) => {
		if (other === step || wanted?.size === 0) return false;
		return wanted && effect.each
			? (other.each[effect.each] ?? []).some((key) => wanted.has(key))
			: touches(other, place);
	};
}

const axleAt = ({ at, corners }: WorkStep): Axle | 'car' =>
	at === 'car' ? 'car' : axleOf(corners[0]!);

const touches = (step: WorkStep, place: 'car' | Axle | Corner): boolean =>
	place === 'car' ||
	step.at === 'car' ||
	step.at === place ||
	step.corners.some((corner) => corner === place || axleOf(corner) === place);

/** Ways that somebody chose: which end first, side after side, what is inside the car before lifting. */
function choiceEdges(steps: readonly WorkStep[], { strategy, ...scope }: WorkScope): Edge[] {
	const rule = (id: string, words: string): Rule => ({ id, words, choice: true });
	const find = (kinds: readonly StepKind[], corner: Corner) =>
		steps.filter(({ kind, at }) => at === corner && kinds.includes(kind));
	const order = (first: readonly WorkStep[], then: readonly WorkStep[], why: Rule): Edge[] =>
		first.flatMap((a) => then.map((b) => ({ before: a.id, after: b.id, rule: why })));
	return [
		...axlePlans({ ...scope, strategy }).flatMap((plan) => [
			...plan.corners.flatMap((corner) => {
				const ends = [find(['undo-bottom'], corner), find(['undo-top'], corner)];
				const [first, then] = strategy.first === 'bottom' ? ends : ends.reverse();
				return order(first!, then!, rule('end-first', 'The end chosen to come off first.'));
			}),
			...sideAfterSide(plan, strategy, find, order)
		]),
		...insideFirst(steps, scope, strategy).map((id) => ({
			before: id,
			after: 'car/lift',
			rule: rule('inside-first', 'What is inside the car is opened while it stands on the ground.')
		}))
	];
}

/** Kinds that open a side. */
const opening: readonly StepKind[] = [
	'support',
	'tie',
	'hang',
	'piston-back',
	'caliper-off',
	'disc-off',
	'hub-off',
	'hose-off',
	'vent',
	'plug-off',
	'air-line-off',
	'undo-bottom',
	'undo-top',
	'free-knuckle',
	'scribe',
	'tap-through',
	'run-nut',
	'crack-taper',
	'spread',
	'holder-off',
	'lower',
	'squeeze',
	'slack-bushes'
];

function sideAfterSide(
	{ corners: [one, other], springWay, layout }: AxlePlan,
	{ sides }: Strategy,
	find: (kinds: readonly StepKind[], corner: Corner) => WorkStep[],
	order: (first: readonly WorkStep[], then: readonly WorkStep[], why: Rule) => Edge[]
): Edge[] {
	const together = Object.keys(springWay?.moves ?? {}).some((key) => partOf(layout, key)?.shared);
	if (sides === 'together' || !one || !other || together) return [];
	// Arms and links of an axle go in their own turn.
	const opens = find(opening, other).filter(({ each }) => !each.link);
	return order(find(['tighten', 'untie', 'unsupport', 'unhang'], one), opens, {
		id: 'side-after-side',
		words: 'One side is finished before the other is opened, so that one stays to look at.',
		choice: true
	});
}

/** Covers inside the car or under its bonnet, where the shop opens them on the ground. */
function insideFirst(
	steps: readonly WorkStep[],
	{ layouts }: Pick<WorkScope, 'layouts'>,
	{ inside }: Strategy
): string[] {
	if (inside !== 'before-lifting') return [];
	return steps.flatMap(({ id, kind, acts, corners }) => {
		const act = acts.find((one): one is Extract<typeof one, { cover: string }> => 'cover' in one);
		if (kind !== 'cover-off' || !act) return [];
		const layout = layouts[axleOf(corners[0]!)];
		const cover = layout.assembly.covers.find(({ key }) => key === act.cover)!;
		return isInside(layout, cover) ? [id] : [];
	});
}
