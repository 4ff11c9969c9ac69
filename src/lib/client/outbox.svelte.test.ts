import 'fake-indexeddb/auto';
import { clear, createStore, entries as allKept } from 'idb-keyval';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answer } from './api';

const call = vi.hoisted(() => vi.fn());
const refresh = vi.hoisted(() => vi.fn());
vi.mock('./api', () => ({ call }));
vi.mock('./refresh', () => ({ taken: refresh }));

const ok: Answer<unknown> = { ok: true, value: {} };
const refused = (status: number, title = 'No', more: object = {}): Answer<unknown> => ({
	ok: false,
	refusal: { status, title, ...more }
});
const store = createStore('vane-outbox', 'entries');
const kept = async () =>
	(await allKept<string, { id: string; by: { id: string } | null }>(store))
		.map(([id]) => id)
		.sort();

/** What was sent, in order. */
const sent = () => call.mock.calls.map((one) => one[2] as Record<string, unknown>);
const sentIds = () => sent().map(({ id }) => id);

const tomas = { id: 'tomas', name: 'Tomas', role: 'technician' as const };
const jo = { id: 'jo', name: 'Jo', role: 'technician' as const };
const mara = { id: 'mara', name: 'Mara', role: 'lead' as const };

/** A page that was just loaded, with somebody signed in. */
async function freshPage(person: typeof tomas | typeof mara | null = tomas) {
	vi.resetModules();
	const { outbox } = await import('./outbox.svelte');
	outbox.person = person ?? undefined;
	return outbox;
}

beforeEach(async () => {
	vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
	localStorage.clear();
	await clear(store);
	call.mockReset().mockResolvedValue(ok);
	refresh.mockReset().mockResolvedValue(true);
});
afterEach(() => vi.useRealTimers());

describe('the outbox', () => {
	it('sends an entry in its maker’s name, and lets it go once the page shows it', async () => {
		const outbox = await freshPage();
		let shown: number | undefined;
		refresh.mockImplementation(() => {
			shown = outbox.accepted.length;
			return Promise.resolve(true);
		});
		expect(await outbox.add('/jobs/1/readings', { id: 'a', height: '365' })).toBeUndefined();
		expect(call).toHaveBeenCalledExactlyOnceWith('POST', '/jobs/1/readings', {
			id: 'a',
			height: '365',
			personId: 'tomas'
		});
		// Still there while the page loads itself anew: in between it would be nowhere.
		expect(shown).toBe(1);
		expect(outbox.entries).toEqual([]);
		expect(await kept()).toEqual([]);
	});

	it.each([0, 401, 429, 500, 503])(
		'keeps an entry that met %i, and sends it again by itself',
		async (status) => {
			const outbox = await freshPage();
			call.mockResolvedValueOnce(refused(status));
			await outbox.add('/jobs/1/torques', { id: 'a' });
			expect(outbox.waiting.map(({ id }) => id)).toEqual(['a']);
			expect(await kept()).toEqual(['a']);
			await vi.advanceTimersByTimeAsync(3100);
			await vi.waitFor(() => expect(outbox.entries).toEqual([]));
			expect(call).toHaveBeenCalledTimes(2);
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
		expect(await kept()).toEqual(['a']);
		outbox.drop('a');
		expect(outbox.entries).toEqual([]);
		await vi.waitFor(async () => expect(await kept()).toEqual([]));
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

	it.each([
		[507, 'the server’s disk is full'],
		[503, 'the server’s database does not answer'],
		[0, undefined]
	])('keeps what is answered by %i, says why, and sends it again', async (status, why) => {
		const outbox = await freshPage();
		call.mockResolvedValueOnce(refused(status));
		await outbox.add('/jobs/1/torques', { id: 'a' });
		expect([outbox.waiting.length, outbox.why]).toEqual([1, why]);
		call.mockResolvedValueOnce(ok);
		await outbox.send();
		expect([outbox.waiting.length, outbox.why]).toEqual([0, undefined]);
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
		await after.open();
		await vi.waitFor(() => expect(after.entries).toEqual([]));
		expect(call).toHaveBeenCalledTimes(1);
		expect(await kept()).toEqual([]);
	});

	it('sends an entry also where the browser has no room to keep it', async () => {
		const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
			throw new DOMException('full', 'QuotaExceededError');
		});
		const outbox = await freshPage();
		expect(await outbox.add('/jobs/1/readings', { id: 'a' })).toBeUndefined();
		expect(sentIds()).toEqual(['a']);
		full.mockRestore();
	});

	it('of one tab leaves what another tab keeps', async () => {
		call.mockResolvedValue(refused(0));
		const [one, other] = [await freshPage(), await freshPage()];
		await one.open();
		await other.open();
		await one.add('/jobs/1/readings', { id: 'a' });
		await other.add('/jobs/1/readings', { id: 'b' });
		await one.add('/jobs/1/readings', { id: 'c' });
		expect(await kept()).toEqual(['a', 'b', 'c']);
		call.mockResolvedValue(ok);
		await one.send();
		expect(await kept()).toEqual(['b']);
		const later = await freshPage();
		await later.open();
		await vi.waitFor(() => expect(later.entries).toEqual([]));
		expect(await kept()).toEqual([]);
	});

	it('sends when the network is back, without waiting for its turn', async () => {
		const outbox = await freshPage();
		await outbox.open();
		call.mockResolvedValueOnce(refused(0));
		await outbox.add('/jobs/1/readings', { id: 'a' });
		dispatchEvent(new Event('online'));
		await vi.waitFor(() => expect(outbox.entries).toEqual([]));
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
		await vi.waitFor(() => expect(call).toHaveBeenCalledTimes(1));
		answer(ok);
		await Promise.all([first, second]);
		await vi.waitFor(() => expect(sentIds()).toEqual(['a', 'b']));
	});
});

