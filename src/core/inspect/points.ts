/** What is looked at on each corner, and what can be found. Common practice, no source. */
import type { PartKey } from './part-keys.ts';
import { isDriven, isStrut, springSeat } from '../layout/shape.ts';
import type { Corner } from '../height/corners.ts';
import { rustGrades, type RustGrade } from '../work/scope.ts';
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
	/** What is renewed when it is worn; absent: nothing is ever worn here, only seen. */
	part?: PartKey;
	/** Wants to be told where: a broken coil, a cracked bush. */
	where?: string;
}

export { partKeys, partNames, type PartKey } from './part-keys.ts';

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
} as const satisfies Partial<InspectionPoint>;

const all: readonly InspectionPoint[] = [
	{
		key: 'tyre',
		name: 'Tyre',
		place: 'hub',
		how: 'Hand across the tread: cups, one edge, cuts; the date on the wall.',
		states: [
			sound('Even'),
			state('edge', 'One edge', 'watch'),
			state('cupped', 'Cupped', 'watch'),
			state('finished', 'Worn out or cut', 'worn')
		],
		part: 'tyre',
		where: 'Which edge, how deep'
	},
	{
		key: 'wheel-bearing',
		name: 'Wheel bearing',
		place: 'hub',
		how: 'Hand on the spring while it is spun; rock at twelve and six.',
		states: [
			sound('Quiet, no play'),
			state('rough', 'Rough', 'worn'),
			state('play', 'Play', 'worn')
		],
		part: 'wheel-bearing'
	},
	{
		key: 'general',
		name: 'Behind the wheel',
		place: 'hub',
		how: 'Wheel off, one look round: what rubs, drips, hangs, or is not as it was made.',
		states: [sound('Nothing to say'), state('seen', 'Something seen', 'watch')],
		where: 'What'
	},
	{
		key: 'brake-hose',
		name: 'Brake hose',
		place: 'hub',
		how: 'Bend it: cracks; where it rubs; that it hangs free at full droop.',
		states: [
			sound('Sound'),
			state('cracked', 'Cracked', 'watch'),
			state('chafed', 'Rubbed or swollen', 'worn')
		],
		part: 'brake-hose'
	},
	{
		key: 'shaft-boot',
		name: 'Drive shaft boots',
		place: 'hub',
		how: 'Turn it through: a split shows in the folds; grease thrown round.',
		states: [
			sound('Whole'),
			state('cracked', 'Cracked', 'watch'),
			state('split', 'Split, grease out', 'worn')
		],
		part: 'shaft-boot',
		where: 'Inner or outer'
	},
	{
		key: 'tie-rod-end',
		name: 'Tie rod ends',
		place: 'tie-rod-outer',
		how: 'Rock at three and nine with a hand on the end; look at its boot.',
		states: [
			sound('No play'),
			state('boot-split', 'Boot split', 'watch'),
			state('play', 'Play', 'worn')
		],
		part: 'tie-rod-end',
		where: 'Inner or outer'
	},
	{
		key: 'ball-joint',
		name: 'Ball joints',
		place: 'lower-joint',
		how: 'Wheel hanging, lever under the tyre; a good one neither flops by its own weight nor binds.',
		states: [
			sound('No play'),
			state('boot-split', 'Boot split', 'watch'),
			state('play', 'Play', 'worn'),
			state('stiff', 'Too stiff', 'worn')
		],
		part: 'ball-joint'
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
		key: 'bar-bush',
		name: 'Anti-roll-bar bushes',
		place: 'drop-link',
		how: 'Lever the bar beside its clamp: it does not knock or walk sideways.',
		states: [
			sound('Tight'),
			state('dry', 'Dry, squeaks', 'watch'),
			state('worn', 'Knocks', 'worn')
		],
		part: 'bar-bush'
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
		key: 'damper-oil',
		name: 'Damper body',
		place: 'damper',
		how: 'Wipe it: dust film is a weep, running oil a leak; oil from above or from the road is neither.',
		states: [
			sound('Dry'),
			state('weep', 'Weep', 'watch'),
			state('elsewhere', 'Oil, not its own', 'watch'),
			state('leak', 'Leak', 'worn')
		],
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
		key: 'boot',
		name: 'Dust boot',
		place: 'damper',
		how: 'Split or off its seat, the shaft runs in grit.',
		states: [sound('Whole'), state('split', 'Split', 'worn')],
		part: 'boot'
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
		key: 'threads',
		name: 'Threads and fasteners',
		place: 'damper-bottom',
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

/** Every corner has these, whatever holds it. */
const bodied: ReadonlySet<string> = new Set(['hub', 'spring', 'damper', 'damper-bottom']);

/** The points of a corner of this layout, in the order they are walked: place by place. */
export function inspectionPoints(layout: Layout): InspectionPoint[] {
	const places = new Set<string>(layout.joints.map(({ place }) => place));
	return all.filter(({ key, place }) => {
		if (key === 'top-bearing') return isStrut(layout) && places.has('tie-rod-outer');
		if (key === 'spring') return springSeat(layout) !== 'air';
		if (key === 'shaft-boot') return isDriven(layout);
		if (key === 'ball-joint') return layout.joints.some(({ kind }) => kind === 'ball-joint');
		return bodied.has(place) || places.has(place);
	});
}

export const findPoint = (key: string): InspectionPoint | undefined =>
	all.find((point) => point.key === key);
export const pointKeys: readonly string[] = all.map(({ key }) => key);
export const findState = (point: InspectionPoint, key: string): PointState | undefined =>
	point.states.find((one) => one.key === key);

/** How far each state of the threads goes in the work. */
const rustOf: Readonly<Record<string, RustGrade>> = {
	light: 'light',
	heavy: 'heavy',
	rounded: 'heavy'
};

/** The worst of the threads that were looked at; undefined where nobody looked. */
export function rustFound(
	findings: readonly { corner: Corner; point: string; state: string }[]
): RustGrade | undefined {
	const grades = findings
		.filter(({ point }) => point === 'threads')
		.map(({ state: key }) => rustOf[key] ?? 'none');
	return rustGrades.findLast((grade) => grades.includes(grade));
}
