/**
 * A backup: MariaDB's own dump, a row a statement, and a last line with what must be in it. It is read here and
 * not by MariaDB's client, so that nothing in it is run but the tables and their rows.
 */
import { createHash } from 'node:crypto';
import { appendFileSync, createReadStream } from 'node:fs';
import type { Connection } from 'mysql2/promise';
import { problem } from './process.ts';

export interface Contents {
	/** Of all before the last line, hexadecimal. */
	sha256: string;
	/** Rows by table. */
	rows: Record<string, number>;
}

/** So that a row is a line, whatever is in it. */
export const dumpOptions = [
	'--single-transaction',
	'--skip-lock-tables',
	'--hex-blob',
	'--no-tablespaces',
	'--skip-extended-insert'
];

const mark = '-- Vane Set backup: ';
const create = /^CREATE TABLE `(\w+)` \($/;
const insert = /^INSERT INTO `(\w+)` ((?:\([\w`, ]+\) )?)VALUES (\(.*\));$/s;
/** What the dump says besides; it is left out. */
const aside =
	/^\s*$|^--|^\/\*.*\*\/\s*;?\s*$|^(DROP TABLE IF EXISTS|LOCK TABLES) `\w+`.*;$|^UNLOCK TABLES;$/;

/** Lines with their ends: a row may hold any letter but a newline. */
async function* linesOf(file: string): AsyncGenerator<Buffer> {
	let rest: Buffer[] = [];
	for await (const chunk of createReadStream(file) as AsyncIterable<Buffer>) {
		let from = 0;
		for (let end = chunk.indexOf(10); end >= 0; end = chunk.indexOf(10, from)) {
			yield Buffer.concat([...rest, chunk.subarray(from, end + 1)]);
			rest = [];
			from = end + 1;
		}
		rest.push(chunk.subarray(from));
	}
	const last = Buffer.concat(rest);
	if (last.length) yield last;
}

interface Counted extends Contents {
	/** Its last line. */
	last: string;
}

async function count(file: string): Promise<Counted> {
	const hash = createHash('sha256');
	const rows: Record<string, number> = {};
	let last: Buffer | undefined;
	for await (const line of linesOf(file)) {
		if (last) hash.update(last);
		last = line;
		const name = line.subarray(0, 80).toString('latin1');
		const created = /^CREATE TABLE `(\w+)`/.exec(name)?.[1];
		if (created) rows[created] ??= 0;
		const table = /^INSERT INTO `(\w+)`/.exec(name)?.[1];
		if (table) rows[table] = (rows[table] ?? 0) + 1;
	}
	return { sha256: hash.digest('hex'), rows, last: last?.toString('utf8') ?? '' };
}

/** Says at the end of a dump what is in it. */
export async function finishBackup(file: string): Promise<void> {
	// Read with an end of its own, so that what is counted is all of the dump.
	appendFileSync(file, mark);
	const { last: _, ...contents } = await count(file);
	appendFileSync(file, `${JSON.stringify(contents)}\n`);
}

/**
 * @returns what is in it
 * @throws an error for people where it is no whole backup, as it was written
 */
export async function checkBackup(file: string): Promise<Contents> {
	const { sha256, rows, last } = await count(file);
	const wrong = (why: string) => problem(`${file} is not a whole backup of Vane Set: ${why}.`);
	if (!last.startsWith(mark)) throw wrong('its last line is missing');
	let said: Contents;
	try {
		said = JSON.parse(last.slice(mark.length)) as Contents;
	} catch {
		throw wrong('its last line is broken');
	}
	for (const [table, n] of Object.entries(said.rows ?? {})) {
		if (rows[table] !== n) throw wrong(`of ${table} it has ${rows[table] ?? 0} rows and says ${n}`);
	}
	if (said.sha256 !== sha256) throw wrong('it was changed after it was written');
	return { sha256, rows };
}

/** Statements of one table are sent together up to this size, bytes. */
const batchBytes = 1024 * 1024;

/**
 * Makes the tables of a backup, with their rows, in an empty database.
 *
 * @throws an error for people that says where it failed, and quotes nothing of it
 */
export async function loadBackup(file: string, connection: Connection): Promise<void> {
	let number = 0;
	let batch = { into: '', rows: [] as string[], bytes: 0 };
	const run = async (sql: string) => {
		await connection.query(sql).catch((error: { code?: string }) => {
			throw problem(`line ${number} of ${file} cannot be restored (${error.code ?? 'no reason'}).`);
		});
	};
	const flush = async () => {
		const { into, rows } = batch;
		batch = { into: '', rows: [], bytes: 0 };
		if (rows.length) await run(`${into}${rows.join(',')}`);
	};
	await run('SET foreign_key_checks = 0, unique_checks = 0, autocommit = 0');
	let table: string[] | undefined;
	for await (const bytes of linesOf(file)) {
		number++;
		const line = bytes.toString('utf8').replace(/\n$/, '');
		const row = table ? undefined : insert.exec(line);
		if (row) {
			const into = `INSERT INTO \`${row[1]}\` ${row[2]}VALUES `;
			if (into !== batch.into || batch.bytes > batchBytes) await flush();
			batch.into = into;
			batch.rows.push(row[3]!);
			batch.bytes += bytes.length;
		} else if (table) {
			table.push(line);
			if (!line.endsWith(';')) continue;
			await flush();
			await run(table.join('\n'));
			table = undefined;
		} else if (create.test(line)) table = [line];
		else if (!aside.test(line))
			throw problem(`line ${number} of ${file} is nothing that a backup says.`);
	}
	await flush();
	await run('COMMIT');
}
