/** Pulls over threads, rubber, thresholds, point spacing and noise as shops have them, and what the core says of each. */
import { torqueTrace, type TraceResult } from '../src/core/fastener/trace/read.ts';
import { pull, randomOf, slopeOf, soundJoint, type Behaviour } from './joint-model.ts';

const sound = ['good', 'again', 'ratchet', 'pause', 'slackened'] as const;
const bad = ['early', 'over', 'cross-thread', 'rubber', 'stick-slip', 'yield'] as const;

export interface ToldPull {
	behaviour: Behaviour;
	is: 'sound' | 'bad';
	/** Rubber was in question. */
	rubber: boolean;
	verdict: TraceResult['verdict'];
}

/** @param count pulls drawn; those of fewer than five points are left out */
export function pullsAtRandom(count: number, seed: number): ToldPull[] {
	const random = randomOf(seed);
	const between = (low: number, high: number) => low + (high - low) * random();
	const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
	const told: ToldPull[] = [];
	for (let i = 0; i < count; i++) {
		const behaviour: Behaviour = random() < 0.5 ? one(sound) : one(bad);
		const askedNm = one([25, 50, 85, 110, 130, 160, 200]);
		const prevailingNm = one([0, 0.01 * askedNm, between(2, 8)]);
		const slope = slopeOf(askedNm, between(3, 8));
		const joint = {
			...soundJoint(askedNm, prevailingNm),
			targetNm: askedNm,
			yieldNm: 1.8 * askedNm,
			slopeNmPerDeg: slope,
			// A thread that binds is seen where it turns long enough.
			freeDeg: behaviour === 'cross-thread' ? between(250, 400) : between(30, 400),
			rubberNmPerDeg: between(1, 2)
		};
		const { angleDeg, torqueNm } = pull(joint, behaviour, 7 * i + seed, {
			// What slips within a degree or two is not seen every five.
			stepDeg: behaviour === 'stick-slip' ? one([0.2, 0.5, 1]) : one([0.2, 0.5, 1, 2, 3, 5]),
			noiseShare: one([0.001, 0.003, 0.006, 0.01]),
			thresholdNm:
				behaviour === 'cross-thread'
					? one([0, 5])
					: one([0, 0, 5, 10, Math.min(20, 0.3 * askedNm)]),
			runsBack: random() < 0.5
		});
		const rubber = behaviour === 'rubber' || random() < 0.3;
		const programme = {
			targetNm: askedNm,
			...((prevailingNm > 0.05 * askedNm || random() < 0.5) && { prevailingNm }),
			...(random() < 0.6 && { slopeNmPerDeg: slope * Math.exp(between(-0.25, 0.25)) }),
			...(rubber && { rubberNmPerDeg: joint.rubberNmPerDeg * Math.exp(between(-0.3, 0.3)) })
		};
		const found = torqueTrace({ angleDeg, torqueNm, programme });
		if (!found.ok) continue;
		told.push({
			behaviour,
			is: (sound as readonly string[]).includes(behaviour) ? 'sound' : 'bad',
			rubber,
			verdict: found.value.verdict
		});
	}
	return told;
}
