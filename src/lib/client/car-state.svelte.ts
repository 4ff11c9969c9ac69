/** How the car stands at one corner, as last said on this device; kept over a reload. */
import type { Corner } from '$core/height/corners';
import type { CarState, LoadMethod } from '$core/procedure/facts';

export type Stance = 'hanging' | LoadMethod;

/** How a corner stands while something is tightened there. */
export interface Standing {
	readonly stance: Stance;
	readonly carState: CarState;
	readonly method: LoadMethod | undefined;
	/** Hub to arch, as typed or with its unit. */
	readonly hubToArch: string;
}

export class StandingCar implements Standing {
	stance = $state<Stance>('hanging');
	/** Hub to arch at this corner, as typed. */
	hubToArch = $state('');
	readonly #key: string;

	constructor(jobId: string, corner: Corner) {
		this.#key = `vane-car-${jobId}-${corner}`;
		try {
			const kept = JSON.parse(sessionStorage.getItem(this.#key) ?? '{}') as Partial<StandingCar>;
			this.stance = kept.stance ?? 'hanging';
			this.hubToArch = kept.hubToArch ?? '';
		} catch {
			// Nothing kept, or no storage: the car hangs.
		}
	}

	get carState(): CarState {
		return this.stance === 'hanging' ? 'hanging' : 'loaded';
	}

	get method(): LoadMethod | undefined {
		return this.stance === 'hanging' ? undefined : this.stance;
	}

	keep(): void {
		sessionStorage.setItem(
			this.#key,
			JSON.stringify({ stance: this.stance, hubToArch: this.hubToArch })
		);
	}
}
