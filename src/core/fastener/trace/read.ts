/** What a tightening was, from torque over angle as a wrench sends it. */
import { columnFaults } from '../../columns.ts';
import { faulty, ok, type Result } from '../../result.ts';
import { Lines, type Line, type Points } from './lines.ts';
import { greatest, jointPoints, noiseOf, strokesOf } from './strokes.ts';

export const traceFlags = [
	'cross-thread',
	'wound-up-rubber',
	'slip-stick',
	'yield',
	'over',
	'under',
	're-hit',
	'breakaway',
	'growing-run-down',
	'rubber-or-joint',
	'few-points'
] as const;
export type TraceFlag = (typeof traceFlags)[number];

export const traceFlagWords: Readonly<Record<TraceFlag, string>> = {
	'cross-thread': 'Grows all through the run-down: cross-threaded?',
	'wound-up-rubber': 'Rises as the rubber does, not as the joint: the sleeve is not clamped',
	'slip-stick': 'Torque falls and comes back: sticking thread or head',
	yield: 'Slope falls while torque rises: the screw stretches for good',
	over: 'Pulled too far',
	under: 'Stopped early',
	're-hit': 'Pulled once more, or checked',
	breakaway: 'Broke loose above what it turned at',
	'growing-run-down': 'The run-down grows a little: a nut being started, or a thread that binds',
	'rubber-or-joint': 'The joint or its rubber may rise like this',
	'few-points': 'Too few points to tell its slope'
};

/** What each says of the pull: it is not as asked; nobody can tell from the trace; good to know. */
const weight: Readonly<Record<TraceFlag, 'wrong' | 'unclear' | 'named'>> = {
	'cross-thread': 'wrong',
	'wound-up-rubber': 'wrong',
	'slip-stick': 'unclear',
	yield: 'wrong',
	over: 'wrong',
	under: 'wrong',
	're-hit': 'named',
	breakaway: 'named',
	'growing-run-down': 'unclear',
	'rubber-or-joint': 'unclear',
	'few-points': 'unclear'
};

/**
 * Elastic slope where a joint's own is not known, N·m/°: clamped metal reaches its torque about 60° after
 * snug, and between 25° and 150° for nearly all. Own choice.
 */
export const usualSlope = (targetNm: number): number => targetNm / 60;

/**
 * Torsional rate of a suspension bush about its bolt, N·m/°, where its size is not known; 0.6 to 2.5 for
 * nearly all. From the annulus formula over usual sizes and hardness; common practice, no source.
 */
export const usualRubberNmPerDeg = 1.3;

/** What the trace is held against. */
export interface TraceProgramme {
	/** Final torque, prevailing torque not included. */
	targetNm: number;
	/** Allowed either way as a share of the target; 0.05 if absent (own choice). */
	tolerance?: number;
	/** Turning angle after snug, where the programme ends by angle; it may well end in yield. */
	angleDeg?: number;
	/** What the nut takes to turn, where it is known; else read from the run-down. */
	prevailingNm?: number;
	/** Elastic slope of this joint as known, ±35 %. */
	slopeNmPerDeg?: number;
	/** Torsional rate of the rubber that may be wound, ±35 %; absent: there is none. */
	rubberNmPerDeg?: number;
}

/** What speaks against a pull, or cannot be told of it, in words; what is only named does not. */
export const traceDoubts = ({ flags }: Pick<TraceResult, 'flags'>): string[] =>
	flags.filter((flag) => weight[flag] !== 'named').map((flag) => traceFlagWords[flag]);

export interface TraceResult {
	/** Torque of the run-down before anything is clamped; as given, or 0, where the trace begins later. */
	prevailingNm: number;
	/** Angle at which the elastic line meets the prevailing torque. */
	snugDeg: number;
	/** Of the steady rise. */
	slopeNmPerDeg: number;
	/** Greatest torque that the joint turned at; a breakaway is not. */
	peakNm: number;
	/** Angle from snug to the end. */
	finalAngleDeg: number;
	/** Pulls of the wrench found in the trace. */
	hits: number;
	/** `cannot-tell`: somebody must look. */
	verdict: 'accepted' | 'cannot-tell' | 'rejected';
	flags: TraceFlag[];
}

const leastPoints = 5;

