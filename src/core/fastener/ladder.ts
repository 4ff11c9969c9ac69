/**
 * A fastener that fights: what is tried, from gentle to destructive, what each rung costs and when to stop.
 * Common practice, no source.
 */
import { damperOf, partOf, unitOf } from '../layout/shape.ts';
import type { Layout, LayoutJoint } from '../layout/types.ts';

export const rungKeys = [
	'clean',
	'oil',
	'tighten-first',
	'hold-stud',
	'pass-through',
	'load-taper',
	'grips',
	'heat',
	'cut'
] as const;
export type RungKey = (typeof rungKeys)[number];

export interface Rung {
	key: RungKey;
	name: string;
	/** What it takes, min. */
	minutes: number;
	/** When to go on to the next one, and what it costs. */
	stop: string;
}

const rungs: Readonly<Record<RungKey, Omit<Rung, 'key'>>> = {
	clean: {
		name: 'Thread brushed clean, all of it that stands out',
		minutes: 2,
		stop: 'Costs nothing. Rust in front of the nut is what stops it half-way.'
	},
	oil: {
		name: 'Oil, and wait',
		minutes: 10,
		stop: 'Ten minutes with the wheel off; a night in a salt region.'
	},
	'tighten-first': {
		name: 'A touch tighter, then loose, to and fro',
		minutes: 2,
		stop: 'Stop when it turns on without getting looser: the thread is going.'
	},
	'hold-stud': {
		name: 'Stud held by its hex or flats',
		minutes: 2,
		stop: 'Stop when the hex rounds: from there on it only gets worse.'
	},
	'pass-through': {
		name: 'Pass-through socket, the stud held through it',
		minutes: 3,
		stop: 'Stop when the hex rounds.'
	},
	'load-taper': {
		name: 'Taper or stud loaded by a bar or a jack, so that it cannot turn',
		minutes: 4,
		stop: 'Load it straight; nothing of you under it.'
	},
	grips: {
		name: 'Grips on the shaft, boot or collar that is thrown away',
		minutes: 3,
		stop: 'It is scrap from the first bite.'
	},
	heat: {
		name: 'Heat on the nut',
		minutes: 6,
		stop: 'An extinguisher at hand. The fastener is renewed: its strength is gone.'
	},
	cut: {
		name: 'Cut',
		minutes: 8,
		stop: 'Eyes and face covered, sparks away from tank and lines. The fastener is renewed.'
	}
};

/** How it ended; `fights` while it has not. */
export const fightOutcomes = ['fights', 'came', 'damaged', 'cut'] as const;
export type FightOutcome = (typeof fightOutcomes)[number];

export const fightOutcomeNames: Readonly<Record<FightOutcome, string>> = {
	fights: 'Still fights',
	came: 'It came, sound',
	damaged: 'It came, damaged',
	cut: 'Cut'
};

/** Whether something of it is renewed now that was not before. */
export const isRuined = (outcome: FightOutcome): boolean =>
	outcome === 'damaged' || outcome === 'cut';

/** What is bought for a ruined fastener: the whole link where it is one of its studs, else its own hardware. */
export const ruinedPart = (layout: Layout, { between }: LayoutJoint): 'drop-link' | 'hardware' =>
	between.some((part) => partOf(layout, part)?.kind === 'link') ? 'drop-link' : 'hardware';

export interface LadderRung extends Rung {
	/** Why it is not for this joint. */
	barred?: string;
}

/**
 * The rungs for one joint, gentle first. Those that do not apply are left out; those that would hurt are there
 * with the reason.
 *
 * @param renewed parts of the layout that are thrown away in this job
 */
export function ladderFor(
	layout: Layout,
	joint: LayoutJoint,
	renewed: readonly string[]
): LadderRung[] {
	const { kind, holdStud, between } = joint;
	const stud = holdStud === true || kind === 'ball-joint';
	const applies = (key: RungKey): boolean => {
		if (key === 'hold-stud') return stud;
		if (key === 'pass-through') return holdStud === true;
		return key !== 'load-taper' || kind === 'ball-joint';
	};
	const barred: Partial<Record<RungKey, string | undefined>> = {
		heat: noHeat(layout, joint),
		grips: between.some((part) => renewed.includes(part))
			? undefined
			: 'Nothing of it is thrown away in this job.'
	};
	return rungKeys.filter(applies).map((key) => {
		const why = barred[key];
		return { key, ...rungs[key], ...(why && { barred: why }) };
	});
}

/** Never heat near rubber, gas dampers or lines. */
function noHeat(layout: Layout, { kind, between, rubber }: LayoutJoint): string | undefined {
	if (between.some((part) => partOf(layout, part)?.kind === 'line'))
		return 'A line or hose is beside it.';
	const unit = unitOf(layout, damperOf(layout).key);
	if (between.some((part) => unit.includes(part)))
		return 'A damper is beside it: its gas and oil burst.';
	const hasRubber = rubber !== undefined || ['bonded-bush', 'cushion', 'ball-joint'].includes(kind);
	return hasRubber ? 'Rubber is beside it.' : undefined;
}

/** What was tried so far has taken, min. */
export const minutesTried = (tried: readonly RungKey[]): number =>
	tried.reduce((sum, key) => sum + rungs[key].minutes, 0);

/** The next rung that may be tried; nothing after the last. */
export const nextRung = (
	ladder: readonly LadderRung[],
	tried: readonly RungKey[]
): LadderRung | undefined =>
	ladder.find(({ key, barred }) => barred === undefined && !tried.includes(key));

/** How often something did not survive in this shop. */
export interface Undone {
	rust: 'none' | 'light' | 'heavy';
	/** 0: not known. */
	modelYear: number;
	undone: number;
	ruined: number;
}

/** What is usual weighs as much as this many of the shop's own; a car ten years older or newer counts a third. Own choice. */
const usualWeighs = 10;
const yearsThird = 10;

/**
 * The chance that one does not survive: what is usual, and what the shop has seen at this rust, weighed by how
 * near the model years are (a beta prior on a binomial, its counts weighed by 3^(−|Δ years| / 10)).
 *
 * @param usual 0 to 1
 */
export function chanceOfRuin(
	usual: number,
	seen: readonly Undone[],
	{ rust, modelYear }: { rust: Undone['rust']; modelYear: number | null }
): { chance: number; seen: number } {
	let [undone, ruined, all] = [0, 0, 0];
	for (const one of seen.filter((other) => other.rust === rust)) {
		const apart = modelYear && one.modelYear ? Math.abs(modelYear - one.modelYear) : yearsThird;
		const weight = 3 ** (-apart / yearsThird);
		undone += weight * one.undone;
		ruined += weight * one.ruined;
		all += one.undone;
	}
	return { chance: (usual * usualWeighs + ruined) / (usualWeighs + undone), seen: all };
}
