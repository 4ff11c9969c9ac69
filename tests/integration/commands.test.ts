/** The shell's commands on a data folder of their own: in this process, but for three that are really spawned. */
import { createHash } from 'node:crypto';
import {
	chmodSync,
	existsSync,
	mkdtempSync,
	readFileSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import { spawnSync } from 'node:child_process';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { compute, computations } from '../../src/core/compute.ts';
import { buildIfChanged } from '../../tools/build.ts';
import { answerTo } from '../../tools/commands/compute.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { freePort, runningDatabase } from '../../tools/database.ts';
import { isRunning } from '../../tools/process.ts';
import { Shell } from './shell.ts';
import { until } from './until.ts';

const folder = mkdtempSync(join(tmpdir(), 'vane-commands-'));
chmodSync(folder, 0o755);
let port = 0;
let devicePort = 0;
let shell: Shell;

const environment = (more: Record<string, string> = {}) => ({
	...process.env,
	NODE_OPTIONS: '',
	VANE_DATA_DIR: folder,
	VANE_PORT: String(port),
	VANE_DEVICE_PORT: String(devicePort),
	...more
});

/** A command in this process: what it says, and the code it would end with. */
async function vane(
	[name, ...args]: string[],
	env: Record<string, string> = {}
): Promise<{ status: number; stdout: string; stderr: string }> {
	const said = { stdout: '', stderr: '' };
	const log = vi.spyOn(console, 'log').mockImplementation((line) => (said.stdout += `${line}\n`));
	const error = vi
		.spyOn(console, 'error')
		.mockImplementation((line) => (said.stderr += `${line}\n`));
	for (const [key, value] of Object.entries({ ...environment(), ...env })) vi.stubEnv(key, value);
	const { exitCode } = process;
	process.exitCode = 0;
	try {
		const { run } = (await import(`../../tools/commands/${name}.ts`)) as {
			run: (args: string[]) => Promise<void> | void;
		};
		await run(args);
	} catch (cause) {
		const { message, forPeople } = cause as Error & { forPeople?: true };
		// A fault that is not written for people would print its stack.
		if (!forPeople) throw cause;
		said.stderr += `vane: ${message}\n`;
		process.exitCode = 1;
	} finally {
		log.mockRestore();
		error.mockRestore();
		vi.unstubAllEnvs();
	}
	const status = Number(process.exitCode);
	process.exitCode = exitCode;
	return { status, ...said };
}

/** A serving command in this process, from its greeting until it is told to stop. */
async function serveHere(args: string[], env: Record<string, string> = {}) {
	const before = process.listenerCount('SIGINT');
	const ended = vane(args, env);
	let over = false;
	const end = () => (over = true);
	void ended.then(end, end);
	// It listens for Ctrl-C once it serves.
	await until(() => process.listenerCount('SIGINT') > before || over, 'serving');
	return {
		ended,
		async stop() {
			process.emit('SIGINT');
			return ended;
		}
	};
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
	[port, devicePort] = [await freePort(), await freePort()];
	shell = new Shell(folder, {
		VANE_PORT: String(port),
		VANE_DEVICE_PORT: String(devicePort)
	});
}, 120_000);

afterAll(async () => {
	await shell.end();
	rmSync(folder, { recursive: true, force: true });
});

describe('wrong use is one clear line', () => {
	it.each([
		[['demo', '--rest'], {}, 'demo takes --reset'],
		[['start', 'now'], {}, 'start takes --lan [ADDRESS]'],
		[['start'], { VANE_PORT: 'http' }, 'wrong setting: VANE_PORT: must be a number'],
		[['start'], { VANE_PORT: '99999' }, 'wrong setting: VANE_PORT'],
		[['start'], { VANE_PORT: '4190' }, 'is a port that browsers refuse'],
		[['start'], { VANE_FIRST_LEAD_NAME: 'Ann' }, 'wrong setting'],
		[['start'], { ...first, VANE_FIRST_LEAD_PIN: '12' }, 'must be a PIN of 4 to 12 digits'],
		[['start'], {}, 'needs VANE_FIRST_LEAD_NAME'],
		[['backup'], {}, 'backup takes one FILE'],
		[['restore', '/no/such/file'], {}, 'there is no file'],
		[['test', 'luck'], {}, "no step 'luck'"]
	])('%j %j', async (args, env, words) => {
		const { status, stderr } = await vane(args, env);
		expect(status).not.toBe(0);
		expect(stderr).toContain(words);
	});
});

