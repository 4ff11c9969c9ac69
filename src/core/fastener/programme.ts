/** One step of a tightening programme, as data. */
export type ProgrammeStep =
	| { kind: 'torque'; torqueNm?: number }
	| { kind: 'angle'; angleDeg: number; toleranceDeg?: number }
	| { kind: 'slacken'; angleDeg: number }
	| { kind: 'castle'; lowNm?: number; highNm: number; slotDeg: 30 | 60 }
	| { kind: 'cushion'; to: 'washer-edge' | 'shoulder' };

export interface Programme {
	steps: readonly ProgrammeStep[];
	/** Fasteners tightened in a star, in how many passes; one fastener if absent. */
	pattern?: { fasteners: 3 | 4 | 5 | 6 | 8; passes: 1 | 2 };
	/** Torque the nut takes to turn before it meets anything, added to every torque. */
	prevailingNm?: number;
}

/** What a person does next, in order: one entry for each fastener and pass. */
export interface Action {
	/** Counted clockwise from 0. */
	fastener: number;
	pass: number;
	step: number;
	kind: ProgrammeStep['kind'];
	/** What the wrench must show, prevailing torque included; absent for steps without a number. */
	torqueNm?: number;
	/** How far it is turned; absent for steps that end by torque. */
	angleDeg?: number;
}

/**
 * Order in which fasteners on a circle are tightened: across, so that the face sits flat. Fasteners
 * are counted clockwise from 0: common practice, no source.
 */
export function starOrder(fasteners: number): number[] {
	const orders: Record<number, number[]> = {
		3: [0, 1, 2],
		4: [0, 2, 1, 3],
		5: [0, 2, 4, 1, 3],
		6: [0, 3, 1, 4, 2, 5],
		8: [0, 4, 2, 6, 1, 5, 3, 7]
	};
	return orders[fasteners] ?? Array.from({ length: fasteners }, (_, i) => i);
}

/** First pass of a two-pass star: half the torque, to seat the face: common practice, no source. */
const firstPassShare = 0.5;

/** Everything to be done for a programme, in order. */
export function actions({ steps, pattern, prevailingNm = 0 }: Programme): Action[] {
	const order = pattern ? starOrder(pattern.fasteners) : [0];
	const passes = pattern?.passes ?? 1;
	const list: Action[] = [];
	for (const [step, data] of steps.entries()) {
		const base = stepTorque(data);
		const angleDeg = 'angleDeg' in data ? data.angleDeg : undefined;
		const stepPasses = data.kind === 'torque' && step === 0 ? passes : 1;
		for (let pass = 0; pass < stepPasses; pass++) {
			const share = pass < stepPasses - 1 ? firstPassShare : 1;
			for (const fastener of order) {
				list.push({
					fastener,
					pass,
					step,
					kind: data.kind,
					...(base !== undefined && { torqueNm: share * base + prevailingNm }),
					...(angleDeg !== undefined && { angleDeg })
				});
			}
		}
	}
	return list;
}

function stepTorque(step: ProgrammeStep): number | undefined {
	if (step.kind === 'torque') return step.torqueNm;
	return step.kind === 'castle' ? step.lowNm : undefined;
}

/**
 * Castle nut: from the low limit forward to the next slot. Torque there from the measured slope.
 * @returns the angle to go on, the torque expected there, and whether the high limit refuses it
 */
export function castleNut(input: {
	lowNm: number;
	highNm: number;
	/** Angle from a slot to the hole when the low limit was reached, 0 to the slot pitch. */
	toNextSlotDeg: number;
	slopeNmPerDeg: number;
}): { angleDeg: number; torqueNm: number; refused: boolean } {
	const torqueNm = input.lowNm + input.toNextSlotDeg * input.slopeNmPerDeg;
	return { angleDeg: input.toNextSlotDeg, torqueNm, refused: torqueNm > input.highNm };
}
