/** `./vane backup FILE`: a consistent dump while people go on working; --check FILE: whether one is whole. */
import { closeSync, existsSync, openSync, renameSync, rmSync } from 'node:fs';
import { checkBackup, dumpOptions, finishBackup, type Contents } from '../backup-file.ts';
import { chooseInstance, runClient, withDatabase } from '../client.ts';
import { problem } from '../process.ts';

const words = ({ rows, sha256 }: Contents): string =>
	`${rows.jobs ?? 0} jobs, ${rows.entries ?? 0} entries, ${rows.vehicles ?? 0} cars, ${rows.people ?? 0} people; digest ${sha256.slice(0, 16)}`;

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const check = rest.includes('--check');
	const [file, ...more] = rest.filter((arg) => arg !== '--check');
	if (!file || more.length || file.startsWith('-'))
		throw problem('backup takes one FILE, and --check, or --demo for the demo shop.');
	if (check) {
		if (!existsSync(file)) throw problem(`there is no file ${file}.`);
		console.log(`vane: ${file} is whole: ${words(await checkBackup(file))}.`);
		return;
	}
	if (existsSync(file)) throw problem(`${file} exists; choose another name, nothing was written.`);
	// Written beside and renamed when whole: a broken-off dump is never taken for a backup.
	const partial = `${file}.partial`;
	const out = openSync(partial, 'w', 0o600);
	try {
		await withDatabase(name, (address) =>
			runClient('mariadb-dump', address, dumpOptions, ['ignore', out, 'inherit'])
		);
		await finishBackup(partial);
		const contents = await checkBackup(partial);
		renameSync(partial, file);
		console.log(`vane: ${name} backed up to ${file}: ${words(contents)}.`);
	} catch (error) {
		rmSync(partial, { force: true });
		throw error;
	} finally {
		closeSync(out);
	}
}
