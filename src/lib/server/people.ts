import type { Role } from '../../core/job/model.ts';
import { hashSecret } from './auth/secrets.ts';
import {
	countLeads,
	findPerson,
	insertPerson,
	lockLeads,
	updatePerson,
	type Person
} from './db/people.ts';
import { isDuplicate, type Database } from './db/pool.ts';
import { deleteSessionsOf } from './db/sessions.ts';
import { renamed } from './jobs/projections.ts';
import { sameOrRefused } from './same.ts';
import { notFound, refuse } from '../../core/problem.ts';

/** Adds somebody who can sign in; the same id twice is one person. */
export async function createPerson(
	db: Database,
	{ secret, ...person }: { id: string; handle: string; name: string; role: Role; secret: string }
): Promise<void> {
	const here = await findPerson(db, person.id);
	if (here) return sameOrRefused(person.id, here, person);
	try {
		await insertPerson(db, { ...person, secretHash: await hashSecret(secret) });
	} catch (error) {
		if (isDuplicate(error, 'people_handle'))
			throw refuse('handle', 'is taken by somebody else', person.handle);
		throw error;
	}
}

/** A new secret or a deactivation ends the person's sessions; the last lead stays a lead. */
export async function changePerson(
	db: Database,
	id: string,
	change: { name?: string; role?: Role; active?: boolean; secret?: string }
): Promise<Person> {
	const secretHash = change.secret ? await hashSecret(change.secret) : undefined;
	return db.transaction(async (tx) => {
		await lockLeads(tx);
		const before = await findPerson(tx, id);
		if (!before) throw notFound('person');
		if (before.shop !== null) {
			throw refuse(
				'id',
				'is a name from another shop’s job, not somebody who works here',
				before.name
			);
		}
		await updatePerson(tx, id, {
			name: change.name ?? before.name,
			role: change.role ?? before.role,
			active: change.active ?? before.active,
			secretHash
		});
		if ((await countLeads(tx)) === 0) {
			throw refuse('role', 'the shop needs at least one lead who can sign in', before.name);
		}
		if (change.name !== undefined && change.name !== before.name) await renamed(tx, id);
		if (secretHash || change.active === false) await deleteSessionsOf(tx, id);
		return (await findPerson(tx, id))!;
	});
}
