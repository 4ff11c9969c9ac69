/**
 * What a transducer wrench sees at a screwed joint: run-down, parts that meet, elastic rise, yield; rubber
 * that is wound at its own rate; a wrench that takes up what the joint holds, is ratcheted back, rests, begins
 * at a threshold. A model of our own for simulation; the stand-in wrench draws its traces from it.
 */

export interface SimulatedJoint {
	/** Torque at which the pull is meant to stop, run-down not included, N·m. */
	targetNm: number;
	/** Torque that the nut takes to turn before it meets anything, N·m. */
	prevailingNm: number;
	/** Free turning before snug, degrees. */
	freeDeg: number;
	/** Elastic slope, N·m per degree. */
	slopeNmPerDeg: number;
	/** Torque at which the screw begins to stretch for good, N·m. */
	yieldNm: number;
	/** Torsional rate of the rubber that the head may drag round, N·m per degree. */
	rubberNmPerDeg: number;
}

/** Metric threads: diameter, pitch, stress area (ISO 898-1, from memory). */
const threads = [
	[8, 1.25, 36.6],
	[10, 1.5, 58],
	[12, 1.75, 84.3],
	[14, 2, 115],
	[16, 2, 157],
	[18, 2.5, 192]
] as const;
const steelNPerMm2 = 205_000;
/** Torque over clamp and diameter, dry. */
const nutFactor = 0.16;

/**
 * Elastic slope of a screw of a thread, N·m/°: its own stretch over a grip of so many diameters in parts four
 * times as stiff, one turn for one pitch.
 */
export function slopeOf(askedNm: number, gripDiameters = 5): number {
	// A screw of class 8.8 at 70 % of its proof load.
	const preloadNm = (d: number, area: number) => (nutFactor * d * 0.7 * 580 * area) / 1000;
	const [d, pitch, area] =
		threads.find(([d, , area]) => preloadNm(d, area) >= askedNm) ?? threads.at(-1)!;
	const screw = (steelNPerMm2 * area) / (gripDiameters * d);
	const both = 0.8 * screw;
	return (both * pitch * nutFactor * d) / 360 / 1000;
}

/** A joint of metal on metal, pulled until the wrench shows what was asked. */
export function soundJoint(askedNm: number, prevailingNm = 0.02 * askedNm): SimulatedJoint {
	const targetNm = askedNm - prevailingNm;
	return {
		targetNm,
		prevailingNm,
		freeDeg: 150,
		slopeNmPerDeg: slopeOf(askedNm),
		yieldNm: 1.8 * targetNm,
		rubberNmPerDeg: 1.3
	};
}

export const behaviours = {
	good: 'A good pull',
	early: 'Stopped early',
	over: 'Pulled too far',
	'cross-thread': 'Cross-threaded',
	rubber: 'Rubber winds, sleeve not clamped',
	'stick-slip': 'Sticks and slips',
	yield: 'The screw stretches',
	again: 'A second pass on a tight joint',
	ratchet: 'In strokes of a ratchet',
	pause: 'With a rest in the middle',
	slackened: 'Torqued, slackened, torqued again',
	'wrong-joint': 'At another joint than asked',
	battery: 'Battery dies in the pull',
	duplicate: 'Reported twice',
	reconnect: 'Line drops before the answer',
	'out-of-order': 'Reported out of order'
} as const;
export type Behaviour = keyof typeof behaviours;

export interface Pull {
	angleDeg: number[];
	torqueNm: number[];
	complete: boolean;
}

/** How a wrench sends what it sees. */
export interface Sending {
	/** Degrees from one point to the next. */
	stepDeg?: number;
	/** Standard deviation of a reading over the target. */
	noiseShare?: number;
	/** Torque at which it begins to send, N·m; 0: from the first turn. */
	thresholdNm?: number;
	/** Its angle runs back when it is ratcheted; else it stands. */
	runsBack?: boolean;
}

/** Mulberry32: the same numbers for the same seed, 0 to 1. */
export function randomOf(seed: number): () => number {
	let state = seed >>> 0;
	return () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = state;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
	};
}

