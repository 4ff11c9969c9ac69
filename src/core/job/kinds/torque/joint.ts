import { cornerNames } from '../../../height/corners.ts';
import { sightNames } from '../../../procedure/facts.ts';
import type { Command, Context } from '../../book/entry.ts';
import { Problem, refuse } from '../../../problem.ts';
import type { Joint } from '../../model.ts';
import type { JobRecord } from '../../record.ts';

/** The joint that is spoken of. */
export function jointOf({ joints }: JobRecord, { subject }: Command): Joint {
	const joint = joints.find(({ id }) => id === subject);
	if (!joint) throw refuse('subject', 'is not a joint of this job', subject);
	return joint;
}

/** A joint by its corner and name, for sentences. */
export function jointWords(joints: readonly Joint[], id: string): string {
	const joint = joints.find((one) => one.id === id);
	return joint ? `${cornerNames[joint.corner].toLowerCase()}, ${joint.name}` : 'a joint';
}

/** Refuses where somebody else recorded this joint since the writer last looked. */
export function noneSince(
	{ entries, people, torques }: JobRecord,
	{ subject, seen = Infinity }: Command,
	{ device }: Context,
	joint: Joint
): void {
	const newest = entries.findLast(
		(entry) => entry.subject === subject && (entry.kind === 'torque' || entry.kind === 'skip')
	);
	if (!newest || newest.seq <= seen) return;
	// What this tablet sent a moment ago it knew, though its number had not come back yet.
	if (device !== null && newest.device === device) return;
	const name = people.find(({ id }) => id === newest.personId)?.name ?? 'Somebody';
	const row = torques.find(({ id }) => id === newest.id)!;
	throw new Problem(
		409,
		`${name} has recorded ${joint.name} meanwhile: ${row.seen ? sightNames[row.seen] : row.entered}. Look before it is done twice.`
	);
}
