/** Before the car is opened: heights, what is eased on the ground, secured, lifted. */
import { fact, need, coversFirst, wheelFirst, heightsFirst, minutes } from './facts.ts';
import type { OperationData } from './types.ts';

export const prepare = {
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
	}
} as const satisfies Record<string, OperationData>;