/** Own choices, said here once. */
const limits = {
	/** Free turning that tells a run-down from the start of a rise, deg. */
	freeDeg: 20,
	/** A run-down that grows over this much is no nut being started: one turn nearly, deg. */
	growsDeg: 150,
	/** Growth over the run-down, of the target and N·m at least. */
	growth: 0.06,
	growthNm: 3,
	/** Yield: slope below this share of what it was while torque still rises, over so many points and degrees. */
	yieldSlope: 0.5,
	yieldPoints: 5,
	yieldDeg: 4,
	/** Repeated falls deeper than this share of the peak are slip-stick. */
	slip: 0.04,
	slips: 2,
	/** Relative standard uncertainty of a slope: of one that is given, and of the usual one. */
	known: 0.18,
	usual: 0.45,
	rubber: 0.25
} as const;

/**
 * Reads a tightening from torque over angle: run-down, snug point, elastic slope, peak, and what looks
 * wrong with it. The trace may begin at a threshold, hold ratchet returns, pauses, pulls on a joint that is tight
 * already, and slackening: what was slackened no longer counts.
 */
export function torqueTrace(input: Points & { programme: TraceProgramme }): Result<TraceResult> {
	const { angleDeg, torqueNm, programme } = input;
	const faults = columnFaults(['angleDeg', angleDeg], ['torqueNm', torqueNm], leastPoints);
	if (faults.length) return faulty(...faults);
	const highest = greatest(torqueNm);
	if (!(highest > 0)) {
		return faulty({ field: 'torqueNm', message: 'never rises above nothing' });
	}
	if (!angleDeg.some((angle) => angle !== angleDeg[0])) {
		return faulty({
			field: 'angleDeg',
			message: 'does not turn: there is no tightening to read'
		});
	}

	const strokes = strokesOf(input);
	const scatter = noiseOf(torqueNm);
	const joint = jointPoints(input, strokes, scatter);
	const noise = Math.max(scatter, 0.002 * highest);
	const even = thinned(joint);
	const lines = new Lines(even);
	const last = even.torqueNm.length - 1;
	const peakNm = greatest(even.torqueNm);
	const runDown = joint.tight ? undefined : runDownOf(even, lines, peakNm, noise);
	const prevailingNm = runDown?.torqueNm ?? programme.prevailingNm ?? 0;
	const rise = riseOf(even, lines, runDown?.end ?? 0, prevailingNm, peakNm);
	const snugDeg = Math.min(
		even.angleDeg[last]!,
		rise.slope > 0
			? rise.middle - (rise.at(rise.middle) - prevailingNm) / rise.slope
			: even.angleDeg[0]!
	);
	const finalAngleDeg = Math.max(0, even.angleDeg[last]! - snugDeg);

	const flags = new Set<TraceFlag>();
	if (joint.strokes > 1 || joint.tight) flags.add('re-hit');
	if (joint.breakawaysNm.length) flags.add('breakaway');
	const grows = runDown && growth(lines, even, runDown, programme.targetNm);
	if (grows) flags.add(grows);
	if (slips(input, strokes.at(-1), highest, noise) >= limits.slips) flags.add('slip-stick');
	const byAngle = programme.angleDeg !== undefined;
	if (
		!byAngle &&
		yields(even, lines, { from: runDown?.end ?? 0, prevailingNm, peakNm, noise }, programme)
	)
		flags.add('yield');
	const wound = rubber(rise, programme, joint.tight);
	if (wound) flags.add(wound);

	// What a binding thread takes is no part of what was asked.
	const turning = grows === 'cross-thread' ? (programme.prevailingNm ?? 0) : prevailingNm;
	const wanted = programme.targetNm + turning;
	const tolerance = (programme.tolerance ?? 0.05) * wanted;
	let unseenPrevailing = false;
	if (byAngle) {
		const off = finalAngleDeg - programme.angleDeg!;
		const allowed = Math.max(5, 0.1 * programme.angleDeg!);
		if (off > allowed) flags.add('over');
		if (off < -allowed) flags.add('under');
	} else {
		if (peakNm - 1.5 * noise > wanted + tolerance) {
			flags.add('over');
			// What the nut takes to turn may have gone on before the trace began.
			unseenPrevailing =
				!runDown &&
				programme.prevailingNm === undefined &&
				peakNm < wanted + tolerance + 0.1 * wanted;
		}
		if (peakNm + noise < wanted - tolerance) flags.add('under');
	}

	const named = traceFlags.filter((flag) => flags.has(flag));
	const wrong = named.filter(
		(flag) => weight[flag] === 'wrong' && !(flag === 'over' && unseenPrevailing)
	);
	const unclear = unseenPrevailing || named.some((flag) => weight[flag] === 'unclear');
	return ok({
		prevailingNm,
		snugDeg,
		slopeNmPerDeg: rise.slope,
		peakNm,
		finalAngleDeg,
		hits: Math.max(1, strokes.length),
		verdict: wrong.length ? 'rejected' : unclear ? 'cannot-tell' : 'accepted',
		flags: named
	});
}

