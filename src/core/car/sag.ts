/** Which spring has sagged, or what else makes a car stand as it does. */
import { LuDecomposition, Matrix } from 'ml-matrix';
import {
	axleOf,
	corners,
	isLeft,
	perCorner,
	type Corner,
	type PerCorner
} from '../height/corners.ts';
import { ok, type Result } from '../result.ts';
import { influence, type FourCornerCar } from './four-corner.ts';

export interface SagInput extends FourCornerCar {
	/** Hub to arch as measured minus specified; − = low. */
	deviationMm: PerCorner<number>;
	/** Standard uncertainty of one height. */
	heightUncertaintyMm: number;
	/**
	 * By how much a spring measured free, off the car, is shorter than it was sold, mm; + = shorter. Only those that
	 * were measured. Sound ones have settled too (`ordinarySettling`).
	 */
	shorterMm?: Partial<PerCorner<number>>;
}

export interface SagSuspect {
	/** The spring that would have lost length, or those that would have lost alike. */
	springs: Corner[];
	/** Free length lost, mm at the spring, each; 0 or more. */
	lossMm: number;
	/** Half-width of its 95 % band, ordinary scatter of sound cars included. */
	lossExpandedMm: number;
	/** Root mean square of the heights it leaves unexplained. */
	unexplainedMm: number;
	/** Share of the deviation it explains, 0 to 1. */
	explained: number;
	/** Among all that may be the cause, this and the other causes and none at all; 0 to 1. */
	likelihood: number;
}

/** What is no spring and makes a car stand unevenly all the same. */
export const otherCauses = ['load-on-one-side', 'uneven-floor', 'unequal-arch'] as const;
export type OtherCause = (typeof otherCauses)[number];

export const otherCauseWords: Readonly<Record<OtherCause, string>> = {
	'load-on-one-side': 'load or fuel on one side',
	'uneven-floor': 'a floor that is not level',
	'unequal-arch': 'an arch that is not as on the other side'
};

export interface SagDiagnosis {
	/** By what they leave unexplained. */
	suspects: SagSuspect[];
	others: { cause: OtherCause; likelihood: number }[];
	/**
	 * sound: within what sound cars scatter; sagged: the first suspect by likelihood, and nothing else; unclear:
	 * something is there, and `cannotSeparate` says what it may be.
	 */
	verdict: 'sound' | 'sagged' | 'unclear';
	/** Springs, as `FL` or `FL+FR`, and other causes that explain it about as well as the likeliest does. */
	cannotSeparate: string[];
	/** What cannot be excluded: the likeliest first, 95 % of the likelihood together, `sound` among them. */
	candidates: string[];
	warpMm: number;
}

/**
 * How sound cars of one kind scatter about what is specified, standard deviations in mm: the whole car (load,
 * fuel, equipment), an axle, a corner. Common practice, no source.
 */
export const ordinaryScatter = { carMm: 6, axleMm: 4, cornerMm: 3 } as const;

/**
 * What sound springs that have been under a car have lost: in the middle, how the springs of one car differ from
 * that together, and each from the others, as sold and as measured beside a rule; standard deviations in mm. Common
 * practice, no source.
 */
export const ordinarySettling = { middleMm: 5, carMm: 2.5, springMm: 2.5 } as const;

/** How much a spring that sags loses, and the others of their kind vary, mm; own choice. */
const usualMm = { loss: 14, load: 8, floor: 5, arch: 8 } as const;
/** How often each is met among cars that are looked at for standing low. Own choice. */
const prior = { sound: 0.4, single: 0.05, pair: 0.07, side: 0.03, all: 0.04, other: 0.05 } as const;
/**
 * Least improvement of chi squared that is told: of 20 sound cars at most one, over all suspects together (by
 * simulation, `sag.test.ts`).
 */
const leastGain = 6.4;
/** Explains it about as well: within this factor of the likeliest. */
const alike = 6;

const groups: readonly (readonly Corner[])[] = [
	...corners.map((corner) => [corner]),
	['FL', 'FR'],
	['RL', 'RR'],
	['FL', 'RL'],
	['FR', 'RR'],
	[...corners]
];

/** Scatter of the four heights of sound cars and of the readings, and of so many springs measured free. */
function scatter(heightUncertaintyMm: number, springs: number): Matrix {
	const { carMm, axleMm, cornerMm } = ordinaryScatter;
	const heights = corners.map((a) =>
		corners.map(
			(b) =>
				carMm ** 2 +
				(axleOf(a) === axleOf(b) ? axleMm ** 2 : 0) +
				(a === b ? cornerMm ** 2 + heightUncertaintyMm ** 2 : 0)
		)
	);
	const free = Array.from({ length: springs }, (_, i) =>
		Array.from(
			{ length: springs },
			(_, j) => ordinarySettling.carMm ** 2 + (i === j ? ordinarySettling.springMm ** 2 : 0)
		)
	);
	const nothing = (count: number) => Array<number>(count).fill(0);
	return new Matrix([
		...heights.map((row) => [...row, ...nothing(springs)]),
		...free.map((row) => [...nothing(4), ...row])
	]);
}

/**
 * Each set of springs that may have lost length alike, and what else may be, against four heights and against what
 * springs measured free are short of: the loss that explains them best, and how likely each is beside the others and
 * beside nothing at all. Sound cars scatter as `ordinaryScatter` and `ordinarySettling` say; what lies within that is
 * no sag. Free lengths tell far more than heights do: what stands low for another reason has long springs.
 */
