import { defineKind } from '../../book/kind.ts';
import { planFollows } from '../plan.ts';

export const scope = defineKind<'scope'>({
	kind: 'scope',
	name: 'What is renewed',
	counts: 'last',
	saidAsKept: true,
	decide: ({ record, command: { subject }, said }) =>
		planFollows(record, { kind: 'scope', subject, data: said }),
	words: ({ damper, spring, bushes }, { subject }) => {
		const list = [damper && 'dampers', spring && 'springs', bushes && 'bushes'].filter(Boolean);
		return `${subject} axle, renewed: ${list.join(', ') || 'nothing'}`;
	}
});