/** A wrench on a joint: it turns, rests and is set back, and writes down what it sees. */
class Wrench {
	readonly angleDeg: number[] = [];
	readonly torqueNm: number[] = [];
	readonly #joint: SimulatedJoint;
	readonly #how: Required<Sending>;
	readonly #random: () => number;
	/** Where the nut is, and the wrench's own angle. */
	nutDeg = 0;
	#shownDeg = 0;
	/** Rubber is wound from snug on instead of metal. */
	rubber = false;
	/** The thread binds: so much more torque for every degree of the run-down. */
	bindsNmPerDeg = 0;
	#awake: boolean;

	constructor(joint: SimulatedJoint, how: Required<Sending>, random: () => number) {
		this.#joint = joint;
		this.#how = how;
		this.#random = random;
		this.#awake = how.thresholdNm === 0;
	}

	/** Torque at which the nut turns forward, where it is. */
	resistsNm(nutDeg = this.nutDeg): number {
		const { prevailingNm, freeDeg, slopeNmPerDeg, yieldNm, rubberNmPerDeg } = this.#joint;
		const binds = this.bindsNmPerDeg * Math.min(nutDeg, freeDeg);
		const past = nutDeg - freeDeg;
		if (this.rubber) return prevailingNm + binds + Math.max(0, past) * rubberNmPerDeg;
		// The parts meet over some degrees: the slope comes in smoothly.
		const soft = 8;
		const elastic =
			past <= -soft
				? 0
				: past < soft
					? (slopeNmPerDeg * (past + soft) ** 2) / (4 * soft)
					: slopeNmPerDeg * past;
		return (
			prevailingNm + binds + (elastic <= yieldNm ? elastic : yieldNm + (elastic - yieldNm) / 6)
		);
	}

