/** Needs that stand at several operations, each with the sentence that a person is told. */
import type { Minutes } from '../terms.ts';
import type { Effect, Each, Need } from './types.ts';

export const fact = (name: string, each?: Each): Effect => ({ fact: name, ...(each && { each }) });
export const need = (
	name: string,
	words: string,
	more: Omit<Partial<Need>, 'fact' | 'words'> = {}
): Need => ({ fact: name, words, ...more });

export const marksFirst = need(
	'marked',
	'Marks and photo before anything turns: they are how it goes back.'
);
export const coversFirst = need('open', 'It is reached only with what covers it off.', {
	each: 'covers'
});
export const baredFirst = need(
	'open',
	'What lies over it comes off before it, and goes on after it.',
	{
		each: 'above'
	}
);
const heldFirst = need('held', 'It is held before its last hold is undone: it drops.', {
	each: 'held'
});
const airOutFirst = need('vented', 'Air is let out before anything of it is undone.');
export const airOutThere = need(
	'air-out',
	'Air is let out before a bolt of what holds it is tapped.',
	{
		each: 'joints'
	}
);
export const linksFirst = need(
	'links-changed',
	'Links of the axle are changed while dampers and springs hold it.',
	{ at: 'axle' }
);
export const soakedFirst = need(
	'soaked',
	'Oil has its quarter of an hour in the thread before the spanner comes.'
);
const scribedFirst = need(
	'scribed',
	'What sets the wheel is scribed before it moves: afterwards nobody knows where it stood.',
	{ each: 'joints' }
);
export const onMark = need(
	'on-mark',
	'What sets the wheel stands on its mark before it is tight.',
	{
		each: 'joints'
	}
);
export const reached = [marksFirst, coversFirst, heldFirst, soakedFirst, scribedFirst] as const;
export const tappedFirst = need(
	'tapped',
	'A bolt is tapped through under its nut, and the nut comes off last.',
	{ each: 'joints' }
);
export const linkInTurn = need(
	'link-back',
	'One link of the axle at a time: with two off, the axle rolls.',
	{ each: 'linkBefore' }
);
export const undone = {
	needs: [
		...reached,
		tappedFirst,
		need('cracked', 'A taper is cracked with its nut on the threads, and the nut comes off last.', {
			each: 'joints'
		})
	],
	makes: [fact('free', 'joints')]
} as const;
/** Joints of what carries the car, and of air under pressure. */
export const carrierUndone = {
	needs: [...undone.needs, airOutFirst, linksFirst],
	makes: undone.makes
} as const;
export const standsFirst = need(
	'standing',
	'The car stands on its stands before anyone works at it.'
);
export const standsBelow = need('standing', standsFirst.words, { each: 'below' });
export const wheelFirst = need('wheel-off', 'The wheel comes off first, and lies under the sill.');
export const springFirst = need('spring-out', 'A spring is out before the bolts of its arm are.', {
	each: 'link'
});
export const slackFirst = need('slackened', 'Rubber that would be torn is slackened first.', {
	each: 'slack'
});
export const onAgain = need('free', 'It goes on again when it was off.', { each: 'frees' });
export const armFirst = need('arm-back', 'The arm is back before what rests on it.');
export const startedFirst = need(
	'started',
	'What was loosened is started by hand before the wheel goes on or the corner is loaded.'
);
export const tightFirst = need(
	'tight',
	'Rigid joints have their torque before the wheel goes on or the corner is loaded.'
);
export const holdsAgain = [
	need('started', 'What holds it is on again before the jack or the strap comes away.'),
	need('tight', 'What holds it has its torque before the jack or the strap comes away.')
] as const;
export const startedByHand = { makes: [fact('started')], ends: [fact('free', 'joints')] } as const;

export const comparedFirst = need(
	'compared',
	'Old against new before anything is fitted: a difference is explained first.'
);
export const heightsFirst = need(
	'heights',
	'Heights are read before anything is touched: afterwards the old height is gone.'
);
export const linksTight = need(
	'links-tight',
	'Both links have their torque before the corner is loaded.',
	{ at: 'axle' }
);
export const looseFirst = need(
	'loose',
	'A spring comes out and goes in only when nothing presses on it any more.'
);

export const minutes = (low: number, likely: number, high: number): Minutes => ({
	low,
	likely,
	high
});
