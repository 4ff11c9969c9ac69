/** From what the customer hears and feels to what to look at first. Weights are common practice, no source. */
import type { Layout } from '../layout/types.ts';
import { inspectionPoints, type InspectionPoint } from './points.ts';
import type { SymptomKey } from './symptoms.ts';

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
		],
		pulls: [
			['lower-bush', 0.35, 'a soft arm lets the wheel toe out under load'],
			['tyre', 0.3, 'tyres that differ steer by themselves'],
			['spring', 0.2, 'a low corner has more camber'],
			['damper-straight', 0.2, 'a bent strut changes camber'],
			['brake-hose', 0.2, 'a hose swollen inside holds its brake']
		],
		sways: [
			['drop-link', 0.4, 'a link that is loose lets the bar wait'],
			['bar-bush', 0.4, 'a worn bush lets the bar move before it works'],
			['damper-oil', 0.3, 'too little damping lets the body roll on'],
			['damper-gas', 0.25, 'a damper without gas foams and fades']
		],
		hops: [
			['damper-gas', 0.45, 'a damper without gas lets the wheel leave the road'],
			['damper-oil', 0.45, 'a damper without oil lets the wheel leave the road'],
			['tyre', 0.25, 'a tyre out of round hops by itself']
		],
		dives: [
			['damper-oil', 0.4, 'too little damping lets the nose go down'],
			['damper-gas', 0.4, 'a damper without gas foams and fades'],
			['spring', 0.2, 'a weak spring gives way']
		]
	};

/** That something this list does not know is behind a symptom, beside the weights above. Own choice. */
const elseWeight = 0.35;
/** That a point shows a symptom which nothing links it with. Own choice. */
const unlinked = 0.02;

interface Suspect {
	point: InspectionPoint;
	/** That it is behind what is heard, among all that may be; with `somethingElse` they sum to one. */
	weight: number;
	why: { symptom: SymptomKey; why: string }[];
}

export interface Suspicion {
	/** The likeliest first. */
	suspects: Suspect[];
	/** What stands in no list: 1 while nothing was heard. */
	somethingElse: number;
}

/**
 * What to look at on a corner of this layout: one cause is behind all that is heard, and the points compete with
 * each other and with something else (Bayes' rule over causes; weights are common practice, no source).
 */
export function suspicion(symptoms: readonly SymptomKey[], layout: Layout): Suspicion {
	const told = inspectionPoints(layout).map((point) => {
		const shown = symptoms.map((symptom) => ({
			symptom,
			link: links[symptom].find(([key]) => key === point.key)
		}));
		const linked = shown.some(({ link }) => link);
		return {
			point,
			likely: linked ? shown.reduce((p, { link }) => p * (link?.[1] ?? unlinked), 1) : 0,
			why: shown.flatMap(({ symptom, link }) => (link ? [{ symptom, why: link[2] }] : []))
		};
	});
	const other = elseWeight ** symptoms.length;
	const whole = told.reduce((sum, { likely }) => sum + likely, other);
	return {
		suspects: told
			.map(({ point, likely, why }) => ({ point, weight: likely / whole, why }))
			.sort((a, b) => b.weight - a.weight),
		somethingElse: other / whole
	};
}
