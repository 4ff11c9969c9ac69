import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import type { Config } from '../config.ts';

interface Migration {
	name: string;
	/** Statements, or a module whose `migrate` is given the connection. */
	sql?: string;
	module?: string;
	checksum: string;
}

export function readMigrations(folder: string): Migration[] {
	return readdirSync(folder)
		.filter((name) => /^\d{4}_\w+\.(sql|ts)$/.test(name))
		.sort()
		.map((name) => {
			const text = readFileSync(join(folder, name), 'utf8');
			const checksum = createHash('sha256').update(text).digest('hex');
			if (name.endsWith('.sql')) return { name, checksum, sql: text };
			return { name, checksum, module: pathToFileURL(resolve(folder, name)).href };
		});
}

/**
 * Brings the schema up to date: each numbered file once, in order, under a lock so that two servers
 * starting together do not race. A file that changed after it was applied is refused.
 *
 * @returns names of the files applied now
 */
export async function migrate(config: Config['database'], folder: string): Promise<string[]> {
	const connection = await createConnection({ ...config, multipleStatements: true, timezone: 'Z' });
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
		const [done] = await connection.query<RowDataPacket[]>('SELECT name, checksum FROM migrations');
		const applied = new Map(done.map((row) => [row.name as string, row.checksum as string]));
		const now: string[] = [];
		for (const { name, sql, module, checksum } of readMigrations(folder)) {
			const before = applied.get(name);
			if (before === checksum) continue;
			if (before) {
				throw Object.assign(
					new Error(
						`migration ${name} was changed after it was applied: restore it and add a new file`
					),
					{ forPeople: true }
				);
			}
			if (sql !== undefined) await connection.query(sql);
			else {
				const work = (await import(/* @vite-ignore */ module!)) as {
					migrate: (connection: Connection) => Promise<void>;
				};
				await work.migrate(connection);
			}
			await connection.query('INSERT INTO migrations (name, checksum) VALUES (?, ?)', [
				name,
				checksum
			]);
			now.push(name);
		}
		return now;
	} finally {
		await connection.query('SELECT RELEASE_LOCK(?)', [lock]).catch(() => undefined);
		await connection.end();
	}
}
