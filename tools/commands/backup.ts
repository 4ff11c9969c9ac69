/** `./vane backup FILE`: a consistent dump while people go on working. */
import { closeSync, existsSync, openSync, renameSync, rmSync } from 'node:fs';
import { chooseInstance, runClient, withDatabase } from '../client.ts';
import { problem } from '../process.ts';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const [file, ...more] = rest;
	if (!file || more.length || file.startsWith('-'))
		throw problem('backup takes one FILE, and --demo for the demo shop.');
	if (existsSync(file)) throw problem(`${file} exists; choose another name, nothing was written.`);
	// Written beside and renamed when whole: a broken-off dump is never taken for a backup.
	const partial = `${file}.partial`;
	const out = openSync(partial, 'w', 0o600);
	try {
		await withDatabase(name, (address) =>
			runClient(
				'mariadb-dump',
				address,
				['--single-transaction', '--skip-lock-tables', '--hex-blob', '--no-tablespaces'],
				['ignore', out, 'inherit']
			)
		);
		renameSync(partial, file);
	} catch (error) {
		rmSync(partial, { force: true });
		throw error;
	} finally {
		closeSync(out);
	}
	console.log(`vane: ${name} backed up to ${file}.`);
}
