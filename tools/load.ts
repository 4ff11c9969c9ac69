/**
 * `node --import tsx tools/load.ts [SECONDS]`: eight wrenches at five traces a second, 500 points each,
 * against a throwaway instance; every acknowledged reading must be stored once. Prints what it measured.
 */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { loadDemo } from '../demo/load.ts';
import { pull, soundJoint } from '../devices/joint-model.ts';
import { LineClient } from '../devices/line-client.ts';
import { quantile } from 'd3';
import type { JobRecord } from '../src/core/job/record.ts';
import { migrate } from '../src/lib/server/db/migrate.ts';
import { openDatabase } from '../src/lib/server/db/pool.ts';
import type { Proof } from '../src/core/job/model.ts';
import { startApplication } from './application.ts';
import { buildIfChanged } from './build.ts';
import { freePort, startDatabase } from './database.ts';
import { keyFolder } from './settings.ts';
import { root } from './system.js';

const seconds = Number(process.argv[2] ?? 60);
const wrenches = 8;
const perSecond = 5;
const points = 500;
/** Two wrenches work on each car. */
const jobNumbers = ['2026-0262', '2026-0263', '2026-0265', '2026-0267'];

buildIfChanged();
const folder = mkdtempSync(join(tmpdir(), 'vane-load-'));
chmodSync(folder, 0o755);
const server = await startDatabase(folder);
await migrate(server.address, join(root, 'db/migrations'));
const db = openDatabase(server.address);
const [port, devicePort] = [await freePort(), await freePort()];
const origin = `http://127.0.0.1:${port}`;
await loadDemo(db, { folder: keyFolder(folder), origin });
const application = await startApplication(server.address, {
	folder,
	host: '127.0.0.1',
	port,
	origin,
	deviceHost: '127.0.0.1',
	devicePort
});

const signIn = await fetch(`${origin}/api/v1/session`, {
	method: 'POST',
	headers: { 'content-type': 'application/json', origin },
	body: JSON.stringify({ handle: 'mara', secret: '471926' })
});
const cookie = signIn.headers.get('set-cookie')!.split(';')[0]!;
async function api<T>(method: string, path: string, body?: unknown): Promise<T> {
	const answer = await fetch(`${origin}/api/v1${path}`, {
		method,
		headers: { cookie, origin, 'content-type': 'application/json' },
		...(body === undefined ? {} : { body: JSON.stringify(body) })
	});
	if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
	return (await answer.json()) as T;
}

/** When each reading was reported, acknowledged, and told to the second screen, by its id. */
const reported = new Map<string, number>();
const acknowledged = new Map<string, number>();
const told = new Map<string, number>();

/** The second screen: the stream of events a page listens to. */
async function follow(jobId: string): Promise<() => void> {
	const ended = new AbortController();
	const answer = await fetch(`${origin}/api/v1/jobs/${jobId}/events`, {
		headers: { cookie },
		signal: ended.signal
	});
	void (async () => {
		let rest = '';
		const decoder = new TextDecoder();
		try {
			for await (const chunk of answer.body!) {
				rest += decoder.decode(chunk as Uint8Array, { stream: true });
				const lines = rest.split('\n');
				rest = lines.pop()!;
				for (const line of lines) {
					const id = /^data: (\S+)/.exec(line)?.[1];
					if (id) told.set(id, performance.now());
				}
			}
		} catch {
			// Ended at the end of the measurement.
		}
	})();
	return () => ended.abort();
}

interface Bench {
	client: LineClient;
	deviceId: string;
	task: { jobId: string; jointId: string };
	sent: number;
	late: number;
}

const jobs = await Promise.all(
	jobNumbers.map(async (number) => {
		const found = await api<{ jobs: { id: string }[] }>('GET', `/jobs?search=${number}`);
		return api<JobRecord>('GET', `/jobs/${found.jobs[0]!.id}`);
	})
);
const unfollow = await Promise.all(jobs.map(({ id }) => follow(id)));
const benches: Bench[] = [];
for (let i = 0; i < wrenches; i++) {
	const job = jobs[i % jobs.length]!;
	const rigid = job.joints.filter(({ kind, torqueNm }) => kind === 'rigid' && torqueNm !== null);
	const joint = rigid[Math.floor(i / jobs.length)]!;
	const deviceId = uuidv7();
	const { token } = await api<{ token: string }>('POST', '/devices', {
		id: deviceId,
		name: `Load ${i + 1}`,
		kind: 'wrench'
	});
	const client = new LineClient({ host: '127.0.0.1', port: devicePort, token });
	benches.push({
		client,
		deviceId,
		task: { jobId: job.id, jointId: joint.id },
		sent: 0,
		late: 0
	});
}
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));
for (const { client } of benches) while (!client.connected) await pause(20);

