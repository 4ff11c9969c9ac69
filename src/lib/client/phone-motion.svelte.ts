/** The motion sensor of the phone that this page is on. */
import type { MotionSample } from '$core/instrument/phone';

/** What a browser that asks its user first has beside the event. */
interface Asking {
	requestPermission?: () => Promise<'granted' | 'denied'>;
}

/** Why there is no sensor here; undefined where there may be one: that shows once it is started. */
export function noSensor(): string | undefined {
	if (!globalThis.isSecureContext) {
		return 'Browsers give their sensors to secure pages only: open this one by https, as ./vane start --lan serves it.';
	}
	if (typeof globalThis.DeviceMotionEvent !== 'function') {
		return 'This browser has no motion sensor: use a phone, or type what another instrument shows.';
	}
	return undefined;
}

export class PhoneMotion {
	/** Since it was started. */
	samples = $state.raw<readonly MotionSample[]>([]);
	running = $state(false);
	/** Why it could not be started. */
	fault = $state<string>();
	readonly #onsample: (samples: readonly MotionSample[]) => void;

	/** @param onsample told with every sample what there is since it was started */
	constructor(onsample: (samples: readonly MotionSample[]) => void = () => {}) {
		this.#onsample = onsample;
	}

	get seconds(): number {
		return (this.samples.at(-1)?.timeS ?? 0) - (this.samples[0]?.timeS ?? 0);
	}

	/** Call it in answer to a touch: some browsers ask their user then. */
	async start(): Promise<void> {
		this.fault = noSensor();
		if (this.fault) return;
		const asking = DeviceMotionEvent as unknown as Asking;
		if ((await asking.requestPermission?.()) === 'denied') {
			this.fault =
				'The phone was not allowed to read its sensor: allow it in the browser’s settings.';
			return;
		}
		this.samples = [];
		this.running = true;
		addEventListener('devicemotion', this.#sample);
	}

	stop(): void {
		removeEventListener('devicemotion', this.#sample);
		this.running = false;
	}

	readonly #sample = ({ accelerationIncludingGravity: felt, timeStamp }: DeviceMotionEvent) => {
		// A computer without a sensor sends one event with nothing in it.
		if (felt?.x == null || felt.y == null || felt.z == null) return;
		const sample = { timeS: timeStamp / 1000, x: felt.x, y: felt.y, z: felt.z };
		if (sample.timeS <= (this.samples.at(-1)?.timeS ?? -Infinity)) return;
		this.samples = [...this.samples, sample];
		this.#onsample(this.samples);
	};
}