describe('compute', () => {
	const answer = (args: string[], input: object | string = '') => {
		const text = typeof input === 'string' ? input : JSON.stringify(input);
		return answerTo(args, () => Buffer.from(text));
	};
	const lines = (args: string[], input?: object) => {
		const found = answer(args, input);
		return 'lines' in found ? found.lines : [];
	};

	it('lists and shows every computation', () => {
		const listed = lines(['--list']).join('\n');
		for (const { name, example } of computations) {
			expect(listed).toContain(`${name} `);
			expect(JSON.parse(lines(['--example', name])[0]!)).toEqual(
				JSON.parse(JSON.stringify(example))
			);
		}
	});

	it.each(computations.map((one) => [one.name, one] as const))(
		'%s answers from the shell as in the core',
		(name, one) => {
			// As JSON: it knows no minus zero.
			const expected = JSON.parse(JSON.stringify(compute(one, one.example))) as object;
			expect({ ok: true, value: JSON.parse(lines([name], one.example)[0]!) }).toEqual(expected);
		}
	);

	it('answers bad input with a line a fault', () => {
		expect(answer(['bush-set'], '{"armLengthMm":"long"}')).toMatchObject({
			faults: expect.arrayContaining(['armLengthMm: must be a number (given "long")'])
		});
		expect(answer(['convert'], '{')).toMatchObject({
			faults: [expect.stringContaining('is not JSON')]
		});
		expect(answer(['luck'])).toMatchObject({ faults: [expect.stringContaining('luck')] });
	});

	it('is really spawned: a pipe in, lines out, code 2 and no stack for what is wrong', async () => {
		const { stdout: out, stderr: err } = spawnSync(
			'sh',
			[
				'-c',
				`./vane help && ./vane compute --example convert | ./vane compute convert
				 ./vane nonsense; echo "code $?"; echo '{"armLengthMm":"long"}' | ./vane compute bush-set; echo "code $?"`
			],
			{ env: environment(), encoding: 'utf8' }
		);
		expect(out).toMatch(/demo[\s\S]*start[\s\S]*test[\s\S]*backup[\s\S]*restore/);
		expect(out).toMatch(/"value": 84\.060712/);
		expect(out.match(/code \d/g)).toEqual(['code 2', 'code 2']);
		expect(err).toContain("no command 'nonsense'");
		expect(err).toContain('armLengthMm: must be a number (given "long")\n');
		expect(err).not.toMatch(/\n\s+at /);
	});
});

