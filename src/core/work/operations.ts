/**
 * The operations there are: what each needs to be so before it, and what it makes so or ends. The order of a
 * job follows from these alone (`needs.ts`). Words, minutes and tools are common practice, no source; the
 * minutes are for a first side without rust and are replaced by the shop's own as it records them.
 */
import type { DoneIn, Gate, Minutes, WorkPhase } from './terms.ts';

/** What is counted one by one, as a step names it: joints and links apart, covers off, parts held. */
export type Each =
	| 'joints'
	| 'frees'
	| 'slack'
	| 'under'
	| 'covers'
	| 'held'
	| 'link'
	| 'linkBefore'
	| 'core'
	| 'below';

/** What must be so while an operation is done, and why. What nothing in a job makes so is so already. */
export interface Need {
	fact: string;
	/** One for each of these of the step; absent: whatever makes it so at the step's place. */
	each?: Each;
	/** Where else than at the step's own place. */
	at?: 'axle' | 'car';
	/** Only where rubber is set so. */
	when?: 'jack-to-height' | 'on-wheels';
	words: string;
}

/** What becomes so, or is so no more. */
export interface Effect {
	fact: string;
	each?: Each;
}

const fact = (name: string, each?: Each): Effect => ({ fact: name, ...(each && { each }) });
const need = (
	name: string,
	words: string,
	more: Omit<Partial<Need>, 'fact' | 'words'> = {}
): Need => ({ fact: name, words, ...more });

const marksFirst = need(
	'marked',
	'Marks and photo before anything turns: they are how it goes back.'
);
const coversFirst = need('open', 'It is reached only with what covers it off.', { each: 'covers' });
const heldFirst = need('held', 'It is held before its last hold is undone: it drops.', {
	each: 'held'
});
const airOutFirst = need('vented', 'Air is let out before anything of it is undone.');
const linksFirst = need(
	'links-changed',
	'Links of the axle are changed while dampers and springs hold it.',
	{ at: 'axle' }
);
const soakedFirst = need(
	'soaked',
	'Oil has its quarter of an hour in the thread before the spanner comes.'
);
const reached = [marksFirst, coversFirst, heldFirst, soakedFirst] as const;
const undone = {
	needs: [
		...reached,
		need('cracked', 'A taper is cracked with its nut on the threads, and the nut comes off last.', {
			each: 'joints'
		})
	],
	makes: [fact('free', 'joints')]
} as const;
/** Joints of what carries the car, and of air under pressure. */
const carrierUndone = {
	needs: [...undone.needs, airOutFirst, linksFirst],
	makes: undone.makes
} as const;
const standsFirst = need('standing', 'The car stands on its stands before anyone works at it.');
const standsBelow = need('standing', standsFirst.words, { each: 'below' });
const wheelFirst = need('wheel-off', 'The wheel comes off first, and lies under the sill.');
const springFirst = need('spring-out', 'A spring is out before the bolts of its arm are.', {
	each: 'link'
});
const slackFirst = need('slackened', 'Rubber that would be torn is slackened first.', {
	each: 'slack'
});
const onAgain = need('free', 'It goes on again when it was off.', { each: 'frees' });
const armFirst = need('arm-back', 'The arm is back before what rests on it.');
const startedFirst = need(
	'started',
	'What was loosened is started by hand before the wheel goes on or the corner is loaded.'
);
const tightFirst = need(
	'tight',
	'Rigid joints have their torque before the wheel goes on or the corner is loaded.'
);
const holdsAgain = [
	need('started', 'What holds it is on again before the jack or the strap comes away.'),
	need('tight', 'What holds it has its torque before the jack or the strap comes away.')
] as const;
const startedByHand = { makes: [fact('started')], ends: [fact('free', 'joints')] } as const;

const comparedFirst = need(
	'compared',
	'Old against new before anything is fitted: a difference is explained first.'
);
const heightsFirst = need(
	'heights',
	'Heights are read before anything is touched: afterwards the old height is gone.'
);
const linksTight = need(
	'links-tight',
	'Both links have their torque before the corner is loaded.',
	{ at: 'axle' }
);
const looseFirst = need(
	'loose',
	'A spring comes out and goes in only when nothing presses on it any more.'
);

export interface OperationData {
	phase: WorkPhase;
	title: string;
	minutes: Minutes;
	/** Rust makes it longer. */
	rusts?: boolean;
	/** The same on the second side of an axle takes about half the time. */
	repeats?: boolean;
	tool?: string;
	caution?: string;
	/** Said besides where the wheel is driven. */
	drivenCaution?: string;
	gate?: Gate;
	doneIn?: DoneIn;
	/** What must be so while it is done. */
	needs?: readonly Need[];
	/** What is so from then on. */
	makes?: readonly Effect[];
	/** What is so no more. */
	ends?: readonly Effect[];
	/** What stands about, under load or in the air, from this step until another is done. */
	leaves?: { hazard: string; until: string };
}

