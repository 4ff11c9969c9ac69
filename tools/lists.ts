/** Data files that their list does not know yet are written into it: `npm run lists`. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** A module that imports the data files of a folder beside it and lists them, in the order people are offered them. */
export interface List {
	module: string;
	folder: string;
}

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
export const lists: readonly List[] = [
	{ module: join(root, 'src/core/layout/catalogue.ts'), folder: 'data' },
	{ module: join(root, 'src/core/work/jobs.ts'), folder: 'jobs' }
];

/** Names of a list's data files, without their ending. */
export const dataFiles = ({ module, folder }: List): string[] =>
	readdirSync(join(dirname(module), folder))
		.filter((file) => file.endsWith('.json'))
		.map((file) => basename(file, '.json'))
		.sort();

/**
 * The text of a list's module with these data files in it; those that it has stay where they are.
 *
 * @throws when the module has no import of such a file, or no list of them
 */
export function withFiles(text: string, folder: string, names: readonly string[]): string {
	const has = (name: string) => text.includes(`'./${folder}/${name}.json'`);
	const missing = names.filter((name) => !has(name));
	if (missing.length === 0) return text;
	const imports = [...text.matchAll(new RegExp(`^import \\w+ from './${folder}/.*$`, 'gm'))];
	const last = imports.at(-1);
	// The list is what ends with the name of the last one, its type said behind it.
	const end = /,?\s*\] as (?:unknown as )?\w+\[\];/.exec(text);
	if (!last || !end) throw new Error(`no list of ${folder} to write into`);
	const lines = missing.map(
		(name) => `import ${camel(name)} from './${folder}/${name}.json' with { type: 'json' };`
	);
	const after = last.index + last[0].length;
	return [
		text.slice(0, after),
		...lines.map((line) => `\n${line}`),
		text.slice(after, end.index),
		...missing.map((name) => `,\n\t${camel(name)}`),
		text.slice(end.index)
	].join('');
}

const camel = (name: string): string =>
	name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

if (process.argv[1] === fileURLToPath(import.meta.url)) {
	for (const list of lists) {
		const text = readFileSync(list.module, 'utf8');
		const whole = withFiles(text, list.folder, dataFiles(list));
		if (whole === text) continue;
		writeFileSync(list.module, whole);
		console.log(`written into ${basename(list.module)}`);
	}
}
