import { defineKind } from '../../book/kind.ts';

export const armPrices = defineKind<'arm-prices'>({
	kind: 'arm-prices',
	name: 'Prices of an arm',
	counts: 'last',
	saidAsKept: true,
	words: ({ arm, bushes, joint }, { subject }) =>
		`prices, ${subject.replace('/', ' ')}: arm ${arm}, bushes ${bushes}, joint ${joint}`
});
