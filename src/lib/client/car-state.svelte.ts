/** How the car stands at one corner, as last said on this device; kept over a reload. */
import type { CarState, LoadMethod } from '$core/procedure/facts';
import type { Corner } from '$core/height/corners';

export class StandingCar {
	carState = $state<CarState>('hanging');
	method = $state<LoadMethod>('on-wheels');
	hubToArch = $state('');
	readonly #key: string;

	constructor(jobId: string, corner: Corner) {
		this.#key = `vane-car-${jobId}-${corner}`;
		try {
			const kept = JSON.parse(sessionStorage.getItem(this.#key) ?? '{}') as Partial<StandingCar>;
			this.carState = kept.carState ?? 'hanging';
			this.method = kept.method ?? 'on-wheels';
			this.hubToArch = kept.hubToArch ?? '';
		} catch {
			// Nothing kept, or no storage: the car hangs.
		}
	}

	keep(): void {
		const { carState, method, hubToArch } = this;
		sessionStorage.setItem(this.#key, JSON.stringify({ carState, method, hubToArch }));
	}
}
