import { deciding } from '../../book/deciding.ts';
import { madeAt } from '../../book/entry.ts';
import { defineKind } from '../../book/kind.ts';
import type { Said } from './decide.ts';
import { jointWords } from './joint.ts';

/**
 * One step of a joint's programme, with the state of the car it was done in: a torque, an angle or a
 * sight, or the withdrawal of one. A bonded bush tightened loaded is judged against the target, and the
 * answer is kept with it.
 */
export const torque = defineKind<'torque', Said>({
	kind: 'torque',
	name: 'Torque',
	counts: 'every',
	wants: ['rack'],
	decide: (site) => deciding().decideTorque(site),
	apply(record, { id, subject, data, corrects, personId, enteredAt }) {
		record.torques.push({
			id,
			jointId: subject,
			...data,
			skipReason: null,
			correctsId: corrects,
			personId,
			takenAt: enteredAt
		});
	},
	words({ entered, withdrawn, loosenedFirst, aheadReason }, { subject, corrects }, { joints }) {
		const more = [
			withdrawn ? 'withdrawn' : entered,
			corrects && !withdrawn && 'a correction',
			loosenedFirst === true && 'loosened first',
			loosenedFirst === false && 'only checked, not loosened',
			aheadReason && `before its turn: ${aheadReason}`
		];
		return `the torque of ${jointWords(joints, subject)}, ${more.filter(Boolean).join(', ')}`;
	},
	projects(entry) {
		const { wrenchId, withdrawn } = entry.data;
		if (wrenchId === null || withdrawn) return [];
		return [{ of: 'pull', wrenchId, day: madeAt(entry).slice(0, 10) }];
	}
});
