import type { SpringFit } from '../../../bench/spring-fit.ts';
import type { RustGrade } from '../../../work/scope.ts';

/** Subject the step's id. */
export interface Data {
	state: 'started' | 'done' | 'open';
	note: string;
	/** Joints it was done at; those that a plan adds later open it again. Absent: whatever it was at. */
	joints?: readonly string[];
	/** Why a lead let it be done before its time. */
	overrideReason?: string;
	/** From its start, and what had been expected; set when it is done. */
	tookMin?: number;
	expectedMin?: number;
	/** Of a spring that went in. */
	spring?: SpringFit;
	/** Of drop links that came off: how many studs, and how many of them did not survive, at which rust. */
	links?: { undone: number; ruined: number; rust: RustGrade };
}
