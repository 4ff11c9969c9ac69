/** `./vane start --lan`: the application and the device line behind nginx, with the shop's own certificate. */
import { X509Certificate } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { get, request } from 'node:https';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { v7 as uuidv7 } from 'uuid';
import { LineClient } from '../../devices/line-client.ts';
import { tlsFor } from '../../tools/lan/authority.ts';
import { buildIfChanged } from '../../tools/build.ts';
import { freePort, runningDatabase } from '../../tools/database.ts';
import { Shell } from './shell.ts';
import { until } from './until.ts';

const folder = mkdtempSync(join(tmpdir(), 'vane-lan-'));
chmodSync(folder, 0o755);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** For pages, devices, and the page where a tablet comes to trust the shop. */
async function threeFreePorts(): Promise<number> {
	const isFree = (port: number) =>
		new Promise<boolean>((done) => {
			const server = createServer();
			server.once('error', () => done(false));
			server.listen(port, '127.0.0.1', () => server.close(() => done(true)));
		});
	for (;;) {
		const first = await freePort();
		if (first < 65_000 && (await isFree(first + 1)) && (await isFree(first + 2))) return first;
	}
}

describe('the shop’s authority', () => {
	const at = (name: string) => join(folder, name);

	it('is made once; its server’s certificate anew for another address, and in time', () => {
		const first = tlsFor(at('ca'), '192.168.7.5');
		const read = (path: string) => new X509Certificate(readFileSync(path));
		const server = read(first.certificate);
		expect(server.checkIP('192.168.7.5')).toBeDefined();
		expect(server.verify(read(first.authority).publicKey)).toBe(true);
		expect(statSync(first.key).mode & 0o777).toBe(0o600);
		expect(statSync(at('ca/authority.key')).mode & 0o777).toBe(0o600);

		tlsFor(at('ca'), '192.168.7.5');
		expect(read(first.certificate).serialNumber).toBe(server.serialNumber);
		const moved = tlsFor(at('ca'), 'shop.local');
		expect(moved.fingerprint).toBe(first.fingerprint);
		expect(read(moved.certificate).checkHost('shop.local')).toBe('shop.local');
		const inAYear = new Date(Date.now() + 360 * 24 * 3_600_000);
		const before = read(moved.certificate).serialNumber;
		tlsFor(at('ca'), 'shop.local', inAYear);
		expect(read(moved.certificate).serialNumber).not.toBe(before);
	});

	it('speaks for addresses of a shop’s network; for another one there is a new one', () => {
		const inside = tlsFor(at('other'), '10.1.2.3');
		const outside = tlsFor(at('other'), '198.51.100.7');
		expect(outside.fingerprint).not.toBe(inside.fingerprint);
		expect(tlsFor(at('other'), '198.51.100.7').fingerprint).toBe(outside.fingerprint);
	});
});

