import { defineKind } from '../../book/kind.ts';

export const lean = defineKind<'lean'>({
	kind: 'lean',
	name: 'Reason for a side',
	counts: 'last',
	saidAsKept: true,
	words({ reason }, { subject }) {
		const [phase, axle] = subject.split('/');
		return `${axle}, left against right ${phase}: ${reason}`;
	}
});
