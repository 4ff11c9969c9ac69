import 'fake-indexeddb/auto';
import { clear, entries } from 'idb-keyval';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { photoSide } from '$core/job/model';
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
const about = { jobId: 'job-1', corner: 'FL' as const, subject: 'spring', note: '' };
const kept = async () => (await entries()).map(([key]) => String(key));

/** Sizes of the canvases that were drawn. */
let drawn: [number, number][];

/** A browser that reads any file as a picture of this size; happy-dom draws none. */
function pictureOf(width: number, height: number): void {
	vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width, height, close: () => {} }));
}

async function freshPage(id = 'tomas') {
	vi.resetModules();
	const { outbox } = await import('./outbox.svelte');
	outbox.person = { id, name: id, role: 'technician' };
	return (await import('./photo-box.svelte')).photoBox;
}

beforeEach(async () => {
	await clear();
	call.mockReset().mockResolvedValue(ok);
	refresh.mockReset().mockResolvedValue(true);
	drawn = [];
	pictureOf(400, 300);
	vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue({
		drawImage: () => {}
	} as unknown as null);
	vi.spyOn(HTMLCanvasElement.prototype, 'toDataURL').mockImplementation(function (
		this: HTMLCanvasElement
	) {
		drawn.push([this.width, this.height]);
		return 'data:image/jpeg;base64,AAAA';
	});
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
	vi.restoreAllMocks();
});

describe('the photo box', () => {
	it('sends a photo with what it shows, and keeps nothing of it', async () => {
		const box = await freshPage();
		await box.add(new Blob(['picture']), about);
		const [method, path, body] = call.mock.calls[0] as [string, string, Record<string, unknown>];
		expect([method, path]).toEqual(['POST', '/jobs/job-1/photos']);
		expect(body).toMatchObject({ corner: 'FL', subject: 'spring', image: expect.any(String) });
		expect(body).not.toHaveProperty('jobId');
		expect(box.waiting).toEqual([]);
		expect(await kept()).toEqual([]);
		expect(refresh).toHaveBeenCalledTimes(1);
	});

	it('makes a large photo small and leaves a small one as it is', async () => {
		const box = await freshPage();
		await box.add(new Blob(['picture']), about);
		pictureOf(8000, 6000);
		await box.add(new Blob(['picture']), about);
		pictureOf(3000, 4000);
		await box.add(new Blob(['picture']), about);
		expect(drawn).toEqual([
			[400, 300],
			[photoSide, 0.75 * photoSide],
			[0.75 * photoSide, photoSide]
		]);
	});

	it('holds a photo while the network is away, over a reload, and sends it with the same id', async () => {
		call.mockResolvedValue(refused(0));
		const before = await freshPage();
		await before.add(new Blob(['picture']), about);
		const { id } = before.waiting[0]!;
		expect(await kept()).toEqual([`photo-${id}`]);
		call.mockClear();
		call.mockResolvedValue(ok);
		const after = await freshPage();
		await after.open();
		await vi.waitFor(() => expect(after.waiting).toEqual([]));
		expect((call.mock.calls[0] as [string, string, { id: string }])[2].id).toBe(id);
		expect(await kept()).toEqual([]);
	});

	it.each([503, 507, 500, 429])(
		'holds a photo that is answered by %i, and sends it again',
		async (status) => {
			const box = await freshPage();
			call.mockResolvedValueOnce(refused(status));
			await box.add(new Blob(['x']), about);
			expect([box.waiting.length, (await kept()).length]).toEqual([1, 1]);
			await box.send();
			expect([box.waiting.length, (await kept()).length]).toEqual([0, 0]);
		}
	);

	it('keeps a photo of somebody else until they are signed in here', async () => {
		call.mockResolvedValue(refused(0));
		const before = await freshPage('tomas');
		await before.add(new Blob(['picture']), about);
		call.mockClear();
		const after = await freshPage('jo');
		await after.open();
		await after.send();
		expect(call).not.toHaveBeenCalled();
		expect([after.waiting.length, after.photos.length]).toEqual([0, 1]);
	});

	it('says what the server refused, and does not hold it for ever', async () => {
		call.mockResolvedValueOnce(refused(422, 'That is no picture'));
		const box = await freshPage();
		await box.add(new Blob(['picture']), about);
		expect(box.refusal).toMatchObject({ title: 'That is no picture' });
		expect(box.waiting).toEqual([]);
		expect(await kept()).toEqual([]);
		// The next one that goes through takes the words away.
		await box.add(new Blob(['picture']), about);
		expect(box.refusal).toBeUndefined();
	});

	it('lets a file that is no picture fail with the one who chose it', async () => {
		vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no picture')));
		const box = await freshPage();
		await expect(box.add(new Blob(['text']), about)).rejects.toThrow('no picture');
		expect(box.waiting).toEqual([]);
		expect(call).not.toHaveBeenCalled();
	});

	it('leaves what others keep in the browser alone', async () => {
		const { set } = await import('idb-keyval');
		await set('something-else', { id: 'x' });
		const box = await freshPage();
		await box.open();
		expect(box.waiting).toEqual([]);
		expect(await kept()).toEqual(['something-else']);
	});
});
