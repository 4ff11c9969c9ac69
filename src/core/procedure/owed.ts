import { axleOf, cornerNames, corners, type Corner } from '../height/corners.ts';
import { repeatToleranceMm } from '../height/measure.ts';
import { formatNumber } from '../units/format.ts';
import { hardwareNames } from '../fastener/hardware.ts';
import { doubtWords } from './target.ts';
import type { JobFacts, JointFact, TorqueFact, WorkOwed } from './facts.ts';
import { jointStatus, type JointStatus } from './joint-status.ts';

/** Readings wanted at each corner, before and after. */
export const readingsPerCorner = 3;

export interface OwedItem {
	kind:
		'height-before' | 'height-after' | 'doubt' | 'target' | 'joint' | 'hardware' | WorkOwed['kind'];
	corner: Corner;
	/** The whole sentence, without the corner. */
	text: string;
	jointId?: string;
	stepId?: string;
}

/** Where a job stands in its order of work. */
export const stages = [
	'heights-before',
	'work',
	'joints',
	'set',
	'heights-after',
	'ready',
	'signed'
] as const;
export type Stage = (typeof stages)[number];

export const stageNames: Readonly<Record<Stage, string>> = {
	'heights-before': 'Heights before',
	work: 'Strip and refit',
	joints: 'Joints',
	set: 'Set at ride height',
	'heights-after': 'Heights after',
	ready: 'Ready to sign',
	signed: 'Signed'
};

export interface JobStanding {
	stage: Stage;
	owed: OwedItem[];
	joints: Map<string, JointStatus>;
}

/** What the job still owes, by corner and joint, and so where it stands. */
export function jobStanding(facts: JobFacts): JobStanding {
	const rows = new Map<string, TorqueFact[]>();
	for (const torque of facts.torques) {
		const earlier = rows.get(torque.jointId);
		if (earlier) earlier.push(torque);
		else rows.set(torque.jointId, [torque]);
	}
	const joints = new Map(
		facts.joints.map((joint) => {
			const change = {
				standHubToArchMm: facts.standHubToArchMm[joint.corner],
				changeMm: facts.changeMm[joint.corner],
				resetAboveMm: facts.resetAboveMm
			};
			return [joint.id, jointStatus(joint, rows.get(joint.id) ?? [], change)] as const;
		})
	);
	waitForPairs(facts.joints, joints);

	const owed: OwedItem[] = [
		...owedReadings('height-before', 'before', facts.beforeMm),
		...facts.corners
			.filter((corner) => facts.targetMm[corner] === undefined)
			.map((corner): OwedItem => ({ kind: 'target', corner, text: noTarget(facts, corner) }))
	];
	owed.push(...facts.work);
	for (const joint of facts.joints) {
		const status = joints.get(joint.id)!;
		if (status.owed) {
			owed.push({
				kind: 'joint',
				corner: joint.corner,
				jointId: joint.id,
				text: `${joint.name}: ${status.reason}`
			});
		} else {
			// Asked for when the joint is done: until then it may still come to be renewed.
			for (const piece of joint.hardwareOpen ?? []) {
				owed.push({
					kind: 'hardware',
					corner: joint.corner,
					jointId: joint.id,
					text: `${joint.name}: ${hardwareNames[piece].toLowerCase()}, renewed or the old one again?`
				});
			}
		}
	}
	owed.push(...owedReadings('height-after', 'after', facts.afterMm));
	return { stage: stageOf(facts, owed), owed, joints };
}

function noTarget({ springDoubt }: JobFacts, corner: Corner): string {
	const doubt = springDoubt?.[corner];
	return doubt
		? `no target height yet. ${doubtWords(doubt)} Type the maker’s, predict it with the new spring, or choose one`
		: 'no target height yet';
}

/** One side of a pair alone is under load: the open side says that the other is done. */
function waitForPairs(joints: readonly JointFact[], status: Map<string, JointStatus>): void {
	for (const joint of joints) {
		const own = status.get(joint.id)!;
		if (!joint.pairKey || own.state !== 'open') continue;
		const other = joints.find(
			(one) =>
				one.pairKey === joint.pairKey &&
				one.corner !== joint.corner &&
				axleOf(one.corner) === axleOf(joint.corner)
		);
		if (!other || status.get(other.id)!.state === 'open') continue;
		const where = cornerNames[other.corner].toLowerCase();
		status.set(joint.id, {
			...own,
			reason: `${own.reason}; its pair ${where} is done: both before the car is loaded`
		});
	}
}

function owedReadings(
	kind: 'height-before' | 'height-after',
	when: string,
	readings: JobFacts['beforeMm']
): OwedItem[] {
	return corners.flatMap((corner): OwedItem[] => {
		const values = readings[corner];
		const missing = readingsPerCorner - values.length;
		if (missing > 0) {
			return [
				{ kind, corner, text: `${missing} ${missing === 1 ? 'reading' : 'readings'} ${when}` }
			];
		}
		const range = Math.max(...values) - Math.min(...values);
		if (range <= repeatToleranceMm) return [];
		const text = `readings ${when} are ${formatNumber(range, 0)} mm apart: correct one or read again`;
		return [{ kind: 'doubt', corner, text }];
	});
}

function stageOf(facts: JobFacts, owed: readonly OwedItem[]): Stage {
	if (facts.signed) return 'signed';
	if (corners.some((corner) => facts.beforeMm[corner].length < readingsPerCorner))
		return 'heights-before';
	const rules = new Map(facts.joints.map((joint) => [joint.id, joint.rule]));
	const owes = (test: (item: OwedItem) => boolean) => owed.some(test);
	if (owes((item) => item.kind === 'joint' && rules.get(item.jointId!) === 'any-time'))
		return facts.stepsLeft > 0 ? 'work' : 'joints';
	if (owes((item) => item.kind === 'joint' || item.kind === 'target')) return 'set';
	if (owes((item) => item.kind === 'step' || item.kind === 'hazard')) return 'work';
	if (owes((item) => item.kind === 'height-after')) return 'heights-after';
	if (owes((item) => item.kind === 'hardware')) return 'joints';
	if (owes((item) => ['part', 'tray', 'work'].includes(item.kind))) return 'work';
	return owed.length ? 'heights-after' : 'ready';
}

/** An owed item as a whole line, for lists that are not sorted by corner. */
export function owedLine(item: OwedItem): string {
	return `${cornerNames[item.corner]}: ${item.text}`;
}
