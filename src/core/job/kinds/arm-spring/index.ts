import { cornerNames, type Corner } from '../../../height/corners.ts';
import { defineKind } from '../../book/kind.ts';

export const armSpring = defineKind<'arm-spring'>({
	kind: 'arm-spring',
	name: 'Spring on its arm',
	counts: 'last',
	saidAsKept: true,
	words: (_, { subject }) =>
		`force of the spring on its arm, ${cornerNames[subject as Corner].toLowerCase()}`
});
