/** While parts are out: on the bench, and at the car for what comes new. */
import { fact, need, comparedFirst, minutes } from './facts.ts';
import type { OperationData } from './types.ts';

export const apart = {
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
		needs: [
			need('arm-out', 'Bushes are pressed with their arm out, or swung down for room.', {
				each: 'link'
			})
		],
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
		gate: {
			question:
				'Square as it was marked, its bolt held on both sides where the kit has it so, hoses and bar brackets clear?',
			note: 'Torque, and where the figure is from'
		},
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
		leaves: { hazard: 'A spring is compressed in its tool', until: ['release', 'let-off'] },
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
	'let-off': {
		phase: 'bench',
		title: 'Damper and mount out of the old spring, then it is let off and laid away',
		minutes: minutes(2, 4, 7),
		repeats: true,
		caution:
			'Never let off around its damper with the shaft nut gone. In turn, a little at a time.',
		needs: [need('apart', 'The old spring is let off once its damper is out of it.')],
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
	perch: {
		phase: 'bench',
		title: 'Perch to zero preload, then up by the kit’s figure; jam nut snug',
		minutes: minutes(4, 8, 16),
		repeats: true,
		tool: 'Two hook spanners, ruler',
		caution:
			'Anti-seize on the thread that will move. Jam nut shoulder up. The kit’s figure of this axle: front and rear differ.',
		gate: {
			question: 'Wound from just not loose, jam nut snug, the adjuster where a hand can reach it?',
			setting: true
		},
		needs: [need('unit-ready', 'The perch is wound once the unit is together.')],
		makes: [fact('unit-ready')]
	}
} as const satisfies Record<string, OperationData>;
