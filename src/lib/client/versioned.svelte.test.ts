import { beforeEach, describe, expect, it, vi } from 'vitest';
import { VersionedWrite } from './versioned.svelte';

const call = vi.hoisted(() => vi.fn());
const refresh = vi.hoisted(() => vi.fn());
vi.mock('./api', () => ({ call }));
vi.mock('./refresh', () => ({ refresh }));

beforeEach(() => {
	call.mockReset().mockResolvedValue({ ok: true, value: {} });
	refresh.mockReset().mockResolvedValue(true);
});
const stale = {
	ok: false,
	refusal: { status: 409, title: 'Changed meanwhile', currentVersion: 7, changes: [] }
};

describe('a change of something others change too', () => {
	it('goes out with the version it was made on, and loads the page anew', async () => {
		const write = new VersionedWrite();
		expect(await write.send('PATCH', '/jobs/1', { complaint: 'Knocks' }, 3)).toBe(true);
		expect(call).toHaveBeenCalledWith('PATCH', '/jobs/1', { complaint: 'Knocks', version: 3 });
		expect(refresh).toHaveBeenCalledTimes(1);
		expect([write.refusal, write.stale, write.busy]).toEqual([undefined, false, false]);
	});

	it('is shown as stale, and can be applied again on top of what is there now', async () => {
		call.mockResolvedValueOnce(stale);
		const write = new VersionedWrite();
		expect(await write.send('PATCH', '/jobs/1', { complaint: 'Knocks' }, 3)).toBe(false);
		expect(write.stale).toBe(true);
		expect(refresh).not.toHaveBeenCalled();
		expect(await write.applyAgain()).toBe(true);
		expect(call).toHaveBeenLastCalledWith('PATCH', '/jobs/1', { complaint: 'Knocks', version: 7 });
		expect(write.stale).toBe(false);
	});

	it('may be stale once more, and again goes on top', async () => {
		const later = { ok: false, refusal: { ...stale.refusal, currentVersion: 8 } };
		call.mockResolvedValueOnce(stale).mockResolvedValueOnce(later);
		const write = new VersionedWrite();
		await write.send('PATCH', '/jobs/1', {}, 3);
		expect(await write.applyAgain()).toBe(false);
		expect(await write.applyAgain()).toBe(true);
		expect(call).toHaveBeenLastCalledWith('PATCH', '/jobs/1', { version: 8 });
	});

	it('gives way to theirs', async () => {
		call.mockResolvedValueOnce(stale);
		const write = new VersionedWrite();
		await write.send('PATCH', '/jobs/1', {}, 3);
		await write.takeTheirs();
		expect(write.stale).toBe(false);
		expect(refresh).toHaveBeenCalledTimes(1);
	});

	it('that is refused for another reason cannot be applied again', async () => {
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 422, title: 'No such layout' } });
		const write = new VersionedWrite();
		expect(await write.send('PATCH', '/jobs/1', {}, 3)).toBe(false);
		expect(write.refusal).toMatchObject({ status: 422 });
		expect(write.stale).toBe(false);
		expect(await write.applyAgain()).toBe(false);
		expect(call).toHaveBeenCalledTimes(1);
	});
});
