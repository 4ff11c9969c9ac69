import type { FloorJob } from '$lib/bays/model';
import { beforeEach, expect, it, vi } from 'vitest';
import { FloorMoves } from './floor-moves.svelte';

const call = vi.hoisted(() => vi.fn());
const refresh = vi.hoisted(() => vi.fn());
vi.mock('$lib/client/api', () => ({ call }));
vi.mock('$lib/client/refresh', () => ({ refresh }));

const monday = new Date('2026-03-02T00:00:00Z');
const slot = (id: string, bay: number, hour: number) => ({
	jobId: id,
	bay,
	startsAt: new Date(monday.getTime() + hour * 3_600_000).toISOString(),
	minutes: 60,
	version: 2,
	comesAt: null
});
const job = (id: string, place: ReturnType<typeof slot> | null) =>
	({ id, plate: id, minutes: 60, soakHours: 0, slot: place }) as unknown as FloorJob;
const jobs = [
	job('in', slot('in', 0, 8)),
	job('next', slot('next', 0, 10)),
	job('other', slot('other', 1, 9.5)),
	job('yard', null)
];
const floor = () => new FloorMoves(() => ({ jobs, bays: 2, monday, nowMin: 9 * 60 }));
const sent = () => (call.mock.lastCall![2] as { slots: { jobId: string; bay: number }[] }).slots;

beforeEach(() => {
	call.mockReset().mockResolvedValue({ ok: true });
	refresh.mockReset();
});

it('a car goes behind what is in the bay already, however far forward it is put', async () => {
	const moves = floor();
	await moves.move('other', 0, 0);
	expect(sent().find(({ jobId }) => jobId === 'other')).toMatchObject({ bay: 0 });
	expect(sent().some(({ jobId }) => jobId === 'in')).toBe(false);
	expect(moves.picked).toBe('other');
	expect(refresh).toHaveBeenCalledOnce();
});

it('undo puts every car back to where it stood, and one from the yard into the yard', async () => {
	const moves = floor();
	await moves.first('yard');
	expect(sent()).toMatchObject([{ jobId: 'yard' }]);
	await moves.undo();
	expect(call.mock.lastCall!.slice(0, 2)).toEqual(['DELETE', '/jobs/yard/bay']);
	await moves.move('next', 1, 0);
	const changed = sent().map(({ jobId }) => jobId);
	await moves.undo();
	expect(
		sent()
			.map(({ jobId }) => jobId)
			.sort()
	).toEqual(changed.sort());
	expect(sent().find(({ jobId }) => jobId === 'next')).toMatchObject({
		bay: 0,
		startsAt: '2026-03-02T10:00:00.000Z'
	});
	expect(moves.before).toBeUndefined();
});

it('what the server refuses is said, and is nothing to undo', async () => {
	call.mockResolvedValue({ ok: false, refusal: { status: 412, title: 'Changed meanwhile.' } });
	const moves = floor();
	await moves.out('next');
	await moves.comes('next', '2026-03-02T12:00:00Z');
	expect(moves.refusal).toMatchObject({ title: 'Changed meanwhile.' });
	expect(moves.before).toBeUndefined();
});

it('a car that comes later is not planned before', async () => {
	await floor().comes('next', '2026-03-02T12:00:00Z');
	expect(sent()).toMatchObject([
		{ jobId: 'next', startsAt: '2026-03-02T12:00:00.000Z', comesAt: '2026-03-02T12:00:00.000Z' }
	]);
});
