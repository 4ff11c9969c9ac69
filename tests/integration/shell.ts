/** A serving command as a process of its own, as a person starts it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { until } from './until.ts';

export class Shell {
	/** What it has printed. */
	output = '';
	child: ChildProcess | undefined;
	readonly #environment: NodeJS.ProcessEnv;

	constructor(dataFolder: string, environment: Record<string, string>) {
		this.#environment = {
			...process.env,
			NODE_OPTIONS: '',
			VANE_DATA_DIR: dataFolder,
			...environment
		};
	}

	/** Starts it and waits for its greeting. */
	async serve(args: string[], more: Record<string, string> = {}): Promise<void> {
		const child = this.#spawn(args, more);
		this.child = child;
		this.output = '';
		const keep = (chunk: unknown) => (this.output += String(chunk));
		child.stdout!.on('data', keep);
		child.stderr!.on('data', keep);
		let over = false;
		child.once('exit', () => (over = true));
		await until(() => over || this.output.includes('Ctrl-C stops it'), 'the greeting');
		if (over) throw new Error(`vane ${args.join(' ')} ended: ${this.output}`);
	}

	/** @returns the code it ended with */
	async end(signal: NodeJS.Signals = 'SIGINT'): Promise<number | null> {
		const child = this.child;
		this.child = undefined;
		if (!child || child.exitCode !== null || child.signalCode !== null) return null;
		const ended = ending(child);
		child.kill(signal);
		return ended;
	}

	/** A command from start to end. */
	async vane(
		args: string[],
		more: Record<string, string> = {}
	): Promise<{ status: number | null; stdout: string; stderr: string }> {
		const child = this.#spawn(args, more);
		const said = { stdout: '', stderr: '' };
		child.stdout!.on('data', (chunk) => (said.stdout += String(chunk)));
		child.stderr!.on('data', (chunk) => (said.stderr += String(chunk)));
		return { status: await ending(child), ...said };
	}

	#spawn(args: string[], more: Record<string, string>): ChildProcess {
		return spawn('./vane', args, {
			env: { ...this.#environment, ...more },
			stdio: ['ignore', 'pipe', 'pipe']
		});
	}
}

const ending = (child: ChildProcess): Promise<number | null> =>
	new Promise((done) => child.once('close', (code) => done(code)));
