/** `./vane test`: every check in two lanes, with one summary. Names of steps run only those. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { problem } from '../process.ts';
import { root } from '../system.js';

interface Step {
	name: string;
	/** A program of node_modules/.bin with its arguments, or of ours. */
	run: string[];
	/** Steps of one lane follow each other; lanes run side by side, and their words wait for their end. */
	lane: 'static' | 'tests';
}

const caches = 'node_modules/.cache';

/** In order: `prepare` comes before both lanes, `end-to-end` after both, so that it has the machine to itself. */
const prepare: Step = { name: 'prepare', run: ['svelte-kit', 'sync'], lane: 'tests' };
const endToEnd: Step = { name: 'end-to-end', run: ['playwright', 'test'], lane: 'tests' };
const steps: Step[] = [
	prepare,
	{
		name: 'format',
		run: ['prettier', '--check', '--log-level', 'warn', '--cache', '.'],
		lane: 'static'
	},
	{
		name: 'lint',
		run: [
			'eslint',
			'--cache',
			'--cache-strategy',
			'content',
			'--cache-location',
			`${caches}/eslint/`,
			'.'
		],
		lane: 'static'
	},
	{
		name: 'types',
		run: [
			'svelte-check',
			'--tsconfig',
			'./tsconfig.json',
			'--fail-on-warnings',
			'--output',
			'human',
			'--incremental'
		],
		lane: 'static'
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
			'--cache',
			`${caches}/dependency-cruiser`,
			'--output-type',
			'err'
		],
		lane: 'static'
	},
	{ name: 'unused', run: ['knip', '--cache'], lane: 'static' },
	{
		name: 'unit',
		run: ['vitest', 'run', '--project', 'unit', '--project', 'client'],
		lane: 'tests'
	},
	{ name: 'build', run: ['tsx', 'tools/build.ts'], lane: 'tests' },
	{ name: 'integration', run: ['vitest', 'run', '--project', 'integration'], lane: 'tests' },
	endToEnd
];

interface Outcome {
	name: string;
	ok: boolean;
	seconds: number;
}

export async function run(args: string[]): Promise<void> {
	const unknown = args.find((name) => !steps.some((step) => step.name === name));
	if (unknown)
		throw problem(
			`there is no step '${unknown}'; one of ${steps.map((step) => step.name).join(', ')}.`
		);
	const wanted = args.length ? steps.filter((step) => args.includes(step.name)) : steps;
	const results: Outcome[] = [];
	const inTurn = async (list: readonly Step[], alone = false) => {
		for (const step of list) results.push(await runStep(step, alone));
	};
	const started = performance.now();
	const middle = wanted.filter((step) => step !== prepare && step !== endToEnd);
	await inTurn(
		wanted.filter((step) => step === prepare),
		true
	);
	await Promise.all(
		(['static', 'tests'] as const).map((lane) =>
			inTurn(
				middle.filter((step) => step.lane === lane),
				middle.every((step) => step.lane === lane)
			)
		)
	);
	await inTurn(
		wanted.filter((step) => step === endToEnd),
		true
	);
	const order = (name: string) => steps.findIndex((step) => step.name === name);
	results.sort((a, b) => order(a.name) - order(b.name));
	console.log('\n── summary ──');
	for (const { name, ok, seconds } of results) {
		console.log(
			`${ok ? 'passed' : 'FAILED'}  ${name.padEnd(13)} ${seconds.toFixed(1).padStart(6)} s`
		);
	}
	const all = (performance.now() - started) / 1000;
	console.log(`        all, side by side ${all.toFixed(1).padStart(6)} s`);
	const failed = results.filter((result) => !result.ok).length;
	console.log(`${results.length - failed} passed, ${failed} failed`);
	process.exitCode = failed ? 1 : 0;
}

/** @param alone nothing runs beside it, so that what it says can be shown at once */
async function runStep({ name, run: [program, ...args] }: Step, alone: boolean): Promise<Outcome> {
	const started = performance.now();
	const heading = `\n── ${name} ──`;
	if (alone) console.log(heading);
	const out = alone ? 'inherit' : 'pipe';
	const child = spawn(join(root, 'node_modules/.bin', program!), args, {
		cwd: root,
		stdio: ['ignore', out, out],
		env: { ...process.env, NODE_OPTIONS: '' }
	});
	const said: Buffer[] = [];
	for (const stream of [child.stdout, child.stderr])
		stream?.on('data', (bytes: Buffer) => said.push(bytes));
	const code = await new Promise<number | null>((done) => child.once('close', done));
	if (!alone) process.stdout.write(`${heading}\n${Buffer.concat(said).toString()}`);
	return { name, ok: code === 0, seconds: (performance.now() - started) / 1000 };
}
