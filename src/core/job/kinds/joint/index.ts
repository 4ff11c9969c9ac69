import { axleOf } from '../../../height/corners.ts';
import { deciding } from '../../book/deciding.ts';
import { defineKind } from '../../book/kind.ts';
import type { Data } from './data.ts';
import type { Said } from './decide.ts';

export const joint = defineKind<'joint', Said>({
	kind: 'joint',
	name: 'Joint',
	counts: 'last',
	decide: (site) => deciding().decideJoint(site),
	again: ({ removed }) => (removed ? { remove: true } : undefined),
	apply(record, { subject, data: { removed, ...data } }) {
		const at = record.joints.findIndex(({ id }) => id === subject);
		if (removed) record.joints.splice(at, at < 0 ? 0 : 1);
		else if (at >= 0) record.joints[at] = { id: subject, ...data };
		else record.joints.push({ id: subject, ...data });
	},
	words({ corner, name, removed, torqueEntered, loosened }, entry, { entries }) {
		const before = entries.findLast(
			(one) => one.kind === 'joint' && one.subject === entry.subject && one.seq < entry.seq
		) as { data: Data } | undefined;
		const where = `${corner}: joint ${before && before.data.name !== name ? `${before.data.name}, now ${name}` : name}`;
		if (removed) return `${where} removed`;
		const said = [
			before?.data.torqueEntered === torqueEntered ? '' : `torque ${torqueEntered ?? 'none'}`,
			before && before.data.loosened !== loosened
				? loosened
					? 'undone in this job'
					: 'left alone in this job'
				: ''
		].filter(Boolean);
		return `${where} ${before ? 'changed' : 'specified'}${said.length ? `: ${said.join(', ')}` : ''}`;
	},
	projects({ data: { corner, key, torqueNm, torqueEntered, torqueSource, ...data } }, car) {
		if (key === null || torqueNm === null || !torqueSource) return [];
		const axle = axleOf(corner);
		return [
			{
				of: 'specification',
				axle,
				layout: car.axles[axle].layout,
				jointKey: key,
				torqueNm,
				entered: torqueEntered ?? `${torqueNm} N·m`,
				source: torqueSource,
				programme: data.programme,
				thread: data.thread
			}
		];
	}
});
