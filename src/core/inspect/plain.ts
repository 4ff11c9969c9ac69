/** What a point of the inspection is and does, for people who do not work on cars. */

interface PlainPoint {
	/** As it stands in a sentence. */
	name: string;
	/** Why it matters. */
	does: string;
}

const points: Readonly<Record<string, PlainPoint>> = {
	tyre: { name: 'tyre', does: 'it carries, steers and stops the car' },
	'wheel-bearing': {
		name: 'wheel bearing',
		does: 'the wheel turns on it; play grows until it fails'
	},
	general: { name: 'behind the wheel', does: 'seen while the wheel was off' },
	'brake-hose': { name: 'brake hose', does: 'it takes the brake pressure to the wheel' },
	'shaft-boot': {
		name: 'drive shaft cover',
		does: 'it keeps the grease in and dirt out of the joint'
	},
	'tie-rod-end': { name: 'steering joint', does: 'it steers the wheel' },
	'ball-joint': { name: 'suspension joint', does: 'it holds the wheel to its arm' },
	'lower-bush': { name: 'rubber joints of the arm', does: 'they keep the wheel where it belongs' },
	'upper-bush': {
		name: 'rubber joints of the upper arm',
		does: 'they keep the wheel where it belongs'
	},
	'drop-link': { name: 'link of the anti-roll bar', does: 'it keeps the car level in bends' },
	'bar-bush': {
		name: 'rubber of the anti-roll bar',
		does: 'it holds the bar that keeps the car level'
	},
	spring: { name: 'spring', does: 'it carries the car and sets its height' },
	'damper-oil': {
		name: 'damper',
		does: 'it keeps the tyre on the road and the stopping distance short'
	},
	'damper-gas': {
		name: 'damper',
		does: 'it keeps the tyre on the road and the stopping distance short'
	},
	'damper-straight': { name: 'damper', does: 'bent, it wears out and sets the wheel askew' },
	boot: { name: 'dust cover of the damper', does: 'it keeps grit off the shaft' },
	'bump-stop': { name: 'rubber stop', does: 'it softens the last of a deep hole' },
	'mount-washer': { name: 'upper mount', does: 'the damper hangs on it' },
	'top-bearing': {
		name: 'bearing of the upper mount',
		does: 'the spring turns on it as you steer'
	},
	threads: { name: 'nuts and bolts', does: 'rust decides whether they come undone again' }
};

/** @param point key of an inspection point */
export const plainPoint = (point: string): PlainPoint => points[point] ?? { name: point, does: '' };
