import type { UnitPreference } from '../../../core/units/format.ts';
import type { PersonName, Role } from '../../../core/job/model.ts';
import type { Database, Row } from './pool.ts';

export interface Person extends PersonName {
	handle: string;
	active: boolean;
	/** The shop they are of, where a job came from there; null: this one. */
	shop: string | null;
	canSignIn: boolean;
	/** A lead's second way in is set. */
	hasPassword: boolean;
	/** Null follows the shop. */
	units: UnitPreference | null;
	theme: 'system' | 'light' | 'dark';
}

function toPerson(row: Row): Person {
	return {
		id: row.id as string,
		handle: row.handle as string,
		// Who did something elsewhere is never taken for somebody who works here.
		name:
			row.shop === null ? (row.name as string) : `${row.name as string} (${row.shop as string})`,
		shop: row.shop as string | null,
		role: row.role as Role,
		active: row.active === 1,
		canSignIn: row.secret_hash !== null,
		hasPassword: row.password_hash !== null,
		units: row.units ? JSON.parse(row.units as string) : null,
		theme: row.theme as Person['theme']
	};
}

export async function listPeople(db: Database): Promise<Person[]> {
	return (await db.rows('SELECT * FROM people ORDER BY active DESC, name')).map(toPerson);
}

export async function findPerson(db: Database, id: string): Promise<Person | undefined> {
	const row = await db.row('SELECT * FROM people WHERE id = ?', [id]);
	return row && toPerson(row);
}

/** A person with the hashes their secret is checked against. */
export async function findByHandle(
	db: Database,
	handle: string
): Promise<{ person: Person; secretHash: string | null; passwordHash: string | null } | undefined> {
	const row = await db.row('SELECT * FROM people WHERE handle = ?', [handle]);
	return (
		row && {
			person: toPerson(row),
			secretHash: row.secret_hash as string | null,
			passwordHash: row.password_hash as string | null
		}
	);
}

export async function insertPerson(
	db: Database,
	person: {
		id: string;
		handle: string;
		name: string;
		role: Role;
		secretHash: string | null;
		shop?: string | null;
	}
): Promise<void> {
	await db.run(
		`INSERT INTO people (id, handle, name, role, secret_hash, active, shop)
		 VALUES (:id, :handle, :name, :role, :secretHash, :secretHash IS NOT NULL, :shop)`,
		{ shop: null, ...person }
	);
}

export async function updatePerson(
	db: Database,
	id: string,
	change: { name: string; role: Role; active: boolean; secretHash?: string }
): Promise<void> {
	await db.run(
		`UPDATE people
		    SET name = :name, role = :role, active = :active,
		        secret_hash = COALESCE(:secretHash, secret_hash)
		  WHERE id = :id`,
		{ id, ...change, secretHash: change.secretHash ?? null }
	);
}

export async function updatePreferences(
	db: Database,
	id: string,
	{ units, theme }: Pick<Person, 'units' | 'theme'>
): Promise<void> {
	await db.run('UPDATE people SET units = ?, theme = ? WHERE id = ?', [
		units && JSON.stringify(units),
		theme,
		id
	]);
}

/** @param hash null takes the password away */
export async function setPassword(db: Database, id: string, hash: string | null): Promise<void> {
	await db.run('UPDATE people SET password_hash = ? WHERE id = ?', [hash, id]);
}

/** Until the transaction ends, who leads is changed by nobody else. */
export async function lockLeads(db: Database): Promise<void> {
	await db.rows("SELECT id FROM people WHERE role = 'lead' ORDER BY id FOR UPDATE");
}

/** People who could still sign in as lead; the last one may not be lost. */
export async function countLeads(db: Database): Promise<number> {
	const row = await db.row(
		"SELECT COUNT(*) AS n FROM people WHERE role = 'lead' AND active AND secret_hash IS NOT NULL"
	);
	return Number(row!.n);
}
