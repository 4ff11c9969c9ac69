import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Entry } from '../../core/job/book/entry';
import { announce, announceDevice, changesOf, endStreams, openStreams } from './live';

async function next(reader: ReadableStreamDefaultReader<Uint8Array>): Promise<string | undefined> {
	const { value, done } = await reader.read();
	return done ? undefined : new TextDecoder().decode(value);
}
const written = [{ seq: 2, id: 'x' }] as unknown as Entry[];
const follow = (jobId: string, person = 'mara') => changesOf(jobId, person).getReader();

afterEach(() => endStreams());

describe('what was written in a job', () => {
	it('reaches every page that is open on it with the entries themselves, and no other', async () => {
		const [one, two, other] = ['a', 'a', 'b'].map((id) => follow(id));
		for (const reader of [one!, two!, other!]) expect(await next(reader)).toContain('retry');
		announce('a', written);
		const said = 'event: entries\ndata: [{"seq":2,"id":"x"}]\n\n';
		expect(await next(one!)).toBe(said);
		expect(await next(two!)).toBe(said);
		announceDevice('b', 'reading-1');
		expect(await next(other!)).toBe('event: device\ndata: reading-1\n\n');
	});

	it('is not told where nothing was written', async () => {
		const reader = follow('e');
		await next(reader);
		announce('e', []);
		announce('e', written);
		expect(await next(reader)).toContain('"seq":2');
	});

	it('is not kept for pages that went away', async () => {
		const reader = follow('c');
		expect(openStreams()).toBe(1);
		await reader.cancel();
		expect(openStreams()).toBe(0);
		expect(() => announce('c', written)).not.toThrow();
	});

	it('ends with the server', async () => {
		const reader = follow('d');
		await next(reader);
		endStreams();
		expect(await next(reader)).toBeUndefined();
		expect(openStreams()).toBe(0);
	});

	it('ends for somebody who signs out everywhere, and for nobody else', async () => {
		const [mine, another] = [follow('a', 'jo'), follow('a', 'mara')];
		for (const reader of [mine, another]) await next(reader);
		endStreams('jo');
		expect(await next(mine)).toBeUndefined();
		announce('a', written);
		expect(await next(another)).toContain('entries');
	});

	it('is told to sixteen pages of a person; to a page that asks later once one has gone', async () => {
		const sixteen = Array.from({ length: 16 }, () => follow('a', 'jo'));
		expect(() => follow('b', 'jo')).toThrow('Too many pages');
		expect(() => follow('b', 'mara')).not.toThrow();
		await sixteen[3]!.cancel();
		expect(() => follow('b', 'jo')).not.toThrow();
	});

	it('does not pile up for a page that reads nothing', () => {
		follow('a');
		const much = [{ seq: 3, note: 'x'.repeat(10_000) }] as unknown as Entry[];
		for (let i = 0; i < 25; i++) announce('a', much);
		expect(openStreams()).toBe(1);
		for (let i = 0; i < 5; i++) announce('a', much);
		expect(openStreams()).toBe(0);
	});

	it('asks a page who it is again after a quarter of an hour', async () => {
		vi.useFakeTimers();
		const reader = follow('a');
		await vi.advanceTimersByTimeAsync(14 * 60_000);
		expect(openStreams()).toBe(1);
		await vi.advanceTimersByTimeAsync(60_000);
		vi.useRealTimers();
		expect(openStreams()).toBe(0);
		await reader.cancel();
	});
});
