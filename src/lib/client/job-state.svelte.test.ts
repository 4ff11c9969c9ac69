import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry } from '$core/job/book/entry';
import { away } from '../../../tests/client/around';
import { jobOnScreen, person } from '../../../tests/client/job-on-screen.svelte';
import { EntryInput } from './job-state.svelte';
import { outbox } from './outbox.svelte';

const call = vi.hoisted(() => vi.fn());
vi.mock('./api', async (original) => ({ ...(await original<object>()), call }));

beforeEach(() => {
	call.mockReset().mockResolvedValue(away);
});
const reading = (height: string) => ({ phase: 'after', school: 'hub-to-arch', height });

describe('the job on this screen', () => {
	it('is the server’s own where nothing is on its way', () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		expect(state.record).toEqual(confirmed);
		expect(state.unsent).toEqual([]);
		expect(state.personName('nobody')).toBe('');
		expect(state.personName(confirmed.people[0]!.id)).toBe(confirmed.people[0]!.name);
	});

	it('holds a reading that is on its way, in millimetres, as read by who is signed in', async () => {
		const { state } = jobOnScreen('2026-0268');
		await state.tell('reading', 'FL', reading('14 3/8 in'));
		const added = state.record.readings.at(-1)!;
		expect(added).toMatchObject({
			corner: 'FL',
			phase: 'after',
			entered: '14 3/8 in',
			personId: person.id,
			withdrawn: false,
			correctsId: null
		});
		expect(added.heightMm).toBeCloseTo(14.375 * 25.4, 9);
		expect(state.unsent).toEqual([added.id]);
		expect(state.view.readings.after.FL.some(({ id }) => id === added.id)).toBe(true);
	});

	it('holds it once, also when the server tells of it before it answers', async () => {
		const { state, loaded } = jobOnScreen('2026-0268');
		await state.tell('reading', 'FL', reading('365'));
		const mine = state.record.entries.at(-1)!;
		const stored = { ...mine, seq: loaded.entries.length + 1, hash: 'f' } as Entry;
		expect(await state.take([stored])).toBe(true);
		const same = state.record.entries.filter(({ id }) => id === mine.id);
		expect(same).toEqual([stored]);
	});

	it('learns what its own entry became from the answer, and asks for nothing', async () => {
		const { state, loaded } = jobOnScreen('2026-0268');
		call.mockImplementation((_, __, body: { id: string }) => {
			const [entry] = state.record.entries.filter(({ id }) => id === body.id);
			const entries = [{ ...entry, seq: loaded.entries.length + 1, hash: 'f' }];
			return Promise.resolve({ ok: true, value: { entries } });
		});
		const { holdBook } = await import('./refresh');
		const end = holdBook({ jobId: loaded.id, take: (entries) => state.take(entries) });
		await state.tell('reading', 'FL', reading('365'));
		expect(call.mock.calls.map(([method]) => method as string)).toEqual(['POST']);
		expect(state.record.entries.at(-1)).toMatchObject({ hash: 'f', kind: 'reading' });
		expect(outbox.entries).toEqual([]);
		end();
	});

	it('does not show what the server refused, nor what belongs to another job', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 422, title: 'No' } });
		await state.tell('reading', 'FL', reading('365'), { stays: true });
		expect(outbox.entries).toHaveLength(1);
		await outbox.add('/jobs/another/entries', { id: 'r2', kind: 'reading' });
		expect(state.record).toEqual(confirmed);
	});

	it('refuses by the server’s own rules before anything is sent', async () => {
		const { state } = jobOnScreen('2026-0268');
		const school = { phase: 'after', school: 'ground-to-arch', height: '680' };
		expect(await state.tell('reading', 'FL', school)).toMatchObject({
			status: 422,
			faults: [{ field: 'school' }]
		});
		expect(await state.tell('reading', 'FL', reading('9 kg'))).toMatchObject({
			faults: [{ field: 'height', message: expect.stringContaining('is a unit of mass') }]
		});
		expect(await state.tell('signed', 'car', {})).toMatchObject({ status: 409 });
		expect(call).not.toHaveBeenCalled();
	});

	it('judges rubber tightened at a height before the server does', async () => {
		const { state, confirmed } = jobOnScreen('2026-0262');
		const bush = confirmed.joints.find(
			({ kind, rule }) => kind === 'bonded-bush' && rule === 'ride-height'
		)!;
		const target = state.view.corners[bush.corner].target!.heightMm;
		await state.tell('torque', bush.id, {
			torque: `${bush.torqueNm} N·m`,
			carState: 'loaded',
			method: 'jack-to-height',
			hubToArch: `${target} mm`
		});
		const torque = state.record.torques.at(-1)!;
		expect(torque).toMatchObject({
			torqueNm: bush.torqueNm,
			hubToArchMm: target,
			method: 'jack-to-height'
		});
		expect(torque.bush).not.toBeNull();
		expect(state.view.standing.joints.get(bush.id)!.state).toBe('set');
	});

	it('holds a look at a loaded corner with both sides', async () => {
		const { state } = jobOnScreen('2026-0262');
		await state.tell('loading', 'FL', {
			method: 'jack-to-height',
			hubToArch: '36.5 cm',
			oppositeBefore: '400 mm',
			oppositeNow: '401 mm'
		});
		expect(state.record.loadings.at(-1)).toMatchObject({
			hubToArchMm: 365,
			oppositeBeforeMm: 400,
			oppositeNowMm: 401
		});
	});
});

