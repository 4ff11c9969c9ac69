import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import type { Config } from '../config.ts';

interface Migration {
	name: string;
	statements: string[];
	checksum: string;
}

/** A statement ends with a semicolon at the end of a line. */
const statementsOf = (sql: string): string[] =>
	sql
		.replace(/^--.*$/gm, '')
		.split(/;\s*$/m)
		.map((statement) => statement.trim())
		.filter(Boolean);

export function readMigrations(folder: string): Migration[] {
	return readdirSync(folder)
		.filter((name) => /^\d{4}_\w+\.sql$/.test(name))
		.sort()
		.map((name) => {
			const text = readFileSync(join(folder, name), 'utf8');
			const checksum = createHash('sha256').update(text).digest('hex');
			return { name, checksum, statements: statementsOf(text) };
		});
}

/** What MariaDB says of a change to the schema that is there already: of tables, columns, keys, and of what was to be dropped. */
const thereAlready = new Set([1050, 1051, 1060, 1061, 1091, 1146, 1826]);

/** Told after each statement, and again once it is recorded; what it throws breaks off (for tests). */
type Watch = (point: 'run' | 'recorded', file: string, statement: number) => void;

/**
 * Brings the schema up to date: each numbered file once, in order, under a lock so that two servers
 * starting together do not race. A file that changed after it was applied is refused.
 *
 * It may be killed at any moment and goes on at the next start. MariaDB commits each change of the schema by
 * itself, whole or not at all (atomic DDL, from 10.6); so it is said before which statement is begun, and a
 * statement that was begun and not ended is run again: what it says is there already, it has done. Changes of
 * rows are recorded in their own transaction.
 *
 * @returns names of the files applied now
 */
export async function migrate(
	config: Config['database'],
	folder: string,
	watch: Watch = () => undefined
): Promise<string[]> {
	const connection = await createConnection({ ...config, timezone: 'Z' });
	const lock = `vane-migrate-${config.database}`;
	try {
		const [[got]] = await connection.query<RowDataPacket[]>('SELECT GET_LOCK(?, 60) AS locked', [
			lock
		]);
		if (got?.locked !== 1) throw new Error('another server is still changing the schema');
		await connection.query(`CREATE TABLE IF NOT EXISTS migrations (
			name        VARCHAR(120) NOT NULL PRIMARY KEY,
			checksum    CHAR(64)     NOT NULL,
			created_at  DATETIME(3)  NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
		) ENGINE=InnoDB`);
		// The file that is under way: how many of its statements are done, and how many are begun.
		await connection.query(`CREATE TABLE IF NOT EXISTS migrations_under_way (
			name        VARCHAR(120) NOT NULL PRIMARY KEY,
			checksum    CHAR(64)     NOT NULL,
			done        INT          NOT NULL DEFAULT 0,
			begun       INT          NOT NULL DEFAULT 0
		) ENGINE=InnoDB`);
		const [rows] = await connection.query<RowDataPacket[]>(
			'SELECT name, checksum FROM migrations UNION ALL SELECT name, checksum FROM migrations_under_way'
		);
		const before = new Map(rows.map((row) => [row.name as string, row.checksum as string]));
		const [done] = await connection.query<RowDataPacket[]>('SELECT name FROM migrations');
		const applied = new Set(done.map((row) => row.name as string));
		const now: string[] = [];
		for (const migration of readMigrations(folder)) {
			const { name, checksum } = migration;
			if ((before.get(name) ?? checksum) !== checksum) {
				throw Object.assign(
					new Error(
						`migration ${name} was changed after it was applied: restore it and add a new file`
					),
					{ forPeople: true }
				);
			}
			if (applied.has(name)) continue;
			await apply(connection, migration, watch);
			now.push(name);
		}
		return now;
	} finally {
		await connection.query('SELECT RELEASE_LOCK(?)', [lock]).catch(() => undefined);
		await connection.end();
	}
}

async function apply(connection: Connection, migration: Migration, watch: Watch): Promise<void> {
	const { name, checksum, statements } = migration;
	await connection.query('INSERT IGNORE INTO migrations_under_way (name, checksum) VALUES (?, ?)', [
		name,
		checksum
	]);
	const [[left]] = await connection.query<RowDataPacket[]>(
		'SELECT done, begun FROM migrations_under_way WHERE name = ?',
		[name]
	);
	const { done, begun } = left as { done: number; begun: number };
	for (let i = done; i < statements.length; i++) {
		const statement = statements[i]!;
		const record = (column: 'begun' | 'done') =>
			connection.query(`UPDATE migrations_under_way SET ${column} = ? WHERE name = ?`, [
				i + 1,
				name
			]);
		if (/^(INSERT|UPDATE|DELETE)\b/i.test(statement)) {
			await connection.beginTransaction();
			await connection.query(statement);
			watch('run', name, i);
			await record('done');
			await connection.commit();
		} else {
			await record('begun');
			await connection.query(statement).catch(async (error: { errno?: number }) => {
				if (begun === i + 1 && thereAlready.has(error.errno ?? 0)) return;
				// It has failed, so it has not been done.
				await connection.query('UPDATE migrations_under_way SET begun = done WHERE name = ?', [
					name
				]);
				throw error;
			});
			watch('run', name, i);
			await record('done');
		}
		watch('recorded', name, i);
	}
	await connection.beginTransaction();
	await connection.query('INSERT INTO migrations (name, checksum) VALUES (?, ?)', [name, checksum]);
	await connection.query('DELETE FROM migrations_under_way WHERE name = ?', [name]);
	await connection.commit();
	watch('recorded', name, -1);
}
