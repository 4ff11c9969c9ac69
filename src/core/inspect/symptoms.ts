/** What customers hear and feel. */
export const symptomKeys = [
	'knock',
	'clunk-braking',
	'clunk-turning',
	'lean',
	'float',
	'bottoming',
	'vague-steering',
	'long-stopping',
	'tyre-wear',
	'squeak',
	'pulls',
	'sways',
	'hops',
	'dives'
] as const;
export type SymptomKey = (typeof symptomKeys)[number];

export const symptomNames: Readonly<Record<SymptomKey, string>> = {
	knock: 'Knock over bumps',
	'clunk-braking': 'Clunk on braking',
	'clunk-turning': 'Clunk or twang on turning',
	lean: 'Leans or sits low',
	float: 'Floats, keeps bouncing',
	bottoming: 'Bottoms out',
	'vague-steering': 'Vague steering',
	'long-stopping': 'Longer stopping',
	'tyre-wear': 'Uneven tyre wear',
	squeak: 'Squeak or creak',
	pulls: 'Pulls to one side',
	sways: 'Sways in bends',
	hops: 'Hops on rough road',
	dives: 'Dives on braking'
};
