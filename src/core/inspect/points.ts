/** What is looked at on each corner, and what can be found. Common practice, no source. */
import type { JointPlace, Layout } from '../layout/types.ts';

/** sound: nothing to do; watch: look again next time; worn: renew. */
export type Gravity = 'sound' | 'watch' | 'worn';

export interface PointState {
	key: string;
	name: string;
	gravity: Gravity;
}

export interface InspectionPoint {
	key: string;
	name: string;
	/** Where it is touched on the drawing. */
	place: JointPlace | 'spring' | 'damper';
	/** How to look. */
	how: string;
	/** Sound first. */
	states: readonly PointState[];
	/** What is renewed when it is worn. */
	part: PartKey;
	/** Wants to be told where: a broken coil, a cracked bush. */
	where?: string;
}

/** Things a corner is made of that are bought and fitted. */
export const partKeys = [
	'damper',
	'spring',
	'bump-stop',
	'boot',
	'top-mount',
	'top-bearing',
	'spring-pads',
	'bush',
	'ball-joint',
	'drop-link',
	'hardware'
] as const;
export type PartKey = (typeof partKeys)[number];

export const partNames: Readonly<Record<PartKey, string>> = {
	damper: 'Damper',
	spring: 'Spring',
	'bump-stop': 'Bump stop',
	boot: 'Dust boot',
	'top-mount': 'Top mount',
	'top-bearing': 'Top bearing',
	'spring-pads': 'Spring pad',
	bush: 'Bush',
	'ball-joint': 'Ball joint',
	'drop-link': 'Drop link',
	hardware: 'One-time fasteners'
};

const state = (key: string, name: string, gravity: Gravity): PointState => ({ key, name, gravity });
const sound = (name: string) => state('sound', name, 'sound');

/** What is looked at in the rubber of any arm. */
const bush = {
	how: 'Lever gently at the arm; look for cracks, a split, a sleeve that has moved.',
	states: [
		sound('Sound'),
		state('cracked', 'Cracked', 'watch'),
		state('split', 'Split', 'worn'),
		state('moved', 'Sleeve moved', 'worn')
	],
	part: 'bush',
	where: 'Which bush'
} as const;

const all: readonly InspectionPoint[] = [
	{
		key: 'damper-oil',
		name: 'Damper body',
		place: 'damper',
		how: 'Dust film is a weep, running oil a leak.',
		states: [sound('Dry'), state('weep', 'Weep', 'watch'), state('leak', 'Leak', 'worn')],
		part: 'damper'
	},
	{
		key: 'damper-gas',
		name: 'Damper force',
		place: 'damper',
		how: 'Bounce it; off the car it must push back and not fall by itself.',
		states: [sound('Holds'), state('soft', 'Soft', 'watch'), state('lost', 'Gas lost', 'worn')],
		part: 'damper'
	},
	{
		key: 'damper-straight',
		name: 'Shaft and tube',
		place: 'damper',
		how: 'Sight along the shaft; look for a dent or a rubbed side.',
		states: [sound('Straight'), state('bent', 'Bent', 'worn')],
		part: 'damper'
	},
	{
		key: 'spring',
		name: 'Spring',
		place: 'spring',
		how: 'Feel for a sharp end at the seats: it snaps hidden, and may stand in pieces.',
		states: [
			sound('Whole'),
			state('rusted', 'Paint gone, pitted', 'watch'),
			state('sagged', 'Sagged', 'worn'),
			state('broken', 'Broken coil', 'worn')
		],
		part: 'spring',
		where: 'Which coil, counted from which end'
	},
	{
		key: 'bump-stop',
		name: 'Bump stop',
		place: 'damper',
		how: 'Boot up, look at the shaft.',
		states: [
			sound('Whole'),
			state('cracked', 'Cracked', 'watch'),
			state('shredded', 'Shredded', 'worn')
		],
		part: 'bump-stop'
	},
	{
		key: 'boot',
		name: 'Dust boot',
		place: 'damper',
		how: 'Split or off its seat, the shaft runs in grit.',
		states: [sound('Whole'), state('split', 'Split', 'worn')],
		part: 'boot'
	},
	{
		key: 'mount-washer',
		name: 'Top mount',
		place: 'damper-top',
		how: 'Washer rusted through: the rod hammers its hole. Rubber torn or sunk.',
		states: [
			sound('Sound'),
			state('sunk', 'Rubber sunk', 'watch'),
			state('rusted-through', 'Washer rusted through', 'worn'),
			state('torn', 'Rubber torn', 'worn')
		],
		part: 'top-mount'
	},
	{
		key: 'top-bearing',
		name: 'Top bearing',
		place: 'damper-top',
		how: 'Hand on the spring while somebody steers: it turns evenly, without a jump.',
		states: [sound('Turns evenly'), state('stiff', 'Stiff or jumps', 'worn')],
		part: 'top-bearing'
	},
	{
		key: 'lower-bush',
		name: 'Arm bushes',
		place: 'lower-pivot',
		...bush
	},
	{
		key: 'upper-bush',
		name: 'Upper arm bushes',
		place: 'upper-pivot',
		...bush
	},
	{
		key: 'ball-joint',
		name: 'Ball joints',
		place: 'lower-joint',
		how: 'Wheel hanging, lever under the tyre; a free joint does not flop by its own weight.',
		states: [
			sound('No play'),
			state('boot-split', 'Boot split', 'watch'),
			state('play', 'Play', 'worn')
		],
		part: 'ball-joint'
	},
	{
		key: 'drop-link',
		name: 'Drop link',
		place: 'drop-link',
		how: 'Shake it by hand with both wheels at the same height.',
		states: [
			sound('Tight, turns'),
			state('loose', 'Loose', 'worn'),
			state('seized', 'Seized', 'worn')
		],
		part: 'drop-link'
	},
	{
		key: 'threads',
		name: 'Threads and fasteners',
		place: 'bracket',
		how: 'Brush one and look: will it come, or break?',
		states: [
			sound('Clean'),
			state('light', 'Light rust', 'watch'),
			state('heavy', 'Heavy rust', 'watch'),
			state('rounded', 'Rounded or seized', 'worn')
		],
		part: 'hardware'
	}
];

/** The points of a corner of this layout, in the order they are walked. */
export function inspectionPoints(layout: Layout): InspectionPoint[] {
	const places = new Set<string>(layout.joints.map(({ place }) => place));
	const { spring, damper } = layout.build;
	return all.filter(({ key, place }) => {
		if (key === 'top-bearing') return damper === 'strut' && places.has('tie-rod-outer');
		if (key === 'spring') return spring !== 'air';
		if (key === 'ball-joint') return layout.joints.some(({ kind }) => kind === 'ball-joint');
		return place === 'spring' || place === 'damper' || places.has(place);
	});
}

export const findPoint = (key: string): InspectionPoint | undefined =>
	all.find((point) => point.key === key);
export const pointKeys: readonly string[] = all.map(({ key }) => key);
export const findState = (point: InspectionPoint, key: string): PointState | undefined =>
	point.states.find((one) => one.key === key);
