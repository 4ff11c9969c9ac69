/**
 * Which steps a job takes: what comes off so that parts get free, and comes on again. All of it follows from
 * the layout's assembly and the ways chosen; whatever is taken away is brought back by the same lines. No
 * order yet: that follows from what operations need (`needs.ts`).
 */
import type { Corner } from '../height/corners.ts';
import { jointId } from '../assembly/graph.ts';
import { damperOf, jointsOf, onOneJack } from '../layout/shape.ts';
import { stepKinds, type StepKind } from './operations.ts';
import { ownSteps } from './shop-knowledge.ts';
import { axlePlans, type WorkScope } from './scope.ts';
import type { Act, WorkStep } from './step.ts';
import { opensAir } from './steps/air.ts';
import { corner } from './steps/corner.ts';
import { covers } from './steps/covers.ts';
import { hold, letGo } from './steps/holds.ts';
import { dropLinks } from './steps/links.ts';
import { makeStep, type Knowledge } from './steps/make.ts';
import { withoutPast } from './steps/past.ts';
import { movesSensor } from './steps/plugs.ts';
import { Site } from './steps/site.ts';
import { lowering } from './steps/springs.ts';

/** The steps of a job, in the order they are thought of. */
export function workSteps(scope: WorkScope): WorkStep[] {
	const plans = axlePlans(scope);
	if (plans.length === 0) return [];
	const all = plans.flatMap(({ corners }) => corners);
	const steps: WorkStep[] = [];
	const car = (kind: StepKind, act: Act, own: Partial<Knowledge> = {}) =>
		steps.push(makeStep(kind, 'car', all, undefined, { acts: [act], ...own }));
	const sites = plans.map((plan) => new Site(plan, scope));
	const some = (is: (site: Site, corner: Corner) => boolean) =>
		sites.some((site) => site.plan.corners.some((corner) => is(site, corner)));
	const air = some(({ plan }, corner) => opensAir(plan, corner));
	const plugged = some(({ plan, layout }) => plan.damperOut && damperOf(layout).plug !== undefined);
	const wakes = air || plugged;

	if (scope.rust !== 'none' && scope.strategy.soak !== 'wheel-off') {
		for (const corner of all) {
			steps.push(makeStep('soak', corner, [corner], undefined, { acts: [{ do: 'soak', corner }] }));
		}
	}
	car('heights-before', { do: 'read-heights' });
	car('crack-wheels', { do: 'crack-wheels' });
	if (wakes) car('ignition-off', { do: 'ignition-off' });
	if (air) car('compressor-off', { do: 'compressor-off' });
	car('chock', { do: 'chock' });
	car('lift', { do: 'lift' });
	const under = standsUnder(scope, sites);
	const drop = Math.max(...sites.map(dropMm));
	car(
		'stands',
		{ do: 'stands', under },
		{
			...(under === 'subframe' && { title: 'Stands under the subframe, weight down on them' }),
			...(drop > 0 && {
				caution: `High enough for what comes down: about ${drop} mm below where it hangs.`
			})
		}
	);
	for (const site of sites) steps.push(...axleSteps(site));
	if (wakes) car('system-on', { do: 'system-on' });
	if (steps.some(({ kind }) => kind === 'piston-back')) car('pump-brakes', { do: 'pump-brakes' });
	car('ground', { do: 'ground' });
	car('torque-wheels', { do: 'torque-wheels' });
	if (air || some(movesSensor)) car('calibrate', { do: 'calibrate' });
	car('heights-after', { do: 'read-heights-after' });
	if (air) car('look-again', { do: 'look-again' });
	const left = withoutPast(steps, scope.done ?? []);
	return [...left, ...ownSteps(scope.own ?? [], left)];
}

/** How far the way of a spring or a damper lets a part down, mm. */
const dropMm = ({ plan: { springWay, damperWay } }: Site): number =>
	Math.max(0, ...[springWay, damperWay].flatMap((way) => Object.values(way?.moves ?? {})));

/** Under a subframe only where the shop wants it and none comes down. */
function standsUnder({ strategy }: WorkScope, sites: readonly Site[]): 'body' | 'subframe' {
	const moves = sites.some(({ plan, layout }) =>
		layout.assembly.parts.some(
			(part) =>
				onOneJack(part) &&
				jointsOf(layout, part.key).some(
					({ key, between }) =>
						between.includes('body') &&
						plan.corners.some((at) => plan.freed.off.includes(jointId(at, key)))
				)
		)
	);
	return strategy.stands === 'subframe' && !moves ? 'subframe' : 'body';
}

/** The steps at one axle. */
function axleSteps(site: Site): WorkStep[] {
	const { corners, axle } = site.plan;
	dropLinks(site);
	for (const at of corners) corner(site, at);
	for (const held of site.held(corners[0]!).filter(({ part }) => onOneJack(part))) {
		hold(site, held, corners, axle);
		letGo(site, held, corners, axle);
	}
	if (site.movesShared()) lowering(site, [...corners], axle);
	covers(site);
	return site.made;
}

/** Every joint a plan leaves loose, so that the round owes it. */
export function loosenedJoints(scope: WorkScope): { corner: Corner; key: string }[] {
	const found = new Map<string, { corner: Corner; key: string }>();
	for (const step of workSteps(scope)) {
		for (const act of step.acts) {
			if (act.do !== 'undo' && act.do !== 'slack') continue;
			found.set(`${act.corner}/${act.joint}`, { corner: act.corner, key: act.joint });
		}
		const nut = step.acts.some((act) => act.do === 'shaft-off');
		if (nut || step.kind === 'wheel-off') {
			const corner = step.corners[0]!;
			const key = nut ? 'shaft-nut' : 'wheel-fasteners';
			found.set(`${corner}/${key}`, { corner, key });
		}
	}
	return [...found.values()];
}

/** Where a kind stands in the usual order of thought; only breaks ties. */
export const kindRank = (kind: StepKind): number => stepKinds.indexOf(kind);