/** One pull: asked for as a person would, reported, and waited for. */
async function onePull(bench: Bench, seed: number): Promise<void> {
	const { client, deviceId, task } = bench;
	const asked = await api<{ task: { id: string } }>('PUT', `/devices/${deviceId}/task`, {
		...task,
		kind: 'torque',
		action: 0,
		carState: 'hanging'
	});
	while (client.task?.id !== asked.task.id) await pause(1);
	const trace = pull(soundJoint(client.task.targetNm ?? 100), 'good', seed, {
		stepDeg: 200 / points
	});
	const id = uuidv7();
	reported.set(id, performance.now());
	const seq = client.report({
		id,
		kind: 'torque',
		torqueNm: Math.max(...trace.torqueNm),
		trace: { angleDeg: trace.angleDeg, torqueNm: trace.torqueNm }
	});
	bench.sent++;
	while (client.holds(seq)) await pause(1);
	acknowledged.set(id, performance.now());
}

console.log(
	`${wrenches} wrenches, ${perSecond} traces a second each, ${points} points, ${seconds} s …`
);
const started = performance.now();
await Promise.all(
	benches.map(async (bench, i) => {
		for (let n = 0; n < seconds * perSecond; n++) {
			const due = started + ((n + i / wrenches) * 1000) / perSecond;
			const wait = due - performance.now();
			if (wait > 0) await pause(wait);
			else if (wait < -1000 / perSecond) bench.late++;
			await onePull(bench, n * wrenches + i);
		}
	})
);
const took = (performance.now() - started) / 1000;
await pause(500);
for (const end of unfollow) end();

const rows = await db.rows<{ id: string; n: number }>(
	'SELECT id, COUNT(*) AS n FROM device_readings GROUP BY id'
);
const stored = new Map(rows.map(({ id, n }) => [id, Number(n)]));
const torques = await db.rows<{ id: string; n: number }>(
	'SELECT device_reading_id AS id, COUNT(*) AS n FROM torques WHERE device_reading_id IS NOT NULL GROUP BY device_reading_id'
);
const placed = new Map(torques.map(({ id, n }) => [id, Number(n)]));
const lost = [...acknowledged.keys()].filter((id) => stored.get(id) !== 1);
const twice = [...placed.values()].filter((n) => n !== 1).length;
const ms = (from: Map<string, number>, to: Map<string, number>) =>
	[...to].flatMap(([id, at]) => (from.has(id) ? [at - from.get(id)!] : [])).sort((a, b) => a - b);
const line = (name: string, list: number[]) =>
	console.log(
		`${name.padEnd(34)} median ${quantile(list, 0.5)!.toFixed(1)} ms, 95 % ${quantile(list, 0.95)!.toFixed(1)} ms, most ${list.at(-1)!.toFixed(1)} ms (${list.length})`
	);
console.log(
	`sent ${reported.size} in ${took.toFixed(1)} s (${(reported.size / took).toFixed(1)}/s), more than one interval late ${benches.reduce((sum, { late }) => sum + late, 0)}`
);
console.log(
	`acknowledged ${acknowledged.size}, stored once ${acknowledged.size - lost.length}, lost ${lost.length}, placed ${placed.size}, placed twice ${twice}`
);
line('report to acknowledgement', ms(reported, acknowledged));
line('report to the second screen', ms(reported, told));
for (const { id, number } of jobs) {
	const proof = await api<Proof>('GET', `/jobs/${id}/proof`);
	console.log(`${number}: chain ${proof.holds ? 'holds' : 'BROKEN'}, ${proof.entries} entries`);
	if (!proof.holds) process.exitCode = 1;
}
if (lost.length || twice || acknowledged.size !== reported.size) process.exitCode = 1;

for (const { client } of benches) client.end();
await db.close();
await application.stop();
await server.stop();
rmSync(folder, { recursive: true, force: true });
