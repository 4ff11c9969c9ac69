import { usualWalk } from '$core/height/corners';
import { unitChoice } from '$core/units/format';
import { usualCosts } from '$core/job/costs';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = ({ locals }) => {
	const { person, shop } = locals;
	const preference = person?.units ?? shop?.units ?? { system: 'metric' as const, torque: 'N·m' };
	return {
		person: person && {
			id: person.id,
			name: person.name,
			role: person.role,
			units: person.units,
			theme: person.theme
		},
		shop: shop ?? {
			name: 'Vane Set',
			units: preference,
			twistSetDeg: 2,
			twistAdvisedDeg: 5,
			resetAboveMm: 10,
			costs: usualCosts,
			bays: 2,
			lifts: 1,
			technicians: 2,
			clock: { timeZone: 'UTC', hours: '24' as const },
			walk: usualWalk,
			version: 0
		},
		units: unitChoice(preference)
	};
};
