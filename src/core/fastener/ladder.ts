/**
 * A fastener that fights: what is tried, from gentle to destructive, what each rung costs and when to stop.
 * Common practice, no source.
 */
import { rungKeys, rungMinutes, type RungKey } from './stuck-fastener.ts';
import { damperOf, partOf, unitOf } from '../layout/shape.ts';
import type { Layout, LayoutJoint } from '../layout/types.ts';

interface Rung {
	key: RungKey;
	name: string;
	/** What it takes, min. */
	minutes: number;
	/** When to go on to the next one, and what it costs. */
	stop: string;
}

const rungs: Readonly<Record<RungKey, Omit<Rung, 'key' | 'minutes'>>> = {
	clean: {
		name: 'Thread brushed clean, all of it that stands out',
		stop: 'Costs nothing. Rust in front of the nut is what stops it half-way.'
	},
	oil: {
		name: 'Oil, and wait',
		stop: 'Ten minutes with the wheel off; a night in a salt region.'
	},
	'tighten-first': {
		name: 'A touch tighter, then loose, to and fro',
		stop: 'Stop when it turns on without getting looser: the thread is going.'
	},
	'hold-stud': {
		name: 'Stud held by its hex or flats',
		stop: 'Stop when the hex rounds: from there on it only gets worse.'
	},
	'pass-through': {
		name: 'Pass-through socket, the stud held through it',
		stop: 'Stop when the hex rounds.'
	},
	'load-taper': {
		name: 'Taper or stud loaded by a bar or a jack, so that it cannot turn',
		stop: 'Load it straight; nothing of you under it.'
	},
	grips: {
		name: 'Grips on the shaft, boot or collar that is thrown away',
		stop: 'It is scrap from the first bite.'
	},
	heat: {
		name: 'Heat on the nut',
		stop: 'An extinguisher at hand. The fastener is renewed: its strength is gone.'
	},
	cut: {
		name: 'Cut',
		stop: 'Eyes and face covered, sparks away from tank and lines. The fastener is renewed.'
	}
};

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
		return { key, ...rungs[key], minutes: rungMinutes[key], ...(why && { barred: why }) };
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

/** The next rung that may be tried; nothing after the last. */
export const nextRung = (
	ladder: readonly LadderRung[],
	tried: readonly RungKey[]
): LadderRung | undefined =>
	ladder.find(({ key, barred }) => barred === undefined && !tried.includes(key));
