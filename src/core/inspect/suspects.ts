/** From what the customer hears and feels to what to look at first. Weights are common practice, no source. */
import type { Layout } from '../layout/types.ts';
import { inspectionPoints, type InspectionPoint } from './points.ts';

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
	'squeak'
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
	squeak: 'Squeak or creak'
};

/** How likely each point is behind a symptom, 0 to 1, with why. */
const links: Readonly<Record<SymptomKey, readonly [point: string, weight: number, why: string][]>> =
	{
		knock: [
			['drop-link', 0.5, 'a loose link knocks over every small bump'],
			['mount-washer', 0.35, 'a rusted washer lets the shaft knock in the body'],
			['ball-joint', 0.3, 'play in a ball joint knocks'],
			['bump-stop', 0.2, 'without its stop the damper goes solid'],
			['damper-gas', 0.2, 'a damper that lost its gas knocks as it turns round'],
			['lower-bush', 0.2, 'a split bush lets the arm strike']
		],
		'clunk-braking': [
			['lower-bush', 0.55, 'a split arm bush lets the wheel go back under braking'],
			['upper-bush', 0.3, 'a split arm bush lets the wheel go back under braking'],
			['ball-joint', 0.35, 'play is taken up as the wheel is braked']
		],
		'clunk-turning': [
			['top-bearing', 0.5, 'a stiff bearing winds the spring, which jumps'],
			['spring', 0.4, 'a broken end jumps in its seat as the strut turns'],
			['ball-joint', 0.25, 'play is taken up as the side load changes'],
			['mount-washer', 0.2, 'a torn mount lets the strut top move']
		],
		lean: [
			['spring', 0.65, 'a broken or sagged spring lets its corner down'],
			['lower-bush', 0.15, 'rubber set hanging holds one side up'],
			['mount-washer', 0.1, 'a sunk mount is a lost spring seat']
		],
		float: [
			['damper-oil', 0.55, 'a damper without oil does not damp'],
			['damper-gas', 0.55, 'a damper without gas foams and fades']
		],
		bottoming: [
			['spring', 0.4, 'a sagged spring has used up its bump travel'],
			['bump-stop', 0.4, 'a shredded stop lets metal meet'],
			['damper-oil', 0.25, 'too little damping lets the body go on down']
		],
		'vague-steering': [
			['ball-joint', 0.4, 'play is free travel at the wheel'],
			['lower-bush', 0.35, 'a soft arm steers the wheel by itself'],
			['top-bearing', 0.25, 'a stiff bearing keeps the wheel from coming back'],
			['damper-gas', 0.15, 'the wheel leaves the road']
		],
		'long-stopping': [
			['damper-oil', 0.45, 'a wheel that hops does not brake'],
			['damper-gas', 0.45, 'a wheel that hops does not brake']
		],
		'tyre-wear': [
			['damper-gas', 0.35, 'cups across the tread come from a hopping wheel'],
			['damper-straight', 0.3, 'a bent strut changes camber'],
			['lower-bush', 0.35, 'a soft arm lets toe and camber wander'],
			['ball-joint', 0.25, 'play lets toe wander'],
			['spring', 0.2, 'a low corner has more camber']
		],
		squeak: [
			['lower-bush', 0.35, 'dry or torn rubber squeaks'],
			['top-bearing', 0.3, 'a dry bearing creaks as it turns'],
			['spring', 0.2, 'a spring end grinds in its seat'],
			['drop-link', 0.25, 'a dry link squeaks']
		]
	};

export interface Suspect {
	point: InspectionPoint;
	/** That it has a part in it, 0 to 1: each symptom counts by itself (noisy-or, Pearl 1988). */
	weight: number;
	why: { symptom: SymptomKey; why: string }[];
}

/** What to look at on a corner of this layout, the likeliest first. */
export function suspects(symptoms: readonly SymptomKey[], layout: Layout): Suspect[] {
	return inspectionPoints(layout)
		.map((point): Suspect => {
			const told = symptoms.flatMap((symptom) =>
				links[symptom].filter(([key]) => key === point.key).map((link) => ({ symptom, link }))
			);
			return {
				point,
				weight: 1 - told.reduce((left, { link }) => left * (1 - link[1]), 1),
				why: told.map(({ symptom, link }) => ({ symptom, why: link[2] }))
			};
		})
		.sort((a, b) => b.weight - a.weight);
}

/** Symptoms that the words of a complaint point to. English trade words. */
const heard: readonly [RegExp, SymptomKey][] = [
	[/knock|rattl|clatter/i, 'knock'],
	[/(clunk|knock).{0,20}brak|brak.{0,20}clunk/i, 'clunk-braking'],
	[/(clunk|twang|creak).{0,20}(turn|steer)|(turn|steer).{0,20}(clunk|twang)/i, 'clunk-turning'],
	[/lean|sits? low|sag|hangs? low|\blow\b/i, 'lean'],
	[/float|bounc|wallow/i, 'float'],
	[/bottom(s|ing|ed)? ?(out)?/i, 'bottoming'],
	[/vague|wander|loose steering/i, 'vague-steering'],
	[/stopping|brakes? long|long brak/i, 'long-stopping'],
	[/tyre|tire|cupp|feather/i, 'tyre-wear'],
	[/squeak|creak|groan/i, 'squeak']
];

export function symptomsIn(complaint: string): SymptomKey[] {
	return heard.filter(([words]) => words.test(complaint)).map(([, symptom]) => symptom);
}
