/** Taking apart. */
import {
	fact,
	need,
	coversFirst,
	marksFirst,
	linksFirst,
	soakedFirst,
	reached,
	undone,
	carrierUndone,
	standsFirst,
	standsBelow,
	wheelFirst,
	springFirst,
	slackFirst,
	onAgain,
	looseFirst,
	linkInTurn,
	airOutThere,
	baredFirst,
	tappedFirst,
	minutes
} from './facts.ts';
import type { OperationData } from './types.ts';

export const strip = {
	'wheel-off': {
		phase: 'strip',
		title: 'Wheel off, slid under the sill',
		minutes: minutes(1, 2, 6),
		repeats: true,
		tool: 'Wheel socket',
		leaves: { hazard: 'A wheel is off', until: 'wheel-on' },
		needs: [standsFirst],
		makes: [fact('wheel-off')]
	},
	mark: {
		phase: 'strip',
		title: 'Photograph and paint-mark how everything sits',
		minutes: minutes(2, 3, 6),
		repeats: true,
		tool: 'Camera, paint pen',
		gate: { question: 'Photo taken, marks across every joint that turns?' },
		needs: [wheelFirst],
		makes: [fact('marked')]
	},
	'cover-off': {
		phase: 'strip',
		title: 'Cover off',
		minutes: minutes(4, 8, 18),
		repeats: true,
		tool: 'Trim lever',
		caution: 'Clips break when cold. Only as far as the hand needs.',
		needs: [standsBelow, baredFirst],
		makes: [fact('open', 'covers')]
	},
	vent: {
		phase: 'strip',
		title: 'Air let out at the line, loosened slowly until it stops hissing',
		minutes: minutes(3, 6, 12),
		repeats: true,
		caution: 'Never undone while pressurised. The corner sinks as it empties.',
		gate: { question: 'No pressure left at this corner?' },
		leaves: { hazard: 'Air let out, the corner carries nothing', until: 'fill' },
		needs: [
			standsFirst,
			need('system-off', 'The system is off before air is let out: valves open by themselves.'),
			need(
				'compressor-off',
				'The compressor is unplugged before air is let out: it would blow at an open line.'
			)
		],
		makes: [fact('vented'), fact('air-out', 'joints')]
	},
	'plug-off': {
		phase: 'strip',
		title: 'Plug of the damper off',
		minutes: minutes(1, 2, 5),
		repeats: true,
		needs: [
			marksFirst,
			need(
				'system-off',
				'Plugs come off with the system off: it stores a fault at every open wire.'
			)
		],
		makes: [fact('unplugged')]
	},
	'hose-off': {
		phase: 'strip',
		title: 'Off its bracket',
		minutes: minutes(2, 4, 10),
		rusts: true,
		repeats: true,
		caution: 'The caliper never hangs on its hose.',
		leaves: { hazard: 'Brake hose and sensor wire are off their brackets', until: 'hose-on' },
		...undone
	},
	'links-off': {
		phase: 'strip',
		title: 'Both drop links of the axle off together',
		minutes: minutes(4, 8, 25),
		rusts: true,
		caution: 'One link alone is under load. Hold the stud with its hex.',
		...undone
	},
	support: {
		phase: 'strip',
		title: 'Small jack under the arm, just taking its weight',
		minutes: minutes(1, 2, 4),
		repeats: true,
		tool: 'Small jack',
		gate: { question: 'Jack square under it, it cannot roll off, clear of the spring’s path?' },
		needs: [wheelFirst],
		makes: [fact('held', 'held')],
		leaves: { hazard: 'A small jack stands under the arm', until: 'unsupport' }
	},
	tie: {
		phase: 'strip',
		title: 'Tie the knuckle to the body',
		minutes: minutes(1, 2, 3),
		repeats: true,
		tool: 'Strap',
		caution: 'Let go, it falls outward and pulls on hose and wire.',
		drivenCaution: 'Pulled outward, the drive shaft comes apart at its inner joint.',
		leaves: { hazard: 'The knuckle hangs on its strap', until: 'untie' },
		needs: [wheelFirst],
		makes: [fact('held', 'held')]
	},
	hang: {
		phase: 'strip',
		title: 'Hook for the caliper, from the spring or the body',
		minutes: minutes(1, 1, 3),
		repeats: true,
		tool: 'Hook',
		leaves: { hazard: 'The caliper hangs on its hook', until: 'unhang' },
		needs: [wheelFirst],
		makes: [fact('held', 'held')]
	},
	'caliper-off': {
		phase: 'strip',
		title: 'Caliper off its carrier, hung, never on its hose',
		minutes: minutes(3, 6, 18),
		rusts: true,
		repeats: true,
		caution: 'Nobody on the pedal from here on.',
		gate: { question: 'Caliper on its hook, its hose slack?' },
		needs: [
			...undone.needs,
			need('piston-back', 'Pads catch on the ridge of a disc: the piston goes back first.')
		],
		makes: undone.makes
	},
	'piston-back': {
		phase: 'strip',
		title: 'Piston pushed back, only until the pads clear the disc’s ridge',
		minutes: minutes(1, 2, 5),
		repeats: true,
		tool: 'Piston tool, clamp',
		caution:
			'The reservoir rises: looked at first. A piston with a handbrake in it is turned back, an electric one by its own menu.',
		gate: { question: 'Reservoir not over its mark?' },
		leaves: { hazard: 'A piston stands back: the pedal goes to the floor', until: 'pump-brakes' },
		needs: [wheelFirst],
		makes: [fact('piston-back')]
	},
	'disc-off': {
		phase: 'strip',
		title: 'Disc off, its place on the hub marked',
		minutes: minutes(2, 4, 15),
		rusts: true,
		repeats: true,
		needs: [
			...undone.needs,
			need('free', 'The disc comes off behind its caliper.', { each: 'frees' })
		],
		makes: undone.makes
	},
	'hub-off': {
		phase: 'strip',
		title: 'Hub nut off, the shaft proven free in its hub',
		minutes: minutes(2, 5, 20),
		rusts: true,
		repeats: true,
		caution:
			'Nut back on flush before it is tapped. A shaft that does not move is pressed, not hammered.',
		gate: { question: 'Does the shaft move in the hub by hand?' },
		...undone
	},
	'undo-bottom': {
		phase: 'strip',
		title: 'Lower end of the damper undone',
		minutes: minutes(4, 8, 30),
		rusts: true,
		repeats: true,
		drivenCaution: 'The drive shaft is neither pulled outward nor bent further than its joints go.',
		...carrierUndone
	},
	'undo-top': {
		phase: 'strip',
		title: 'Upper end of the damper undone',
		minutes: minutes(3, 5, 15),
		rusts: true,
		repeats: true,
		...carrierUndone
	},
	'air-line-off': {
		phase: 'strip',
		title: 'Air line off',
		minutes: minutes(1, 3, 6),
		repeats: true,
		...carrierUndone
	},
	'free-knuckle': {
		phase: 'strip',
		title: 'Joint undone so that the knuckle swings clear',
		minutes: minutes(2, 4, 10),
		rusts: true,
		repeats: true,
		drivenCaution: 'Swung outward, the knuckle pulls the drive shaft out of its inner joint.',
		...carrierUndone
	},
	'damper-out': {
		phase: 'strip',
		title: 'Damper out',
		minutes: minutes(1, 3, 8),
		repeats: true,
		caution:
			'In the hand before its last nuts come off: it drops with them. A gas damper extends by itself.',
		needs: [
			slackFirst,
			need('free', 'A damper comes out when everything that holds it is undone.', {
				each: 'frees'
			}),
			need('spread', 'A strut leaves its clamp when the slot is spread.'),
			need('unplugged', 'Its plug is off before a damper comes out: the wire is short.')
		],
		makes: [fact('out'), fact('core-out', 'core')]
	},
	'run-nut': {
		phase: 'strip',
		title: 'Nut of the taper run off and on again by hand, flush',
		minutes: minutes(1, 2, 6),
		rusts: true,
		repeats: true,
		caution: 'One that seizes half-way turns its stud once the taper is loose: run it now.',
		needs: reached,
		makes: [fact('nut-run', 'joints')]
	},
	'crack-taper': {
		phase: 'strip',
		title: 'Crack the taper with its nut still on four full threads',
		minutes: minutes(2, 4, 14),
		rusts: true,
		repeats: true,
		tool: 'Joint splitter',
		caution:
			'What it held comes down on that nut. Where a spring stands on it, nobody in its path.',
		gate: { question: 'Four threads of the nut on, taper loose?' },
		needs: [
			...reached,
			need('nut-run', 'The nut is proven free by hand before the taper under it is cracked.', {
				each: 'joints'
			})
		],
		makes: [fact('cracked', 'joints')]
	},
	'tap-through': {
		phase: 'strip',
		title: 'Nut back on, flush, and the bolt tapped until it moves',
		minutes: minutes(1, 3, 14),
		rusts: true,
		repeats: true,
		tool: 'Copper hammer, drift',
		caution: 'The blow lands on the nut, so that the thread survives. Glasses.',
		needs: [...reached, linkInTurn, airOutThere],
		makes: [fact('tapped', 'joints')]
	},
	scribe: {
		phase: 'strip',
		title: 'Outline scribed where it stands',
		minutes: minutes(1, 2, 4),
		repeats: true,
		tool: 'Scriber, brush',
		gate: { question: 'Every outline seen on clean metal?' },
		needs: [marksFirst, coversFirst],
		makes: [fact('scribed', 'joints')]
	},
	spread: {
		phase: 'strip',
		title: 'Slot of the clamp spread, only until the strut turns in it',
		minutes: minutes(1, 2, 6),
		rusts: true,
		repeats: true,
		tool: 'Spreader, no chisel',
		caution: 'A chisel notches the slot, and there it cracks. Its depth stop is looked at first.',
		leaves: { hazard: 'A spreader is in the clamp', until: 'unspread' },
		needs: [need('free', 'The clamp is spread once its bolt is out.', { each: 'joints' })],
		makes: [fact('spread')]
	},
	squeeze: {
		phase: 'strip',
		title: 'Internal compressor in, the spring drawn off its seat',
		minutes: minutes(6, 10, 20),
		repeats: true,
		tool: 'Internal spring compressor',
		caution: 'Plates on whole coils; turns by hand, never with an impact gun.',
		gate: { question: 'Both plates seated, spring off its seat?' },
		leaves: { hazard: 'An internal compressor holds the spring', until: 'unsqueeze' },
		needs: [wheelFirst, linksFirst],
		makes: [fact('loose')]
	},
	'holder-off': {
		phase: 'strip',
		title: 'Joint that holds the spring undone, the jack bearing it',
		minutes: minutes(3, 5, 15),
		rusts: true,
		repeats: true,
		caution: 'From here the jack alone holds the spring. Nobody in its path.',
		gate: { question: 'Jack bears the arm, nobody in the spring’s path?' },
		...undone
	},
	'subframe-off': {
		phase: 'strip',
		title: 'Bolts of the subframe out, the jack bearing it',
		minutes: minutes(5, 10, 30),
		rusts: true,
		repeats: true,
		caution: 'From here the jack alone carries it: nobody under it.',
		gate: { question: 'The jack bears the subframe, nothing else ties it?' },
		...undone
	},
	lower: {
		phase: 'strip',
		title: 'Lower the jack slowly until the spring is loose',
		minutes: minutes(2, 4, 8),
		repeats: true,
		caution: 'Slowly. The spring still pushes until it turns in your hand.',
		leaves: { hazard: 'The arm is down, its spring loose', until: 'raise' },
		needs: [
			slackFirst,
			need('free', 'It comes down only when everything that it would stretch is off it.', {
				each: 'frees'
			})
		],
		makes: [fact('loose')]
	},
	'spring-out': {
		phase: 'strip',
		title: 'Spring out with its pads',
		minutes: minutes(1, 2, 5),
		repeats: true,
		needs: [
			looseFirst,
			need('core-out', 'A damper that stands inside its coil is out before it.', { each: 'core' })
		],
		makes: [fact('out'), fact('spring-out', 'link')]
	},
	'slack-bushes': {
		phase: 'strip',
		title: 'Bush bolts of the arms slackened',
		minutes: minutes(4, 7, 25),
		rusts: true,
		repeats: true,
		needs: reached,
		makes: [fact('slackened', 'joints'), fact('started')]
	},
	'link-off': {
		phase: 'strip',
		title: 'One link of the axle off',
		minutes: minutes(5, 9, 30),
		rusts: true,
		caution: 'One at a time: with two off, the axle rolls.',
		needs: [marksFirst, soakedFirst, linkInTurn, tappedFirst],
		makes: [fact('free', 'joints')]
	},
	'link-on': {
		phase: 'strip',
		title: 'The link on again, by hand',
		minutes: minutes(3, 5, 10),
		tool: 'Drift, small jack',
		caution:
			'Holes that do not line up are brought there by a jack under the nose of the axle, never by the bolt.',
		needs: [onAgain],
		makes: [fact('link-back', 'link'), fact('links-changed'), fact('started')]
	},
	'arm-off': {
		phase: 'strip',
		title: 'Arm undone',
		minutes: minutes(6, 12, 35),
		rusts: true,
		repeats: true,
		drivenCaution: 'The drive shaft is neither pulled outward nor bent further than its joints go.',
		needs: [
			slackFirst,
			springFirst,
			...undone.needs,
			need('arm-back', 'One arm of a corner at a time: the others hold the wheel.', {
				each: 'linkBefore'
			})
		],
		makes: undone.makes
	},
	'arm-out': {
		phase: 'strip',
		title: 'Arm out',
		minutes: minutes(1, 3, 8),
		repeats: true,
		needs: [
			need('free', 'An arm comes out when everything that holds it is undone.', { each: 'frees' })
		],
		makes: [fact('arm-out', 'link')]
	},
	wedge: {
		phase: 'strip',
		title: 'Arm swung down, a wooden block in',
		minutes: minutes(2, 4, 8),
		repeats: true,
		tool: 'Lever, wooden block',
		caution: 'It springs back: fingers out before the lever is let go. Hoses watched.',
		leaves: { hazard: 'A block holds an arm down', until: 'arm-in' },
		needs: [
			slackFirst,
			need('free', 'It swings down only when everything that it would stretch is off it.', {
				each: 'frees'
			})
		],
		makes: [fact('arm-out', 'link')]
	},
	'bellows-off': {
		phase: 'strip',
		title: 'Air spring undone',
		minutes: minutes(4, 8, 20),
		rusts: true,
		repeats: true,
		...carrierUndone
	},
	'bellows-out': {
		phase: 'strip',
		title: 'Air spring out',
		minutes: minutes(2, 3, 8),
		repeats: true,
		needs: [
			need('free', 'An air spring comes out when everything that holds it is undone.', {
				each: 'frees'
			})
		]
	},
	'bar-off': {
		phase: 'strip',
		title: 'Brackets of the anti-roll bar off, old bushes out',
		minutes: minutes(3, 6, 18),
		rusts: true,
		repeats: true,
		caution: 'Both sides loose before one is off: a bar under load jumps.',
		...undone
	}
} as const satisfies Record<string, OperationData>;
