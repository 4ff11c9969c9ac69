/** The built application as a process of its own, over a test shop: what is said of a server is tried on one. */
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { afterAll, beforeAll, inject } from 'vitest';
import { startApplication, type RunningApplication } from '../../tools/application.ts';
import { freePort } from '../../tools/database.ts';
import type { Settings } from '../../tools/settings.ts';
import { useShop, type TestShop } from './shop.ts';

/** What is cured took from one to twelve seconds. */
export const soonMs = 500;

export interface Answer {
	status: number;
	body: { title?: string; faults?: { field: string; message: string }[] } & Record<string, unknown>;
	headers: Headers;
}

export class TestServer {
	settings!: Settings;
	application!: RunningApplication;
	readonly #folder = mkdtempSync(join(tmpdir(), 'vane-server-'));

	constructor(
		readonly shop: TestShop,
		readonly name: string
	) {}

	async start(): Promise<void> {
		const [port, devicePort] = [await freePort(), await freePort()];
		this.settings = {
			folder: this.#folder,
			host: '127.0.0.1',
			port,
			devicePort,
			deviceHost: '127.0.0.1',
			origin: `http://127.0.0.1:${port}`
		};
		const address = { ...inject('database'), database: `vane_${this.name}` };
		this.application = await startApplication(address, this.settings);
	}

	async close(): Promise<void> {
		await this.application.stop();
		rmSync(this.#folder, { recursive: true, force: true });
	}

	url = (path: string) => `${this.settings.origin}/api/v1${path}`;

	/** What the server answers; what it does not answer in JSON is told by its status. */
	async ask(
		method: string,
		path: string,
		body?: object | string | Buffer,
		headers: Record<string, string> = {}
	): Promise<Answer> {
		const raw = typeof body === 'string' || Buffer.isBuffer(body);
		const answer = await fetch(this.url(path), {
			method,
			headers: { ...(body && { 'content-type': 'application/json' }), ...headers },
			body: raw ? (body as BodyInit) : body && JSON.stringify(body)
		});
		const text = await answer.text();
		const json = answer.headers.get('content-type')?.includes('json');
		return {
			status: answer.status,
			body: json ? (JSON.parse(text) as Answer['body']) : {},
			headers: answer.headers
		};
	}

	/** The cookie of somebody who is signed in. */
	async signIn(handle: string, secret = '123456'): Promise<Record<string, string>> {
		const { status, headers, body } = await this.ask('POST', '/session', { handle, secret });
		if (status !== 201) throw new Error(`${status} ${body.title}`);
		return { cookie: headers.get('set-cookie')!.split(';')[0]! };
	}

	/**
	 * How much longer than a server with nothing to do the health page took to answer at its worst, both asked all
	 * the while that `work` goes on; ms. A busy machine holds up both, work only its own server.
	 */
	async worstHealthDuring<T>(work: () => Promise<T>): Promise<{ worst: number; result: T }> {
		// By threads of their own: what the test itself is busy with does not count.
		const idle = new Worker(idling, { eval: true });
		const [port] = (await once(idle, 'message')) as [number];
		const probes = [this.url('/health'), `http://127.0.0.1:${port}/`].map(
			(url) => new Worker(probing, { eval: true, workerData: url })
		);
		await Promise.all(probes.map((probe) => once(probe, 'message')));
		const result = await work().finally(() => {
			for (const probe of probes) probe.postMessage('stop');
		});
		const said = await Promise.all(probes.map((probe) => once(probe, 'message')));
		const [here, there] = said.map(([worst]) => worst as number);
		await idle.terminate();
		return { worst: here! - there!, result };
	}
}

const idling = `
const { parentPort } = require('node:worker_threads');
const server = require('node:http').createServer((_, answer) => answer.end('{}'));
server.listen(0, '127.0.0.1', () => parentPort.postMessage(server.address().port));`;

const probing = `
const { parentPort, workerData } = require('node:worker_threads');
let going = true, worst = 0;
parentPort.once('message', () => (going = false));
(async () => {
	await (await fetch(workerData)).text();
	parentPort.postMessage('ready');
	while (going) {
		const asked = performance.now();
		await (await fetch(workerData)).text();
		worst = Math.max(worst, performance.now() - asked);
		await new Promise((done) => setTimeout(done, 10));
	}
	parentPort.postMessage(worst);
})();`;

/** A shop of one file of tests, and the application over it. */
export function useServer(name: string): TestServer {
	const server = new TestServer(useShop(name), name);
	beforeAll(() => server.start());
	afterAll(() => server.close());
	return server;
}
