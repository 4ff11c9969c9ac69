/** How a spring went in, side by side: its hand, which way up, its pads. Common practice, no source. */
import { cornerNames, isLeft, type Corner } from '../height/corners.ts';
import { formatNumber } from '../units/format.ts';

export const springHands = ['either', 'left', 'right'] as const;
export type SpringHand = (typeof springHands)[number];
export const springHandNames: Readonly<Record<SpringHand, string>> = {
	either: 'Either side',
	left: 'Left',
	right: 'Right'
};

export const springWaysUp = [
	'label',
	'close-up',
	'close-down',
	'flat-up',
	'flat-down',
	'same'
] as const;
export type SpringWayUp = (typeof springWaysUp)[number];
export const springWayUpNames: Readonly<Record<SpringWayUp, string>> = {
	label: 'Label reads upright',
	'close-up': 'Close coils up',
	'close-down': 'Close coils down',
	'flat-up': 'Flat end up',
	'flat-down': 'Flat end down',
	same: 'Both ends alike'
};

export const padStates = ['renewed', 'kept', 'none'] as const;
export type PadState = (typeof padStates)[number];
export const padStateNames: Readonly<Record<PadState, string>> = {
	renewed: 'Renewed',
	kept: 'Kept',
	none: 'None here'
};

export interface SpringPad {
	state: PadState;
	/** Thickness, mm: 0.5 to 60. */
	mm?: number;
}

export interface SpringFit {
	hand: SpringHand;
	wayUp: SpringWayUp;
	upper: SpringPad;
	lower: SpringPad;
}

/** What is wrong with a spring at its corner; nothing where it may stay. */
export function springFitFault(
	corner: Corner,
	{ hand }: Pick<SpringFit, 'hand'>
): string | undefined {
	const side = isLeft(corner) ? 'left' : 'right';
	return hand === 'either' || hand === side
		? undefined
		: `the spring marked ${hand} goes to the ${hand}: this is the ${cornerNames[corner].toLowerCase()}`;
}

/** Pads of two sides that differ by more make the car stand crooked, mm. Own choice. */
const padStepMm = 1;

/** What a look at both sides says of them; nothing where they agree. */
export function padsDiffer(one: SpringFit, other: SpringFit): string | undefined {
	for (const end of ['upper', 'lower'] as const) {
		const [a, b] = [one[end], other[end]];
		if ((a.state === 'none') !== (b.state === 'none')) return `${end} pad on one side only`;
		if (a.mm !== undefined && b.mm !== undefined && Math.abs(a.mm - b.mm) > padStepMm)
			return `${end} pads differ by ${formatNumber(Math.abs(a.mm - b.mm), 1)} mm from side to side`;
	}
	return undefined;
}

/** What the opposite spring of an axle is marked for. */
export const mirroredHand = (hand: SpringHand): SpringHand =>
	hand === 'either' ? hand : hand === 'left' ? 'right' : 'left';

export const handWords = (hand: SpringHand): string =>
	hand === 'either' ? 'for either side' : `marked ${hand}`;

/** For the sheet. */
export function springFitWords({ hand, wayUp, upper, lower }: SpringFit): string {
	const pad = ({ state, mm }: SpringPad) =>
		state === 'none'
			? 'none'
			: `${padStateNames[state].toLowerCase()}${mm === undefined ? '' : ` ${formatNumber(mm, 1)} mm`}`;
	return `${handWords(hand)}, ${springWayUpNames[wayUp].toLowerCase()}, upper pad ${pad(upper)}, lower pad ${pad(lower)}`;
}
