import { afterEach, expect, it, vi } from 'vitest';
import { noSensor, PhoneMotion } from './phone-motion.svelte';

class Motion extends Event {
	static requestPermission: undefined | (() => Promise<string>);
	readonly accelerationIncludingGravity: { x: number | null; y: number | null; z: number | null };
	constructor(x: number | null, y: number | null, z: number | null, timeStamp: number) {
		super('devicemotion');
		this.accelerationIncludingGravity = { x, y, z };
		Object.defineProperty(this, 'timeStamp', { value: timeStamp });
	}
}
const here = () => {
	vi.stubGlobal('isSecureContext', true);
	vi.stubGlobal('DeviceMotionEvent', Motion);
};
afterEach(() => {
	vi.unstubAllGlobals();
	Motion.requestPermission = undefined;
});

it('says where there is none, and why', async () => {
	vi.stubGlobal('isSecureContext', false);
	expect(noSensor()).toContain('https');
	const motion = new PhoneMotion();
	await motion.start();
	expect(motion.running).toBe(false);
	expect(motion.fault).toContain('https');
	vi.stubGlobal('isSecureContext', true);
	vi.stubGlobal('DeviceMotionEvent', undefined);
	expect(noSensor()).toContain('no motion sensor');
});

it('is not allowed', async () => {
	here();
	Motion.requestPermission = () => Promise.resolve('denied');
	const motion = new PhoneMotion();
	await motion.start();
	expect(motion.running).toBe(false);
	expect(motion.fault).toContain('not allowed');
});

it('keeps what it feels from start to stop, in the order of time; nothing is nothing', async () => {
	here();
	const told = vi.fn();
	const motion = new PhoneMotion(told);
	await motion.start();
	dispatchEvent(new Motion(null, null, null, 900));
	dispatchEvent(new Motion(0, 1, 9.7, 1000));
	dispatchEvent(new Motion(0, 2, 9.6, 1000));
	dispatchEvent(new Motion(0, 3, 9.5, 1500));
	motion.stop();
	dispatchEvent(new Motion(0, 4, 9.4, 2000));
	expect(motion.samples.map(({ y }) => y)).toEqual([1, 3]);
	expect(motion.seconds).toBe(0.5);
	expect(told).toHaveBeenCalledTimes(2);
});
