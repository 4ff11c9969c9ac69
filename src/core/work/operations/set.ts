/** Loaded and set, whole again, on its wheels, measured. */
import {
	fact,
	need,
	onMark,
	baredFirst,
	standsBelow,
	startedFirst,
	tightFirst,
	linksTight,
	minutes
} from './facts.ts';
import type { OperationData } from './types.ts';

export const set = {
	load: {
		phase: 'set',
		title: 'Bring the corner to its height',
		minutes: minutes(3, 5, 10),
		repeats: true,
		doneIn: 'round',
		needs: [
			tightFirst,
			startedFirst,
			linksTight,
			need('let-go', 'Jack and strap are away before the corner is brought to its height.'),
			need('down', 'On its wheels: the car is down before it is loaded.', { when: 'on-wheels' })
		],
		makes: [fact('loaded')]
	},
	'set-rubber': {
		phase: 'set',
		title: 'Rubber to its torque, at ride height',
		minutes: minutes(4, 8, 16),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round',
		needs: [
			need('loaded', 'Rubber gets its torque at ride height: set hanging, it stays twisted.'),
			onMark
		],
		makes: [fact('set'), fact('tightened', 'joints')]
	},
	'wheel-on': {
		phase: 'set',
		title: 'Wheel on, fasteners by hand',
		minutes: minutes(1, 2, 4),
		repeats: true,
		needs: [
			tightFirst,
			startedFirst,
			linksTight,
			need('on-mark', 'What sets the wheel stands on its mark before the wheel goes on.'),
			need('let-go', 'Jack and strap are away before the wheel goes on.'),
			need('set', 'Jacked to height, rubber is set with the wheel off.', { when: 'jack-to-height' })
		],
		makes: [fact('wheel-back')],
		ends: [fact('wheel-off')]
	},
	ground: {
		phase: 'set',
		title: 'Stands away, car down on its wheels',
		minutes: minutes(3, 5, 9),
		gate: { question: 'Nothing under the car, every tool counted?' },
		needs: [
			need(
				'filled',
				'Air is in before the weight comes on: an empty spring is folded wrong and torn.'
			),
			need('wheel-back', 'Every wheel is on before the stands come away.')
		],
		makes: [fact('down')],
		ends: [fact('standing')]
	},
	'pump-brakes': {
		phase: 'set',
		title: 'Pedal pumped until it is hard, the reservoir looked at',
		minutes: minutes(1, 1, 3),
		gate: { question: 'Pedal hard, reservoir at its mark?' },
		needs: [
			need('tight', 'The pedal is touched only with every caliper at its torque.', { at: 'car' })
		],
		makes: [fact('pumped')]
	},
	fill: {
		phase: 'set',
		title: 'Air back in, before the weight comes on it',
		minutes: minutes(3, 6, 12),
		repeats: true,
		caution:
			'As the maker says. Soap on the joint; standing height is checked again after an hour.',
		gate: { question: 'Line pushed home, no bubble, the spring’s folds even?' },
		needs: [need('system-on', 'Air comes in with the system on again.')],
		makes: [fact('filled')]
	},
	'hub-tight': {
		phase: 'set',
		title: 'Hub nut to its torque and angle, the wheels holding',
		minutes: minutes(3, 5, 10),
		repeats: true,
		tool: 'Torque wrench',
		caution: 'No driving and no rolling before it is tight: the bearing comes apart.',
		gate: { question: 'Staked or pinned as its maker wants?' },
		doneIn: 'round',
		needs: [
			startedFirst,
			need('down', 'A hub nut gets its torque on the ground, somebody on the brake.')
		],
		makes: [fact('hub-tight'), fact('tightened', 'joints')]
	},
	'top-tight': {
		phase: 'set',
		title: 'Upper nuts to their torque, the weight on them',
		minutes: minutes(2, 4, 8),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round',
		needs: [
			startedFirst,
			need(
				'down',
				'A mount finds its place under the weight: its nuts get their torque after that.'
			)
		],
		makes: [fact('top-tight'), fact('tightened', 'joints')]
	},
	'cover-on': {
		phase: 'set',
		title: 'Cover on again',
		minutes: minutes(3, 6, 14),
		repeats: true,
		needs: [
			{ ...standsBelow, when: 'jack-to-height' },
			baredFirst,
			need('tightened', 'What lies under a cover has its torque before it is covered.', {
				each: 'under'
			})
		],
		makes: [fact('covered')],
		ends: [fact('open', 'covers')]
	},
	'torque-wheels': {
		phase: 'set',
		title: 'Wheels to their torque in a star, two passes',
		minutes: minutes(3, 5, 9),
		tool: 'Torque wrench',
		doneIn: 'round',
		needs: [need('down', 'Wheels get their torque on the ground.')],
		makes: [fact('wheels-tight')]
	},
	'heights-after': {
		phase: 'set',
		title: 'Roll, bounce, read the height at all four corners',
		minutes: minutes(6, 10, 18),
		tool: 'Tape',
		doneIn: 'heights-after',
		needs: [
			need('wheels-tight', 'Heights after are read when everything has its torque.'),
			need('set', 'Heights after are read when rubber has its torque.'),
			need('top-tight', 'Heights after are read when the upper nuts have their torque.'),
			need('covered', 'Heights after are read when the car is whole again.'),
			need('pumped', 'The car is rolled only with a hard pedal.'),
			need('hub-tight', 'The car is rolled for its heights only when hub nuts are tight.'),
			need('calibrated', 'Heights after are read when the car was taught its height again.')
		],
		makes: [fact('read-after')]
	},
	calibrate: {
		phase: 'set',
		title: 'Height sensors calibrated as the maker requires',
		minutes: minutes(5, 12, 30),
		caution: 'With the maker’s tool and method. Headlamps and cameras that follow the height, too.',
		needs: [need('wheels-tight', 'The car is taught its height on wheels that are tight.')],
		makes: [fact('calibrated')]
	},
	'look-again': {
		phase: 'set',
		title: 'Standing height and joints looked at again after an hour',
		minutes: minutes(3, 6, 12),
		caution: 'Soap on every joint of the air. A corner that sank has a leak.',
		gate: { question: 'No corner lower than an hour before, no bubble?' },
		needs: [need('read-after', 'An hour after the heights were read, against them.')]
	}
} as const satisfies Record<string, OperationData>;