export function sagDiagnosis(input: SagInput): Result<SagDiagnosis> {
	const known = influence(input);
	if (!known.ok) return known;
	const heights = corners.map((corner) => input.deviationMm[corner]);
	const size = sumOfSquares(heights);
	const measured = corners.filter((corner) => input.shorterMm?.[corner] !== undefined);
	const deviation = [
		...heights,
		...measured.map((corner) => ordinarySettling.middleMm - input.shorterMm![corner]!)
	];
	const inverse = new LuDecomposition(scatter(input.heightUncertaintyMm, measured.length)).solve(
		Matrix.eye(deviation.length)
	);
	/** A shape of the heights, with what the springs measured free would show beside it. */
	const shaped = (ofHeights: readonly number[], lost: readonly Corner[] = []) => [
		...ofHeights,
		...measured.map((corner) => (lost.includes(corner) ? -1 : 0))
	];
	const between = (a: readonly number[], b: readonly number[]) =>
		a.reduce((sum, x, i) => sum + b.reduce((part, y, j) => part + x * inverse.get(i, j) * y, 0), 0);

	/** Best size of a shape of heights, how much better it fits than nothing, and its weight. */
	const judge = (shape: readonly number[], usual: number, often: number, signed = false) => {
		const steep = between(shape, shape);
		const best = between(shape, deviation) / steep;
		const counts = signed || best > 0 ? best : 0;
		const shrunk = 1 + steep * usual ** 2;
		// How likely the heights are if its size varies as usual, over how likely they are if nothing is there.
		const gain = steep * counts ** 2;
		const weight = (often * Math.exp(0.5 * gain * (1 - 1 / shrunk))) / Math.sqrt(shrunk);
		return { best: counts, u: 1 / Math.sqrt(steep), gain, weight: counts === 0 ? 0 : weight };
	};

	const springs = groups.map((group) => {
		// A spring shorter by 1 mm is a perch lower by 1 mm.
		const perMm = known.value.heightPerPerch.map(
			(row) => -group.reduce((sum, corner) => sum + row[corners.indexOf(corner)]!, 0)
		);
		const often =
			group.length === 1
				? prior.single
				: group.length === 4
					? prior.all
					: axleOf(group[0]!) === axleOf(group[1]!)
						? prior.pair
						: prior.side;
		return { group, perMm, ...judge(shaped(perMm, group), usualMm.loss, often) };
	});
	const roll = corners.map((corner) => (isLeft(corner) ? 1 : -1));
	const warp = corners.map((corner) => (isLeft(corner) === (axleOf(corner) === 'front') ? 1 : -1));
	const others = [
		{ cause: 'load-on-one-side' as const, ...judge(shaped(roll), usualMm.load, prior.other, true) },
		{ cause: 'uneven-floor' as const, ...judge(shaped(warp), usualMm.floor, prior.other, true) },
		...corners.map((at) => ({
			cause: 'unequal-arch' as const,
			...judge(
				shaped(corners.map((corner) => (corner === at ? 1 : 0))),
				usualMm.arch,
				prior.other / 4,
				true
			)
		}))
	];
	const whole = prior.sound + [...springs, ...others].reduce((sum, { weight }) => sum + weight, 0);

	const suspects = springs.map(({ group, perMm, best, u, weight }): SagSuspect => {
		const left = sumOfSquares(heights.map((d, i) => d - perMm[i]! * best));
		return {
			springs: [...group],
			lossMm: best,
			lossExpandedMm: 2 * u,
			unexplainedMm: Math.sqrt(left / 4),
			explained: size > 0 ? 1 - left / size : 0,
			likelihood: weight / whole
		};
	});
	const causes = otherCauses.map((cause) => ({
		cause,
		likelihood: others.reduce((sum, one) => sum + (one.cause === cause ? one.weight : 0), 0) / whole
	}));
	const named = [
		...suspects.map(({ springs: group, likelihood }) => ({ name: group.join('+'), likelihood })),
		...causes.map(({ cause, likelihood }) => ({ name: cause as string, likelihood }))
	].sort((a, b) => b.likelihood - a.likelihood);
	const first = named[0]!;
	const told = Math.max(...springs.map(({ gain }) => gain)) > leastGain;
	const like = named.filter(({ likelihood }) => likelihood > first.likelihood / alike);
	const oneSpring = like.length === 1 && !otherCauses.some((cause) => cause === first.name);
	const all = [{ name: 'sound', likelihood: prior.sound / whole }, ...named].sort(
		(a, b) => b.likelihood - a.likelihood
	);
	let sum = 0;
	const candidates = all.filter(({ likelihood }) => {
		const wanted = sum < 0.95;
		sum += likelihood;
		return wanted;
	});
	const { FL, FR, RL, RR } = perCorner((corner) => input.deviationMm[corner]);
	return ok({
		suspects: suspects.sort((a, b) => a.unexplainedMm - b.unexplainedMm),
		others: causes,
		verdict: !told ? 'sound' : oneSpring ? 'sagged' : 'unclear',
		cannotSeparate: told && !oneSpring ? like.map(({ name }) => name) : [],
		candidates: candidates.map(({ name }) => name),
		warpMm: (FL + RR - FR - RL) / 4
	});
}

const sumOfSquares = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);
