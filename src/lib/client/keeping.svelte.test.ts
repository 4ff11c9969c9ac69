/** What a page keeps on this device, and how it follows a job. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DeviceDesk } from './device-desk.svelte';
import { followJob } from './follow';

const call = vi.hoisted(() => vi.fn());
vi.mock('./api', () => ({ call }));

beforeEach(() => {
	sessionStorage.clear();
	call.mockReset().mockResolvedValue({ ok: true, value: {} });
});

describe('the desk of the devices', () => {
	const wrench = { id: 'w', kind: 'wrench', active: true, connected: true };
	const gauge = { id: 'g', kind: 'height-gauge', active: false, connected: false };

	it('knows the devices in use, and readings nobody has placed', async () => {
		call.mockImplementation((_: string, path: string) =>
			Promise.resolve({
				ok: true,
				value:
					path === '/devices'
						? { devices: [wrench, gauge] }
						: {
								readings: [
									{ id: 'r1', state: 'held' },
									{ id: 'r2', state: 'placed' }
								]
							}
			})
		);
		const desk = new DeviceDesk('job');
		await desk.reload();
		expect(desk.devices.map(({ id }) => id)).toEqual(['w']);
		expect(desk.held.map(({ id }) => id)).toEqual(['r1']);
		expect(call.mock.calls.map((sent) => sent[1] as string)).toEqual([
			'/devices',
			'/jobs/job/device-readings'
		]);
	});

	it('keeps what it knew while the server is away', async () => {
		const desk = new DeviceDesk('job');
		desk.devices = [wrench as never];
		call.mockResolvedValue({ ok: false, refusal: { status: 0, title: '' } });
		await desk.reload();
		expect(desk.devices).toHaveLength(1);
	});

	it('listens to a device over a reload, and takes its question back when told', () => {
		const desk = new DeviceDesk('job');
		desk.devices = [wrench as never];
		expect(desk.heard('wrench')).toBeUndefined();
		desk.listen('w', true);
		desk.listen('w', true);
		expect(desk.listening).toEqual(['w']);
		expect(desk.heard('wrench')).toMatchObject({ id: 'w' });
		expect(desk.heard('height-gauge')).toBeUndefined();
		expect(new DeviceDesk('job').listening).toEqual(['w']);
		desk.listen('w', false);
		expect(call).toHaveBeenCalledExactlyOnceWith('PUT', '/devices/w/task', null);
		expect(new DeviceDesk('job').listening).toEqual([]);
	});

	it('asks for the next reading of this job, and again before the question lapses', () => {
		vi.useFakeTimers();
		const desk = new DeviceDesk('job');
		const end = desk.keepAsking(() => void desk.ask('w', { jointId: 'j' }));
		expect(call).toHaveBeenCalledExactlyOnceWith('PUT', '/devices/w/task', {
			jointId: 'j',
			jobId: 'job'
		});
		vi.advanceTimersByTime(5 * 60_000);
		expect(call).toHaveBeenCalledTimes(2);
		end();
		vi.advanceTimersByTime(60 * 60_000);
		expect(call).toHaveBeenCalledTimes(2);
		vi.useRealTimers();
	});
});

describe('following a job', () => {
	/** The stream of events that was opened last. */
	let stream: FakeStream | undefined;
	class FakeStream extends EventTarget {
		static readonly OPEN = 1;
		readyState = 1;
		closed = false;
		constructor(readonly url: string) {
			super();
			// eslint-disable-next-line @typescript-eslint/no-this-alias -- the test is the other end of the line
			stream = this;
		}
		close() {
			this.closed = true;
		}
	}
	const see = (state: 'visible' | 'hidden') => {
		vi.spyOn(document, 'visibilityState', 'get').mockReturnValue(state);
		document.dispatchEvent(new Event('visibilitychange'));
	};

	beforeEach(() => {
		vi.useFakeTimers();
		stream = undefined;
		vi.stubGlobal('EventSource', FakeStream);
		vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('visible');
	});
	afterEach(() => {
		vi.useRealTimers();
		vi.unstubAllGlobals();
		vi.restoreAllMocks();
	});

	const ears = () => ({ entries: vi.fn(), device: vi.fn(), ask: vi.fn() });

	it('hears what was written, and when a device has sent, and asks for nothing then', () => {
		const heard = ears();
		const end = followJob('job', heard);
		expect(stream!.url).toBe('/api/v1/jobs/job/events');
		const written = [{ seq: 4, id: 'a' }];
		stream!.dispatchEvent(new MessageEvent('entries', { data: JSON.stringify(written) }));
		expect(heard.entries).toHaveBeenCalledExactlyOnceWith(written);
		stream!.dispatchEvent(new MessageEvent('device', { data: 'reading-1' }));
		expect(heard.device).toHaveBeenCalledTimes(1);
		expect(heard.ask).not.toHaveBeenCalled();
		end();
	});

	it('asks by itself now and then, more often where the stream is held up', () => {
		const heard = ears();
		const end = followJob('job', heard);
		vi.advanceTimersByTime(29_000);
		expect(heard.ask).not.toHaveBeenCalled();
		vi.advanceTimersByTime(2_000);
		expect(heard.ask).toHaveBeenCalledTimes(1);
		stream!.readyState = 0;
		vi.advanceTimersByTime(31_000);
		heard.ask.mockClear();
		vi.advanceTimersByTime(13_000);
		expect(heard.ask).toHaveBeenCalledTimes(2);
		end();
	});

	it('lets go of the stream while the page is not seen, and asks when it is seen again', () => {
		const heard = ears();
		const end = followJob('job', heard);
		const before = stream!;
		see('hidden');
		expect(before.closed).toBe(true);
		vi.advanceTimersByTime(120_000);
		expect(heard.ask).not.toHaveBeenCalled();
		see('visible');
		expect(stream).not.toBe(before);
		stream!.dispatchEvent(new Event('open'));
		expect(heard.ask).toHaveBeenCalledTimes(1);
		end();
	});

	it('ends with the page', () => {
		const heard = ears();
		const end = followJob('job', heard);
		end();
		expect(stream!.closed).toBe(true);
		see('visible');
		vi.advanceTimersByTime(120_000);
		expect(heard.ask).not.toHaveBeenCalled();
	});
});
