import { carAt } from '../../book/entry.ts';
import { defineKind } from '../../book/kind.ts';

/** Written into the open jobs of a car when the car is changed: a signed job keeps the car it was signed with. */
export const car = defineKind<'car'>({
	kind: 'car',
	name: 'Car changed',
	counts: 'last',
	apply(record, { data }) {
		record.vehicle = data.vehicle;
	},
	words: ({ vehicle: { plate } }, entry, { entries }) => {
		const old = carAt(entries, entry.seq - 1).entered;
		const now = entry.data.vehicle.entered;
		const changed = Object.keys({ ...old, ...now })
			.filter((field) => old[field] !== now[field])
			.map((field) => `${field} ${now[field] ?? 'none'}`);
		return `${plate} as it is known now${changed.length ? `: ${changed.join(', ')}` : ''}`;
	}
});
