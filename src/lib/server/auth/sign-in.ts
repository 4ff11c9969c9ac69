import { Problem, refuse } from '../../../core/problem.ts';
import { isPin } from '../../schema/secret.ts';
import { findByHandle, setPassword, type Person } from '../db/people.ts';
import type { Database } from '../db/pool.ts';
import { insertSession } from '../db/sessions.ts';
import { isKnownTablet, keepTablet } from '../db/tablets.ts';
import { GrowingWait, networkOf, sweepTries, type Limit } from './limits.ts';
import { hashSecret, newToken, secretMatches, tokenHash } from './secrets.ts';

/**
 * Whoever guesses is slowed down, and nobody else: a wait holds for one person's PIN at one place. A tablet on
 * which somebody has signed in is a place of its own, whatever strangers do; a password is counted apart from
 * the PIN; a new PIN begins anew.
 */
export const limits = {
	/** One person's secret, tried at one place. */
	here: { tries: 5, firstWait: 30, longestWait: 3600 },
	/** All that comes from one stranger's address. */
	address: { tries: 30, firstWait: 60, longestWait: 3600 },
	/** One person's secret, tried by all strangers: who has many addresses has no more tries. */
	strangers: { tries: 30, firstWait: 60, longestWait: 6 * 3600 }
} satisfies Record<string, Limit>;

/** Where a try comes from. */
export interface Place {
	key: string;
	/** The mark of a tablet of the shop. */
	tablet?: string;
}

type Waits = Record<keyof typeof limits, GrowingWait>;
const opened = new WeakMap<Database['pool'], Waits>();

function waitsOf(db: Database): Waits {
	let waits = opened.get(db.pool);
	if (!waits) {
		const make = (name: keyof typeof limits) => new GrowingWait(db, name, limits[name]);
		waits = { here: make('here'), address: make('address'), strangers: make('strangers') };
		opened.set(db.pool, waits);
	}
	return waits;
}

/** @param mark what the browser says it is; taken only if it was given here */
export async function placeOf(
	db: Database,
	mark: string | undefined,
	address: string
): Promise<Place> {
	if (mark && (await isKnownTablet(db, tokenHash(mark)))) {
		return { key: `tablet ${tokenHash(mark).toString('hex').slice(0, 20)}`, tablet: mark };
	}
	return { key: networkOf(address) };
}

function wait(seconds: number, way: string): Problem {
	const time = seconds < 100 ? `${seconds} s` : `${Math.ceil(seconds / 60)} min`;
	return new Problem(429, `Too many wrong tries. Wait ${time}, or ${way}.`, [], {
		retryAfterSeconds: seconds
	});
}
const elsewhere = 'sign in on a tablet where somebody of the shop has signed in before';
const otherwise = 'ask a lead for a new PIN; a lead’s password still works';

/**
 * Before anything of a try is read: whether this place may try at all.
 *
 * @throws Problem 429 while it has to wait; nothing is stored then
 */
export async function mayTry(db: Database, place: Place): Promise<void> {
	const left = place.tablet ? 0 : await waitsOf(db).address.left(place.key);
	if (left) throw wait(left, elsewhere);
}

/**
 * Checks a person's PIN or password and opens a session.
 *
 * @returns the token for the cookie and the mark of the tablet; only their hashes are stored
 * @throws Problem 401 for a wrong name or secret (it does not say which), 429 after too many tries
 */
export async function signIn(
	db: Database,
	{ handle, secret, place }: { handle: string; secret: string; place: Place },
	sessionHours: number,
	now: Date
): Promise<{ person: Person; token: string; expiresAt: Date; tablet: string }> {
	const name = handle.toLowerCase();
	const found = await findByHandle(db, name);
	const hashes = isPin(secret) ? [found?.secretHash] : [found?.passwordHash, found?.secretHash];
	const whose = `${isPin(secret) ? 'pin' : 'password'} ${name} ${tokenHash(hashes.join(' ')).toString('hex').slice(0, 8)}`;
	const waits = waitsOf(db);
	const here = `${place.key} ${whose}`;
	const strangers: [GrowingWait, key: string, way: string][] = place.tablet
		? []
		: [
				[waits.strangers, whose, elsewhere],
				[waits.address, place.key, elsewhere]
			];
	for (const step of ['left', 'count'] as const) {
		for (const [limit, key, way] of [[waits.here, here, otherwise] as const, ...strangers]) {
			const seconds = await limit[step](key);
			if (seconds) throw wait(seconds, way);
		}
	}
	let matches = false;
	for (const hash of hashes) matches = (await secretMatches(hash, secret)) || matches;
	if (!found || !matches || !found.person.active) {
		throw new Problem(401, 'That name and PIN do not belong together.');
	}
	await waits.here.forget(here);
	for (const [limit, key] of strangers) await limit.giveBack(key);
	await sweepTries(db);
	const tablet = place.tablet ?? newToken();
	await keepTablet(db, tokenHash(tablet));
	const token = newToken();
	const expiresAt = new Date(now.getTime() + sessionHours * 3_600_000);
	await insertSession(db, { tokenHash: tokenHash(token), personId: found.person.id, expiresAt });
	return { person: found.person, token, expiresAt, tablet };
}

/**
 * Sets or takes away a second way in, for whoever knows the first.
 *
 * @throws Problem 422 for a wrong secret, 429 after too many tries
 */
export async function changePassword(
	db: Database,
	person: Person,
	{ secret, password }: { secret: string; password: string | null }
): Promise<void> {
	const { here } = waitsOf(db);
	const key = `password of ${person.id}`;
	const seconds = (await here.left(key)) || (await here.count(key));
	if (seconds) throw wait(seconds, 'ask another lead for a new PIN');
	const found = await findByHandle(db, person.handle);
	if (!(await secretMatches(found?.secretHash, secret)))
		throw refuse('secret', 'is not the one you sign in with');
	await here.forget(key);
	await setPassword(db, person.id, password && (await hashSecret(password)));
}