/** At most so many points, each the mean of those it stands for: any sampling costs the same. */
const mostPoints = 400;

function thinned({ angleDeg, torqueNm }: Points): Points {
	const share = Math.ceil(angleDeg.length / mostPoints);
	if (share === 1) return { angleDeg, torqueNm };
	const mean = (values: readonly number[]) => {
		const means: number[] = [];
		for (let i = 0; i < values.length; i += share) {
			const part = values.slice(i, i + share);
			means.push(part.reduce((sum, value) => sum + value, 0) / part.length);
		}
		return means;
	};
	return { angleDeg: mean(angleDeg), torqueNm: mean(torqueNm) };
}

interface RunDown {
	/** Its last point. */
	end: number;
	torqueNm: number;
}

/** Free turning before the rise, where the trace shows any. */
function runDownOf(
	points: Points,
	lines: Lines,
	peakNm: number,
	noise: number
): RunDown | undefined {
	const { angleDeg, torqueNm } = points;
	const high = torqueNm.findIndex(
		(torque) => torque > torqueNm[0]! + 0.6 * (peakNm - torqueNm[0]!)
	);
	const until = high < 0 ? torqueNm.length - 1 : high;
	const end = lines.bend(0, until, 3);
	if (end === undefined) return undefined;
	const [free, rise] = [lines.through(0, end), lines.through(end + 1, until)];
	if (free.spanDeg < limits.freeDeg || free.slope > 0.25 * rise.slope) return undefined;
	// Strokes of a ratchet rise and stand: no straight line.
	const offLine = Math.sqrt(free.misfit / free.points);
	if (offLine > Math.max(3 * noise, 0.02 * peakNm)) return undefined;
	// Its last part, before the parts begin to meet.
	const before = angleDeg[end]! - Math.min(15, 0.2 * free.spanDeg);
	const late = torqueNm.filter(
		(_, i) => i <= end && angleDeg[i]! <= before && angleDeg[i]! >= before - 60
	);
	const mean = late.reduce((sum, torque) => sum + torque, 0) / Math.max(1, late.length);
	return { end, torqueNm: Math.max(0, late.length ? mean : free.at(angleDeg[0]!)) };
}

/** A run-down that grows to its end is a thread that binds; one that grows and stays is a prevailing nut. */
function growth(
	lines: Lines,
	{ angleDeg }: Points,
	{ end }: RunDown,
	targetNm: number
): TraceFlag | undefined {
	// The parts meet softly: the last of it belongs to the rise.
	let stop = end;
	const soft = Math.min(25, 0.2 * (angleDeg[end]! - angleDeg[0]!));
	while (stop > 3 && angleDeg[stop]! > angleDeg[end]! - soft) stop--;
	const all = lines.through(0, stop);
	if (all.points < 4) return undefined;
	const late = lines.through(Math.floor(stop / 2), stop);
	const grown = late.slope * all.spanDeg;
	const much = Math.max(limits.growthNm, limits.growth * targetNm);
	if (all.slope * all.spanDeg < much || grown < much || late.slope < 4 * late.slopeError)
		return undefined;
	return all.spanDeg >= limits.growsDeg ? 'cross-thread' : 'growing-run-down';
}

interface Rise extends Line {
	/** An angle in the middle of it. */
	middle: number;
}

/** The steady part of the rise: the steepest of some stretches of it, so that neither a soft start nor a yield counts. */
function riseOf(
	{ angleDeg, torqueNm }: Points,
	lines: Lines,
	from: number,
	prevailingNm: number,
	peakNm: number
): Rise {
	const last = torqueNm.length - 1;
	const reaches = (share: number) => {
		const level = prevailingNm + share * (peakNm - prevailingNm);
		const at = torqueNm.findIndex((torque, i) => i >= from && torque >= level);
		return at < 0 ? last : at;
	};
	const stretches = [
		[0.25, 0.6],
		[0.35, 0.75],
		[0.5, 0.95],
		[0.2, 1]
	].map(([low, high]) => [reaches(low!), reaches(high!)] as const);
	const rises = stretches
		.filter(([a, b]) => b - a >= 2)
		.map(([a, b]) => ({ ...lines.through(a, b), middle: (angleDeg[a]! + angleDeg[b]!) / 2 }));
	if (rises.length) {
		// Of few points a stretch of three is mostly noise: the steepest that is known well.
		const sure = rises.filter(({ slope, slopeError }) => slopeError < 0.25 * slope);
		return (sure.length ? sure : rises).reduce((a, b) => (b.slope > a.slope ? b : a));
	}
	const a = Math.max(from, reaches(0.2) - 1);
	const line = lines.through(Math.min(a, last - 1), last);
	return { ...line, middle: angleDeg[last]! };
}

