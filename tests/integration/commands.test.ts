/** The shell's commands, as a person runs them, each on a data folder of its own. */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { compute, computations } from '../../src/core/compute.ts';
import { buildIfChanged } from '../../tools/build.ts';
import { freePort, runningDatabase } from '../../tools/database.ts';
import { isRunning } from '../../tools/process.ts';

const folder = mkdtempSync(join(tmpdir(), 'vane-commands-'));
chmodSync(folder, 0o755);
let port = 0;
const running = new Set<ChildProcess>();

const environment = (more: Record<string, string> = {}) => ({
	...process.env,
	NODE_OPTIONS: '',
	VANE_DATA_DIR: folder,
	VANE_PORT: String(port),
	...more
});

function vane(args: string[], options: { env?: Record<string, string>; input?: string } = {}) {
	const { status, stdout, stderr } = spawnSync('./vane', args, {
		encoding: 'utf8',
		env: environment(options.env),
		input: options.input ?? ''
	});
	return { status, stdout, stderr };
}

/** Starts a serving command and waits for its greeting. */
async function serve(
	args: string[],
	env: Record<string, string> = {}
): Promise<{ child: ChildProcess; output: string }> {
	const child = spawn('./vane', args, { env: environment(env), stdio: ['ignore', 'pipe', 'pipe'] });
	running.add(child);
	let output = '';
	child.stdout.on('data', (chunk) => (output += chunk));
	child.stderr.on('data', (chunk) => (output += chunk));
	const ended = ending(child);
	for (let i = 0; i < 600 && !output.includes('Ctrl-C stops it'); i++) {
		if (
			(await Promise.race([
				ended,
				new Promise((done) => setTimeout(() => done('waiting'), 100))
			])) !== 'waiting'
		) {
			throw new Error(`vane ${args.join(' ')} ended: ${output}`);
		}
	}
	return { child, output };
}

const ending = (child: ChildProcess) =>
	new Promise<number | null>((done) => child.once('exit', (code) => done(code)));

async function interrupt(child: ChildProcess): Promise<number | null> {
	const ended = ending(child);
	child.kill('SIGINT');
	return ended;
}

const first = { VANE_FIRST_LEAD_NAME: 'Ærla Holm', VANE_FIRST_LEAD_PIN: '90210' };
const signIn = (handle: string, secret: string) =>
	fetch(`http://127.0.0.1:${port}/api/v1/session`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ handle, secret })
	});

beforeAll(async () => {
	buildIfChanged();
	port = await freePort();
}, 120_000);

afterAll(async () => {
	for (const child of running)
		if (child.exitCode === null && child.signalCode === null) await interrupt(child);
	rmSync(folder, { recursive: true, force: true });
});

describe('wrong use is one clear line', () => {
	it.each([
		[['nonsense'], {}, "no command 'nonsense'"],
		[['demo', '--rest'], {}, 'demo takes --reset'],
		[['start', 'now'], {}, 'start takes no arguments'],
		[['start'], { VANE_PORT: 'http' }, 'wrong setting: VANE_PORT: must be a number'],
		[['start'], { VANE_PORT: '99999' }, 'wrong setting: VANE_PORT'],
		[['start'], { VANE_PORT: '4190' }, 'is a port that browsers refuse'],
		[['start'], { VANE_FIRST_LEAD_NAME: 'Ann' }, 'wrong setting'],
		[['start'], { ...first, VANE_FIRST_LEAD_PIN: '12' }, 'must be a PIN of 4 to 12 digits'],
		[['start'], {}, 'needs VANE_FIRST_LEAD_NAME'],
		[['backup'], {}, 'backup takes one FILE'],
		[['restore', '/no/such/file'], {}, 'there is no file'],
		[['test', 'luck'], {}, "no step 'luck'"]
	])('%j %j', (args, env, words) => {
		const { status, stderr } = vane(args, { env });
		expect(status).not.toBe(0);
		expect(stderr).toContain(words);
		expect(stderr).not.toMatch(/\n\s+at /);
	});

	it('help names every command', () => {
		expect(vane(['help']).stdout).toMatch(/demo[\s\S]*start[\s\S]*test[\s\S]*backup[\s\S]*restore/);
	});
});

describe('compute', () => {
	it('reads JSON and writes JSON', () => {
		const example = vane(['compute', '--example', 'convert']).stdout;
		expect(JSON.parse(vane(['compute', 'convert'], { input: example }).stdout)).toMatchObject({
			unit: 'N·m',
			value: expect.closeTo(101.686346, 5)
		});
		const listed = vane(['compute', '--list']).stdout;
		for (const { name } of computations) expect(listed).toContain(`${name} `);
	});

	it('every computation answers from the shell as in the core', { timeout: 120_000 }, async () => {
		const ask = async (name: string, example: object) => {
			const child = spawn('./vane', ['compute', name], { env: environment() });
			running.add(child);
			let answer = '';
			child.stdout.on('data', (chunk) => (answer += chunk));
			child.stdin.end(JSON.stringify(example));
			const status = await ending(child);
			running.delete(child);
			return { status, answer };
		};
		const waiting = [...computations];
		const worker = async () => {
			for (let next = waiting.pop(); next; next = waiting.pop()) {
				const { status, answer } = await ask(next.name, next.example);
				expect(status, next.name).toBe(0);
				// As JSON: it knows no minus zero.
				const expected = JSON.parse(JSON.stringify(compute(next, next.example))) as object;
				expect({ ok: true, value: JSON.parse(answer) }, next.name).toEqual(expected);
			}
		};
		await Promise.all([worker(), worker(), worker()]);
	});

	it('answers bad input with a line a fault and exit code 2', () => {
		const { status, stdout, stderr } = vane(['compute', 'bush-set'], {
			input: '{"armLengthMm":"long"}'
		});
		expect([status, stdout]).toEqual([2, '']);
		expect(stderr).toContain('armLengthMm: must be a number (given "long")\n');
		expect(vane(['compute', 'convert'], { input: '{' })).toMatchObject({
			status: 2,
			stderr: expect.stringContaining('is not JSON')
		});
		expect(vane(['compute', 'luck'])).toMatchObject({ status: 2 });
	});
});