describe('a shop of one’s own', () => {
	const file = join(folder, 'backup.sql');
	const database = () => runningDatabase(join(folder, 'shop'));

	it('is really spawned: makes its first lead, is backed up while it runs, says so when started twice', async () => {
		await shell.serve(['start'], first);
		expect(shell.output).toContain("sign in as 'rla'");
		expect((await signIn('rla', '90210')).status).toBe(201);
		expect((await vane(['backup', file])).stdout).toContain('backed up');
		expect(await vane(['backup', file])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('exists; choose another name')
		});
		expect(await vane(['start'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('already running at')
		});
		expect(await vane(['restore', file, '--replace'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('is running')
		});
		const { pid } = database()!;
		expect(await shell.end()).toBe(0);
		await expect.poll(() => isRunning(pid, 'mariadbd')).toBe(false);
		await expect(signIn('rla', '90210')).rejects.toThrow();
	});

	it('restores into an empty instance, and into a full one only with --replace', async () => {
		expect(await vane(['restore', file])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('holds data already')
		});
		expect(await vane(['restore', file, '--replace'])).toMatchObject({ status: 0 });
		rmSync(join(folder, 'shop'), { recursive: true });
		expect(await vane(['restore', file])).toMatchObject({ status: 0 });
		const served = await serveHere(['start']);
		expect((await signIn('rla', '90210')).status).toBe(201);
		expect(await served.stop()).toMatchObject({
			status: 0,
			stdout: expect.stringContaining('Ctrl-C')
		});
	});

	it('a backup that is damaged, or says more than a backup says, changes nothing and tells nothing of what is in it', async () => {
		const whole = readFileSync(file, 'utf8');
		const lines = whole.trimEnd().split('\n');
		const body = lines.slice(0, -1);
		const person = body.findIndex((line) => line.startsWith('INSERT INTO `people`'));
		const other = join(folder, 'other.sql');
		const ran = join(folder, 'was-run');
		/** As somebody would write it who knows how the last line is made. */
		const sealed = (changed: string[]) => {
			const text = changed.join('\n') + '\n';
			const rows = (JSON.parse(lines.at(-1)!.split('backup: ')[1]!) as { rows: object }).rows;
			const sha256 = createHash('sha256').update(text).digest('hex');
			return `${text}-- Vane Set backup: ${JSON.stringify({ sha256, rows })}\n`;
		};
		const withLine = (line: string) => sealed(body.toSpliced(person, 0, line));
		const cases: [text: string, words: string][] = [
			[whole.slice(0, 900), 'its last line is missing'],
			[whole.replace('Holm', 'Halm'), 'it was changed'],
			[
				body.toSpliced(person, 1).concat(lines.at(-1)!).join('\n'),
				'people it has 0 rows and says 1'
			],
			[withLine(`\\! touch ${ran}`), 'nothing that a backup says'],
			[withLine(`system touch ${ran}`), 'nothing that a backup says'],
			[withLine('DROP DATABASE vane;'), 'nothing that a backup says'],
			[
				withLine("INSERT INTO `people` VALUES (1); DROP DATABASE vane; -- ');"),
				'is not a whole backup'
			],
			[sealed(body.with(person, body[person]!.replace('Holm', "Ho'lm"))), 'cannot be restored']
		];
		for (const [text, words] of cases) {
			writeFileSync(other, text);
			const said = await vane(['restore', other, '--replace']);
			expect(said, words).toMatchObject({ status: 1, stderr: expect.stringContaining(words) });
			expect(said.stderr).toContain('Nothing was changed');
			expect(said.stderr + said.stdout).not.toMatch(/H[oa].?lm|argon2/);
		}
		expect(existsSync(ran)).toBe(false);
		expect(await vane(['backup', '--check', file])).toMatchObject({
			status: 0,
			stdout: expect.stringContaining('1 people')
		});
		const served = await serveHere(['start']);
		expect((await signIn('rla', '90210')).status).toBe(201);
		await served.stop();
	});

	it('logs are read by nobody else', () => {
		const mode = (path: string) => statSync(join(folder, 'shop', path)).mode & 0o777;
		expect(mode('logs')).toBe(0o700);
		for (const log of ['logs/application.log', 'logs/mariadb.log']) expect(mode(log)).toBe(0o600);
		expect(mode('.') & 0o066).toBe(0);
	});

	it('is really spawned: comes back after the launcher was killed, with what was left running taken over', async () => {
		await shell.serve(['start']);
		await shell.end('SIGKILL');
		const again = await serveHere(['start']);
		expect((await signIn('rla', '90210')).status).toBe(201);
		await again.stop();
	});

	it('application and database come back by themselves when they are killed, and say so', async () => {
		const { ended, stop } = await serveHere(['start']);
		const running = () =>
			JSON.parse(readFileSync(join(folder, 'shop/running.json'), 'utf8')) as {
				application: number;
			};
		const { application } = running();
		process.kill(application, 'SIGKILL');
		await until(() => running().application !== application, 'another application');
		expect((await signIn('rla', '90210')).status).toBe(201);

		const before = database()!;
		process.kill(before.pid, 'SIGKILL');
		await until(() => !isRunning(before.pid, 'mariadbd'), 'the end of the database');
		const ready = () => fetch(`http://127.0.0.1:${port}/api/v1/ready`).then(({ status }) => status);
		const told: number[] = [await ready()];
		await until(async () => told.push(await ready()) && told.at(-1) === 200, 'ready again');
		expect(told[0]).toBe(503);
		expect(new Set(told)).toEqual(new Set([503, 200]));
		expect(database()).toMatchObject({ port: before.port, password: before.password });
		expect((await signIn('rla', '90210')).status).toBe(201);
		await stop();
		const { status, stderr } = await ended;
		expect(status).toBe(0);
		expect(stderr).toContain('the application ended by SIGKILL; it is started again.');
		expect(stderr).toContain('the database ended by SIGKILL; it is started again.');
		expect(database()).toBeUndefined();
	});

	it('a busy port is said before anything is served', async () => {
		const other = createServer().listen(port, '127.0.0.1');
		await new Promise((done) => other.once('listening', done));
		const refused = await vane(['start']);
		other.close();
		expect(refused).toMatchObject({
			status: 1,
			stderr: expect.stringContaining(`port ${port} is in use by another program`)
		});
		expect(database()).toBeUndefined();
	});
});

describe('verify', () => {
	it('goes along every record of the demo shop, and names the row that was edited in the database', async () => {
		const served = await serveHere(['demo']);
		const all = await vane(['verify', '--demo']);
		expect([all.status, all.stderr]).toEqual([0, '']);
		const lines = all.stdout.trim().split('\n');
		expect(lines).toHaveLength(20);
		for (const line of lines) expect(line).toMatch(/^2026-\d{4} {2}(holds, \d+ entries|nothing)/);

		const db = openDatabase(runningDatabase(join(folder, 'demo'))!);
		await db.run(
			`UPDATE entries e JOIN jobs j ON j.id = e.job_id SET e.data = JSON_SET(e.data, '$.torqueNm', 250)
			  WHERE j.number = '2026-0187' AND e.kind = 'torque' ORDER BY e.seq LIMIT 1`
		);
		await db.close();
		const found = await vane(['verify', '--demo', '2026-0187']);
		expect(found.status).toBe(1);
		expect(found.stdout).toMatch(
			/^2026-0187 {2}BROKEN at \d+: the torque of .* is not as it was written/
		);
		expect((await vane(['verify', '--demo', '2026-0214'])).status).toBe(0);
		expect(await vane(['verify', '--demo', '2026-9999'])).toMatchObject({
			status: 1,
			stdout: '2026-9999  is not a job here\n'
		});
		expect(await vane(['verify', 'everything'])).toMatchObject({
			status: 1,
			stderr: expect.stringContaining('is no job number')
		});
		await served.stop();
	});
});
