import { actionsOf, missedBy } from '../fastener/joint-programme.ts';
import { formatNumber } from '../units/format.ts';
import type { JointFact, TorqueFact } from './facts.ts';

/**
 * untouched: not undone in this job; open: nothing counts yet; begun: some steps of its programme are
 * done; nipped: hand-tight for the rubber's sake; again: tightened, but it does not count; torqued / set:
 * done (set = a bush at ride height); accepted: a bush outside its band, taken as it is by name.
 */
export type JointState =
	| 'untouched'
	| 'open'
	| 'begun'
	| 'nipped'
	| 'again'
	| 'torqued'
	| 'set'
	| 'accepted';

export interface JointStatus {
	state: JointState;
	/** True while the job may not be signed because of this joint. */
	owed: boolean;
	/** What is missing, or what to know about it. */
	reason?: string;
	/** Done by a torque that nobody has specified: it does not count as to specification. */
	unspecified: boolean;
	/** Set by the number, but its band reaches wound up: no tick for that. */
	unsure: boolean;
	/** Rubber clamped where it may not stay: pulled again, it must be said whether it was loosened first. */
	clamped: boolean;
	/** The action of the programme that comes next; starts over when the joint is to be done again. */
	next: number;
	/** Actions of the programme, and how many of them count. */
	actions: number;
	done: number;
}

/** How the height of a joint's corner has changed; see `JobFacts`. */
export interface HeightChange {
	standHubToArchMm?: number;
	changeMm?: number;
	resetAboveMm: number;
}

/** No height is known to have changed. */
const unchanged: HeightChange = { resetAboveMm: Infinity };

/** What the torques that count make of a joint, oldest first. */
export function jointStatus(
	joint: JointFact,
	rows: readonly TorqueFact[],
	change: HeightChange = unchanged
): JointStatus {
	const list = actionsOf(joint);
	const { counting, skipped, checked } = lastRound(rows);
	const pulled = [...counting.values()].some(({ seen }) => seen === undefined);
	const unspecified = pulled && joint.kind !== 'cushion' && joint.torqueNm === undefined;
	const status = (state: JointState, reason?: string, next = 0): JointStatus => ({
		state,
		owed: !['torqued', 'set', 'accepted', 'untouched'].includes(state),
		...(reason !== undefined && { reason }),
		unspecified,
		unsure: false,
		clamped: pulled && joint.rule === 'ride-height' && clampedOff([...counting.values()], change),
		next,
		actions: list.length,
		done: counting.size
	});
	if (counting.size === 0) {
		const moved = joint.loosened === false ? untouchedReason(joint, change) : undefined;
		if (joint.loosened === false && !moved) return status('untouched');
		const reason = moved ?? owedReason(joint);
		return status('open', skipped ? `${reason}; passed over: ${skipped}` : reason);
	}
	const done = [...counting.values()];
	const last = done[done.length - 1]!;
	if (joint.rule === 'ride-height' && done.some(({ carState }) => carState === 'hanging')) {
		return status(
			'nipped',
			checked
				? 'nipped while hanging and only checked with the weight on: it keeps the twist it was clamped with. Loosen, settle, tighten at ride height'
				: 'nipped while hanging: still to be set at ride height'
		);
	}
	for (const [i, row] of counting) {
		const action = list[i];
		const missed = action && missedBy(joint, action, row);
		if (missed) return status('again', missedWords(missed, list.length > 1 ? i + 1 : undefined));
	}
	const next = list.findIndex((_, i) => !counting.has(i));
	if (next >= 0) {
		const left = `${counting.size} of ${list.length} steps done`;
		return status('begun', skipped ? `${left}; passed over: ${skipped}` : left, next);
	}
	if (joint.rule === 'ride-height') {
		const bush = bushState(last, change);
		const reason = [bush.reason, unspecified && noSpecification].filter(Boolean).join('; ');
		const unsure = bush.state === 'set' && last.worstVerdict === 'wound-up';
		return { ...status(bush.state, reason || undefined), unsure };
	}
	if (joint.rule === 'wheels-on-ground' && done.some(({ method }) => method !== 'on-wheels')) {
		return status('nipped', 'tightened with the wheel off the ground: torque it on the ground');
	}
	return status('torqued', unspecified ? noSpecification : undefined);
}