describe('a shop of one’s own', () => {
	const file = join(folder, 'backup.sql');

	it('makes its first lead, who can sign in; Ctrl-C ends everything', async () => {
		const { child, output } = await serve(['start'], first);
		expect(output).toContain("sign in as 'rla'");
		expect((await signIn('rla', '90210')).status).toBe(201);
		const database = runningDatabase(join(folder, 'shop'))!;
		expect(await interrupt(child)).toBe(0);
		await expect.poll(() => isRunning(database.pid, 'mariadbd')).toBe(false);
		await expect(signIn('rla', '90210')).rejects.toThrow();
	});

	it('starts again without asking, is backed up while it runs, and says so when started twice', async () => {
		const { child } = await serve(['start']);
		expect(vane(['backup', file]).stdout).toContain('backed up');
		expect(vane(['backup', file])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('exists; choose another name')
		});
		expect(vane(['start'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('already running at')
		});
		expect(vane(['restore', file, '--replace'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('is running')
		});
		expect((await signIn('rla', '90210')).status).toBe(201);
		await interrupt(child);
	});

	it('restores into an empty instance, and into a full one only with --replace', async () => {
		expect(vane(['restore', file])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('holds data already')
		});
		expect(vane(['restore', file, '--replace'])).toMatchObject({ status: 0 });
		const broken = join(folder, 'broken.sql');
		writeFileSync(broken, readFileSync(file, 'utf8').slice(0, 900));
		expect(vane(['restore', broken, '--replace'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('not a whole backup')
		});
		rmSync(join(folder, 'shop'), { recursive: true });
		expect(vane(['restore', file])).toMatchObject({ status: 0 });
		const { child } = await serve(['start']);
		expect((await signIn('rla', '90210')).status).toBe(201);
		await interrupt(child);
	});

	it('comes back after the launcher was killed, with what was left running taken over', async () => {
		const { child } = await serve(['start']);
		const ended = ending(child);
		child.kill('SIGKILL');
		await ended;
		const again = await serve(['start']);
		expect((await signIn('rla', '90210')).status).toBe(201);
		await interrupt(again.child);
	});

	it('says that the application ended when it is killed, stops the database, and starts again', async () => {
		const { child } = await serve(['start']);
		let said = '';
		child.stderr!.on('data', (chunk) => (said += chunk));
		const { application } = JSON.parse(readFileSync(join(folder, 'shop/running.json'), 'utf8')) as {
			application: number;
		};
		const ended = ending(child);
		process.kill(application, 'SIGKILL');
		expect(await ended).toBe(1);
		expect(said).toContain('the application ended by SIGKILL');
		expect(runningDatabase(join(folder, 'shop'))).toBeUndefined();
		await interrupt((await serve(['start'])).child);
	});

	it('a busy port is said before anything is served', async () => {
		const other = createServer().listen(port, '127.0.0.1');
		await new Promise((done) => other.once('listening', done));
		const { status, stderr } = await new Promise<{ status: number | null; stderr: string }>(
			(done) => {
				const child = spawn('./vane', ['start'], { env: environment() });
				let stderr = '';
				child.stderr.on('data', (chunk) => (stderr += chunk));
				child.once('exit', (status) => done({ status, stderr }));
			}
		);
		other.close();
		expect([status, stderr]).toEqual([
			1,
			expect.stringContaining(`port ${port} is in use by another program`)
		]);
		expect(runningDatabase(join(folder, 'shop'))).toBeUndefined();
	});
});

describe('verify', () => {
	it('goes along every record of the demo shop, and names the row that was edited in the database', async () => {
		const { child } = await serve(['demo']);
		const all = vane(['verify', '--demo']);
		expect([all.status, all.stderr]).toEqual([0, '']);
		const lines = all.stdout.trim().split('\n');
		expect(lines).toHaveLength(20);
		for (const line of lines) expect(line).toMatch(/^2026-\d{4} {2}(holds, \d+ entries|nothing)/);

		const edit = `UPDATE torques t JOIN jobs j ON j.id = t.job_id SET t.torque_nm = 250
		               WHERE j.number = '2026-0187' AND t.seq = 3;`;
		expect(vane(['db', '--demo'], { input: edit })).toMatchObject({ status: 0 });
		const found = vane(['verify', '--demo', '2026-0187']);
		expect(found.status).toBe(1);
		expect(found.stdout).toMatch(
			/^2026-0187 {2}BROKEN at \d+: the torque of .* is not as it was written/
		);
		expect(vane(['verify', '--demo', '2026-0214']).status).toBe(0);
		expect(vane(['verify', '--demo', '2026-9999'])).toMatchObject({
			status: 1,
			stdout: '2026-9999  is not a job here\n'
		});
		expect(vane(['verify', 'everything'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('is no job number')
		});
		await interrupt(child);
	});
});
