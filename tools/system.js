/** What must be on the machine before anything of ours can run: Debian's and npm's packages. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { accessSync, constants, existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { delimiter, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');

/**
 * Ends the command with one clear line.
 * @param {string} message @param {number} [code] @returns {never}
 */
export function fail(message, code = 1) {
	console.error(`vane: ${message}`);
	process.exit(code);
}

/**
 * Path of a program, also looking in the folders that a normal user's PATH leaves out.
 * @param {string} program
 */
export function findProgram(program) {
	const folders = [...(process.env.PATH ?? '').split(delimiter), '/usr/sbin', '/usr/bin', '/sbin'];
	for (const folder of folders) {
		const path = join(folder || '.', program);
		try {
			accessSync(path, constants.X_OK);
			return path;
		} catch {
			continue;
		}
	}
	return undefined;
}

/** @param {string} program its name, or the path of a file */
const isThere = (program) => (program.startsWith('/') ? existsSync(program) : findProgram(program));

/**
 * Installs Debian packages unless their programs are there already.
 * @param {string} name with spaces between several
 * @param {string[]} programs or paths of files
 * @param {string} [service] that the package would start by itself, and which is not wanted
 */
export function installDebianPackages(name, programs, service) {
	if (programs.every(isThere)) return;
	const apt = findProgram('apt-get');
	if (!apt) fail(`${name} is missing and this is not Debian: install it, then run this again.`);
	const isRoot = process.getuid?.() === 0;
	const sudo = findProgram('sudo');
	if (!isRoot && !sudo) {
		fail(`${name} is missing and there is no sudo. As root: apt-get install ${name}`);
	}
	const sudoArgs = process.stdin.isTTY ? [] : ['-n'];
	const call = (/** @type {string[]} */ ...args) => {
		const env = ['env', 'DEBIAN_FRONTEND=noninteractive', apt, '-qq', ...args];
		const [program, ...rest] = isRoot ? env : [/** @type {string} */ (sudo), ...sudoArgs, ...env];
		return (
			spawnSync(/** @type {string} */ (program), rest, { stdio: ['inherit', 'ignore', 'inherit'] })
				.status === 0
		);
	};
	console.error(`vane: installing ${name} …`);
	// An update may fail on one stale list and the install still work, so only the install decides.
	call('update');
	const packages = name.split(' ');
	const installed = call('install', '-y', '--no-install-recommends', ...packages);
	const systemctl = service && findProgram('systemctl');
	if (systemctl) {
		const stop = [systemctl, 'disable', '--now', /** @type {string} */ (service)];
		const [program, ...rest] = isRoot ? stop : [/** @type {string} */ (sudo), ...sudoArgs, ...stop];
		spawnSync(/** @type {string} */ (program), rest, { stdio: 'ignore' });
	}
	if (!installed || !programs.every(isThere)) {
		fail(
			`${name} could not be installed. Try by hand: sudo apt-get update && sudo apt-get install ${name}`
		);
	}
}

/** `npm ci` when the lock file changed or the last one was interrupted. */
export function installNodePackages() {
	const stamp = join(root, 'node_modules/.vane-stamp');
	const wanted = createHash('sha256')
		.update(readFileSync(join(root, 'package-lock.json')))
		.update(`${process.version} ${process.arch}`)
		.digest('hex');
	const done = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted;
	if (done()) return;
	const release = waitForTurn();
	try {
		if (done()) return;
		console.error('vane: installing packages (npm ci) …');
		const npm = spawnSync(
			'npm',
			['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'],
			{
				cwd: root,
				stdio: ['ignore', 'ignore', 'inherit']
			}
		);
		if (npm.status !== 0) {
			release();
			fail('npm ci did not finish. Check the network to the npm registry, then run this again.');
		}
		writeFileSync(stamp, wanted);
	} finally {
		release();
	}
}

/**
 * One installation at a time: two commands in a pipe start together on a fresh machine. A lock whose
 * process is gone is taken over.
 * @returns {() => void} gives the turn back
 */
function waitForTurn() {
	const lock = join(root, '.vane-installing');
	for (;;) {
		try {
			writeFileSync(lock, String(process.pid), { flag: 'wx' });
			return () => rmSync(lock, { force: true });
		} catch {
			const holder = Number(existsSync(lock) ? readFileSync(lock, 'utf8') : 0);
			if (holder && !existsSync(`/proc/${holder}`)) rmSync(lock, { force: true });
			else Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 250);
		}
	}
}
