import { withUnit, type Quantity } from '../../../units/parse.ts';
import { defineKind } from '../../book/kind.ts';
import { jointOf, jointWords, noneSince } from '../torque/joint.ts';
import type { CarState, LoadMethod } from '../../../procedure/facts.ts';

interface Said {
	action: number;
	reason: string;
	carState: CarState;
	method?: LoadMethod;
	hubToArch?: Quantity;
	overrideReason?: string;
}

/** A joint passed over in the round: it stays owed. */
export const skip = defineKind<'skip', Said>({
	kind: 'skip',
	name: 'Joint passed over',
	counts: 'every',
	decide({ record, command, said, context }) {
		noneSince(record, command, context, jointOf(record, command));
		const { action, reason, hubToArch } = said;
		const data = {
			action,
			reason,
			carState: said.carState,
			method: said.method ?? null,
			hubToArchMm: hubToArch?.si ?? null,
			hubToArchEntered: hubToArch ? withUnit(hubToArch) : null,
			overrideReason: said.overrideReason ?? null
		};
		return [{ kind: 'skip', subject: command.subject, data }];
	},
	apply(record, { id, subject, data: { reason, ...data }, corrects, personId, enteredAt }) {
		record.torques.push({
			id,
			jointId: subject,
			...data,
			torqueNm: null,
			angleDeg: null,
			entered: 'passed over',
			seen: null,
			skipReason: reason,
			wrench: '',
			wrenchId: null,
			settingNm: null,
			deviceReadingId: null,
			targetHubToArchMm: null,
			bush: null,
			loosenedFirst: null,
			aheadReason: null,
			correctsId: corrects,
			withdrawn: false,
			personId,
			takenAt: enteredAt
		});
	},
	words: ({ reason }, { subject }, { joints }) =>
		`${jointWords(joints, subject)}: passed over, ${reason}`
});
