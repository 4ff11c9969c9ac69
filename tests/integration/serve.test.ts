/** The server's bounds, and how it says what it says, tried on the built application. */
import { connect } from 'node:net';
import { expect, it, vi } from 'vitest';
import { until } from './until.ts';
import { soonMs, useServer } from './server.ts';

vi.stubEnv('VANE_REQUEST_SECONDS', '1');
const server = useServer('serve');

/** Says this and no more. @returns what came back once the server has ended it */
function halfSaid(text: string): Promise<string> {
	return new Promise((done, failed) => {
		let heard = '';
		const socket = connect(server.settings.port, '127.0.0.1', () => socket.write(text));
		socket.on('data', (data) => (heard += data.toString()));
		socket.on('close', () => done(heard));
		socket.on('error', failed);
	});
}

it('ends requests that are never said to their end, and answers others meanwhile', async () => {
	const beginnings = [
		'',
		'GET / HTTP/1.1\r\nHost: x\r\nX-Slow: ',
		'POST /api/v1/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 80\r\n\r\n{"handle"'
	];
	const { worst, result } = await server.worstHealthDuring(() =>
		Promise.all(Array.from({ length: 90 }, (_, i) => halfSaid(beginnings[i % 3]!)))
	);
	expect(result.filter((heard) => heard.startsWith('HTTP/1.1 408'))).toHaveLength(90);
	expect(worst).toBeLessThan(soonMs);
	expect((await server.ask('GET', '/health')).status).toBe(200);
});

it('compresses what it says, but never holds up a stream of events', async () => {
	const lead = await server.signIn('lead');
	for (const path of ['/', '/shop', '/api/v1/openapi.json']) {
		const answer = await fetch(`${server.settings.origin}${path}`, {
			headers: { ...lead, 'accept-encoding': 'gzip' },
			redirect: 'manual'
		});
		expect(answer.status, path).toBe(200);
		expect(answer.headers.get('content-encoding'), path).toBe('gzip');
		expect((await answer.text()).length, path).toBeGreaterThan(1_000);
	}
	const job = await server.shop.job();
	const stream = await fetch(server.url(`/jobs/${job}/events`), { headers: lead });
	expect(stream.headers.get('content-encoding')).toBeNull();
	const reader = stream.body!.getReader();
	expect(new TextDecoder().decode((await reader.read()).value)).toContain('retry');
	await server.ask('DELETE', '/session?everywhere=1', undefined, lead);
	let over = false;
	void reader.closed.then(() => (over = true));
	void reader.read();
	await until(() => over, 'the end of a stream of somebody who signed out everywhere');
});

it('says of every answer that it is what it says it is', async () => {
	const page = await (await fetch(`${server.settings.origin}/sign-in`)).text();
	const script = /\/_app\/immutable\/[\w./-]+\.js/.exec(page)![0];
	for (const path of ['/sign-in', script, '/icon.svg', '/api/v1/health', '/no-such-page']) {
		const { headers } = await fetch(`${server.settings.origin}${path}`, { redirect: 'manual' });
		expect(headers.get('x-content-type-options'), path).toBe('nosniff');
	}
});

it('takes nobody’s word for their address', async () => {
	for (let i = 0; i < 40; i++) {
		const forged = { 'x-forwarded-for': `10.0.0.${i}`, 'x-vane-client': `10.0.1.${i}` };
		const wrong = { handle: `nobody${i}`, secret: '000000' };
		const { status } = await server.ask('POST', '/session', wrong, forged);
		if (status === 429) return;
	}
	expect.unreachable('forty wrong names from one address were all tried');
});
