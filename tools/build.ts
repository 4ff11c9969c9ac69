/** Builds the application when its sources changed since the last build. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { problem } from './process.ts';
import { root } from './system.js';

const sources = [
	'src',
	'static',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'vite.programs.config.ts',
	'tsconfig.json'
];
const stamp = join(root, 'build/.vane-stamp');

function filesUnder(path: string): string[] {
	if (!existsSync(path)) return [];
	if (statSync(path).isFile()) return [path];
	return readdirSync(path)
		.sort()
		.flatMap((name) => filesUnder(join(path, name)));
}

function fingerprint(): string {
	const hash = createHash('sha256');
	for (const file of sources.flatMap((source) => filesUnder(join(root, source)))) {
		hash.update(file.slice(root.length)).update('\0').update(readFileSync(file));
	}
	return hash.digest('hex');
}

function vite(...args: string[]): void {
	const ran = spawnSync(
		process.execPath,
		[join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn', ...args],
		{ cwd: root, stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' }
	);
	if (ran.status !== 0) throw problem(`the application did not build:\n${ran.stdout}${ran.stderr}`);
}

/** The server, and what runs on threads of its own. */
export const buildPrograms = (): void => vite('--config', 'vite.programs.config.ts');

export function buildIfChanged(): void {
	const wanted = fingerprint();
	if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
	console.error('vane: building …');
	rmSync(join(root, 'build'), { recursive: true, force: true });
	vite();
	buildPrograms();
	writeFileSync(stamp, wanted);
}

if (process.argv[1] === import.meta.filename) buildIfChanged();
