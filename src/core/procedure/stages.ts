/** The way through a car, in the order of the work. */
export const stages = ['look', 'measure', 'plan', 'work', 'set', 'check', 'hand-over'] as const;
export type Stage = (typeof stages)[number];

export const stageNames: Readonly<Record<Stage, string>> = {
	look: 'Look',
	measure: 'Measure',
	plan: 'Plan',
	work: 'Work',
	set: 'Set',
	check: 'Check',
	'hand-over': 'Hand over'
};
