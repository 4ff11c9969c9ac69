/** A private MariaDB on loopback: made, started, stopped, and found again after a crash. */
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
	chmodSync,
	chownSync,
	closeSync,
	existsSync,
	mkdirSync,
	readFileSync,
	renameSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import { endOf, type Running } from './keep-running.ts';
import { openLog } from './log-file.ts';
import { problem, isRunning, stopProcess } from './process.ts';
import { findProgram } from './system.js';

/** How to reach one database of the running instance. */
export interface DatabaseAddress {
	host: string;
	port: number;
	user: string;
	password: string;
	database: string;
}

export interface RunningDatabase extends Running {
	address: DatabaseAddress;
	pid: number;
}

interface InstanceFile extends DatabaseAddress {
	pid: number;
}

/** A restore makes another database beside this one and then says here that it is the one in use. */
const nameFile = (folder: string) => join(folder, 'database-name');
const firstName = 'vane';

function databaseIn(folder: string): string {
	if (!existsSync(nameFile(folder))) return firstName;
	const name = readFileSync(nameFile(folder), 'utf8').trim();
	return /^vane(_\d+)?$/.test(name) ? name : firstName;
}

/** Where a restore makes its database. */
export function nextDatabase(address: DatabaseAddress): DatabaseAddress {
	const number = Number(/_(\d+)$/.exec(address.database)?.[1] ?? 1);
	return { ...address, database: `${firstName}_${number + 1}` };
}

/** From the next start on, in one step: the instance is the one or the other, whatever happens meanwhile. */
export function useDatabase(folder: string, name: string): void {
	const beside = `${nameFile(folder)}.new`;
	writeFileSync(beside, `${name}\n`, { flush: true });
	renameSync(beside, nameFile(folder));
}

/** Address of the instance that runs on this folder now, if one does. */
export function runningDatabase(folder: string): (DatabaseAddress & { pid: number }) | undefined {
	const file = join(folder, 'database.json');
	if (!existsSync(file)) return undefined;
	try {
		const instance = JSON.parse(readFileSync(file, 'utf8')) as InstanceFile;
		return isRunning(instance.pid, join(folder, 'mariadb')) ? instance : undefined;
	} catch {
		return undefined; // half-written by an interrupted start
	}
}

/**
 * Starts MariaDB on `folder`/mariadb, making the data files at first. An instance left over from a
 * killed launcher is shut down first. Each start draws a new password for the application's user.
 *
 * @param as the address it had before: for whoever goes on using it
 */
export async function startDatabase(
	folder: string,
	as?: DatabaseAddress
): Promise<RunningDatabase> {
	const left = runningDatabase(folder);
	if (left) await stopProcess(left.pid, 60_000);

	makePrivateFolder(folder);
	const account = serverAccount(folder);
	const dataDir = join(folder, 'mariadb');
	const env = { ...process.env, TMPDIR: makeTemporaryFolder(folder, account) };
	if (!existsSync(dataDir)) makeDataFiles(dataDir, account, env);

	const port = as?.port ?? (await freePort());
	const password = as?.password ?? randomBytes(24).toString('base64url');
	const initFile = join(dataDir, 'vane-init.sql');
	writeFileSync(initFile, initSql(password, databaseIn(folder)), { mode: 0o600 });
	if (account.owner) chownSync(initFile, account.owner.uid, account.owner.gid);

	const [log, logFile] = openLog(folder, 'mariadb.log', 'w');
	const server = spawn(
		program('mariadbd'),
		[
			'--no-defaults',
			...account.args,
			`--datadir=${dataDir}`,
			'--socket=db.sock', // relative to the data folder: a deep folder would pass the limit of a socket path
			`--pid-file=${join(dataDir, 'db.pid')}`,
			`--port=${port}`,
			'--bind-address=127.0.0.1',
			'--skip-name-resolve',
			`--init-file=${initFile}`,
			'--character-set-server=utf8mb4',
			'--collation-server=utf8mb4_unicode_ci',
			'--sql-mode=STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
			'--default-time-zone=+00:00',
			'--max-allowed-packet=64M',
			'--innodb-lock-wait-timeout=10'
		],
		// Its own group: Ctrl-C reaches the launcher alone, which then stops things in order.
		{ detached: true, stdio: ['ignore', logFile, logFile], env }
	);
	closeSync(logFile);
	const pid = server.pid ?? 0;
	const ended = endOf(server);
	let over = false;
	void ended.then(() => (over = true));

	const database = databaseIn(folder);
	const address = { host: '127.0.0.1', port, user: 'vane', password, database };
	const instance: InstanceFile = { ...address, pid };
	writeFileSync(join(folder, 'database.json'), JSON.stringify(instance), { mode: 0o600 });

	const deadline = Date.now() + 90_000;
	while (!(await answers(address))) {
		if (over || Date.now() > deadline) {
			if (!over) await stopProcess(pid, 10_000);
			throw problem(`MariaDB did not start. Its log: ${log}\n${tail(log)}`);
		}
		await new Promise((done) => setTimeout(done, 60));
	}
	rmSync(initFile, { force: true });
	server.unref();
	return {
		address,
		pid,
		ended,
		async stop() {
			await stopProcess(pid, 60_000);
			rmSync(join(folder, 'database.json'), { force: true });
		}
	};
}

