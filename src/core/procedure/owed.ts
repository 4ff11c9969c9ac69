import { axleOf, cornerNames, corners, type Corner } from '../height/corners.ts';
import { repeatToleranceMm } from '../height/measure.ts';
import { formatNumber } from '../units/format.ts';
import { hardwareNames } from '../fastener/hardware.ts';
import { doubtWords } from './target.ts';
import type { JobFacts, JointFact, TorqueFact, WorkOwed } from './facts.ts';
import { stages, type Stage } from './stages.ts';
import { jointStatus, type JointStatus } from './joint-status.ts';

/** Readings wanted at each corner, before and after. */
export const readingsPerCorner = 3;

export interface OwedItem {
	kind:
		| 'height-before'
		| 'height-after'
		| 'doubt'
		| 'target'
		| 'joint'
		| 'hardware'
		| WorkOwed['kind'];
	/** Of the way through the car: where it is done. */
	stage: Stage;
	corner: Corner;
	/** The whole sentence, without the corner. */
	text: string;
	jointId?: string;
	stepId?: string;
}

export interface JobStanding {
	/** Where the work stands: the stage in whose order the next thing comes. */
	stage: Stage | 'signed';
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
			.map((corner): OwedItem => ({
				kind: 'target',
				stage: 'set',
				corner,
				text: noTarget(facts, corner)
			}))
	];
	owed.push(...facts.work);
	for (const joint of facts.joints) {
		const status = joints.get(joint.id)!;
		if (status.owed) {
			owed.push({
				kind: 'joint',
				stage: 'set',
				corner: joint.corner,
				jointId: joint.id,
				text: `${joint.name}: ${status.reason}`
			});
		} else {
			// Asked for when the joint is done: until then it may still come to be renewed.
			for (const piece of joint.hardwareOpen ?? []) {
				owed.push({
					kind: 'hardware',
					stage: 'set',
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
	const stage = kind === 'height-before' ? 'measure' : 'check';
	return corners.flatMap((corner): OwedItem[] => {
		const values = readings[corner];
		const missing = readingsPerCorner - values.length;
		if (missing > 0) {
			return [
				{
					kind,
					stage,
					corner,
					text: `${missing} ${missing === 1 ? 'reading' : 'readings'} ${when}`
				}
			];
		}
		const range = Math.max(...values) - Math.min(...values);
		if (range <= repeatToleranceMm) return [];
		const text = `readings ${when} are ${formatNumber(range, 0)} mm apart: correct one or read again`;
		return [{ kind: 'doubt', stage, corner, text }];
	});
}

function stageOf(facts: JobFacts, owed: readonly OwedItem[]): JobStanding['stage'] {
	if (facts.signed) return 'signed';
	if (corners.some((corner) => facts.beforeMm[corner].length < readingsPerCorner)) return 'measure';
	const rules = new Map(facts.joints.map((joint) => [joint.id, joint.rule]));
	const owes = (test: (item: OwedItem) => boolean) => owed.some(test);
	if (owes((item) => item.kind === 'joint' && rules.get(item.jointId!) === 'any-time'))
		return facts.stepsLeft > 0 ? 'work' : 'set';
	if (owes((item) => item.kind === 'joint' || item.kind === 'target')) return 'set';
	if (owes((item) => item.kind === 'step' || item.kind === 'hazard')) return 'work';
	if (owes((item) => item.kind === 'height-after')) return 'check';
	return owed[0]?.stage ?? 'hand-over';
}

/** How many things are left in each stage; together they are all that is left. */
export function leftByStage(owed: readonly OwedItem[]): Record<Stage, number> {
	const left = Object.fromEntries(stages.map((stage) => [stage, 0])) as Record<Stage, number>;
	for (const { stage } of owed) left[stage]++;
	return left;
}

/** An owed item as a whole line, for lists that are not sorted by corner. */
export function owedLine(item: OwedItem): string {
	return `${cornerNames[item.corner]}: ${item.text}`;
}
