import { describe, expect, it } from 'vitest';
import { readConfig } from './config';

const right = {
	VANE_DB_HOST: '127.0.0.1',
	VANE_DB_PORT: '3307',
	VANE_DB_USER: 'vane',
	VANE_DB_PASSWORD: 'x',
	VANE_DB_NAME: 'vane',
	VANE_ORIGIN: 'http://127.0.0.1:4180',
	VANE_KEY_DIR: '/tmp/keys',
	VANE_PROGRAMS: '/tmp/programs'
};

describe('the server’s settings', () => {
	it('have defaults', () => {
		expect(readConfig(right)).toMatchObject({
			sessionHours: 12,
			logLevel: 'info',
			secureCookies: false,
			database: { port: 3307 }
		});
	});

	it('behind TLS the cookie is sent over TLS only', () => {
		expect(readConfig({ ...right, VANE_ORIGIN: 'https://vane.example' }).secureCookies).toBe(true);
	});

	it.each([
		[{ VANE_DB_PORT: 'many' }, 'VANE_DB_PORT: must be a number (given "many")'],
		[{ VANE_SESSION_HOURS: '0' }, 'VANE_SESSION_HOURS'],
		[{ VANE_LOG_LEVEL: 'loud' }, 'VANE_LOG_LEVEL: must be one of'],
		[{ VANE_ORIGIN: 'ftp://x' }, 'VANE_ORIGIN'],
		[{ VANE_DB_NAME: 'a; DROP' }, 'VANE_DB_NAME'],
		[{ VANE_TRUSTED_PROXY: 'the proxy' }, 'VANE_TRUSTED_PROXY: must be IP addresses'],
		[{ VANE_DB_HOST: undefined }, 'VANE_DB_HOST: is required']
	])('a wrong one is one line: %o', (change, words) => {
		expect(() => readConfig({ ...right, ...change })).toThrow(words);
		try {
			readConfig({ ...right, ...change });
		} catch (error) {
			expect((error as Error).message).not.toContain('\n');
		}
	});
});
