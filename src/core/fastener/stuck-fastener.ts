/** A fastener that fights: which rungs there are, what they take, and how it may end. */
import { partOf } from '../layout/shape.ts';
import type { Layout, LayoutJoint } from '../layout/types.ts';

/** Each rung with what it takes, min; from gentle to destructive. Common practice, no source. */
export const rungMinutes = {
	clean: 2,
	oil: 10,
	'tighten-first': 2,
	'hold-stud': 2,
	'pass-through': 3,
	'load-taper': 4,
	grips: 3,
	heat: 6,
	cut: 8
} as const;
export type RungKey = keyof typeof rungMinutes;
export const rungKeys = Object.keys(rungMinutes) as RungKey[];

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

/** What was tried so far has taken, min. */
export const minutesTried = (tried: readonly RungKey[]): number =>
	tried.reduce((sum, key) => sum + rungMinutes[key], 0);
