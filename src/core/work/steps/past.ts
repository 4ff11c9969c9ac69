/** What only readies joints for others is asked for no more once those came apart without it. */
import type { Done } from '../scope.ts';
import { wasDoneAt, type Act, type WorkStep } from '../step.ts';

const readying: ReadonlySet<string> = new Set(['ease', 'run', 'crack', 'tap', 'scribe']);

type OnJoint = Extract<Act, { joint: string }>;
const isOn = (act: Act): act is OnJoint => 'joint' in act;
const loosens = (act: Act): act is OnJoint =>
	isOn(act) && (act.do === 'undo' || act.do === 'slack');

/** Steps without those that were no part of the plan when what they ready was done. */
export function withoutPast(steps: readonly WorkStep[], done: readonly Done[]): WorkStep[] {
	if (done.length === 0) return [...steps];
	const said = new Map(done.map((one) => [one.stepId, one]));
	const wasInTurn = (step: WorkStep) => {
		const one = said.get(step.id);
		return one?.inTurn === true && wasDoneAt(one.joints, step);
	};
	const isPast = ({ id, acts }: WorkStep) => {
		if (said.has(id) || acts.length === 0 || !acts.every((act) => readying.has(act.do)))
			return false;
		const users = steps.filter((step) =>
			step.acts.some(
				(act) =>
					loosens(act) &&
					acts.some((own) => isOn(own) && own.corner === act.corner && own.joint === act.joint)
			)
		);
		return users.length > 0 && users.every(wasInTurn);
	};
	return steps.filter((step) => !isPast(step));
}
