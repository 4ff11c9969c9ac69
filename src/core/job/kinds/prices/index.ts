import { defineKind } from '../../book/kind.ts';

export const prices = defineKind<'prices'>({
	kind: 'prices',
	name: 'Prices',
	counts: 'last',
	saidAsKept: true,
	words: ({ unit, damper, wearParts }, { subject }) =>
		`prices, ${subject} corner: unit ${unit}, damper ${damper}, wear parts ${wearParts}`
});
