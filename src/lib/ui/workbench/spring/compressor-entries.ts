import type { NumberEntry } from '../frame/values.svelte';

const mm = { dimension: 'length' as const, decimals: 1 };

/** A spring by calliper or by its known rate, and the compressor it is squeezed in. */
export const compressorEntries: NumberEntry[] = [
	{
		key: 'wireDiameterMm',
		label: 'Wire over the paint',
		...mm,
		decimals: 2,
		initial: 13.4,
		min: 1,
		max: 40
	},
	{ key: 'outerDiameterMm', label: 'Coil, outside', ...mm, initial: 144.4, min: 10, max: 500 },
	{ key: 'totalCoils', label: 'Coils, end to end', initial: 6.5, min: 1, max: 40 },
	{ key: 'deadCoils', label: 'of them dead on the seats', initial: 1, min: 0, max: 6 },
	{ key: 'coatMm', label: 'Paint, one side', ...mm, decimals: 2, initial: 0.2, min: 0, max: 3 },
	{
		key: 'freeLengthMm',
		label: 'Free length',
		...mm,
		decimals: 0,
		initial: 345,
		min: 20,
		max: 1000
	},
	{ key: 'rateNPerMm', label: 'Rate', dimension: 'rate', initial: 27, min: 0.5, max: 1000 },
	{
		key: 'installedLengthMm',
		label: 'Length in the strut',
		...mm,
		decimals: 0,
		initial: 250,
		min: 20,
		max: 1000
	},
	{ key: 'hookedCoils', label: 'Coils between the hooks', initial: 4, min: 0.5, max: 40 },
	{ key: 'screws', label: 'Screws', initial: 2, min: 1, max: 4, decimals: 0 },
	{
		key: 'hooksPerScrew',
		label: 'Hooks at each end of one',
		initial: 1,
		min: 1,
		max: 4,
		decimals: 0
	},
	{ key: 'screwLeadMm', label: 'Lead of the screw', ...mm, initial: 2, min: 0.5, max: 20 },
	{ key: 'clearanceMm', label: 'Gap wanted at the seat', ...mm, initial: 10, min: 0, max: 100 },
	{
		key: 'ratedLoadPerHookN',
		label: 'Tool rated, each hook',
		dimension: 'force',
		initial: 5000,
		min: 10,
		max: 100000
	}
];