/**
 * What rises: metal, or rubber that the bolt's head drags round. Each has a slope that is known so well; where
 * both may be meant, nobody can tell.
 */
function rubber(
	rise: Rise,
	{ targetNm, slopeNmPerDeg, rubberNmPerDeg }: TraceProgramme,
	tight: boolean
): TraceFlag | undefined {
	const given = slopeNmPerDeg !== undefined;
	if (rubberNmPerDeg === undefined && !given) return undefined;
	// A joint that is only checked shows nothing of how it was tightened.
	if (tight && rise.points < 5) return undefined;
	if (rise.points < 3 || !(rise.slope > 0)) {
		return rubberNmPerDeg === undefined ? undefined : 'few-points';
	}
	const own = Math.min(0.5, rise.slopeError / rise.slope || 0);
	const off = (slope: number, known: number) =>
		Math.log(rise.slope / slope) / Math.hypot(known, own);
	const metal = off(slopeNmPerDeg ?? usualSlope(targetNm), given ? limits.known : limits.usual);
	if (rubberNmPerDeg === undefined) {
		// Nothing is said of rubber: far below what is known of it, something else is being wound.
		return metal < -6 ? 'wound-up-rubber' : undefined;
	}
	const wound = off(rubberNmPerDeg, limits.rubber);
	// Steeper than any rubber, or nothing like it.
	if (wound > 2.5) return undefined;
	const favour = (metal * metal - Math.max(0, wound) ** 2) / 2;
	if (metal < -2.3 && favour > 2.3) return 'wound-up-rubber';
	return favour > -2 ? 'rubber-or-joint' : undefined;
}

/** The slope falls to less than half and stays there while the torque still rises. */
function yields(
	{ angleDeg, torqueNm }: Points,
	lines: Lines,
	{
		from,
		prevailingNm,
		peakNm,
		noise
	}: { from: number; prevailingNm: number; peakNm: number; noise: number },
	{ targetNm, slopeNmPerDeg }: TraceProgramme
): boolean {
	const level = prevailingNm + 0.3 * (peakNm - prevailingNm);
	const start = torqueNm.findIndex((torque, i) => i >= from && torque > level);
	const last = torqueNm.length - 1;
	if (start < 0 || last - start < limits.yieldPoints + 1) return false;
	const bend = lines.bend(start, last, 2);
	if (bend === undefined || last - bend < limits.yieldPoints) return false;
	const [elastic, plastic] = [lines.through(start, bend), lines.through(bend + 1, last)];
	// Steeper than any joint is a wrench that takes up what the joint holds; what follows is the joint.
	const steepest = slopeNmPerDeg === undefined ? targetNm / 15 : 2 * slopeNmPerDeg;
	if (elastic.slope > steepest) return false;
	const error = (line: Line) =>
		Math.max(Number.isFinite(line.slopeError) ? line.slopeError : 0, (1.4 * noise) / line.spanDeg);
	const rise = angleDeg[last]! - angleDeg[start]!;
	return (
		torqueNm[bend]! > prevailingNm + 0.4 * (peakNm - prevailingNm) &&
		plastic.spanDeg > Math.max(limits.yieldDeg, 0.12 * rise) &&
		plastic.slope < limits.yieldSlope * elastic.slope &&
		elastic.slope - plastic.slope > 4 * Math.hypot(error(elastic), error(plastic))
	);
}

/** Falls of torque within a pull that recover while it turns, deep enough to be heard. */
function slips(
	{ angleDeg, torqueNm }: Points,
	stroke: { from: number; top: number } | undefined,
	peak: number,
	noise: number
): number {
	if (!stroke) return 0;
	const deep = Math.max(limits.slip * peak, 6 * noise);
	let high = stroke.from;
	let low = high;
	let count = 0;
	let falling = false;
	for (let i = stroke.from; i <= stroke.top; i++) {
		const value = torqueNm[i]!;
		if (!falling && value > torqueNm[high]!) high = i;
		else if (!falling && torqueNm[high]! - value > deep) {
			falling = true;
			low = i;
		} else if (falling && value < torqueNm[low]!) low = i;
		else if (falling && value - torqueNm[low]! > deep) {
			falling = false;
			// Where nothing turned it was a pause.
			if (angleDeg[i]! > angleDeg[high]!) count++;
			high = i;
		}
	}
	return count;
}
