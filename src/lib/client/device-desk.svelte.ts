/** What devices say about the job on this screen. */
import type { Device, DeviceKind, DeviceReading } from '$lib/devices/model';
import { call } from './api';

const storageKey = 'vane-listening';
const askAgainMs = 5 * 60_000;

export type ConnectedDevice = Device & { connected: boolean };

export class DeviceDesk {
	devices = $state.raw<ConnectedDevice[]>([]);
	/** Newest first; those that nobody has placed among them. */
	readings = $state.raw<DeviceReading[]>([]);
	/** Devices that are asked for what comes next; kept over a reload. */
	listening = $state<string[]>([]);
	readonly #jobId: string;
	#asked = 0;

	constructor(jobId: string) {
		this.#jobId = jobId;
		try {
			this.listening = JSON.parse(sessionStorage.getItem(storageKey) ?? '[]') as string[];
		} catch {
			// Nothing kept, or no storage: nothing is listened to.
		}
	}

	/** Asks this device from now on, or no longer. */
	listen(deviceId: string, on: boolean): void {
		const others = this.listening.filter((id) => id !== deviceId);
		this.listening = on ? [...others, deviceId] : others;
		sessionStorage.setItem(storageKey, JSON.stringify(this.listening));
		if (!on) void this.ask(deviceId, null);
	}

	/** A device of this kind that is listened to. */
	heard(kind: DeviceKind): ConnectedDevice | undefined {
		return this.devices.find(
			(device) => device.kind === kind && this.listening.includes(device.id)
		);
	}

	get held(): DeviceReading[] {
		return this.readings.filter(({ state }) => state === 'held');
	}

	/** Asks what there is. A later question's answer stands, whichever arrives last. */
	async reload(): Promise<void> {
		const asked = ++this.#asked;
		const [devices, readings] = await Promise.all([
			call<{ devices: ConnectedDevice[] }>('GET', '/devices'),
			call<{ readings: DeviceReading[] }>('GET', `/jobs/${this.#jobId}/device-readings`)
		]);
		if (asked < this.#asked) return;
		if (devices.ok) this.devices = devices.value.devices.filter(({ active }) => active);
		if (readings.ok) this.readings = readings.value.readings;
	}

	/** Asks a device for its next reading; null takes the request back. */
	async ask(deviceId: string, task: Record<string, unknown> | null): Promise<void> {
		await call('PUT', `/devices/${deviceId}/task`, task && { ...task, jobId: this.#jobId });
	}

	/**
	 * Asks now, and again while the page is open: the server lets an old question lapse.
	 * @returns ends it
	 */
	keepAsking(ask: () => void): () => void {
		ask();
		const again = setInterval(ask, askAgainMs);
		return () => clearInterval(again);
	}
}
