import { defineKind } from '../../book/kind.ts';

/** Said once when the car comes down, by whoever sees it stand: from then on wheels are torqued. */
export const down = defineKind<'down'>({
	kind: 'down',
	name: 'On its wheels',
	counts: 'last',
	saidAsKept: true,
	apply(record, { data }) {
		record.onWheels = data.onWheels;
	},
	words: ({ onWheels }) => (onWheels ? 'the car is down on its wheels' : 'the car is lifted again')
});
