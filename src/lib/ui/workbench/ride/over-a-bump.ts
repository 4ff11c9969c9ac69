/** What is asked of a car that is driven over a bump, and as the computations take it. */
import type { NumberEntry, TextEntry } from '../frame/values.svelte';

const mass = { dimension: 'mass' as const, decimals: 0 };
const mm = { dimension: 'length' as const, decimals: 0 };
const rate = { dimension: 'rate' as const };
const damper = { unit: 'N·s/mm', min: 0, max: 20, decimals: 2 };
export const bumpEntries: readonly NumberEntry[] = [
	{ key: 'heightMm', label: 'Obstacle, height', ...mm, initial: 50, min: 1, max: 200 },
	{ key: 'obstacleMm', label: 'Obstacle, length', ...mm, initial: 1000, min: 50, max: 20000 },
	{ key: 'speedKmh', label: 'Speed', unit: 'km/h', initial: 30, min: 2, max: 200, decimals: 0 },
	{ key: 'bump-front', label: 'Front, bump', ...damper, initial: 1.1 },
	{ key: 'rebound-front', label: 'Front, rebound', ...damper, initial: 2.4 },
	{ key: 'bump-rear', label: 'Rear, bump', ...damper, initial: 1 },
	{ key: 'rebound-rear', label: 'Rear, rebound', ...damper, initial: 2.2 },
	{ key: 'rate-front', label: 'Wheel rate, front', ...rate, initial: 25, min: 2, max: 300 },
	{ key: 'rate-rear', label: 'Wheel rate, rear', ...rate, initial: 24, min: 2, max: 300 },
	{ key: 'bar-front', label: 'Anti-roll bar, front', ...rate, initial: 9, min: 0, max: 200 },
	{ key: 'bar-rear', label: 'Anti-roll bar, rear', ...rate, initial: 5, min: 0, max: 200 },
	{ key: 'tyre', label: 'Tyre rate', ...rate, initial: 210, min: 50, max: 1000 },
	{ key: 'body', label: 'Body', ...mass, initial: 1250, min: 300, max: 5000 },
	{
		key: 'unsprung-front',
		label: 'Hub and wheel, front',
		...mass,
		initial: 40,
		min: 5,
		max: 200
	},
	{ key: 'unsprung-rear', label: 'Hub and wheel, rear', ...mass, initial: 38, min: 5, max: 200 },
	{ key: 'wheelbaseMm', label: 'Wheelbase', ...mm, initial: 2600, min: 1500, max: 5000 },
	{
		key: 'massBehindFrontMm',
		label: 'Mass behind front axle',
		...mm,
		initial: 1080,
		min: 100,
		max: 4500
	},
	{ key: 'trackFrontMm', label: 'Track, front', ...mm, initial: 1500, min: 900, max: 2500 },
	{ key: 'trackRearMm', label: 'Track, rear', ...mm, initial: 1490, min: 900, max: 2500 },
	{
		key: 'pitchInertia',
		label: 'Inertia in pitch',
		unit: 'kg·m²',
		initial: 1900,
		min: 100,
		max: 20000,
		decimals: 0
	},
	{
		key: 'rollInertia',
		label: 'Inertia in roll',
		unit: 'kg·m²',
		initial: 460,
		min: 50,
		max: 5000,
		decimals: 0
	},
	{ key: 'atMs', label: 'Moment shown', unit: 'ms', initial: 300, min: 0, max: 3000, decimals: 0 }
];

export const bumpTexts: readonly TextEntry[] = [
	{ key: 'shape', label: 'Road', initial: 'hump', options: ['hump', 'step'] },
	{ key: 'side', label: 'Under', initial: 'both', options: ['both', 'left'] }
];

/** Value of an entry in SI. */
type Num = (key: string) => number;

/** For `full-car`. */
export function overBump(num: Num, { shape, side }: Readonly<Record<string, string>>) {
	const both = (name: string) => ({ front: num(`${name}-front`), rear: num(`${name}-rear`) });
	const damper = (axle: string) => ({ bump: num(`bump-${axle}`), rebound: num(`rebound-${axle}`) });
	return {
		car: {
			bodyMassKg: num('body'),
			pitchInertiaKgM2: num('pitchInertia'),
			rollInertiaKgM2: num('rollInertia'),
			wheelbaseMm: num('wheelbaseMm'),
			massBehindFrontMm: num('massBehindFrontMm'),
			trackFrontMm: num('trackFrontMm'),
			trackRearMm: num('trackRearMm'),
			unsprungMassKg: both('unsprung'),
			wheelRateNPerMm: both('rate'),
			tyreRateNPerMm: num('tyre'),
			antiRollNPerMm: both('bar'),
			damperNsPerMm: { front: damper('front'), rear: damper('rear') }
		},
		road: {
			shape,
			side,
			heightMm: num('heightMm'),
			lengthMm: num('obstacleMm'),
			speedKmh: num('speedKmh')
		},
		durationS: 3
	};
}

/** One wheel of an axle with the body that stands on it, for `quarter-car`; its damper between bump and rebound. */
export function quarterOf(num: Num, axle: 'front' | 'rear') {
	const behind = num('massBehindFrontMm') / num('wheelbaseMm');
	return {
		sprungMassKg: (num('body') * (axle === 'front' ? 1 - behind : behind)) / 2,
		unsprungMassKg: num(`unsprung-${axle}`),
		wheelRateNPerMm: num(`rate-${axle}`),
		tyreRateNPerMm: num('tyre'),
		damperNsPerMm: (num(`bump-${axle}`) + num(`rebound-${axle}`)) / 2
	};
}
