import { describe, expect, it } from 'vitest';
import { announce, changesOf, endStreams, openStreams } from './live';

async function next(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<string | undefined> {
	const { value, done } = await reader.read();
	return done ? undefined : new TextDecoder().decode(value);
}

describe('changes of a job', () => {
	it('reach every page that is open on it, and no other', async () => {
		const [one, two, other] = ['a', 'a', 'b'].map((id) => changesOf(id).getReader());
		for (const reader of [one!, two!, other!]) expect(await next(reader)).toContain('retry');
		announce('a');
		expect(await next(one!)).toBe('event: changed\ndata: \n\n');
		expect(await next(two!)).toBe('event: changed\ndata: \n\n');
		announce('b');
		expect(await next(other!)).toContain('changed');
		endStreams();
	});

	it('are not kept for pages that went away', async () => {
		const reader = changesOf('c').getReader();
		expect(openStreams()).toBe(1);
		await reader.cancel();
		expect(openStreams()).toBe(0);
		expect(() => announce('c')).not.toThrow();
	});

	it('end with the server', async () => {
		const reader = changesOf('d').getReader();
		await next(reader);
		endStreams();
		expect(await next(reader)).toBeUndefined();
		expect(openStreams()).toBe(0);
	});
});
