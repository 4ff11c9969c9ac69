import { schools } from '../../../height/schools.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind } from '../../book/kind.ts';
import type { Data } from './data.ts';
import type { Said } from './decide.ts';

/** What the job is about: one entry for each field that changes, so that two people may change two of them. */
export const head = defineKind<'head', Said>({
	kind: 'head',
	name: 'Job changed',
	counts: 'last',
	wants: ['people'],
	decide: (site) => deciding().decideHead(site),
	again: (data) => ('corners' in data || 'school' in data ? data : undefined),
	apply(record, { data }) {
		const { entered: _, ...head } = data as Data & { entered?: string };
		Object.assign(record, head);
	},
	words(data, _, { people }) {
		if ('complaint' in data) return `complaint: ${data.complaint}`;
		if ('odometerKm' in data) return `odometer: ${data.odometerEntered ?? 'none'}`;
		if ('corners' in data) return `corners worked on: ${data.corners.join(' ')}`;
		if ('school' in data) return `heights measured ${schools[data.school].name.toLowerCase()}`;
		if ('resetAboveMm' in data) return `bushes are owed a re-set above ${data.entered}`;
		if ('promisedAt' in data) return `promised for ${data.promisedAt ?? 'no time'}`;
		const { technicianId } = data;
		return `technician: ${people.find(({ id }) => id === technicianId)?.name ?? (technicianId ? 'somebody' : 'none')}`;
	}
});