describe('the book of the work', () => {
	it('shows an entry at once, and the steps it makes', async () => {
		const { state } = jobOnScreen('2026-0260');
		expect(state.work.order.steps).toEqual([]);
		expect(
			await state.keep('scope', 'rear', { damper: true, spring: false, bushes: false })
		).toBeUndefined();
		expect(state.work.order.steps.length).toBeGreaterThan(15);
		expect(state.unsent).toHaveLength(1);
	});

	it('takes an entry back that the server refuses, and says why', async () => {
		const { state, confirmed } = jobOnScreen('2026-0260');
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 409, title: 'Signed' } });
		const refusal = await state.keep('rust', 'car', { grade: 'heavy' });
		expect(refusal).toMatchObject({ title: 'Signed' });
		expect(outbox.entries).toEqual([]);
		expect(state.record).toEqual(confirmed);
	});

	it('is told by a form, which says why it was not taken', async () => {
		const { state } = jobOnScreen('2026-0260');
		const form = new EntryInput(state);
		expect(await form.send('offset', 'front', { offset: '-316 mm' })).toBe(false);
		expect(form.refusal).toMatchObject({ faults: [{ field: 'offset' }] });
		expect(await form.send('head', 'car', { complaint: 'Knocks' })).toBe(true);
		expect([form.refusal, form.busy]).toEqual([undefined, false]);
		expect(state.record.complaint).toBe('Knocks');
	});
});

describe('what others write', () => {
	const next = (entries: readonly Entry[], seq: number): Entry => ({
		...(entries[0] as Entry<'opened'>),
		kind: 'head',
		subject: 'complaint',
		id: `head-${seq}`,
		seq,
		data: { complaint: `Complaint ${seq}` }
	});

	it('is taken where it follows what is here, without asking', async () => {
		const { state, loaded } = jobOnScreen('2026-0268');
		const seq = loaded.entries.length + 1;
		expect(await state.take([next(loaded.entries, seq)])).toBe(true);
		expect(state.record.complaint).toBe(`Complaint ${seq}`);
		// Told twice is once.
		expect(await state.take([next(loaded.entries, seq)])).toBe(true);
		expect(state.seq).toBe(seq);
		expect(call).not.toHaveBeenCalled();
	});

	it('is asked for where something between was missed, and only that', async () => {
		const { state, loaded } = jobOnScreen('2026-0268');
		const seq = loaded.entries.length;
		const missed = [next(loaded.entries, seq + 1), next(loaded.entries, seq + 2)];
		call.mockResolvedValueOnce({ ok: true, value: { entries: missed } });
		expect(await state.take([missed[1]!])).toBe(true);
		expect(call).toHaveBeenCalledExactlyOnceWith('GET', `/jobs/${loaded.id}/entries?after=${seq}`);
		expect(state.seq).toBe(seq + 2);
	});

	it('is asked for at once where the server refused because of it', async () => {
		const { state, loaded } = jobOnScreen('2026-0268');
		const seq = loaded.entries.length;
		call
			.mockResolvedValueOnce({ ok: false, refusal: { status: 409, title: 'Meanwhile' } })
			.mockResolvedValueOnce({ ok: true, value: { entries: [next(loaded.entries, seq + 1)] } });
		await state.tell('reading', 'FL', reading('365'));
		await vi.waitFor(() => expect(state.seq).toBe(seq + 1));
		expect(call).toHaveBeenLastCalledWith('GET', `/jobs/${loaded.id}/entries?after=${seq}`);
	});

	it('leaves the book as it is known while the server is away', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		expect(await state.reload()).toBe(false);
		expect(state.record).toEqual(confirmed);
	});
});
