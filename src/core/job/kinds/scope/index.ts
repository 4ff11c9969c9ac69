import Joi from '#joi';
import { defineKind } from '../../book/kind.ts';
import { planFollows } from '../plan.ts';

const kept = () =>
	Joi.object({
		damper: Joi.boolean().required(),
		spring: Joi.boolean().required(),
		bushes: Joi.boolean().required()
	});

export const scope = defineKind<'scope'>({
	kind: 'scope',
	name: 'What is renewed',
	counts: 'last',
	subject: () => Joi.string().valid('front', 'rear'),
	said: kept,
	kept,
	decide: ({ record, command: { subject }, said }) =>
		planFollows(record, { kind: 'scope', subject, data: said }),
	words: ({ damper, spring, bushes }, { subject }) => {
		const list = [damper && 'dampers', spring && 'springs', bushes && 'bushes'].filter(Boolean);
		return `${subject} axle, renewed: ${list.join(', ') || 'nothing'}`;
	}
});