/** Clamped hanging, at an unknown height, or outside its band: what a later pull alone does not undo. */
const clampedOff = (rows: readonly TorqueFact[], change: HeightChange): boolean =>
	rows.some(({ carState }) => carState === 'hanging') ||
	bushState(rows[rows.length - 1]!, change).state !== 'set';

const bandReaches =
	'set by the number, but its band reaches wound up: set once more with both wheels at height, or know its geometry better';
const noSpecification = 'no torque is specified on record';

/**
 * The rows of the last time the programme was gone through: it starts over with its first action. A
 * later row of the same action takes the place of the earlier. A pull that only checked leaves it as it was.
 */
function lastRound(rows: readonly TorqueFact[]): {
	counting: Map<number, TorqueFact>;
	skipped?: string;
	checked: boolean;
} {
	let counting = new Map<number, TorqueFact>();
	let skipped: string | undefined;
	let checked = false;
	for (const row of rows) {
		skipped = row.skipReason;
		if (row.skipReason !== undefined) continue;
		checked = row.loosenedFirst === false;
		if (checked) continue;
		const action = row.action ?? 0;
		if (action === 0) counting = new Map();
		counting.set(action, row);
	}
	return { counting, checked, ...(skipped !== undefined && { skipped }) };
}

function owedReason(joint: JointFact): string {
	if (joint.rule === 'ride-height') return 'to be set at ride height';
	return joint.rule === 'wheels-on-ground' ? 'to be torqued on the ground' : 'to be torqued';
}

const signedMm = (mm: number) => `${formatNumber(Math.abs(mm), 0)} mm`;

/** Why a bush that nobody undid must be undone all the same. */
function untouchedReason(
	joint: JointFact,
	{ changeMm, resetAboveMm }: HeightChange
): string | undefined {
	if (joint.kind !== 'bonded-bush' || changeMm === undefined) return undefined;
	if (Math.abs(changeMm) <= resetAboveMm) return undefined;
	const way = changeMm < 0 ? 'lower' : 'higher';
	return `not undone, but the car stands ${signedMm(changeMm)} ${way} than before: loosen, settle, tighten at ride height`;
}

function missedWords(missed: NonNullable<ReturnType<typeof missedBy>>, step?: number): string {
	const what = missed.of === 'torque' ? 'specified torque' : 'angle';
	const where = step === undefined ? '' : `step ${step} `;
	const percent = formatNumber(missed.by * 100, 0);
	return missed.way === 'under'
		? `${where}recorded ${percent} % under its ${what}: finish it`
		: `${where}recorded ${percent} % over its ${what}: slacken, look at the thread, tighten again`;
}

function bushState(
	last: TorqueFact,
	{ standHubToArchMm, resetAboveMm }: HeightChange
): { state: JointState; reason?: string } {
	const twist = last.twistDeg === undefined ? '' : ` ${formatNumber(last.twistDeg, 1, true)}°`;
	if (last.verdict === undefined) {
		return {
			state: 'again',
			reason: 'tightened loaded without a target to judge the height by'
		};
	}
	if (last.targetHubToArchMm !== undefined && standHubToArchMm !== undefined) {
		const off = standHubToArchMm - last.targetHubToArchMm;
		if (Math.abs(off) > resetAboveMm) {
			const way = off < 0 ? 'lower' : 'higher';
			return {
				state: 'again',
				reason: `the car stands ${signedMm(off)} ${way} than it was set for: loosen, settle, tighten again`
			};
		}
	}
	if (last.verdict === 'set') {
		return last.worstVerdict === 'wound-up'
			? { state: 'set', reason: bandReaches }
			: { state: 'set' };
	}
	if (last.accepted) return { state: 'accepted', reason: `keeps${twist} of twist, accepted` };
	return {
		state: 'again',
		reason:
			last.verdict === 'wound-up'
				? `wound up${twist}: loosen, bring to height, tighten again`
				: `keeps${twist} of twist, outside its band: loosen, bring to height, tighten again, or accept it by name`
	};
}
