import Joi from '#joi';
import { defineKind, wholeCar } from '../../book/kind.ts';

const kept = () => Joi.object({ onWheels: Joi.boolean().required() });

/** Said once when the car comes down, by whoever sees it stand: from then on wheels are torqued. */
export const down = defineKind<'down'>({
	kind: 'down',
	name: 'On its wheels',
	counts: 'last',
	subject: wholeCar,
	said: kept,
	kept,
	apply(record, { data }) {
		record.onWheels = data.onWheels;
	},
	words: ({ onWheels }) => (onWheels ? 'the car is down on its wheels' : 'the car is lifted again')
});