describe('a shop with tablets', () => {
	let shell: Shell;
	let lan = 0;
	let ca = '';
	let cookie = '';
	beforeAll(async () => {
		buildIfChanged();
		lan = await threeFreePorts();
		shell = new Shell(folder, {
			VANE_PORT: String(await freePort()),
			VANE_DEVICE_PORT: String(await freePort()),
			VANE_LAN_PORT: String(lan),
			VANE_FIRST_LEAD_NAME: 'Lea Holm',
			VANE_FIRST_LEAD_PIN: '90210'
		});
		await shell.serve(['start', '--lan', '127.0.0.1']);
		ca = readFileSync(join(folder, 'shop/tls/authority.crt'), 'utf8');
	});
	afterAll(() => shell.end());

	interface Said {
		status: number;
		text: string;
		cookies: string[];
	}
	const ask = (method: string, path: string, body?: object, headers: object = {}) =>
		new Promise<Said>((done, failed) => {
			const origin = `https://127.0.0.1:${lan}`;
			const type = { 'content-type': 'application/json', origin };
			const asked = request(
				`${origin}/api/v1${path}`,
				{ method, ca, headers: { ...type, ...headers } },
				(answer) => {
					let text = '';
					answer.on('data', (data) => (text += String(data)));
					answer.on('end', () =>
						done({
							status: answer.statusCode!,
							text,
							cookies: answer.headers['set-cookie'] ?? []
						})
					);
				}
			);
			asked.on('error', failed);
			asked.end(body && JSON.stringify(body));
		});

	it('says how a tablet trusts it, and serves whoever does', async () => {
		const { fingerprint256 } = new X509Certificate(ca);
		expect(shell.output).toContain(fingerprint256.slice(0, 47));
		expect(shell.output).toContain(`http://127.0.0.1:${lan + 2}/`);
		expect(shell.output).toContain('▄');
		const page = await (await fetch(`http://127.0.0.1:${lan + 2}/`)).text();
		const file = /href="([\w-]+\.crt)"/.exec(page)![1]!;
		expect(await (await fetch(`http://127.0.0.1:${lan + 2}/${file}`)).text()).toBe(ca);
		for (const secret of [
			'/../authority.key',
			'/..%2fauthority.key',
			'/authority.key',
			'/server.key'
		])
			expect((await fetch(`http://127.0.0.1:${lan + 2}${secret}`)).status).not.toBe(200);

		await expect(
			new Promise((done, failed) =>
				get(`https://127.0.0.1:${lan}/api/v1/health`, done).on('error', failed)
			)
		).rejects.toMatchObject({ code: expect.stringMatching(/SIGNATURE|SELF_SIGNED|ISSUER/) });
		const signed = await ask('POST', '/session', { handle: 'lea', secret: '90210' });
		expect(signed.status).toBe(201);
		for (const one of signed.cookies) expect(one).toMatch(/Secure/i);
		cookie = signed.cookies.map((one) => one.split(';')[0]).join('; ');
	});

	it('counts wrong tries by the tablet’s address, whatever it says of itself', async () => {
		const statuses: number[] = [];
		for (let i = 0; i < 7; i++) {
			const wrong = { handle: 'lea', secret: '11111111' };
			const forged = { 'x-forwarded-for': `10.9.0.${i}`, 'x-vane-client': `10.8.0.${i}` };
			statuses.push((await ask('POST', '/session', wrong, forged)).status);
		}
		expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429]);
	});

	it('a device connects over TLS with the same certificate; the plain line is on loopback only', async () => {
		const device = { id: uuidv7(), name: 'Gauge', kind: 'height-gauge', wrenchId: null };
		const added = await ask('POST', '/devices', device, { cookie });
		expect(added.status).toBe(201);
		const { token } = JSON.parse(added.text) as { token: string };
		const client = new LineClient({ host: '127.0.0.1', port: lan + 1, ca, token });
		await until(() => client.connected, 'welcome over TLS');
		client.end();
		const { authority } = tlsFor(join(folder, 'stranger'), '127.0.0.1');
		const strange = readFileSync(authority, 'utf8');
		const stranger = new LineClient({ host: '127.0.0.1', port: lan + 1, ca: strange, token });
		await until(() => stranger.tries > 1, 'a second try after the first was refused');
		expect(stranger.connected).toBe(false);
		stranger.end();
		expect(
			await shell.vane(['start'], { VANE_DEVICE_HOST: '0.0.0.0', VANE_DATA_DIR: join(folder, 'x') })
		).toMatchObject({ status: 1, stderr: expect.stringContaining('--lan serves it over TLS') });
	});

	it('a port of its that is taken is said, and nothing is left running', async () => {
		const elsewhere = { VANE_DATA_DIR: join(folder, 'taken') };
		const ports = {
			VANE_PORT: String(await freePort()),
			VANE_DEVICE_PORT: String(await freePort())
		};
		expect(
			await shell.vane(['start', '--lan', '127.0.0.1'], { ...elsewhere, ...ports })
		).toMatchObject({
			status: 1,
			stderr: expect.stringContaining(`port ${lan} is in use`)
		});
		expect(runningDatabase(join(folder, 'taken/shop'))).toBeUndefined();
		await expect(fetch(`http://127.0.0.1:${ports.VANE_PORT}/`)).rejects.toThrow();
	});

	it('nginx comes back when it is killed, and goes when the launcher stops', async () => {
		const proxy = () =>
			(JSON.parse(readFileSync(join(folder, 'shop/running.json'), 'utf8')) as { proxy: number })
				.proxy;
		const before = proxy();
		process.kill(before, 'SIGKILL');
		await until(() => proxy() !== before, 'another nginx');
		expect((await ask('GET', '/health')).status).toBe(200);
		await shell.end();
		await expect(ask('GET', '/health')).rejects.toMatchObject({ code: 'ECONNREFUSED' });
	});
});
