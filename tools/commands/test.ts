/** `./vane test`: every check, as many at a time as there are cores, with one summary. Names of steps run only those. */
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { problem } from '../process.ts';
import { root } from '../system.js';

interface Step {
	name: string;
	/** A program of node_modules/.bin with its arguments, or of ours. */
	run: string[];
	/** Waits for this one. */
	needs?: string;
	/** How many cores it keeps busy; one if absent. */
	cores?: number;
}

const caches = 'node_modules/.cache';

const prepare: Step = { name: 'prepare', run: ['svelte-kit', 'sync'] };
const endToEnd: Step = { name: 'end-to-end', run: ['playwright', 'test'] };
/** Between the two, begun in this order as cores get free: what keeps one busy first, then what takes all. */
const middle: Step[] = [
	{ name: 'build', run: ['tsx', 'tools/build.ts'] },
	{
		name: 'types',
		run: [
			'svelte-check',
			'--tsconfig',
			'./tsconfig.json',
			'--fail-on-warnings',
			'--output',
			'human',
			'--tsgo'
		]
	},
	{ name: 'format', run: ['oxfmt', '--check'] },
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
			'--cache',
			`${caches}/dependency-cruiser`,
			'--output-type',
			'err'
		]
	},
	{ name: 'unused', run: ['knip', '--cache'] },
	{ name: 'unit', run: ['vitest', 'run', '--project', '!integration'], cores: 2 },
	{
		name: 'integration',
		run: ['vitest', 'run', '--project', 'integration'],
		needs: 'build',
		cores: 2
	}
];
/** `prepare` comes before all, `end-to-end` after all, so that it has the machine to itself. */
const steps: Step[] = [prepare, ...middle, endToEnd];

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
	// The type check keeps what it made of components, also of those that are gone.
	rmSync(join(root, '.svelte-kit/.svelte-check'), { recursive: true, force: true });
	const started = performance.now();
	const alone = async (step: Step) => {
		if (wanted.includes(step)) results.push(await runStep(step, true));
	};
	await alone(prepare);
	results.push(...(await asCoresAllow(middle.filter((step) => wanted.includes(step)))));
	await alone(endToEnd);
	const order = (name: string) => steps.findIndex((step) => step.name === name);
	results.sort((a, b) => order(a.name) - order(b.name));
	console.log('\n── summary ──');
	for (const { name, ok, seconds } of results) {
		console.log(
			`${ok ? 'passed' : 'FAILED'}  ${name.padEnd(13)} ${seconds.toFixed(1).padStart(6)} s`
		);
	}
	const all = (performance.now() - started) / 1000;
	console.log(`        all           ${all.toFixed(1).padStart(6)} s`);
	const failed = results.filter((result) => !result.ok).length;
	console.log(`${results.length - failed} passed, ${failed} failed`);
	process.exitCode = failed ? 1 : 0;
}

/** In their order, each as soon as it has its cores and what it needs. */
async function asCoresAllow(list: readonly Step[]): Promise<Outcome[]> {
	const cores = Math.max(2, availableParallelism());
	const coresOf = ({ cores: wanted = 1 }: Step) => Math.min(wanted, cores);
	const running = new Map<string, Promise<Outcome>>();
	const ended = new Set<string>();
	const queue = [...list];
	let free = cores;
	while (queue.length) {
		const next = queue.findIndex(
			(step) => coresOf(step) <= free && (!running.has(step.needs ?? '') || ended.has(step.needs!))
		);
		if (next < 0) {
			await Promise.race([...running].filter(([name]) => !ended.has(name)).map(([, run]) => run));
			continue;
		}
		const [step] = queue.splice(next, 1) as [Step];
		free -= coresOf(step);
		const run = runStep(step, list.length === 1).then((outcome) => {
			ended.add(step.name);
			free += coresOf(step);
			return outcome;
		});
		running.set(step.name, run);
	}
	return Promise.all(running.values());
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
