/** Joints follow the plan: loose where it undoes them, untouched where not. What has a torque stays. */
import { axleOf } from '../../height/corners.ts';
import { loosenedJoints } from '../../work/assembly-steps.ts';
import type { Entry } from '../book/entry.ts';
import type { Draft } from '../book/kind.ts';
import type { JobRecord } from '../record.ts';
import { scopeOf } from '../scope.ts';
import { WorkBook } from '../work-book.ts';

/** The entries and what follows from them at the joints. */
export function planFollows(record: JobRecord, ...said: Draft[]): Draft[] {
	const after = [...record.entries, ...(said as unknown as Entry[])];
	const scope = scopeOf(record, new WorkBook(after));
	const loose = new Set(loosenedJoints(scope).map(({ corner, key }) => `${corner}/${key}`));
	const worked = new Set(record.torques.map(({ jointId }) => jointId));
	const changed = record.joints.flatMap(({ id, ...joint }): Draft[] => {
		if (!joint.key || worked.has(id) || !scope.axles[axleOf(joint.corner)]) return [];
		const loosened = loose.has(`${joint.corner}/${joint.key}`);
		if (loosened === joint.loosened) return [];
		return [{ kind: 'joint', subject: id, data: { ...joint, loosened, removed: false } }];
	});
	return [...said, ...changed];
}
