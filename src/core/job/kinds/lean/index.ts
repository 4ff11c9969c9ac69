import Joi from '#joi';
import { requiredText } from '../../../schema/fields.ts';
import { defineKind } from '../../book/kind.ts';

const kept = () => Joi.object({ reason: requiredText(300) });

export const lean = defineKind<'lean'>({
	kind: 'lean',
	name: 'Reason for a side',
	counts: 'last',
	subject: () =>
		Joi.string()
			.pattern(/^(before|after)\/(front|rear)$/)
			.messages({ 'string.pattern.base': 'must be as before/front' }),
	said: kept,
	kept,
	words({ reason }, { subject }) {
		const [phase, axle] = subject.split('/');
		return `${axle}, left against right ${phase}: ${reason}`;
	}
});
