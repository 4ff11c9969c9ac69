import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { troubleOf } from './db/trouble';
import { watchDisk } from './disk';

describe('a disk that runs full', () => {
	it('refuses, says so once, and takes writes again by itself', async () => {
		const said: string[] = [];
		let [free, now] = [500, 0];
		const disk = watchDisk(
			'/anywhere',
			256,
			(line) => said.push(line),
			() => Promise.resolve(free),
			() => now
		);
		const refusal = () =>
			disk.hasSpace().then(
				() => 'none',
				(problem: { status: number }) => problem.status
			);
		expect(await refusal()).toBe('none');
		free = 255.9;
		expect(await refusal(), 'believed for a while').toBe('none');
		now += 2_000;
		expect([await refusal(), await refusal()]).toEqual([507, 507]);
		free = 256;
		now += 2_000;
		expect(await refusal()).toBe('none');
		expect(said).toEqual([
			'the disk is full: 255 MB left, less than the 256 MB kept free; writes are refused',
			'the disk has space again: 256 MB; writes are taken'
		]);
	});

	it('of a folder that is made later is that of the one above it', async () => {
		const later = join(tmpdir(), 'not-yet', 'keys');
		await expect(watchDisk(later, 0, () => undefined).hasSpace()).resolves.toBeUndefined();
	});

	it('is asked as it is', async () => {
		await expect(watchDisk(tmpdir(), 0, () => undefined).hasSpace()).resolves.toBeUndefined();
		await expect(watchDisk(tmpdir(), 1e12, () => undefined).hasSpace()).rejects.toMatchObject({
			status: 507
		});
	});
});

describe('trouble of the database', () => {
	it.each([
		[{ code: 'ECONNREFUSED' }, 503],
		[{ code: 'PROTOCOL_CONNECTION_LOST' }, 503],
		[new Error('Can’t add new command when connection is in closed state'), 503],
		[{ code: 'ER_DISK_FULL', errno: 1021 }, 507],
		[{ code: 'ER_RECORD_FILE_FULL', errno: 1114 }, 507],
		[{ code: 'ER_PARSE_ERROR' }, undefined],
		[new TypeError('x is not a function'), undefined],
		[null, undefined]
	])('%o', (error, status) => expect(troubleOf(error)?.status).toBe(status));
});