const minutes = (low: number, likely: number, high: number): Minutes => ({ low, likely, high });

export const operations = {
	soak: {
		phase: 'prepare',
		title: 'Penetrating oil on every fastener that will be undone',
		minutes: minutes(2, 4, 8),
		tool: 'Wire brush, penetrating oil',
		makes: [fact('oiled')]
	},
	'soak-off': {
		phase: 'strip',
		title: 'Penetrating oil on every fastener that will be undone, and a quarter of an hour for it',
		minutes: minutes(8, 15, 25),
		repeats: true,
		tool: 'Wire brush, penetrating oil',
		needs: [wheelFirst],
		makes: [fact('soaked')]
	},
	'heights-before': {
		phase: 'prepare',
		title: 'Read the height at all four corners',
		minutes: minutes(6, 10, 18),
		tool: 'Tape',
		doneIn: 'heights-before',
		needs: [need('oiled', 'Oil needs time in the thread before the spanner comes.')],
		makes: [fact('heights')]
	},
	'crack-wheels': {
		phase: 'prepare',
		title: 'Wheel fasteners loose a quarter-turn, on the ground',
		minutes: minutes(2, 3, 8),
		tool: 'Breaker bar',
		caution: 'A locking wheel nut by hand only, never with an impact gun.',
		gate: { question: 'Locking nut loosened by hand?' },
		needs: [heightsFirst],
		makes: [fact('wheels-loose')]
	},
	'ease-top': {
		phase: 'prepare',
		title: 'Upper nuts eased a quarter-turn, the wheels holding',
		minutes: minutes(1, 2, 6),
		rusts: true,
		repeats: true,
		caution:
			'The nuts of the mount alone. Never the one on the shaft: the spring stands behind it.',
		gate: { question: 'Its position marked on the body, the nut on the shaft left alone?' },
		needs: [
			heightsFirst,
			coversFirst,
			need('weight-on', 'Upper nuts are eased while the wheels hold the car, or not at all.')
		]
	},
	'ease-hub': {
		phase: 'prepare',
		title: 'Hub nut eased, the wheels holding',
		minutes: minutes(2, 4, 12),
		rusts: true,
		repeats: true,
		tool: 'Breaker bar',
		caution: 'Staking lifted first. The wheel is down on the ground and somebody is on the brake.',
		gate: { question: 'Staking lifted, wheel on the ground, nut turned?' },
		needs: [
			heightsFirst,
			need(
				'weight-on',
				'A hub nut breaks loose while the wheels hold the car: in the air the shaft takes it.'
			)
		]
	},
	'ignition-off': {
		phase: 'prepare',
		title: 'Ignition and selector as the maker says, battery off',
		minutes: minutes(2, 4, 8),
		caution: 'Air valves may open by themselves while the system is live.',
		gate: { question: 'Battery off and key away from the car?' },
		makes: [fact('system-off')]
	},
	'compressor-off': {
		phase: 'prepare',
		title: 'Compressor relay or control unit unplugged',
		minutes: minutes(2, 3, 8),
		gate: { question: 'Unplugged, and where it is written down?' },
		makes: [fact('compressor-off')]
	},
	chock: {
		phase: 'prepare',
		title: 'Chock the wheels that stay down',
		minutes: minutes(1, 1, 2),
		gate: { question: 'Chocks seen, both ways?' },
		needs: [heightsFirst],
		makes: [fact('chocked')]
	},
	lift: {
		phase: 'prepare',
		title: 'Lift the car at its marked points',
		minutes: minutes(2, 4, 8),
		tool: 'Jack or lift',
		caution: 'A car on a jack alone is not supported. Nothing of you under it.',
		leaves: { hazard: 'The car is off its wheels', until: 'ground' },
		needs: [
			need(
				'wheels-loose',
				'Wheel fasteners break loose on the ground: on stands it rocks the car off them.'
			),
			need('chocked', 'Chocks before the jack: the wheels that stay down hold the car.')
		],
		makes: [fact('lifted')],
		ends: [fact('weight-on')]
	},
	stands: {
		phase: 'prepare',
		title: 'Stands under the body, weight down on them',
		minutes: minutes(2, 4, 7),
		tool: 'Stands',
		caution: 'Under the body, never under a part that must move later.',
		gate: { question: 'Stands seen under the body, car steady?', note: 'Where they stand' },
		needs: [need('lifted', 'The car is lifted before the stands go under it.')],
		makes: [fact('standing')]
	},
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
		needs: [standsBelow],
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
		makes: [fact('vented')]
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
		caution:
			'The piston pushed back first where the pads catch on a ridge. Nobody on the pedal. The disc off where room is wanted.',
		gate: { question: 'Caliper on its hook, its hose slack?' },
		...undone
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
		caution: 'Hold the unit: it drops with the last nut. A gas damper extends by itself.',
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
		caution:
			'Its outline marked on the body. From here the jack alone carries it: nobody under it.',
		gate: { question: 'Outline marked, the jack bears the subframe, nothing else ties it?' },
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
		caution: 'Mark an eccentric before it moves.',
		needs: reached,
		makes: [fact('slackened', 'joints'), fact('started')]
	},
	'link-off': {
		phase: 'strip',
		title: 'One link of the axle off',
		minutes: minutes(5, 9, 30),
		rusts: true,
		caution: 'One at a time: with two off, the axle rolls.',
		needs: [
			marksFirst,
			soakedFirst,
			need('link-back', 'One link of the axle at a time: with two off, the axle rolls.', {
				each: 'linkBefore'
			})
		],
		makes: [fact('free', 'joints')]
	},
	'link-on': {
		phase: 'strip',
		title: 'The link on again, by hand',
		minutes: minutes(3, 5, 10),
		needs: [onAgain],
		makes: [fact('link-back', 'link'), fact('links-changed'), fact('started')]
	},
	'arm-off': {
		phase: 'strip',
		title: 'Arm undone',
		minutes: minutes(6, 12, 35),
		rusts: true,
		repeats: true,
		caution: 'Scribe a bracket’s outline and an eccentric’s mark before its bolt moves.',
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
	},
	'press-bush': {
		phase: 'bench',
		title: 'Bushes pressed out and in',
		minutes: minutes(12, 22, 45),
		repeats: true,
		tool: 'Bush puller or press',
		caution:
			'Never mineral grease on rubber: silicone or soap. Nothing of you in line with a loaded press.',
		gate: {
			question:
				'Old position marked, way in as the lead-in says, turned to the mark, rubber seen on either side?',
			note: 'Where its slot or arrow stands, as on a clock',
			clock: true
		},
		needs: [need('arm-out', 'Bushes are pressed with their arm out.', { each: 'link' })],
		makes: [fact('pressed', 'link')]
	},
	'bracket-place': {
		phase: 'strip',
		title: 'New bracket held in its place, squared to the axle, holes marked',
		minutes: minutes(5, 10, 25),
		repeats: true,
		tool: 'Square, clamps, centre punch',
		caution:
			'What lies behind: lines, wires, tank, the cabin. The maker of the kit and local rules say what may be drilled.',
		gate: {
			question: 'Located by the factory holes, square to the axle, centres punched, nothing behind?'
		},
		needs: [need('out', 'A bracket is fitted with the damper out of its way.')],
		makes: [fact('bracket-marked')]
	},
	'bracket-drill': {
		phase: 'strip',
		title: 'Drilled from small to size, and deburred',
		minutes: minutes(5, 10, 25),
		repeats: true,
		tool: 'Drills in steps, deburrer',
		caution: 'Glasses. A stop on the drill. Chips out of the box section before they rust.',
		gate: { question: 'Holes round and to size, at right angles?', note: 'Sizes drilled, mm' },
		needs: [need('bracket-marked', 'Holes are drilled where the bracket was held and punched.')],
		makes: [fact('drilled')]
	},
	'bracket-seal': {
		phase: 'strip',
		title: 'Bare edges primed and sealed',
		minutes: minutes(3, 5, 12),
		repeats: true,
		gate: { question: 'No bare metal at any edge?' },
		needs: [need('drilled', 'Edges are sealed once the holes are to size.')],
		makes: [fact('sealed')]
	},
	'rivet-nut': {
		phase: 'strip',
		title: 'Rivet nuts set and tried',
		minutes: minutes(3, 6, 15),
		repeats: true,
		tool: 'Rivet nut tool',
		caution: 'One that turns is drilled out and set anew: it never holds.',
		gate: { question: 'Thread seen, flange flat, each tried with a bolt and does not turn?' },
		needs: [need('sealed', 'A rivet nut covers the edge: sealed before it is set.')],
		makes: [fact('nuts-set')]
	},
	'bracket-on': {
		phase: 'strip',
		title: 'Bracket on, its bolts to their torque',
		minutes: minutes(3, 6, 12),
		repeats: true,
		tool: 'Torque wrench',
		gate: { question: 'Square as it was marked?', note: 'Torque, and where the figure is from' },
		needs: [need('nuts-set', 'The bracket is bolted to nuts that were tried.')],
		makes: [fact('bracket-on')]
	},
	compare: {
		phase: 'bench',
		title: 'Old part against new',
		minutes: minutes(2, 4, 8),
		repeats: true,
		tool: 'Caliper, tape',
		doneIn: 'bench',
		needs: [need('out', 'Old against new when the old part is out.')],
		makes: [fact('compared')]
	},
	compress: {
		phase: 'bench',
		title: 'Spring compressed until it turns loosely in its seat',
		minutes: minutes(5, 8, 15),
		repeats: true,
		tool: 'Spring compressor',
		caution: 'A compressed spring can kill. Hooks opposite, screws in turn, no impact gun.',
		gate: { question: 'Spring turns loosely in its seat?' },
		doneIn: 'bench',
		leaves: { hazard: 'A spring is compressed in its tool', until: 'release' },
		needs: [comparedFirst],
		makes: [fact('compressed')]
	},
	'shaft-off': {
		phase: 'bench',
		title: 'Shaft nut off',
		minutes: minutes(1, 3, 8),
		repeats: true,
		caution: 'Only with the spring free. Never stand over the shaft.',
		needs: [
			comparedFirst,
			need('compressed', 'The shaft nut is touched only when the spring turns loosely in its seat.')
		],
		makes: [fact('apart')]
	},
	restack: {
		phase: 'bench',
		title: 'New unit primed and stacked in order',
		minutes: minutes(5, 9, 16),
		repeats: true,
		doneIn: 'bench',
		needs: [need('apart', 'The unit is stacked when it is apart.')],
		makes: [fact('stacked')]
	},
	'shaft-on': {
		phase: 'bench',
		title: 'New shaft nut, by hand, the shaft held',
		minutes: minutes(2, 3, 5),
		repeats: true,
		caution: 'No impact gun: it snaps studs and spins seals.',
		needs: [need('stacked', 'The shaft nut goes on when the unit is stacked.')],
		makes: [fact('nut-on'), fact('unit-ready')]
	},
	release: {
		phase: 'bench',
		title: 'Compressor let off in turn, spring end to its step',
		minutes: minutes(3, 5, 8),
		repeats: true,
		caution: 'A little at a time on each screw; watch the spring end and the marks.',
		needs: [need('nut-on', 'The compressor is let off only against a shaft nut that is on.')],
		makes: [fact('unit-ready')]
	},
	'change-over': {
		phase: 'bench',
		title: 'New damper primed; stop, boot, cups and cushions changed over to it',
		minutes: minutes(2, 3, 7),
		repeats: true,
		doneIn: 'bench',
		needs: [comparedFirst],
		makes: [fact('unit-ready')]
	},
	'check-unit': {
		phase: 'bench',
		title: 'Unit checked as it came: caps and shipping nuts off, its own nut tight',
		minutes: minutes(2, 3, 6),
		repeats: true,
		caution: 'A unit with air is never worked or stood on without air, unless its maker says so.',
		gate: { question: 'Shaft nut seen tight, caps off, mount turned as on the old one?' },
		needs: [comparedFirst],
		makes: [fact('unit-ready')]
	},
	'spring-in': {
		phase: 'refit',
		title: 'Spring in, pads on, its end against the step',
		minutes: minutes(2, 4, 8),
		repeats: true,
		gate: {
			question: 'The spring of this side, way up as its seat asks, pocket clean, its pads on?'
		},
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
		caution: 'Hose not twisted. The pedal is pumped before the car moves.',
		needs: [need('placed', 'The caliper goes back when everything is where it stays.')],
		...startedByHand
	},
	'hub-on': {
		phase: 'refit',
		title: 'Shaft into its hub, a new nut by hand',
		minutes: minutes(2, 3, 8),
		repeats: true,
		caution: 'The shaft stays in its inner joint while it is guided in.',
		needs: [need('in', 'The shaft goes into its hub when the damper is in.')],
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
		caution:
			'A new damper without one: the plug is sealed and put away, or a dummy fitted; else the lamp stays on, and the sheet says so.',
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
	tighten: {
		phase: 'refit',
		title: 'Rigid joints to their torque, rubber only nipped',
		minutes: minutes(4, 7, 14),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round',
		needs: [
			need('started', 'Everything is started by hand before anything is tight.'),
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
	},
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
			need('loaded', 'Rubber gets its torque at ride height: set hanging, it stays twisted.')
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
			standsBelow,
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
	},
	own: {
		phase: 'strip',
		title: 'A step of the shop’s own',
		minutes: minutes(2, 5, 10)
	}
} as const satisfies Record<string, OperationData>;

export type StepKind = keyof typeof operations;
export const stepKinds = Object.keys(operations) as StepKind[];
export const operation = (kind: StepKind): OperationData => operations[kind];
