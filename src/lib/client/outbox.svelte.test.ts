import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answer } from './api';

const call = vi.hoisted(() => vi.fn());
const refresh = vi.hoisted(() => vi.fn());
vi.mock('./api', () => ({ call }));
vi.mock('./refresh', () => ({ taken: refresh }));

const ok: Answer<unknown> = { ok: true, value: {} };
const refused = (status: number, title = 'No'): Answer<unknown> => ({
	ok: false,
	refusal: { status, title }
});
const kept = () =>
	Object.keys(localStorage)
		.filter((key) => key.startsWith('vane-outbox:'))
		.sort()
		.map((key) => JSON.parse(localStorage.getItem(key)!) as { id: string });

/** What was sent, in order. */
const sentIds = () => call.mock.calls.map((sent) => (sent[2] as { id: string }).id);

/** A page that was just opened. */
async function freshPage() {
	vi.resetModules();
	return (await import('./outbox.svelte')).outbox;
}

beforeEach(() => {
	vi.useFakeTimers();
	localStorage.clear();
	call.mockReset().mockResolvedValue(ok);
	refresh.mockReset().mockResolvedValue(true);
});
afterEach(() => vi.useRealTimers());

describe('the outbox', () => {
	it('sends an entry, and lets it go once the page shows it', async () => {
		const outbox = await freshPage();
		let shown: number | undefined;
		refresh.mockImplementation(() => {
			shown = outbox.accepted.length;
			return Promise.resolve(true);
		});
		expect(await outbox.add('/jobs/1/readings', { id: 'a', height: '365' })).toBeUndefined();
		expect(call).toHaveBeenCalledExactlyOnceWith('POST', '/jobs/1/readings', {
			id: 'a',
			height: '365'
		});
		// Still there while the page loads itself anew: in between it would be nowhere.
		expect(shown).toBe(1);
		expect(outbox.entries).toEqual([]);
		expect(kept()).toEqual([]);
	});

	it.each([0, 401, 429, 500, 503])(
		'keeps an entry that met %i, and sends it again by itself',
		async (status) => {
			const outbox = await freshPage();
			call.mockResolvedValueOnce(refused(status));
			await outbox.add('/jobs/1/torques', { id: 'a' });
			expect(outbox.waiting.map(({ id }) => id)).toEqual(['a']);
			expect(kept().map(({ id }) => id)).toEqual(['a']);
			await vi.advanceTimersByTimeAsync(3100);
			expect(call).toHaveBeenCalledTimes(2);
			expect(outbox.entries).toEqual([]);
		}
	);

	it('tells what the server will not take, and does not send it again', async () => {
		const outbox = await freshPage();
		call.mockResolvedValueOnce(refused(422, 'Too high'));
		expect(await outbox.add('/jobs/1/readings', { id: 'a' })).toMatchObject({ title: 'Too high' });
		await vi.advanceTimersByTimeAsync(60_000);
		expect(call).toHaveBeenCalledTimes(1);
		// Kept for the person to look at, shown nowhere else.
		expect(outbox.accepted).toEqual([]);
		expect(kept().map(({ id }) => id)).toEqual(['a']);
		outbox.drop('a');
		expect([outbox.entries, kept()]).toEqual([[], []]);
	});

	it('sends in the order of the work, and nothing past an entry that waits', async () => {
		const outbox = await freshPage();
		call.mockResolvedValueOnce(refused(0));
		await outbox.add('/jobs/1/torques', { id: 'a' });
		call.mockResolvedValueOnce(refused(0));
		await outbox.add('/jobs/1/torques', { id: 'b' });
		call.mockClear();
		await outbox.send();
		expect(sentIds()).toEqual(['a', 'b']);
	});

	it('goes on past an entry that is refused', async () => {
		const outbox = await freshPage();
		call.mockResolvedValueOnce(refused(0));
		await outbox.add('/jobs/1/torques', { id: 'a' });
		call.mockResolvedValueOnce(refused(409)).mockResolvedValueOnce(ok);
		await outbox.add('/jobs/1/torques', { id: 'b' });
		expect(outbox.entries.map(({ id, refusal }) => [id, refusal?.status])).toEqual([['a', 409]]);
	});

	it('sends what an earlier page left behind, once', async () => {
		const before = await freshPage();
		call.mockResolvedValueOnce(refused(0));
		await before.add('/jobs/1/readings', { id: 'a' });
		call.mockClear();
		const after = await freshPage();
		after.open();
		await vi.advanceTimersByTimeAsync(10);
		expect(call).toHaveBeenCalledTimes(1);
		expect(after.entries).toEqual([]);
		expect(kept()).toEqual([]);
	});

	it('begins empty where what was kept cannot be read', async () => {
		localStorage.setItem('vane-outbox', '{not json');
		localStorage.setItem('vane-outbox:a', '{nor this');
		const outbox = await freshPage();
		outbox.open();
		expect(outbox.entries).toEqual([]);
	});

	it('sends an entry also where the browser has no room to keep it', async () => {
		const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
			throw new DOMException('full', 'QuotaExceededError');
		});
		const outbox = await freshPage();
		expect(await outbox.add('/jobs/1/readings', { id: 'a' })).toBeUndefined();
		expect(sentIds()).toEqual(['a']);
		full.mockRestore();
	});

	it('takes over what stood in one list before, in its order', async () => {
		const [a, b] = ['b', 'a'].map((id) => ({ id, path: '/jobs/1/entries', body: { id } }));
		localStorage.setItem('vane-outbox', JSON.stringify([b, a]));
		call.mockResolvedValueOnce(refused(0));
		const outbox = await freshPage();
		outbox.open();
		expect(outbox.waiting.map(({ id }) => id)).toEqual(['a', 'b']);
		expect([kept().length, localStorage.getItem('vane-outbox')]).toEqual([2, null]);
		await vi.advanceTimersByTimeAsync(3100);
		expect([sentIds(), kept()]).toEqual([['a', 'a', 'b'], []]);
	});

	it('of one tab leaves what another tab keeps', async () => {
		call.mockResolvedValue(refused(0));
		const [one, other] = [await freshPage(), await freshPage()];
		one.open();
		other.open();
		await one.add('/jobs/1/readings', { id: 'a' });
		await other.add('/jobs/1/readings', { id: 'b' });
		await one.add('/jobs/1/readings', { id: 'c' });
		expect(kept().map(({ id }) => id)).toEqual(['a', 'b', 'c']);
		call.mockResolvedValue(ok);
		await one.send();
		expect(kept().map(({ id }) => id)).toEqual(['b']);
		const later = await freshPage();
		later.open();
		await vi.advanceTimersByTimeAsync(10);
		expect([later.entries, kept()]).toEqual([[], []]);
		await vi.advanceTimersByTimeAsync(3100);
		expect(other.entries).toEqual([]);
	});

	it('sends when the network is back, without waiting for its turn', async () => {
		const outbox = await freshPage();
		outbox.open();
		call.mockResolvedValueOnce(refused(0));
		await outbox.add('/jobs/1/readings', { id: 'a' });
		dispatchEvent(new Event('online'));
		await vi.advanceTimersByTimeAsync(10);
		expect(outbox.entries).toEqual([]);
	});

	it('asks the page again where it could not load itself anew', async () => {
		const outbox = await freshPage();
		refresh.mockResolvedValueOnce(false);
		await outbox.add('/jobs/1/readings', { id: 'a' });
		// The server has it, the page does not show it yet: not waiting, but still on screen.
		expect(outbox.waiting).toEqual([]);
		expect(outbox.accepted.map(({ id }) => id)).toEqual(['a']);
		await vi.advanceTimersByTimeAsync(3100);
		expect(outbox.entries).toEqual([]);
		expect(call).toHaveBeenCalledTimes(1);
	});

	it('does not send one entry twice when two ask at once', async () => {
		const outbox = await freshPage();
		let answer: (value: Answer<unknown>) => void = () => {};
		call.mockReturnValueOnce(new Promise((done) => (answer = done)));
		const first = outbox.add('/jobs/1/readings', { id: 'a' });
		const second = outbox.add('/jobs/1/readings', { id: 'b' });
		answer(ok);
		await Promise.all([first, second]);
		await vi.advanceTimersByTimeAsync(10);
		expect(sentIds()).toEqual(['a', 'b']);
	});
});
