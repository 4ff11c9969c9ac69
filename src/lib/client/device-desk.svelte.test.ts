import { beforeEach, expect, it, vi } from 'vitest';
import { DeviceDesk } from './device-desk.svelte';

const call = vi.hoisted(() => vi.fn());
vi.mock('./api', () => ({ call }));

beforeEach(() => {
	sessionStorage.clear();
	call.mockReset();
});
const gauge = {
	id: 'g-1',
	kind: 'height-gauge',
	name: 'Height gauge',
	active: true,
	connected: true
};
const off = { ...gauge, id: 'g-2', active: false };
const reading = (id: string, state = 'held') => ({ id, state, reading: { kind: 'height' } });
const answer = (readings: object[]) => (_: string, path: string) =>
	Promise.resolve({
		ok: true,
		value: path === '/devices' ? { devices: [gauge, off] } : { readings }
	});

it('knows the devices that are switched on, and the readings that wait', async () => {
	call.mockImplementation(answer([reading('r-1'), reading('r-2', 'placed')]));
	const desk = new DeviceDesk('j-1');
	await desk.reload();
	expect(desk.devices.map(({ id }) => id)).toEqual(['g-1']);
	expect(desk.held.map(({ id }) => id)).toEqual(['r-1']);
	expect(desk.heard('height-gauge')).toBeUndefined();
	desk.listen('g-1', true);
	expect(desk.heard('height-gauge')?.id).toBe('g-1');
});

it('keeps the newest answer, whichever arrives last', async () => {
	const desk = new DeviceDesk('j-1');
	let late: (value: unknown) => void = () => {};
	call.mockImplementation((_: string, path: string) =>
		path === '/devices'
			? Promise.resolve({ ok: true, value: { devices: [gauge] } })
			: new Promise((done) => (late = done))
	);
	const first = desk.reload();
	const arrive = late;
	call.mockImplementation(answer([reading('r-2')]));
	await desk.reload();
	arrive({ ok: true, value: { readings: [reading('r-1')] } });
	await first;
	expect(desk.held.map(({ id }) => id)).toEqual(['r-2']);
});

it('listens over a reload, and takes its question back when it no longer does', async () => {
	call.mockResolvedValue({ ok: true, value: {} });
	new DeviceDesk('j-1').listen('g-1', true);
	const after = new DeviceDesk('j-1');
	expect(after.listening).toEqual(['g-1']);
	after.listen('g-1', false);
	expect(call).toHaveBeenCalledExactlyOnceWith('PUT', '/devices/g-1/task', null);
	await after.ask('g-1', { kind: 'height', corner: 'FL' });
	expect(call).toHaveBeenLastCalledWith('PUT', '/devices/g-1/task', {
		kind: 'height',
		corner: 'FL',
		jobId: 'j-1'
	});
});
