/**
 * How often the truth lies inside a band: truth and readings are drawn by the stated uncertainties, computed, and
 * compared. A model of our own: it tests that bands say what they claim, not that uncertainties are right.
 */
import { randomLcg, randomNormal } from 'd3-random';
import { bushSetBand } from '../bush/band';
import { bushSet, type BushSetInput } from '../bush/set';
import { accelerationBounce, bounce } from '../ride/bounce';
import { accelerationOf, heightOf, type Swing } from '../ride/swing';
import { compareHeights, usualStanceMm } from '../height/compare';
import { numbersOf, valueAt, withNumber, type Banded } from '../uncertainty/band';
import type { Computation } from './computation';

export interface Coverage {
	name: string;
	cases: number;
	/** Share of the cases in which the truth lay inside the band of each number, 0 to 1. */
	inside: ReadonlyMap<string, number>;
}

type Normal = () => number;
const normalOf = (seed: number): Normal =>
	randomNormal.source(randomLcg(seed / 4294967296 + 0.37))(0, 1);

/** Of numbers nobody has said how sure they are: a fiftieth. */
const usualShare = 0.02;

/** A computation with bands, about its own example. */
export function coverageOf(computation: Computation, cases: number, seed: number): Coverage {
	const { example } = computation;
	const run = computation.run as (input: object) => { ok: boolean; value?: Banded<object> };
	const model = computation.model as (input: object) => { ok: boolean; value?: object };
	const stated =
		(computation.usualUncertainty as ((input: object) => Record<string, number>) | undefined)?.(
			example
		) ?? usualOf(model, example);
	const normal = normalOf(seed);
	const hits = new Map<string, number>();
	let counted = 0;
	for (let drawn = 0; counted < cases && drawn < 2 * cases; drawn++) {
		const truth = model(example);
		let read: object = example;
		for (const [path, u] of Object.entries(stated))
			read = withNumber(read, path, (valueAt(example, path) as number) + u * normal());
		const told = run({ ...read, uncertainty: stated });
		if (!truth.ok) throw new Error(`${computation.name}: no answer`);
		// Readings that fit no thing of this kind are refused in words, and tell nothing of bands.
		if (!told.ok) continue;
		counted++;
		const truths = numbersOf(truth.value);
		const { expanded, ...value } = told.value!;
		const [values, halves] = [numbersOf(value), numbersOf(expanded)];
		for (const [path, half] of halves) {
			// A sequence of turns is no quantity: its last numbers are what is left over.
			if (!(half > 1e-9) || !truths.has(path) || path.startsWith('steps.')) continue;
			const inside = Math.abs(values.get(path)! - truths.get(path)!) <= half;
			hits.set(path, (hits.get(path) ?? 0) + (inside ? 1 : 0));
		}
	}
	const inside = new Map([...hits].map(([path, count]) => [path, count / counted]));
	return { name: computation.name, cases: counted, inside };
}

/** A fiftieth of every number that may be moved so at all; counts and choices may not. */
function usualOf(
	model: (input: object) => { ok: boolean },
	example: Record<string, unknown>
): Record<string, number> {
	const usual: Record<string, number> = {};
	for (const [path, value] of numbersOf(example)) {
		const u = usualShare * Math.abs(value);
		const moves = [-4, 4].every((n) => model(withNumber(example, path, value + n * u)).ok);
		if (u > 0 && moves) usual[path] = u;
	}
	return usual;
}

/** Damping of swings with dry friction and a hand that lets go late, recorded at so many hertz for so long. */
function coverageOfSwings(
	name: string,
	cases: number,
	seed: number,
	record: (
		swing: Swing,
		timeS: number[],
		noise: () => number
	) => ReturnType<typeof bounce | typeof accelerationBounce>,
	{ hertz, points }: { hertz: number; points: number }
): Coverage {
	const uniform = randomLcg(seed / 4294967296 + 0.11);
	const noise = normalOf(seed + 1);
	const between = (low: number, high: number) => low + (high - low) * uniform();
	const timeS = Array.from({ length: points }, (_, k) => k / hertz);
	let inside = 0;
	for (let i = 0; i < cases; i++) {
		const swing: Swing = {
			ratio: between(0.08, 0.6),
			natural: 2 * Math.PI * between(1, 1.7),
			rest: 0,
			push: -between(30, 50),
			friction: Math.abs(1 + noise()),
			delay: between(0, 0.03)
		};
		const read = record(swing, timeS, noise);
		if (!read.ok) throw new Error(`${name}: no answer`);
		const { dampingRatio, dampingRatioExpanded } = read.value;
		if (Math.abs(dampingRatio - swing.ratio) <= dampingRatioExpanded) inside++;
	}
	return { name, cases, inside: new Map([['dampingRatio', inside / cases]]) };
}

