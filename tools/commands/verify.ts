/** `./vane verify`: goes along books, or a job file; ends with code 1 where one does not hold. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { openDatabase, type Database } from '../../src/lib/server/db/pool.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJobFile } from '../../src/lib/server/exchange/read-job-file.ts';
import { proveBooks } from '../../src/lib/server/proof/books.ts';
import { keyIdOf } from '../../src/lib/server/proof/keys.ts';
import { knownSigners } from '../../src/lib/server/proof/signers.ts';
import { proveFile, type Signers } from '../../src/lib/server/proof/verify.ts';
import { chooseInstance, withDatabase } from '../client.ts';
import { problem } from '../process.ts';
import { root } from '../system.js';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const at = rest.indexOf('--key');
	const key = at < 0 ? undefined : rest.splice(at, 2)[1];
	if (at >= 0 && !/^[A-Za-z0-9_-]{43}$/.test(key ?? '')) {
		throw problem('--key wants the public key of a shop: 43 letters, as `./vane keys` shows it.');
	}
	const file = rest.find((arg) => !/^\d{4}-\d{4,8}$/.test(arg));
	if (file !== undefined) {
		if (rest.length > 1) throw problem('verify takes job numbers, or one FILE.');
		const jobFile = readFile(file);
		if (key) return sayOfFile(jobFile, onlyKey(key));
		return withShop(name, async (db) => sayOfFile(jobFile, await knownSigners(db)));
	}
	if (key) throw problem('--key goes with a FILE.');
	await withShop(name, (db) => sayOfBooks(db, rest));
}

const withShop = (name: 'demo' | 'shop', work: (db: Database) => Promise<void>) =>
	withDatabase(name, async (address, alreadyRunning) => {
		if (!alreadyRunning) await migrate(address, join(root, 'db/migrations'));
		const db = openDatabase(address);
		await work(db).finally(() => db.close());
	});

/** Whoever has been given a key needs no database. */
const onlyKey = (publicKey: string): Signers => {
	const keyId = keyIdOf(publicKey);
	return new Map([[keyId, { keyId, publicKey, name: 'the shop of that key', own: false }]]);
};

function readFile(path: string): JobFile {
	if (!existsSync(path)) throw problem(`'${path}' is no job number (2026-0187), and no file.`);
	let given: unknown;
	try {
		given = JSON.parse(readFileSync(path, 'utf8'));
	} catch {
		throw problem(`${path} is not JSON.`);
	}
	return readJobFile(given, Date.now());
}

function sayOfFile(file: JobFile, signers: Signers): void {
	const { verified, number, words } = proveFile(file, signers);
	console.log(`${number}  ${verified ? 'VERIFIED' : 'NOT VERIFIED'}`);
	for (const line of words) console.log(`  ${line}`);
	if (!verified) process.exitCode = 1;
}

async function sayOfBooks(db: Database, wanted: readonly string[]): Promise<void> {
	const missing = new Set(wanted);
	let broken = 0;
	for await (const { number, holds, words } of proveBooks(db, wanted)) {
		missing.delete(number);
		if (!holds) broken++;
		console.log(`${number}  ${words}`);
	}
	for (const number of missing) console.log(`${number}  is not a job here`);
	if (broken || missing.size) process.exitCode = 1;
}
