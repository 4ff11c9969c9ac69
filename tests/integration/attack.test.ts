/** What is sent to stop the server, or to get at what is not the sender's. */
import { connect } from 'node:net';
import { describe, expect, it } from 'vitest';
import { computations } from '../../src/core/compute.ts';
import { useServer } from './server.ts';

const server = useServer('attack');

/** As much of half a second as a busy machine may take of it: what is cured took from one to twelve seconds. */
const soonMs = 500;

const unknownKeys = (bytes: number) => {
	const one = (i: number) => `"key${i}":1`;
	const parts: string[] = [];
	for (let size = 0, i = 0; size < bytes; i++) size += parts.push(one(i)) && one(i).length + 1;
	return `{${parts.join(',')}}`;
};

const computation = (name: string, change: object) => ({
	...computations.find((one) => one.name === name)!.example,
	...change
});

describe('long work', () => {
	/** About what is the most that is taken at once. */
	const sweep = (samples: number) => ({
		computation: 'corner-sweep',
		input: computation('corner-sweep', { bumpMm: Array.from({ length: 40 }, (_, i) => i) }),
		uncertainty: { staticCamberDeg: 0.1 },
		results: ['rows.0.camberDeg'],
		samples
	});

	it('leaves the server free to answer, and a second person their turn', async () => {
		const [lead, technician] = [await server.signIn('lead'), await server.signIn('tech')];
		const { worst, result } = await server.worstHealthDuring(async () => {
			const long = [1, 2, 3].map(() =>
				server.ask('POST', '/compute/monte-carlo', sweep(10_000), lead)
			);
			const short = server.ask(
				'POST',
				'/compute/castle-nut',
				computation('castle-nut', {}),
				technician
			);
			const first = await Promise.race([
				short.then(() => 'short'),
				...long.map((one) => one.then(() => 'long'))
			]);
			return { first, statuses: (await Promise.all(long)).map(({ status }) => status) };
		});
		expect(result).toEqual({ first: 'short', statuses: [200, 200, 200] });
		expect(worst).toBeLessThan(soonMs);
	});

	it('whose asker has left is stopped: the next of the same person is answered', async () => {
		const lead = await server.signIn('lead');
		const leave = new AbortController();
		const left = fetch(server.url('/compute/monte-carlo'), {
			method: 'POST',
			headers: { 'content-type': 'application/json', ...lead },
			body: JSON.stringify(sweep(10_000)),
			signal: leave.signal
		}).catch(() => 'left');
		setTimeout(() => leave.abort(), 100);
		expect(await left).toBe('left');
		const short = computation('castle-nut', {});
		expect((await server.ask('POST', '/compute/castle-nut', short, lead)).status).toBe(200);
	});
});

describe('refusals are cheap', () => {
	it('megabytes of unknown keys, from a stranger', async () => {
		const { worst, result } = await server.worstHealthDuring(() =>
			server.ask('POST', '/session', unknownKeys(7.7e6))
		);
		expect(result).toMatchObject({ status: 413, body: { title: expect.stringContaining('2 KB') } });
		expect(worst).toBeLessThan(soonMs);
	});

	it('and where megabytes are taken', async () => {
		for (const body of [unknownKeys(7.7e6), '['.repeat(7.7e6), `{"job":${'{"a":'.repeat(1e6)}`]) {
			const { worst, result } = await server.worstHealthDuring(() =>
				server.ask('POST', '/verify', body)
			);
			expect(result.status).toBe(400);
			expect(worst).toBeLessThan(soonMs);
		}
	});

	it('many wrong values: one is named, not thousands', async () => {
		const lead = await server.signIn('lead');
		const entries = Array.from({ length: 150_000 }, () => ({ wrong: 1 }));
		const { worst, result } = await server.worstHealthDuring(() =>
			server.ask('POST', '/import', { format: 'vane-set/job', formatVersion: 2, entries }, lead)
		);
		expect(result.status).toBe(422);
		expect(result.body.faults!.length).toBeLessThan(3);
		expect(worst).toBeLessThan(soonMs);
	});

	it('half a megabyte at the device port, from a stranger', async () => {
		const { worst, result } = await server.worstHealthDuring(
			() =>
				new Promise<string>((done) => {
					let said = '';
					const socket = connect(server.settings.devicePort, '127.0.0.1');
					socket.setEncoding('utf8').on('data', (text: string) => (said += text));
					socket.on('error', () => undefined).on('close', () => done(said));
					socket.write(`${unknownKeys(510_000)}\n`);
				})
		);
		expect(result).toContain('a line is at most 1024 bytes');
		expect(worst).toBeLessThan(soonMs);
	});
});
