/**
 * A car as a small machine of support and stored energy. An order of work is played through it act by
 * act; what would have hurt somebody or spoiled the work is said. It knows the car, not the rules that
 * made the order.
 */
import { corners as allCorners } from '../../height/corners.ts';
import type { WorkScope } from '../scope.ts';
import type { WorkStep } from '../step.ts';
import { play, type Need } from './acts.ts';
import { freshCar, type Car } from './car.ts';

export interface Violation {
	stepId: string;
	code: string;
	words: string;
}

export function replay(steps: readonly WorkStep[], scope: WorkScope): Violation[] {
	const violations: Violation[] = [];
	const car = freshCar(scope);
	let stepId = '';
	const bad = (code: string, words: string) => violations.push({ stepId, code, words });
	const need: Need = (holds, code, words) => {
		if (!holds) bad(code, words);
	};
	for (const step of steps) {
		stepId = step.id;
		for (const act of step.acts) {
			play(car, act, need);
			checkHolds(car, bad);
		}
	}
	stepId = 'end';
	for (const corner of allCorners) {
		const { owed } = car.at(corner);
		need(owed.size === 0, 'left-open', `${corner}: ${[...owed].join(', ')}`);
		need(car.linksOn(corner) !== 1, 'link-under-load', 'one drop link left off');
	}
	need(car.body.up === 'ground', 'left-open', 'the car is not on its wheels');
	return violations;
}

/** What must hold after every act. */
function checkHolds(car: Car, bad: (code: string, words: string) => void): void {
	const { scope, worked, body, at, layoutOf, sidesOf, jointOut, damperHolds, together } = car;
	for (const corner of worked) {
		const c = at(corner);
		const { build } = layoutOf(corner);
		const jack = together(corner).some((one) => at(one).jack);
		const damper = together(corner).some(damperHolds);
		if (build.spring === 'on-arm' && c.springIn && !c.lowered && !c.squeezed) {
			const holds = build.heldBy ? !jointOut(corner, build.heldBy.joint) : damper;
			if (!jack && !holds) bad('unheld-spring', 'nothing holds the spring on the arm');
		} else if (!jack && !damper && !c.lowered && c.wheelOn === false) {
			bad('arm-drops', 'nothing holds the arm');
		}
		if (build.damper === 'strut' && !build.oneBody && !c.tied && !damperHolds(corner)) {
			bad('knuckle-falls', 'the knuckle is held by nothing at its top');
		}
	}
	for (const axle of ['front', 'rear'] as const) {
		const { build } = scope.layouts[axle];
		const out = sidesOf(axle).flatMap((corner) =>
			(build.links ?? []).filter((link) => jointOut(corner, link))
		);
		if (out.length > 1) bad('axle-rolls', `${out.length} links of the axle are off at once`);
	}
	const moved = worked.some((corner) => at(corner).jack);
	if (moved && body.up !== 'stands') bad('unsupported-car', 'the car is not on its stands');
}