/** Heights with half a millimetre of noise. */
export const coverageOfBounce = (cases: number, seed: number): Coverage =>
	coverageOfSwings(
		'bounce',
		cases,
		seed,
		(swing, timeS, noise) =>
			bounce({ timeS, heightMm: timeS.map((t) => heightOf(swing, t) + 0.5 * noise()) }),
		{ hertz: 50, points: 150 }
	);

/** As a phone on the wing feels it, with the noise of its sensor. */
export const coverageOfAcceleration = (cases: number, seed: number): Coverage =>
	coverageOfSwings(
		'bounce-acceleration',
		cases,
		seed,
		(swing, timeS, noise) =>
			accelerationBounce({
				timeS,
				accelerationMPerS2: timeS.map((t) => accelerationOf(swing, t) / 1000 + 0.05 * noise())
			}),
		{ hertz: 60, points: 240 }
	);

/** A bush clamped at another height than it stands at, by a taped arm: each tape, height and the rubber drawn by what is stated of it. */
export function coverageOfBushSet(is: BushSetInput, cases: number, seed: number): Coverage {
	const normal = normalOf(seed + 3);
	const stated = {
		armLengthMm: 3,
		outerBelowInnerMm: 3,
		setHubToArchMm: 1,
		rideHubToArchMm: 2,
		stiffnessRelative: 0.2
	};
	const truth = bushSet(is);
	let [twist, height] = [0, 0];
	for (let i = 0; i < cases; i++) {
		const read = { ...is };
		for (const key of [
			'armLengthMm',
			'outerBelowInnerMm',
			'setHubToArchMm',
			'rideHubToArchMm'
		] as const)
			read[key] += stated[key] * normal();
		const told = bushSetBand(read, stated);
		if (!truth.ok || !told.ok) throw new Error('bush-set: no answer');
		const { twistDeg, twistExpandedDeg, heightErrorMm, heightErrorExpandedMm } = told.value;
		const lifts = truth.value.heightErrorMm * (1 + stated.stiffnessRelative * normal());
		if (Math.abs(twistDeg - truth.value.twistDeg) <= twistExpandedDeg) twist++;
		if (Math.abs(heightErrorMm - lifts) <= heightErrorExpandedMm) height++;
	}
	return {
		name: 'bush-set',
		cases,
		inside: new Map([
			['twistDeg', twist / cases],
			['heightErrorMm', height / cases]
		])
	};
}

/** Differences of heights over one standing or two, each rolled and settled anew. */
export function coverageOfHeights(cases: number, seed: number): Coverage {
	const normal = normalOf(seed + 2);
	const inside = new Map<string, number>();
	for (const standings of [1, 2]) {
		const read = (heightMm: number) => {
			const readingsMm: number[] = [];
			const at: number[] = [];
			for (let standing = 1; standing <= standings; standing++) {
				const stands = heightMm + usualStanceMm * normal();
				for (let i = 0; i < (standing === 1 ? 3 : 1); i++) {
					readingsMm.push(Math.round(stands + 0.6 * normal()));
					at.push(standing);
				}
			}
			return { readingsMm, standings: at };
		};
		let hits = 0;
		for (let i = 0; i < cases; i++) {
			const changeMm = 10 * normal();
			const told = compareHeights(read(350), read(350 + changeMm), 1);
			if (Math.abs(told.differenceMm - changeMm) <= told.expandedUncertaintyMm) hits++;
		}
		inside.set(`differenceMm, ${standings} standing${standings > 1 ? 's' : ''}`, hits / cases);
	}
	return { name: 'height-compare', cases, inside };
}
