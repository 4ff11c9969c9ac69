import { beforeEach, describe, expect, it, vi } from 'vitest';
import { away, demoJob, jobOnScreen } from '../../../tests/client/job-on-screen.svelte';
import { outbox } from './outbox.svelte';

const call = vi.hoisted(() => vi.fn());
vi.mock('./api', async (original) => ({ ...(await original<object>()), call }));
vi.mock('./refresh', () => ({ refresh: () => Promise.resolve(true) }));

beforeEach(() => {
	call.mockReset().mockResolvedValue(away);
});

describe('the job on this screen', () => {
	it('is the server’s own where nothing is on its way', () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		expect(state.record).toBe(confirmed);
		expect(state.unsent).toEqual([]);
		expect(state.personName('nobody')).toBe('');
		expect(state.personName(confirmed.people[0]!.id)).toBe(confirmed.people[0]!.name);
	});

	it('holds a reading that is on its way, in millimetres, as read by who is signed in', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		await outbox.add(`/jobs/${confirmed.id}/readings`, {
			id: 'r1',
			phase: 'after',
			corner: 'FL',
			school: 'hub-to-arch',
			height: '14 3/8 in',
			takenAt: '2026-11-24T10:00:00.000Z'
		});
		const added = state.record.readings.at(-1)!;
		expect(added).toMatchObject({
			id: 'r1',
			phase: 'after',
			entered: '14 3/8 in',
			personId: 'person-1',
			withdrawn: false,
			correctsId: null
		});
		expect(added.heightMm).toBeCloseTo(14.375 * 25.4, 9);
		expect(state.unsent).toEqual(['r1']);
		expect(state.view.readings.after.FL.some(({ id }) => id === 'r1')).toBe(true);
	});

	it('holds it once, also when the server tells of it before it answers', async () => {
		const { state, confirmed, told } = jobOnScreen('2026-0268');
		const reading = {
			id: 'r1',
			phase: 'after' as const,
			corner: 'FL' as const,
			school: 'hub-to-arch' as const,
			height: '365',
			takenAt: '2026-11-24T10:00:00.000Z'
		};
		await outbox.add(`/jobs/${confirmed.id}/readings`, reading);
		const mine = state.record.readings.at(-1)!;
		told({ ...confirmed, readings: [...confirmed.readings, { ...mine, personId: 'server' }] });
		const same = state.record.readings.filter(({ id }) => id === 'r1');
		expect(same).toHaveLength(1);
		expect(same[0]!.personId).toBe('server');
	});

	it('does not show what the server refused, nor what belongs to another job', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 422, title: 'No' } });
		await outbox.add(`/jobs/${confirmed.id}/readings`, { id: 'r1', height: '365' });
		await outbox.add('/jobs/another/readings', { id: 'r2', height: '365' });
		expect(state.record).toBe(confirmed);
	});

	it('judges rubber tightened at a height before the server does', async () => {
		const { state, confirmed } = jobOnScreen('2026-0262');
		const bush = confirmed.joints.find(
			({ kind, rule }) => kind === 'bonded-bush' && rule === 'ride-height'
		)!;
		const target = state.view.corners[bush.corner].target!.heightMm;
		await outbox.add(`/jobs/${confirmed.id}/torques`, {
			id: 't1',
			jointId: bush.id,
			action: 0,
			torque: `${bush.torqueNm} N·m`,
			carState: 'loaded',
			method: 'jack-to-height',
			hubToArch: `${target} mm`,
			takenAt: '2026-11-24T10:00:00.000Z'
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
		const { state, confirmed } = jobOnScreen('2026-0262');
		await outbox.add(`/jobs/${confirmed.id}/loadings`, {
			id: 'l1',
			corner: 'FL',
			method: 'jack-to-height',
			hubToArch: '36.5 cm',
			oppositeBefore: '400 mm',
			takenAt: '2026-11-24T10:00:00.000Z'
		});
		expect(state.record.loadings.at(-1)).toMatchObject({
			hubToArchMm: 365,
			oppositeBeforeMm: 400,
			oppositeNowMm: null
		});
	});
});

describe('the book of the work', () => {
	it('shows an entry at once, and the steps it makes', async () => {
		const { state } = jobOnScreen('2026-0260');
		expect(state.work.order.steps).toEqual([]);
		expect(
			await state.keep('scope', 'front', { damper: true, spring: false, bushes: false })
		).toBeUndefined();
		expect(state.work.order.steps.length).toBeGreaterThan(20);
		expect(state.unsent).toHaveLength(1);
	});

	it('takes an entry back that the server refuses, and says why', async () => {
		const { state, confirmed } = jobOnScreen('2026-0260');
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 409, title: 'Signed' } });
		const refusal = await state.keep('rust', 'car', { grade: 'heavy' });
		expect(refusal).toMatchObject({ title: 'Signed' });
		expect(outbox.entries).toEqual([]);
		expect(state.record).toBe(confirmed);
	});
});

describe('asking the server again', () => {
	it('takes its record', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		const fresh = { ...confirmed, complaint: 'Knocks and leans' };
		call.mockResolvedValueOnce({ ok: true, value: fresh });
		expect(await state.reload()).toBe(true);
		expect(state.record.complaint).toBe('Knocks and leans');
	});

	it('keeps the record as it is known while the server is away', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		expect(await state.reload()).toBe(false);
		expect(state.record).toBe(confirmed);
	});

	it('takes no other job for this one', async () => {
		const { state, confirmed } = jobOnScreen('2026-0268');
		call.mockResolvedValueOnce({ ok: true, value: demoJob('2026-0262') });
		await state.reload();
		expect(state.record).toBe(confirmed);
	});
});