	#write(torque: number): void {
		if (!this.#awake && torque < this.#how.thresholdNm) return;
		this.#awake = true;
		// Sum of twelve: normal enough for a reading.
		let normal = -6;
		for (let i = 0; i < 12; i++) normal += this.#random();
		const read = torque + normal * this.#how.noiseShare * this.#joint.targetNm;
		this.angleDeg.push(round(this.#shownDeg, 2));
		this.torqueNm.push(round(Math.max(torque < 0 ? -1e9 : 0, read), 3));
	}

	/** Turns the nut until it resists with a torque, or by an angle. */
	turn(until: { nm?: number; byDeg?: number }, slip?: (deg: number) => number): void {
		const from = this.nutDeg;
		for (let guard = 0; guard < 20_000; guard++) {
			const now = this.resistsNm();
			if (until.nm !== undefined && now >= until.nm) break;
			if (until.byDeg !== undefined && this.nutDeg - from >= until.byDeg - 1e-9) break;
			this.#write(now - (slip?.(this.nutDeg) ?? 0));
			let step = this.#how.stepDeg;
			if (until.byDeg !== undefined) step = Math.min(step, from + until.byDeg - this.nutDeg);
			if (until.nm !== undefined && this.resistsNm(this.nutDeg + step) > until.nm)
				step = this.#degreesTo(until.nm, step);
			this.nutDeg += step;
			this.#shownDeg += step;
		}
		this.#write(this.resistsNm());
	}

	#degreesTo(nm: number, most: number): number {
		let [low, high] = [0, most];
		for (let i = 0; i < 30; i++) {
			const middle = (low + high) / 2;
			if (this.resistsNm(this.nutDeg + middle) < nm) low = middle;
			else high = middle;
		}
		return high;
	}

	/** Lets go and sets the wrench back; the nut stays where it is. */
	setBack(byDeg: number): void {
		const held = this.resistsNm();
		for (const share of [0.6, 0.15]) this.#write(share * held);
		if (!this.#how.runsBack) return;
		for (let gone = 0; gone < byDeg; gone += this.#how.stepDeg) {
			this.#shownDeg -= this.#how.stepDeg;
			this.#write(0);
		}
		this.#shownDeg += byDeg;
	}

	/** Takes up what the joint holds, over some degrees of the wrench's own give, and a little more to break it loose. */
	takeUp(breaks: number): void {
		const held = this.resistsNm();
		const give = 1.5 + 2.5 * this.#random();
		const points = Math.max(2, Math.round(give / this.#how.stepDeg));
		const start = this.#shownDeg - (this.#how.runsBack ? give : 0);
		for (let i = 1; i <= points; i++) {
			this.#shownDeg = start + (give * i) / points;
			this.#write((held * (1 + breaks) * i) / points);
		}
	}

	/** Holds on without turning: the torque sinks a little. */
	rest(): void {
		const held = this.resistsNm();
		for (const share of [0.96, 0.93, 0.92, 0.94]) this.#write(share * held);
	}

	/** Turns the nut back. */
	slacken(byDeg: number): void {
		for (let gone = 0; gone < byDeg; gone += 2 * this.#how.stepDeg) {
			this.#write(gone < 20 ? -0.4 * this.#joint.targetNm * (1 - gone / 20) : 0);
			this.nutDeg -= 2 * this.#how.stepDeg;
			this.#shownDeg -= 2 * this.#how.stepDeg;
		}
	}
}

/** One pull at a joint. */
export function pull(
	joint: SimulatedJoint,
	behaviour: Behaviour,
	seed: number,
	sending: Sending = {}
): Pull {
	const random = randomOf(seed);
	const how = { stepDeg: 0.5, noiseShare: 0.002, thresholdNm: 0, runsBack: false, ...sending };
	const { targetNm, prevailingNm, freeDeg } = joint;
	const change: Partial<SimulatedJoint> =
		behaviour === 'yield'
			? { yieldNm: 0.65 * targetNm }
			: behaviour === 'cross-thread'
				? { freeDeg: Math.max(300, joint.freeDeg) }
				: {};
	const wrench = new Wrench({ ...joint, ...change }, how, random);
	const end = targetNm + prevailingNm;
	const breaks = 0.03 + 0.08 * random();
	let held: number;
	switch (behaviour) {
		case 'early':
			wrench.turn({ nm: 0.78 * end });
			break;
		case 'over':
			wrench.turn({ nm: 1.2 * end });
			break;
		case 'battery':
			wrench.turn({ nm: 0.55 * end });
			break;
		case 'cross-thread':
			wrench.bindsNmPerDeg = (0.25 * targetNm) / Math.max(300, freeDeg);
			wrench.turn({ nm: end });
			break;
		case 'rubber':
			wrench.rubber = true;
			wrench.turn({ nm: end });
			break;
		case 'stick-slip':
			// It sticks, and slips a few degrees on at less.
			wrench.turn({ nm: end }, (deg) =>
				wrench.resistsNm() > 0.3 * end && (deg / 4) % 1 > 0.5
					? 0.14 * end + 2 * joint.slopeNmPerDeg
					: 0
			);
			break;
		case 'again':
			// It holds nearly all of it; the wrench stops where it shows what is asked.
			held = (0.8 + 0.2 * random()) * end;
			wrench.nutDeg = freeDeg - 8;
			while (wrench.resistsNm() < held) wrench.nutDeg += 0.1;
			wrench.takeUp(Math.min(breaks, end / held - 1));
			wrench.turn({ nm: end });
			break;
		case 'ratchet':
			for (const share of [0.3, 0.62]) {
				wrench.turn({ nm: share * end });
				wrench.setBack(25);
				wrench.takeUp(0.02);
			}
			wrench.turn({ nm: end });
			break;
		case 'pause':
			wrench.turn({ nm: 0.55 * end });
			wrench.rest();
			wrench.turn({ nm: end });
			break;
		case 'slackened':
			wrench.turn({ nm: end });
			wrench.slacken(60);
			wrench.turn({ nm: end });
			break;
		default:
			wrench.turn({ nm: end });
	}
	const { angleDeg, torqueNm } = wrench;
	return { angleDeg, torqueNm, complete: behaviour !== 'battery' };
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));
