/** Together again, by hand first, then what is rigid to its torque. */
import {
	fact,
	need,
	onAgain,
	armFirst,
	holdsAgain,
	onMark,
	startedByHand,
	comparedFirst,
	looseFirst,
	minutes
} from './facts.ts';
import type { OperationData } from './types.ts';

export const refit = {
	'spring-in': {
		phase: 'refit',
		title: 'Spring in, pads on, its end against the step',
		minutes: minutes(2, 4, 8),
		repeats: true,
		gate: { question: 'Pocket clean, pads on, its end against the step?', spring: true },
		needs: [armFirst, comparedFirst, looseFirst]
	},
	raise: {
		phase: 'refit',
		title: 'Raise the arm until the holes line up',
		minutes: minutes(2, 4, 10),
		repeats: true,
		tool: 'Small jack, drift',
		gate: {
			question: 'Both ends seen in their seats, through the hole or by mirror?',
			photo: true
		},
		caution: 'Fingers out of the holes: a drift pulls the last bit.',
		needs: [
			need('free', 'It goes up before what it would stretch is on again.', { each: 'frees' })
		],
		makes: [fact('placed')],
		ends: [fact('loose')]
	},
	'subframe-on': {
		phase: 'refit',
		title: 'Subframe to its outline, its bolts started by hand',
		minutes: minutes(4, 8, 16),
		repeats: true,
		caution: 'To the outline: it sets the axle. Alignment follows.',
		...startedByHand,
		makes: [fact('started'), fact('placed')]
	},
	'holder-on': {
		phase: 'refit',
		title: 'Joint that holds the spring started by hand',
		minutes: minutes(2, 4, 8),
		repeats: true,
		...startedByHand,
		makes: [fact('started'), fact('placed'), fact('held-again')]
	},
	unsqueeze: {
		phase: 'refit',
		title: 'Internal compressor let off, the spring in its seats',
		minutes: minutes(4, 6, 12),
		repeats: true,
		gate: {
			question: 'Both ends seen in their seats, through the hole or by mirror?',
			photo: true
		},
		caution: 'Watch both ends of the spring into their seats.',
		makes: [fact('started'), fact('placed')],
		ends: [fact('loose')]
	},
	'damper-in': {
		phase: 'refit',
		title: 'Damper in, both ends started by hand',
		minutes: minutes(3, 6, 12),
		repeats: true,
		needs: [
			armFirst,
			comparedFirst,
			need('bracket-on', 'The new bracket is on before the unit goes to it.'),
			need('unit-ready', 'The unit is finished on the bench before it goes into the car.'),
			need(
				'held-again',
				'The joint that holds the spring goes on before the damper: the jack alone should not bear it long.'
			)
		],
		makes: [fact('in'), fact('started'), fact('placed')],
		ends: [fact('free', 'joints')]
	},
	'caliper-on': {
		phase: 'refit',
		title: 'Caliper on its carrier, bolts started by hand',
		minutes: minutes(2, 4, 8),
		repeats: true,
		caution: 'Hose not twisted.',
		needs: [onAgain, need('placed', 'The caliper goes back when everything is where it stays.')],
		...startedByHand
	},
	'disc-on': {
		phase: 'refit',
		title: 'Disc on its mark, face clean, screw by hand',
		minutes: minutes(1, 3, 6),
		repeats: true,
		caution: 'Rust and dirt behind it make it run out. No grease on its face.',
		needs: [need('free', 'The disc is on before its caliper.', { each: 'frees' })],
		...startedByHand
	},
	'hub-on': {
		phase: 'refit',
		title: 'Shaft into its hub, a new nut by hand',
		minutes: minutes(2, 3, 8),
		repeats: true,
		caution: 'The shaft stays in its inner joint while it is guided in.',
		needs: [onAgain, need('in', 'The shaft goes into its hub when the damper is in.')],
		...startedByHand
	},
	unhang: {
		phase: 'refit',
		title: 'Hook of the caliper away',
		minutes: minutes(0.5, 0.5, 1),
		repeats: true,
		needs: holdsAgain,
		makes: [fact('let-go')],
		ends: [fact('held', 'held')]
	},
	'plug-on': {
		phase: 'refit',
		title: 'Plug of the damper on again',
		minutes: minutes(1, 1, 3),
		repeats: true,
		needs: [need('in', 'Its plug goes on when the damper is in.')],
		makes: [fact('plugged')]
	},
	'system-on': {
		phase: 'refit',
		title: 'Relay and control unit plugged in, battery on',
		minutes: minutes(2, 4, 8),
		caution:
			'A charger on it where the maker wants one. Nobody at the open line of another corner.',
		needs: [
			need(
				'tight',
				'The system wakes when all that holds air has its torque: it fills by itself.',
				{
					at: 'car'
				}
			),
			need('plugged', 'Every plug is on before the system wakes.', { at: 'car' })
		],
		makes: [fact('system-on')],
		ends: [fact('system-off'), fact('compressor-off')]
	},
	unspread: {
		phase: 'refit',
		title: 'Strut home on its stop, the spreader out',
		minutes: minutes(0.5, 1, 3),
		repeats: true,
		gate: { question: 'Strut down to its stop, its tab in the slot?' },
		needs: [need('in', 'The spreader stays until the strut is in its clamp.')],
		makes: [fact('unspread')]
	},
	'knuckle-on': {
		phase: 'refit',
		title: 'Knuckle joint back, started by hand',
		minutes: minutes(2, 4, 8),
		repeats: true,
		needs: [armFirst, need('in', 'The knuckle goes back when the damper is in it.')],
		makes: [fact('started'), fact('placed')],
		ends: [fact('free', 'joints')]
	},
	'arm-in': {
		phase: 'refit',
		title: 'Arm in, its joints started by hand',
		minutes: minutes(4, 8, 16),
		repeats: true,
		caution: 'Bolts back from the side they came from; a grease nipple where the gun reaches it.',
		gate: { question: 'New beside old: length, bushes, joint and hand the same?' },
		needs: [need('pressed', 'Bushes are pressed before the arm goes back.', { each: 'link' })],
		makes: [fact('arm-back', 'link'), fact('started'), fact('placed')],
		ends: [fact('free', 'joints')]
	},
	'bellows-in': {
		phase: 'refit',
		title: 'Air spring in, its joints started by hand',
		minutes: minutes(3, 6, 12),
		repeats: true,
		caution: 'Seats clean. Never loaded or stretched without air.',
		gate: { question: 'As the old one, its nub in its hole, its folds even, not twisted?' },
		makes: [fact('in'), fact('started'), fact('placed')],
		ends: [fact('free', 'joints')]
	},
	'bar-on': {
		phase: 'refit',
		title: 'New bushes on the bar, slit as it was, brackets started by hand',
		minutes: minutes(3, 6, 12),
		repeats: true,
		needs: [onAgain],
		...startedByHand
	},
	'air-line-on': {
		phase: 'refit',
		title: 'Air line on, started by hand',
		minutes: minutes(1, 2, 5),
		repeats: true,
		needs: [need('in', 'The air line goes on when the unit is in.')],
		...startedByHand
	},
	'hose-on': {
		phase: 'refit',
		title: 'On its bracket again, not twisted',
		minutes: minutes(2, 3, 6),
		repeats: true,
		needs: [need('placed', 'Hose and wire go back when everything is where it stays.')],
		...startedByHand
	},
	untie: {
		phase: 'refit',
		title: 'Strap off the knuckle',
		minutes: minutes(0.5, 1, 2),
		repeats: true,
		needs: holdsAgain,
		makes: [fact('let-go')],
		ends: [fact('held', 'held')]
	},
	'links-on': {
		phase: 'refit',
		title: 'Both drop links of the axle on together, by hand',
		minutes: minutes(3, 5, 10),
		needs: [
			onAgain,
			need('placed', 'Both drop links go on together, when both sides are where they stay.', {
				at: 'axle'
			})
		],
		ends: [fact('free', 'joints')],
		makes: [fact('links-on')]
	},
	'links-tight': {
		phase: 'refit',
		title: 'Drop links to their torque, both sides',
		minutes: minutes(3, 5, 10),
		tool: 'Torque wrench',
		caution: 'Both before the car is loaded. Hold the stud with its hex.',
		doneIn: 'round',
		needs: [need('links-on', 'Both links are on before either is tight.')],
		makes: [fact('links-tight'), fact('tightened', 'joints')]
	},
	'to-mark': {
		phase: 'refit',
		title: 'Turned and pushed to its mark',
		minutes: minutes(1, 2, 5),
		repeats: true,
		caution: 'An eccentric’s washer lies inside its recess.',
		gate: { question: 'Every outline and mark met as it was scribed?' },
		needs: [need('started', 'It is on by hand before it is brought to its mark.')],
		makes: [fact('on-mark', 'joints')]
	},
	tighten: {
		phase: 'refit',
		title: 'Rigid joints to their torque, rubber only nipped',
		minutes: minutes(4, 7, 14),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round',
		needs: [
			need('started', 'Everything is started by hand before anything is tight.'),
			onMark,
			need(
				'unspread',
				'The clamp closes on the strut: its spreader is out before its bolt is tight.'
			)
		],
		makes: [fact('tight'), fact('tightened', 'joints')]
	},
	unsupport: {
		phase: 'refit',
		title: 'Small jack away',
		minutes: minutes(0.5, 1, 2),
		repeats: true,
		needs: holdsAgain,
		makes: [fact('let-go')],
		ends: [fact('held', 'held')]
	}
} as const satisfies Record<string, OperationData>;