describe('an entry is its maker’s', () => {
	/** Tomas made it while the network was away; the tablet was reloaded. */
	async function leftByTomas() {
		const before = await freshPage(tomas);
		call.mockResolvedValueOnce(refused(0));
		await before.add('/jobs/1/entries', { id: 'a' });
		call.mockClear();
	}

	it('and waits, named, while somebody else is signed in', async () => {
		await leftByTomas();
		const outbox = await freshPage(jo);
		await outbox.open();
		await outbox.add('/jobs/1/entries', { id: 'b' });
		expect(sent()).toEqual([{ id: 'b', personId: 'jo' }]);
		expect(outbox.others.map(({ id, by }) => [id, by!.name])).toEqual([['a', 'Tomas']]);
		expect(outbox.accepted).toEqual([]);
		outbox.person = tomas;
		await outbox.send();
		expect(sent().at(-1)).toEqual({ id: 'a', personId: 'tomas' });
	});

	it('and is sent in that name where a lead vouches for it', async () => {
		await leftByTomas();
		const outbox = await freshPage(mara);
		await outbox.open();
		expect(call).not.toHaveBeenCalled();
		await outbox.vouch('a');
		expect(sent()).toEqual([{ id: 'a', personId: 'tomas', vouched: true }]);
		expect(await kept()).toEqual([]);
	});

	it('also where somebody else signed in meanwhile in another tab', async () => {
		const outbox = await freshPage(tomas);
		call.mockResolvedValueOnce(refused(403, 'Tomas made this entry', { notTheirs: true }));
		expect(await outbox.add('/jobs/1/entries', { id: 'a' })).toBeUndefined();
		expect(outbox.waiting.map(({ id }) => id)).toEqual(['a']);
		expect(await kept()).toEqual(['a']);
	});

	it('is sent by nobody while nobody is signed in', async () => {
		await leftByTomas();
		const outbox = await freshPage(null);
		await outbox.open();
		await outbox.send();
		expect(call).not.toHaveBeenCalled();
		expect(await kept()).toEqual(['a']);
	});

	it('made while nobody was signed in is claimed by whoever says that it is theirs', async () => {
		const before = await freshPage(null);
		for (const id of ['a', 'b']) await before.add('/jobs/1/entries', { id });
		expect(sent()).toEqual([]);
		const outbox = await freshPage(jo);
		await outbox.open();
		expect(outbox.others.map(({ id, by }) => [id, by])).toEqual([
			['a', null],
			['b', null]
		]);
		await outbox.vouch('a');
		expect(sent()).toEqual([{ id: 'a', personId: 'jo' }]);
		expect(await kept()).toEqual(['b']);
	});
});
