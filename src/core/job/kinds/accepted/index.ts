import { formatNumber } from '../../../units/format.ts';
import { Problem, refuse } from '../../../problem.ts';
import { defineKind } from '../../book/kind.ts';
import { viewJob } from '../../view.ts';
import { jointOf, jointWords } from '../torque/joint.ts';

interface Said {
	torqueId: string;
	reason: string;
}

/** A bush that was tightened outside its band, accepted by name with what it costs; wound up, only by a lead. */
export const accepted = defineKind<'accepted', Said>({
	kind: 'accepted',
	name: 'Bush accepted as it is',
	counts: 'last',
	decide({ record, command, said: { torqueId, reason }, context }) {
		const joint = jointOf(record, command);
		const last = viewJob(record).torques.get(joint.id);
		if (last?.id !== torqueId || !last.bush) {
			throw refuse('torqueId', `is not the torque that counts for ${joint.name}`, torqueId);
		}
		const { verdict, twistDeg, heightErrorMm } = last.bush;
		if (verdict === 'set') {
			throw refuse('torqueId', `${joint.name} is in its band: nothing is to be accepted`);
		}
		if (verdict === 'wound-up' && context.who.role !== 'lead') {
			throw new Problem(403, `${joint.name} is wound up: only a lead may accept it.`);
		}
		const data = { torqueId, reason, twistDeg, heightErrorMm };
		return [{ kind: 'accepted', subject: joint.id, data }];
	},
	apply(record, { subject, data, personId, enteredAt }) {
		record.accepted[subject] = { ...data, personId, acceptedAt: enteredAt };
	},
	words: ({ reason, twistDeg, heightErrorMm }, { subject }, { joints }) =>
		`${jointWords(joints, subject)} accepted with ${formatNumber(twistDeg, 1, true)}° of twist, ${formatNumber(heightErrorMm, 1, true)} mm of height: ${reason}`
});
