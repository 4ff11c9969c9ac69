import { describe, expect, it } from 'vitest';
import type { Entry } from '../../core/job/book/entry';
import { announce, announceDevice, changesOf, endStreams, openStreams } from './live';

async function next(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<string | undefined> {
	const { value, done } = await reader.read();
	return done ? undefined : new TextDecoder().decode(value);
}
const written = [{ seq: 2, id: 'x' }] as unknown as Entry[];

describe('what was written in a job', () => {
	it('reaches every page that is open on it with the entries themselves, and no other', async () => {
		const [one, two, other] = ['a', 'a', 'b'].map((id) => changesOf(id).getReader());
		for (const reader of [one!, two!, other!]) expect(await next(reader)).toContain('retry');
		announce('a', written);
		const said = 'event: entries\ndata: [{"seq":2,"id":"x"}]\n\n';
		expect(await next(one!)).toBe(said);
		expect(await next(two!)).toBe(said);
		announceDevice('b', 'reading-1');
		expect(await next(other!)).toBe('event: device\ndata: reading-1\n\n');
		endStreams();
	});

	it('is not told where nothing was written', async () => {
		const reader = changesOf('e').getReader();
		await next(reader);
		announce('e', []);
		announce('e', written);
		expect(await next(reader)).toContain('"seq":2');
		endStreams();
	});

	it('is not kept for pages that went away', async () => {
		const reader = changesOf('c').getReader();
		expect(openStreams()).toBe(1);
		await reader.cancel();
		expect(openStreams()).toBe(0);
		expect(() => announce('c', written)).not.toThrow();
	});

	it('ends with the server', async () => {
		const reader = changesOf('d').getReader();
		await next(reader);
		endStreams();
		expect(await next(reader)).toBeUndefined();
		expect(openStreams()).toBe(0);
	});
});
