/** Logs of an instance: in a folder that only its owner enters, in files that only its owner reads. */
import { chmodSync, fchmodSync, mkdirSync, openSync } from 'node:fs';
import { join } from 'node:path';

/** @returns the file's path, and it opened: `a` goes on with it, `w` begins anew */
export function openLog(
	folder: string,
	name: string,
	flag: 'a' | 'w'
): [path: string, file: number] {
	const logs = join(folder, 'logs');
	mkdirSync(logs, { recursive: true, mode: 0o700 });
	chmodSync(logs, 0o700);
	const path = join(logs, name);
	const file = openSync(path, flag, 0o600);
	fchmodSync(file, 0o600);
	return [path, file];
}