function initSql(password: string, databaseName: string): string {
	return [
		`CREATE DATABASE IF NOT EXISTS ${databaseName} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;`,
		`CREATE USER IF NOT EXISTS vane@'127.0.0.1' IDENTIFIED BY '${password}';`,
		`ALTER USER vane@'127.0.0.1' IDENTIFIED BY '${password}';`,
		`GRANT ALL ON \`vane%\`.* TO vane@'127.0.0.1';`,
		''
	].join('\n');
}

/** Nobody else reads what is in it; as root, MariaDB's own user may pass through to its folder. */
export function makePrivateFolder(folder: string): void {
	mkdirSync(folder, { recursive: true });
	chmodSync(folder, process.getuid?.() === 0 ? 0o711 : 0o700);
}

interface Account {
	args: string[];
	/** Who must own its files, where that is not who runs this. */
	owner?: { uid: number; gid: number };
}

/**
 * Its own place for temporary tables: a starting MariaDB deletes those it finds in its temporary folder,
 * which in the common one are another instance's.
 */
function makeTemporaryFolder(folder: string, { owner }: Account): string {
	const temporary = join(folder, 'tmp');
	mkdirSync(temporary, { recursive: true });
	chmodSync(temporary, 0o700);
	if (owner) chownSync(temporary, owner.uid, owner.gid);
	return temporary;
}

/**
 * Whom the server runs as. MariaDB refuses to run as root unasked: as root it gets the mysql user,
 * or, where that user cannot reach the folder (a clone under /root), root with a word about it.
 */
function serverAccount(folder: string): Account {
	if (process.getuid?.() !== 0) return { args: [] };
	const id = (flag: string) =>
		Number(spawnSync('id', [flag, 'mysql'], { encoding: 'utf8' }).stdout);
	const [uid, gid] = [id('-u'), id('-g')];
	for (let at = folder; ; at = dirname(at)) {
		if (!(statSync(at).mode & 0o001)) {
			console.error(`vane: user mysql cannot enter ${at}; MariaDB runs as root.`);
			return { args: ['--user=root'] };
		}
		if (at === dirname(at)) break;
	}
	return uid ? { args: ['--user=mysql'], owner: { uid, gid } } : { args: ['--user=root'] };
}

/** Made beside and renamed when whole, so that an interrupted set-up leaves nothing half-made. */
function makeDataFiles(dataDir: string, account: Account, env: NodeJS.ProcessEnv): void {
	const partial = `${dataDir}.partial`;
	rmSync(partial, { recursive: true, force: true });
	mkdirSync(partial, { recursive: true });
	chmodSync(partial, 0o700);
	if (account.owner) chownSync(partial, account.owner.uid, account.owner.gid);
	const made = spawnSync(
		program('mariadb-install-db'),
		['--no-defaults', `--datadir=${partial}`, '--skip-test-db', ...account.args],
		{ encoding: 'utf8', env }
	);
	if (made.status !== 0) {
		throw problem(
			`the database files could not be made in ${partial}:\n${made.stdout}${made.stderr}`
		);
	}
	renameSync(partial, dataDir);
}

export function program(name: string): string {
	const path = findProgram(name);
	if (!path) throw problem(`the program ${name} is missing.`);
	return path;
}

/** A loopback port that nobody listens on now. */
export function freePort(): Promise<number> {
	return new Promise((done, broken) => {
		const server = createServer();
		server.once('error', broken);
		server.listen(0, '127.0.0.1', () => {
			const address = server.address();
			server.close(() => done(typeof address === 'object' && address ? address.port : 0));
		});
	});
}

async function answers(address: DatabaseAddress): Promise<boolean> {
	try {
		const connection = await createConnection(address);
		await connection.end();
		return true;
	} catch {
		return false;
	}
}

export function tail(file: string, lines = 12): string {
	return existsSync(file)
		? readFileSync(file, 'utf8').trimEnd().split('\n').slice(-lines).join('\n')
		: '';
}
