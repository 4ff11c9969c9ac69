import Joi from '#joi';
import { quantity, text, uuid } from '../../../schema/fields.ts';
import { carState, method, optionalMm, step } from '../../../schema/kept.ts';
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
	subject: uuid,
	said: () =>
		Joi.object({
			action: step().default(0),
			reason: text(500).disallow('').min(3).required(),
			carState: carState(),
			method: method(),
			hubToArch: quantity('length', { min: 150, max: 800 }),
			overrideReason: text(500).disallow('').min(10)
		}),
	kept: () =>
		Joi.object({
			action: step().required(),
			reason: text(500).required(),
			carState: carState(),
			method: method().allow(null).required(),
			hubToArchMm: optionalMm(),
			hubToArchEntered: text(60).allow(null).required(),
			overrideReason: text(500).allow(null).required()
		}),
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
