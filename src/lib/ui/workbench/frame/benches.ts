/** The benches of the Workbench, in the order of the work: know the corner, the parts, the car, the joint. */
export const benches = [
	{ path: '', name: 'All', says: '' },
	{
		path: 'corner',
		name: 'Corner',
		says: 'Arms, bushes, spring and damper while the wheel moves; from tape or hardpoints.'
	},
	{
		path: 'bush',
		name: 'Bush',
		says: 'What a bonded bush keeps when it is set at the wrong height.'
	},
	{
		path: 'spring',
		name: 'Spring',
		says: 'Rate by caliper, and what a compressor or a jack must hold.'
	},
	{
		path: 'coilover',
		name: 'Coilover',
		says: 'Damper position, droop and bump left, coil bind, turns for a height.'
	},
	{
		path: 'four-corner',
		name: 'Four corners',
		says: 'Collar turns, heights and cross weight; and which spring has sagged.'
	},
	{
		path: 'heights',
		name: 'Heights',
		says: 'Did it change? And where will it stand with another spring?'
	},
	{
		path: 'ride',
		name: 'Ride',
		says: 'Damping from a bounce trace, wheel hop, the car over a bump.'
	},
	{
		path: 'bolt',
		name: 'Bolt and wrench',
		says: 'Clamp of a torque, oiled threads, adapters, castle nuts.'
	},
	{
		path: 'trace',
		name: 'Torque trace',
		says: 'What torque over angle says about a joint.'
	}
] as const;
