/** `./vane test`: every check, one after the other, with one summary. Names of steps run only those. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildIfChanged } from '../build.ts';
import { problem } from '../process.ts';
import { root } from '../system.js';

interface Step {
	name: string;
	/** A program of node_modules/.bin with its arguments, or a function. */
	run: string[] | (() => void);
}

const steps: Step[] = [
	{ name: 'prepare', run: ['svelte-kit', 'sync'] },
	{ name: 'format', run: ['prettier', '--check', '--log-level', 'warn', '.'] },
	{ name: 'lint', run: ['eslint', '.'] },
	{
		name: 'types',
		run: [
			'svelte-check',
			'--tsconfig',
			'./tsconfig.json',
			'--fail-on-warnings',
			'--output',
			'human'
		]
	},
	{
		name: 'dependencies',
		run: [
			'depcruise',
			'src',
			'tools',
			'tests',
			'demo',
			'devices',
			'--config',
			'.dependency-cruiser.cjs',
			'--output-type',
			'err'
		]
	},
	{ name: 'unit', run: ['vitest', 'run', '--project', 'unit', '--project', 'client'] },
	{ name: 'integration', run: ['vitest', 'run', '--project', 'integration'] },
	{ name: 'build', run: buildIfChanged },
	{ name: 'end-to-end', run: ['playwright', 'test'] }
];

export async function run(args: string[]): Promise<void> {
	const unknown = args.find((name) => !steps.some((step) => step.name === name));
	if (unknown)
		throw problem(
			`there is no step '${unknown}'; one of ${steps.map((step) => step.name).join(', ')}.`
		);
	const wanted = args.length ? steps.filter((step) => args.includes(step.name)) : steps;
	const results: { name: string; ok: boolean; seconds: number }[] = [];
	for (const step of wanted) {
		console.log(`\n── ${step.name} ──`);
		const started = performance.now();
		const ok = await runStep(step);
		results.push({ name: step.name, ok, seconds: (performance.now() - started) / 1000 });
	}
	console.log('\n── summary ──');
	for (const { name, ok, seconds } of results) {
		console.log(
			`${ok ? 'passed' : 'FAILED'}  ${name.padEnd(13)} ${seconds.toFixed(1).padStart(6)} s`
		);
	}
	const failed = results.filter((result) => !result.ok).length;
	console.log(`${results.length - failed} passed, ${failed} failed`);
	process.exitCode = failed ? 1 : 0;
}

async function runStep({ run: work }: Step): Promise<boolean> {
	if (typeof work === 'function') {
		try {
			work();
			return true;
		} catch (error) {
			console.error((error as Error).message);
			return false;
		}
	}
	const [program, ...args] = work;
	const child = spawn(join(root, 'node_modules/.bin', program!), args, {
		cwd: root,
		stdio: ['ignore', 'inherit', 'inherit'],
		env: { ...process.env, NODE_OPTIONS: '' }
	});
	return new Promise((done) => child.once('exit', (code) => done(code === 0)));
}
