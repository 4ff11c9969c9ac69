/** MariaDB's own programs on one of our instances, which is started for the time if it does not run. */
import { spawn, type StdioOptions } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { program, runningDatabase, startDatabase, type DatabaseAddress } from './database.ts';
import { problem } from './process.ts';
import { readSettings, type InstanceName } from './settings.ts';

/** Splits off --demo: which instance is meant. */
export function chooseInstance(args: string[]): { name: InstanceName; rest: string[] } {
	return {
		name: args.includes('--demo') ? 'demo' : 'shop',
		rest: args.filter((arg) => arg !== '--demo')
	};
}

export async function withDatabase<T>(
	name: InstanceName,
	work: (address: DatabaseAddress, alreadyRunning: boolean) => Promise<T>
): Promise<T> {
	const { folder } = readSettings(name);
	const running = runningDatabase(folder);
	if (running) {
		const { pid: _, ...address } = running;
		return work(address, true);
	}
	const started = await startDatabase(folder);
	try {
		return await work(started.address, false);
	} finally {
		await started.stop();
	}
}

/** Runs a client program with the password in a file only we can read, never on the command line. */
export async function runClient(
	name: 'mariadb' | 'mariadb-dump',
	address: DatabaseAddress,
	args: string[],
	stdio: StdioOptions
): Promise<void> {
	const folder = mkdtempSync(join(tmpdir(), 'vane-client-'));
	const options = join(folder, 'client.cnf');
	writeFileSync(
		options,
		`[client]\nhost=${address.host}\nport=${address.port}\nprotocol=tcp\nuser=${address.user}\npassword=${address.password}\ndefault-character-set=utf8mb4\n`,
		{ mode: 0o600 }
	);
	try {
		const child = spawn(program(name), [`--defaults-file=${options}`, ...args, address.database], {
			stdio
		});
		const code = await new Promise<number | null>((done) => child.once('exit', done));
		if (code !== 0) throw problem(`${name} ended with code ${code}.`);
	} finally {
		rmSync(folder, { recursive: true, force: true });
	}
}
