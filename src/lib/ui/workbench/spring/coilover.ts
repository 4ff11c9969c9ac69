/** What is asked of a coilover, and as the computation takes it. */
import type { NumberEntry, TextEntry } from '../frame/values.svelte';

const mm = { dimension: 'length' as const, decimals: 1 };

export const coiloverEntries: readonly NumberEntry[] = [
	{ key: 'preloadMm', label: 'Preload, + = squeezed', ...mm, initial: 10, min: -60, max: 120 },
	{
		key: 'heightChangeMm',
		label: 'Height wanted, + = up',
		...mm,
		initial: -10,
		min: -150,
		max: 150
	},
	{
		key: 'threadPitchMm',
		label: 'Thread pitch',
		...mm,
		decimals: 2,
		initial: 1.5,
		min: 0.25,
		max: 10
	},
	{
		key: 'springRateNPerMm',
		label: 'Spring rate',
		dimension: 'rate',
		initial: 60,
		min: 1,
		max: 1000
	},
	{
		key: 'freeLengthMm',
		label: 'Free length',
		...mm,
		decimals: 0,
		initial: 200,
		min: 30,
		max: 600
	},
	{
		key: 'solidLengthMm',
		label: 'Solid length',
		...mm,
		decimals: 0,
		initial: 72,
		min: 5,
		max: 500
	},
	{
		key: 'damperStrokeMm',
		label: 'Damper stroke',
		...mm,
		decimals: 0,
		initial: 110,
		min: 10,
		max: 400
	},
	{
		key: 'motionRatio',
		label: 'Motion ratio',
		initial: 0.95,
		min: 0.1,
		max: 2,
		decimals: 3,
		hint: 'spring travel per wheel travel'
	},
	{
		key: 'sprungLoadN',
		label: 'Sprung load at the wheel',
		dimension: 'force',
		initial: 3300,
		min: 50,
		max: 50000
	}
];

export const coiloverTexts: readonly TextEntry[] = [
	{ key: 'adjust', label: 'Height by', initial: 'collar', options: ['collar', 'body'] }
];

/** With how surely a shop knows them: scales 3 %, a spring's rate 2 %, a taped ratio 1 %, a taped preload 0.5 mm. Own choice. */
export function coiloverInput(
	num: (key: string) => number,
	{ adjust }: Readonly<Record<string, string>>
) {
	return {
		...Object.fromEntries(coiloverEntries.map(({ key }) => [key, num(key)])),
		bodyLengthAdjuster: adjust === 'body',
		uncertainty: {
			sprungLoadN: 0.03 * num('sprungLoadN'),
			springRateNPerMm: 0.02 * num('springRateNPerMm'),
			motionRatio: 0.01 * num('motionRatio'),
			preloadMm: 0.5
		}
	};
}
