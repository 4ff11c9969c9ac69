/**
 * The kinds of step there are. Words, minutes and tools are common practice, no source; the minutes are
 * for a first side without rust and are replaced by the shop's own as it records them.
 */
import type { DoneIn, Gate, Minutes, WorkPhase } from './terms.ts';

export interface KindData {
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
	/** What stands about, under load or in the air, from this step until another is done. */
	leaves?: { hazard: string; until: string };
}

const minutes = (low: number, likely: number, high: number): Minutes => ({ low, likely, high });

export const kinds = {
	soak: {
		phase: 'prepare',
		title: 'Penetrating oil on every fastener that will be undone',
		minutes: minutes(2, 4, 8),
		tool: 'Wire brush, penetrating oil'
	},
	'heights-before': {
		phase: 'prepare',
		title: 'Read the height at all four corners',
		minutes: minutes(6, 10, 18),
		tool: 'Tape',
		doneIn: 'heights-before'
	},
	'crack-wheels': {
		phase: 'prepare',
		title: 'Wheel fasteners loose a quarter-turn, on the ground',
		minutes: minutes(2, 3, 8),
		tool: 'Breaker bar',
		caution: 'A locking wheel nut by hand only, never with an impact gun.',
		gate: { question: 'Locking nut loosened by hand?' }
	},
	'ignition-off': {
		phase: 'prepare',
		title: 'Ignition state as the maker says, battery off',
		minutes: minutes(2, 4, 8),
		caution: 'Air valves may open by themselves while the system is live.',
		gate: { question: 'Battery off and key away from the car?' }
	},
	chock: {
		phase: 'prepare',
		title: 'Chock the wheels that stay down',
		minutes: minutes(1, 1, 2),
		gate: { question: 'Chocks seen, both ways?' }
	},
	lift: {
		phase: 'prepare',
		title: 'Lift the car at its marked points',
		minutes: minutes(2, 4, 8),
		tool: 'Jack or lift',
		caution: 'A car on a jack alone is not supported. Nothing of you under it.',
		leaves: { hazard: 'The car is off its wheels', until: 'ground' }
	},
	stands: {
		phase: 'prepare',
		title: 'Stands under the body, weight down on them',
		minutes: minutes(2, 4, 7),
		tool: 'Stands',
		caution: 'Under the body, never under a part that must move later.',
		gate: { question: 'Stands seen under the body, car steady?', note: 'Where they stand' }
	},
	'wheel-off': {
		phase: 'strip',
		title: 'Wheel off, slid under the sill',
		minutes: minutes(1, 2, 6),
		repeats: true,
		tool: 'Wheel socket',
		leaves: { hazard: 'A wheel is off', until: 'wheel-on' }
	},
	mark: {
		phase: 'strip',
		title: 'Photograph and paint-mark how everything sits',
		minutes: minutes(2, 3, 6),
		repeats: true,
		tool: 'Camera, paint pen',
		gate: { question: 'Photo taken, marks across every joint that turns?' }
	},
	'trim-off': {
		phase: 'strip',
		title: 'Trim off to reach the upper end',
		minutes: minutes(4, 8, 18),
		repeats: true,
		tool: 'Trim lever',
		caution: 'Clips break when cold.'
	},
	vent: {
		phase: 'strip',
		title: 'Let the air out at the line',
		minutes: minutes(3, 6, 12),
		repeats: true,
		caution: 'Never undone while pressurised. The corner sinks as it empties.',
		gate: { question: 'No pressure left at this corner?' },
		leaves: { hazard: 'Air let out, the corner carries nothing', until: 'air-line-on' }
	},
	'hose-off': {
		phase: 'strip',
		title: 'Brake hose and sensor wire off their brackets',
		minutes: minutes(2, 4, 10),
		rusts: true,
		repeats: true,
		caution: 'The caliper never hangs on its hose.',
		leaves: { hazard: 'Brake hose and sensor wire are off their brackets', until: 'hose-on' }
	},
	'links-off': {
		phase: 'strip',
		title: 'Both drop links of the axle off together',
		minutes: minutes(4, 8, 25),
		rusts: true,
		caution: 'One link alone is under load. Hold the stud with its hex.'
	},
	support: {
		phase: 'strip',
		title: 'Small jack under the arm, just taking its weight',
		minutes: minutes(1, 2, 4),
		repeats: true,
		tool: 'Small jack',
		gate: { question: 'Jack square under the arm, clear of the spring’s path?' },
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
		leaves: { hazard: 'The knuckle hangs on its strap', until: 'untie' }
	},
	'undo-bottom': {
		phase: 'strip',
		title: 'Lower end of the damper undone',
		minutes: minutes(4, 8, 30),
		rusts: true,
		repeats: true,
		drivenCaution: 'The drive shaft is neither pulled outward nor bent further than its joints go.'
	},
	'undo-top': {
		phase: 'strip',
		title: 'Upper end of the damper undone',
		minutes: minutes(3, 5, 15),
		rusts: true,
		repeats: true,
		caution: 'Hold the unit: it drops with the last nut. A gas damper extends by itself.'
	},
	'air-line-off': {
		phase: 'strip',
		title: 'Air line off the strut',
		minutes: minutes(1, 3, 6),
		repeats: true
	},
	'free-knuckle': {
		phase: 'strip',
		title: 'Joint undone so that the knuckle swings clear',
		minutes: minutes(4, 8, 25),
		rusts: true,
		repeats: true,
		tool: 'Joint splitter',
		drivenCaution: 'Swung outward, the knuckle pulls the drive shaft out of its inner joint.'
	},
	'damper-out': {
		phase: 'strip',
		title: 'Damper out',
		minutes: minutes(1, 3, 8),
		repeats: true
	},
	'crack-taper': {
		phase: 'strip',
		title: 'Crack the taper with its nut still on four full threads',
		minutes: minutes(3, 6, 20),
		rusts: true,
		repeats: true,
		tool: 'Joint splitter',
		caution: 'The spring is held by that nut and the jack alone. Nobody in its path.',
		gate: { question: 'Four threads of the nut on, taper loose?' }
	},
	'holder-off': {
		phase: 'strip',
		title: 'Joint that holds the spring undone, the jack bearing it',
		minutes: minutes(3, 5, 15),
		rusts: true,
		repeats: true,
		caution: 'From here the jack alone holds the spring. Nobody in its path.',
		gate: { question: 'Jack bears the arm, nobody in the spring’s path?' }
	},
	lower: {
		phase: 'strip',
		title: 'Lower the jack slowly until the spring is loose',
		minutes: minutes(2, 4, 8),
		repeats: true,
		caution: 'Slowly. The spring still pushes until it turns in your hand.',
		leaves: { hazard: 'The arm is down, its spring loose', until: 'raise' }
	},
	squeeze: {
		phase: 'strip',
		title: 'Internal compressor in, the spring drawn off its seat',
		minutes: minutes(6, 10, 20),
		repeats: true,
		tool: 'Internal spring compressor',
		caution: 'Plates on whole coils; turns by hand, never with an impact gun.',
		gate: { question: 'Both plates seated, spring off its seat?' },
		leaves: { hazard: 'An internal compressor holds the spring', until: 'unsqueeze' }
	},
	'spring-out': {
		phase: 'strip',
		title: 'Spring out with its pads',
		minutes: minutes(1, 2, 5),
		repeats: true
	},
	'slack-bushes': {
		phase: 'strip',
		title: 'Bush bolts of the arms slackened',
		minutes: minutes(4, 7, 25),
		rusts: true,
		repeats: true,
		caution: 'Mark an eccentric before it moves.'
	},
	'link-off': {
		phase: 'strip',
		title: 'One link of the axle off',
		minutes: minutes(5, 9, 30),
		rusts: true,
		caution: 'One at a time: with two off, the axle rolls.'
	},
	'link-on': {
		phase: 'strip',
		title: 'The link on again, by hand',
		minutes: minutes(3, 5, 10)
	},
	compare: {
		phase: 'bench',
		title: 'Old part against new',
		minutes: minutes(2, 4, 8),
		repeats: true,
		tool: 'Caliper, tape',
		doneIn: 'bench'
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
		leaves: { hazard: 'A spring is compressed in its tool', until: 'release' }
	},
	'shaft-off': {
		phase: 'bench',
		title: 'Shaft nut off',
		minutes: minutes(1, 3, 8),
		repeats: true,
		caution: 'Only with the spring free. Never stand over the shaft.'
	},
	restack: {
		phase: 'bench',
		title: 'New unit primed and stacked in order',
		minutes: minutes(5, 9, 16),
		repeats: true,
		doneIn: 'bench'
	},
	'shaft-on': {
		phase: 'bench',
		title: 'New shaft nut, by hand, the shaft held',
		minutes: minutes(2, 3, 5),
		repeats: true,
		caution: 'No impact gun: it snaps studs and spins seals.'
	},
	release: {
		phase: 'bench',
		title: 'Compressor let off in turn, spring end to its step',
		minutes: minutes(3, 5, 8),
		repeats: true,
		caution: 'A little at a time on each screw; watch the spring end and the marks.'
	},
	prime: {
		phase: 'bench',
		title: 'New damper worked through its stroke, upright',
		minutes: minutes(1, 2, 3),
		repeats: true,
		doneIn: 'bench'
	},
	'spring-in': {
		phase: 'refit',
		title: 'Spring in, pads on, its end against the step',
		minutes: minutes(2, 4, 8),
		repeats: true
	},
	raise: {
		phase: 'refit',
		title: 'Raise the arm until the holes line up',
		minutes: minutes(2, 4, 10),
		repeats: true,
		tool: 'Small jack, drift',
		caution: 'Fingers out of the holes: a drift pulls the last bit.'
	},
	'holder-on': {
		phase: 'refit',
		title: 'Joint that holds the spring started by hand',
		minutes: minutes(2, 4, 8),
		repeats: true
	},
	unsqueeze: {
		phase: 'refit',
		title: 'Internal compressor let off, the spring in its seats',
		minutes: minutes(4, 6, 12),
		repeats: true,
		caution: 'Watch both ends of the spring into their seats.'
	},
	'damper-in': {
		phase: 'refit',
		title: 'Damper in, both ends started by hand',
		minutes: minutes(3, 6, 12),
		repeats: true
	},
	'knuckle-on': {
		phase: 'refit',
		title: 'Knuckle joint back, started by hand',
		minutes: minutes(2, 4, 8),
		repeats: true
	},
	'air-line-on': {
		phase: 'refit',
		title: 'Air line on, started by hand',
		minutes: minutes(1, 2, 5),
		repeats: true
	},
	'hose-on': {
		phase: 'refit',
		title: 'Brake hose and sensor wire on their brackets, not twisted',
		minutes: minutes(2, 3, 6),
		repeats: true
	},
	untie: {
		phase: 'refit',
		title: 'Strap off the knuckle',
		minutes: minutes(0.5, 1, 2),
		repeats: true
	},
	'links-on': {
		phase: 'refit',
		title: 'Both drop links of the axle on together, by hand',
		minutes: minutes(3, 5, 10)
	},
	'links-tight': {
		phase: 'refit',
		title: 'Drop links to their torque, both sides',
		minutes: minutes(3, 5, 10),
		tool: 'Torque wrench',
		caution: 'Both before the car is loaded. Hold the stud with its hex.',
		doneIn: 'round'
	},
	tighten: {
		phase: 'refit',
		title: 'Rigid joints to their torque, rubber only nipped',
		minutes: minutes(4, 7, 14),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round'
	},
	unsupport: {
		phase: 'refit',
		title: 'Small jack away',
		minutes: minutes(0.5, 1, 2),
		repeats: true
	},
	load: {
		phase: 'set',
		title: 'Bring the corner to its height',
		minutes: minutes(3, 5, 10),
		repeats: true,
		doneIn: 'round'
	},
	'set-rubber': {
		phase: 'set',
		title: 'Rubber to its torque, at ride height',
		minutes: minutes(4, 8, 16),
		repeats: true,
		tool: 'Torque wrench',
		doneIn: 'round'
	},
	'wheel-on': {
		phase: 'set',
		title: 'Wheel on, fasteners by hand',
		minutes: minutes(1, 2, 4),
		repeats: true
	},
	ground: {
		phase: 'set',
		title: 'Stands away, car down on its wheels',
		minutes: minutes(3, 5, 9),
		gate: { question: 'Nothing under the car, every tool counted?' }
	},
	'torque-wheels': {
		phase: 'set',
		title: 'Wheels to their torque in a star, two passes',
		minutes: minutes(3, 5, 9),
		tool: 'Torque wrench',
		doneIn: 'round'
	},
	'heights-after': {
		phase: 'set',
		title: 'Roll, bounce, read the height at all four corners',
		minutes: minutes(6, 10, 18),
		tool: 'Tape',
		doneIn: 'heights-after'
	}
} as const satisfies Record<string, KindData>;

export type StepKind = keyof typeof kinds;
export const stepKinds = Object.keys(kinds) as StepKind[];
export const kindData = (kind: StepKind): KindData => kinds[kind];
