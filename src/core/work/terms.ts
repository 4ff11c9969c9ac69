/** What steps and their kinds have in common. */

/** What must be seen before a step counts as done. */
export interface Gate {
	question: string;
	/** Wants words, such as where the stands are. */
	note?: string;
	/** Its words are where something stands on a clock face. */
	clock?: true;
	/** Wants to know how the spring went in: its hand, which way up, its pads. */
	spring?: true;
	/** Wants the setting of a coilover: its preload from zero, its clicks. */
	setting?: true;
	/** Wants a photo of it, or words on how it was seen without one. */
	photo?: true;
}

/** What is asked for where there is no photo. */
export const withoutPhoto = 'How it was seen without a photo';

/** Minutes of work: at best, most likely, at worst. */
export interface Minutes {
	low: number;
	likely: number;
	high: number;
}

export const workPhases = ['prepare', 'strip', 'bench', 'refit', 'set'] as const;
export type WorkPhase = (typeof workPhases)[number];

export const workPhaseNames: Readonly<Record<WorkPhase, string>> = {
	prepare: 'Secure and prepare',
	strip: 'Strip',
	bench: 'Bench',
	refit: 'Refit',
	set: 'Load and set'
};

/** Where a step is done that is not ticked off by itself. */
export type DoneIn = 'heights-before' | 'heights-after' | 'round' | 'bench';
