import { describe, expect, it } from 'vitest';
import { keepRunning, type Running } from './keep-running';

/** A program that ends when it is told to. */
function program(log: string[]) {
	const runs: { end: (how: string) => void }[] = [];
	const start = (): Running => {
		let resolve: (how: string) => void = () => undefined;
		const promise = new Promise<string>((done) => (resolve = done));
		runs.push({ end: resolve });
		return {
			ended: promise,
			stop: () => {
				log.push('stopped');
				resolve('by SIGTERM');
				return Promise.resolve();
			}
		};
	};
	return { runs, start };
}
const turns = async (until: () => boolean) => {
	while (!until()) await new Promise((done) => setTimeout(done, 1));
};

describe('a program that is kept running', () => {
	it('is started again each time it ends, and says so', async () => {
		const said: string[] = [];
		const { runs, start } = program(said);
		const stop = keepRunning({
			name: 'the thing',
			running: start(),
			again: () => Promise.resolve(start()),
			say: (line) => said.push(line),
			pausesMs: [1]
		});
		for (let i = 0; i < 3; i++) {
			runs[i]!.end('by SIGKILL');
			await turns(() => runs.length === i + 2);
		}
		await stop();
		expect(said.slice(0, 2)).toEqual([
			'the thing ended by SIGKILL; it is started again.',
			'the thing runs again.'
		]);
		expect(said).toHaveLength(7);
		expect(said.at(-1)).toBe('stopped');
		expect(runs).toHaveLength(4);
	});

	it('is tried again when it does not start, and is not started any more once it is stopped', async () => {
		const said: string[] = [];
		const { runs, start } = program(said);
		let tries = 0;
		const stop = keepRunning({
			name: 'the thing',
			running: start(),
			again: () =>
				++tries < 3 ? Promise.reject(new Error('no port\nits log')) : Promise.resolve(start()),
			say: (line) => said.push(line),
			pausesMs: [1, 1, 1]
		});
		runs[0]!.end('with code 1');
		await turns(() => runs.length === 2);
		expect(said).toEqual([
			'the thing ended with code 1; it is started again.',
			'the thing does not start: no port',
			'the thing does not start: no port',
			'the thing runs again.'
		]);
		runs[1]!.end('with code 1');
		await stop();
		expect(runs).toHaveLength(2);
	});
});
