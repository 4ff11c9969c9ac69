/** Joints follow the plan: loose where it undoes them, untouched where not. What has a torque stays. */
import { axleOf } from '../../height/corners.ts';
import { loosenedJoints } from '../../work/assembly-steps.ts';
import type { Context, Entry } from '../book/entry.ts';
import type { Draft, Site } from '../book/kind.ts';
import { jointFromLayout } from '../joints.ts';
import type { JobRecord } from '../record.ts';
import { layoutsOf, scopeOf } from '../scope.ts';
import { WorkBook } from '../work-book.ts';

/** The entries and what follows from them at the joints. */
export function planFollows(
	{ record, context }: Pick<Site<unknown>, 'record' | 'context'>,
	...said: Draft[]
): Draft[] {
	const after = [...record.entries, ...(said as unknown as Entry[])];
	const scope = scopeOf(record, new WorkBook(after));
	const loosened = loosenedJoints(scope);
	const loose = new Set(loosened.map(nameOf));
	const worked = new Set(record.torques.map(({ jointId }) => jointId));
	const changed = record.joints.flatMap(({ id, ...joint }): Draft[] => {
		if (!joint.key || worked.has(id) || !scope.axles[axleOf(joint.corner)]) return [];
		const loosened = loose.has(nameOf(joint));
		if (loosened === joint.loosened) return [];
		return [{ kind: 'joint', subject: id, data: { ...joint, loosened, removed: false } }];
	});
	return [...said, ...changed, ...missing(record, loosened, context)];
}

type Named = Pick<JobRecord['joints'][number], 'corner' | 'key'>;
const nameOf = ({ corner, key }: Named) => `${corner}/${key}`;

/**
 * Joints that come apart and that the job does not know: its layout learned of them after it was opened. One
 * that somebody took out of the job is not brought back.
 */
function missing(
	record: JobRecord,
	loosened: ReturnType<typeof loosenedJoints>,
	{ key }: Context
): Draft[] {
	const told = record.entries.flatMap(({ kind, data }) =>
		kind === 'joint' ? [data as Named] : []
	);
	const known = new Set([...record.joints, ...told].map(nameOf));
	const layouts = layoutsOf(record);
	return loosened
		.filter((one) => record.corners.includes(one.corner) && !known.has(nameOf(one)))
		.flatMap(({ corner, key: jointKey }): Draft[] => {
			const { joints } = layouts[axleOf(corner)];
			const position = joints.findIndex((joint) => joint.key === jointKey);
			if (position < 0) return [];
			const joint = { ...jointFromLayout(joints[position]!), corner, position, loosened: true };
			return [{ kind: 'joint', subject: key(), data: { ...joint, removed: false } }];
		});
}
