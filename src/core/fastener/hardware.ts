/** One-time hardware of a joint: what of it is not used twice, and what became of it. */
import type { JointProgramme } from './joint-programme.ts';
import type { ThreadSpec } from './lubrication.ts';

/** The nut or bolt itself, and the cotter pin of a castle nut. */
export const hardwarePieces = ['fastener', 'pin'] as const;
export type HardwarePiece = (typeof hardwarePieces)[number];

export const hardwareNames: Readonly<Record<HardwarePiece, string>> = {
	fastener: 'One-time fastener',
	pin: 'Cotter pin'
};

/** What became of one piece. */
export interface HardwareOutcome {
	done: 'renewed' | 'reused';
	/** Why the old one went on again; empty where it is new. */
	reason: string;
	/** What the old nut takes to turn before it meets anything; of a prevailing nut that is used again. */
	gripNm: number | null;
	gripEntered: string | null;
}

interface WithHardware {
	oneTime: boolean;
	loosened?: boolean;
	programme?: JointProgramme | null;
}

/** What of a joint is not used twice; nothing of one that was not undone, which is said by `loosened`. */
export function oneTimePieces({ oneTime, loosened, programme }: WithHardware): HardwarePiece[] {
	if (loosened === false) return [];
	return [
		...(oneTime ? (['fastener'] as const) : []),
		...(programme?.castle ? ['pin' as const] : [])
	];
}

/** Pieces of which nobody has said what became of them. */
export const hardwareOpen = (
	joint: WithHardware,
	said: Partial<Record<HardwarePiece, HardwareOutcome | null>> | undefined
): HardwarePiece[] => oneTimePieces(joint).filter((piece) => !said?.[piece]);

/**
 * Least prevailing torque at the fifth removal, N·m by thread diameter, mm: ISO 2320, coarse thread, classes 8
 * and 10 (from memory).
 */
const leastGripNm: Readonly<Record<number, number>> = {
	6: 0.3,
	8: 0.6,
	10: 1,
	12: 1.6,
	14: 2.3,
	16: 3
};

/** What a prevailing nut must still take to turn, N·m; undefined where the thread is not known. */
export const leastGrip = (thread: ThreadSpec | null | undefined): number | undefined =>
	thread ? leastGripNm[thread.diameterMm] : undefined;

/** What was done, in a few words, for history and sheet. */
export function hardwareWords(
	piece: HardwarePiece,
	{ done, reason, gripEntered }: HardwareOutcome
): string {
	if (done === 'renewed') return piece === 'pin' ? 'new cotter pin' : 'new';
	const grip = gripEntered ? `, it still took ${gripEntered} to turn` : '';
	return `${piece === 'pin' ? 'old cotter pin' : 'old one'} again${grip}: ${reason}`;
}
