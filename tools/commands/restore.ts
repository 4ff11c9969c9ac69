/** `./vane restore FILE`: a backup into an empty instance, or with --replace over a full one. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { migrate, readMigrations } from '../../src/lib/server/db/migrate.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { rebuild } from '../../src/lib/server/jobs/projections.ts';
import { proveBooks } from '../../src/lib/server/proof/books.ts';
import { checkBackup, loadBackup, type Contents } from '../backup-file.ts';
import { chooseInstance, withDatabase } from '../client.ts';
import { nextDatabase, useDatabase, type DatabaseAddress } from '../database.ts';
import { problem } from '../process.ts';
import { readSettings } from '../settings.ts';
import { root } from '../system.js';

const migrations = join(root, 'db/migrations');

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const flags = new Set(rest.filter((arg) => ['--replace', '--broken-too'].includes(arg)));
	const [file, ...more] = rest.filter((arg) => !flags.has(arg));
	if (!file || more.length || file.startsWith('-'))
		throw problem('restore takes one FILE, and --demo, --replace, --broken-too.');
	if (!existsSync(file)) throw problem(`there is no file ${file}.`);
	const contents = await checkBackup(file).catch((error: Error) => {
		throw problem(`${error.message} Nothing was changed.`);
	});
	await withDatabase(name, async (address, running) => {
		if (running)
			throw problem(
				`the ${name} instance is running; stop it first, so that nobody writes meanwhile.`
			);
		const connection = await createConnection(address);
		try {
			const [tables] = await connection.query<RowDataPacket[]>('SHOW TABLES');
			if (tables.length && !flags.has('--replace')) {
				throw problem(
					`the ${name} instance holds data already; nothing was changed. --replace puts the backup in its place.`
				);
			}
			// Beside what is there; only what has been found whole takes its place, in one step.
			const beside = nextDatabase(address);
			await connection.query(`DROP DATABASE IF EXISTS ${beside.database}`);
			await connection.query(
				`CREATE DATABASE ${beside.database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`
			);
			try {
				await load(file, beside, contents, flags.has('--broken-too'));
			} catch (error) {
				await connection.query(`DROP DATABASE IF EXISTS ${beside.database}`);
				throw problem(`${(error as Error).message} Nothing was changed.`);
			}
			useDatabase(readSettings(name).folder, beside.database);
			await connection.query(`DROP DATABASE ${address.database}`);
		} finally {
			await connection.end();
		}
	});
	console.log(`vane: ${file} restored into ${name}.`);
}

/** Loads it, brings it up to date, and looks whether it is what it says. */
async function load(
	file: string,
	address: DatabaseAddress,
	{ rows }: Contents,
	brokenToo: boolean
): Promise<void> {
	const connection = await createConnection({ ...address, charset: 'utf8mb4_unicode_ci' });
	try {
		await loadBackup(file, connection);
		for (const [table, said] of Object.entries(rows)) {
			const [[found]] = await connection.query<RowDataPacket[]>(
				`SELECT COUNT(*) AS n FROM \`${table}\``
			);
			if (Number(found!.n) !== said) throw problem(`${said} rows of ${table} came to ${found!.n}.`);
		}
		const [done] = await connection.query<RowDataPacket[]>('SELECT name FROM migrations');
		const known = new Set(readMigrations(migrations).map(({ name }) => name));
		const newer = done.find((row) => !known.has(row.name as string));
		if (newer)
			throw problem(
				`${file} was made by a newer Vane Set (${newer.name as string}): update first.`
			);
	} finally {
		await connection.end();
	}
	const applied = await migrate(address, migrations);
	const db = openDatabase(address);
	try {
		if (applied.length) await rebuild(db);
		const broken: string[] = [];
		let jobs = 0;
		for await (const { number, holds, words } of proveBooks(db)) {
			if (!holds) broken.push(`${number} ${words}`);
			if (++jobs % 500 === 0) console.error(`vane: ${jobs} of ${rows.jobs} jobs looked through …`);
		}
		for (const line of broken) console.error(`vane: ${line}`);
		if (broken.length && !brokenToo) {
			throw problem(
				`${broken.length} of ${jobs} jobs do not hold as they are in ${file}; --broken-too restores them all the same.`
			);
		}
	} finally {
		await db.close();
	}
}
