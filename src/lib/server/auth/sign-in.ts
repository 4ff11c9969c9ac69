import { RateLimiterMySQL, type RateLimiterRes } from 'rate-limiter-flexible';
import { findByHandle, type Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { insertSession } from '../db/sessions.ts';
import { Problem } from '../../../core/problem.ts';
import { newToken, secretMatches, tokenHash } from './secrets.ts';

/** Failed tries before a wait: per person, and per address over all persons. */
export const limits = { person: 6, address: 30, waitSeconds: 300 };

const limiters = new WeakMap<
	Database['pool'],
	{ person: RateLimiterMySQL; address: RateLimiterMySQL }
>();

function limitersOf(db: Database) {
	let found = limiters.get(db.pool);
	if (!found) {
		const make = (keyPrefix: string, points: number) =>
			new RateLimiterMySQL({
				// The driver's own pool inside the promise wrapper: the only kind the package knows.
				storeClient: db.pool.pool,
				storeType: 'pool',
				dbName: db.name,
				tableName: 'sign_in_attempts',
				tableCreated: true,
				keyPrefix,
				points,
				duration: limits.waitSeconds,
				clearExpiredByTimeout: false
			});
		found = { person: make('person', limits.person), address: make('address', limits.address) };
		limiters.set(db.pool, found);
	}
	return found;
}

/**
 * Checks a person's PIN or password and opens a session.
 *
 * @returns the token for the cookie; only its hash is stored
 * @throws Problem 401 for a wrong name or secret (it does not say which), 429 after too many tries
 */
export async function signIn(
	db: Database,
	{ handle, secret, address }: { handle: string; secret: string; address: string },
	sessionHours: number,
	now: Date
): Promise<{ person: Person; token: string; expiresAt: Date }> {
	const { person: byPerson, address: byAddress } = limitersOf(db);
	const key = handle.toLowerCase();
	try {
		await Promise.all([byPerson.consume(key), byAddress.consume(address)]);
	} catch (refused) {
		if (refused instanceof Error) throw refused;
		const seconds = Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000);
		throw new Problem(
			429,
			`Too many tries. Wait ${Math.ceil(seconds / 60)} min, or ask a lead for a new PIN.`,
			[],
			{
				retryAfterSeconds: seconds
			}
		);
	}
	const found = await findByHandle(db, key);
	const matches = await secretMatches(found?.secretHash, secret);
	if (!found || !matches || !found.person.active) {
		throw new Problem(401, 'That name and PIN do not belong together.');
	}
	await Promise.all([byPerson.delete(key), byAddress.reward(address)]);
	const token = newToken();
	const expiresAt = new Date(now.getTime() + sessionHours * 3_600_000);
	await insertSession(db, { tokenHash: tokenHash(token), personId: found.person.id, expiresAt });
	return { person: found.person, token, expiresAt };
}
