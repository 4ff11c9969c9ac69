/** What the core makes of a job's record: heights, targets, what is owed. Shared by pages and server. */
import { asHubToArch, measuredHeight, springDoubt, targetOf } from './corner-target.ts';
import { hardwareOpen } from '../fastener/hardware.ts';
import { compareHeights, type HeightComparison } from '../height/compare.ts';
import { perCorner, type Corner, type PerCorner } from '../height/corners.ts';
import type { HeightMeasure } from '../height/measure.ts';
import { effective } from '../procedure/corrections.ts';
import type { JobFacts, WorkOwed } from '../procedure/facts.ts';
import { jobStanding, owedLine, type JobStanding } from '../procedure/owed.ts';
import type { TargetChoice } from '../procedure/target.ts';
import { atWork } from './joints.ts';
import type { Phase, Reading, Torque } from './model.ts';
import type { JobRecord } from './record.ts';
import { stepsLeft } from './scope.ts';
import { workOwed } from './work-owed.ts';

interface CornerView {
	before?: HeightMeasure;
	after?: HeightMeasure;
	comparison?: HeightComparison;
	/** In the job's school. */
	target?: TargetChoice;
}

export interface JobView {
	standing: JobStanding;
	corners: PerCorner<CornerView>;
	/** Readings that count, oldest first. */
	readings: Record<Phase, PerCorner<Reading[]>>;
	/** The torque that counts last for each joint, by joint id. */
	torques: Map<string, Torque>;
	/** What decides what is owed. */
	facts: JobFacts;
}

export function viewJob(record: JobRecord): JobView {
	const counted = effective(record.readings);
	const readingsOf = (phase: Phase) =>
		perCorner((corner) => counted.filter((r) => r.phase === phase && r.corner === corner));
	const readings = { before: readingsOf('before'), after: readingsOf('after') };
	const mm = (phase: Phase) => perCorner((c) => readings[phase][c].map((r) => r.heightMm!));
	const standings = (phase: Phase) =>
		perCorner((c) => readings[phase][c].map(({ standing = 1 }) => standing));
	const [standingsBefore, standingsAfter] = [standings('before'), standings('after')];
	const beforeMm = mm('before');
	const afterMm = mm('after');
	const resolution = (phase: Phase) => record.heightSets[phase]?.resolutionMm ?? 1;

	const corners = perCorner((corner): CornerView => {
		const before = measuredHeight(beforeMm[corner], resolution('before'), standingsBefore[corner]);
		const after = measuredHeight(afterMm[corner], resolution('after'), standingsAfter[corner]);
		const comparison =
			before && after && before.n > 1 && after.n > 1
				? compareHeights(
						{ readingsMm: beforeMm[corner], standings: standingsBefore[corner] },
						{ readingsMm: afterMm[corner], standings: standingsAfter[corner] },
						Math.max(resolution('before'), resolution('after'))
					)
				: undefined;
		return { before, after, comparison, target: targetOf(record, corner, before?.meanMm) };
	});

	const counting = effective(record.torques);
	const torques = new Map<string, Torque>();
	for (const torque of counting) {
		// What only checked a bush leaves it as it was clamped.
		if (torque.skipReason !== null || torque.loosenedFirst === false) continue;
		torques.set(torque.jointId, torque);
	}
	const standMm = (corner: Corner) => {
		const { after, target } = corners[corner];
		return (after && after.n > 1 ? after.meanMm : undefined) ?? target?.heightMm;
	};

	const facts: JobFacts = {
		corners: record.corners,
		beforeMm,
		afterMm,
		targetMm: perCorner((corner) => corners[corner].target?.heightMm),
		springDoubt: perCorner((corner) => springDoubt(record, corner)),
		standHubToArchMm: perCorner((corner) => {
			const heightMm = standMm(corner);
			return heightMm === undefined ? undefined : asHubToArch(record, corner, heightMm);
		}),
		changeMm: perCorner((corner) => {
			const [stand, before] = [standMm(corner), corners[corner].before?.meanMm];
			return stand === undefined || before === undefined ? undefined : stand - before;
		}),
		resetAboveMm: record.resetAboveMm,
		joints: record.joints.map((joint) => ({
			...joint,
			torqueNm: atWork(joint).torqueNm ?? undefined,
			hardwareOpen: hardwareOpen(
				{ ...joint, loosened: joint.loosened || torques.has(joint.id) },
				record.hardware[joint.id]
			)
		})),
		torques: counting.map((torque) => ({
			jointId: torque.jointId,
			action: torque.action,
			torqueNm: torque.torqueNm ?? undefined,
			angleDeg: torque.angleDeg ?? undefined,
			seen: torque.seen ?? undefined,
			skipReason: torque.skipReason ?? undefined,
			targetHubToArchMm: torque.targetHubToArchMm ?? undefined,
			carState: torque.carState,
			method: torque.method ?? undefined,
			verdict: torque.bush?.verdict,
			worstVerdict: torque.bush?.worstVerdict,
			twistDeg: torque.bush?.twistDeg,
			loosenedFirst: torque.loosenedFirst ?? undefined,
			accepted: record.accepted[torque.jointId]?.torqueId === torque.id
		})),
		work: workLeft(record),
		stepsLeft: stepsLeft(record),
		signed: record.signedAt !== null
	};
	return { standing: jobStanding(facts), corners, readings, torques, facts };
}

/**
 * What the work still owes; of a signed job only what it was signed over. What the plan would ask for today, now that
 * it knows more, was no part of what somebody signed.
 */
function workLeft(record: JobRecord): WorkOwed[] {
	const owed = workOwed(record);
	if (record.signedAt === null) return owed;
	const over = new Set((record.signOff?.over ?? []).map(({ item }) => item));
	return owed.filter((one) => over.has(owedLine(one)));
}
