/**
 * Which steps a job takes: what comes off so that parts get free, and comes on again. All of it follows from
 * the layout's assembly and the ways chosen; whatever is taken away is brought back by the same lines. No
 * order yet: that follows from what operations need (`needs.ts`).
 */
import type { Corner } from '../height/corners.ts';
import { onOneJack } from '../layout/shape.ts';
import { stepKinds, type StepKind } from './operations.ts';
import { ownSteps } from './own.ts';
import { axlePlans, type AxlePlan, type WorkScope } from './scope.ts';
import type { Act, WorkStep } from './step.ts';
import { opensAir } from './steps/air.ts';
import { corner } from './steps/corner.ts';
import { covers } from './steps/covers.ts';
import { hold, letGo } from './steps/holds.ts';
import { dropLinks } from './steps/links.ts';
import { makeStep } from './steps/make.ts';
import { Site } from './steps/site.ts';
import { lowering } from './steps/springs.ts';

/** The steps of a job, in the order they are thought of. */
export function workSteps(scope: WorkScope): WorkStep[] {
	const plans = axlePlans(scope);
	if (plans.length === 0) return [];
	const all = plans.flatMap(({ corners }) => corners);
	const steps: WorkStep[] = [];
	const car = (kind: StepKind, act: Act) =>
		steps.push(makeStep(kind, 'car', all, undefined, { acts: [act] }));

	if (scope.rust !== 'none') {
		for (const corner of all) {
			steps.push(makeStep('soak', corner, [corner], undefined, { acts: [{ do: 'soak', corner }] }));
		}
	}
	car('heights-before', { do: 'read-heights' });
	car('crack-wheels', { do: 'crack-wheels' });
	if (plans.some((plan) => plan.corners.some((corner) => opensAir(plan, corner)))) {
		car('ignition-off', { do: 'ignition-off' });
	}
	car('chock', { do: 'chock' });
	car('lift', { do: 'lift' });
	car('stands', { do: 'stands' });
	for (const plan of plans) steps.push(...axleSteps(plan));
	car('ground', { do: 'ground' });
	car('torque-wheels', { do: 'torque-wheels' });
	car('heights-after', { do: 'read-heights-after' });
	return [...steps, ...ownSteps(scope.own ?? [], steps)];
}

/** The steps at one axle. */
function axleSteps(plan: AxlePlan): WorkStep[] {
	const site = new Site(plan);
	const { corners, axle } = plan;
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
