/** What is looked at once more before a car goes: said on the Check page and on the sheet. */
import { damperOf, unlike } from '../inspect/dampers.ts';
import { axleOf, cornerNames, corners, type Corner } from '../height/corners.ts';
import { kindOf } from './kinds/index.ts';
import type { Check } from './kinds/checked/data.ts';
import { checks } from './kinds/checked/data.ts';
import { bounceOf } from './findings.ts';
import type { Job } from './book/job.ts';
import { jobParts } from './parts.ts';

/** One thing to look at again, and where. */
export interface LookAgain {
	text: string;
	corner?: Corner;
	/** Where it is put right; absent: where it stands. */
	stage?: 'set' | 'check';
}

/** Joints that are to be set again, dampers that still do not damp, springs that have not settled. */
export function lookAgain({ record, view, work: { book } }: Job): LookAgain[] {
	const joints = record.joints.flatMap((joint): LookAgain[] => {
		const { state, reason } = view.standing.joints.get(joint.id)!;
		return state === 'again'
			? [{ text: `${joint.name}: ${reason}`, corner: joint.corner, stage: 'set' }]
			: [];
	});
	const dampers = corners.flatMap((corner): LookAgain[] => {
		const found = bounceOf(book, corner, 'after');
		const verdict = found && damperOf(found);
		return verdict && verdict.verdict !== 'good'
			? [{ text: [verdict.words, verdict.ask].filter(Boolean).join(' '), corner }]
			: [];
	});
	const pairs = (['front', 'rear'] as const).flatMap((axle): LookAgain[] => {
		const [left, right] = corners.filter((corner) => axleOf(corner) === axle);
		const found = unlike(bounceOf(book, left!, 'after'), bounceOf(book, right!, 'after'));
		return found ? [{ text: found.words }] : [];
	});
	const doubtful = corners.flatMap((corner): LookAgain[] =>
		view.corners[corner].after?.readAgain
			? [{ text: `the readings after do not agree: read once more`, corner, stage: 'check' }]
			: []
	);
	const checks = view.standing.owed
		.filter(({ kind }) => kind === 'check')
		.map(({ text }): LookAgain => ({ text }));
	return [...checks, ...joints, ...dampers, ...pairs, ...doubtful, ...settling(record, view)];
}

/** New springs, and heights read before the car was driven. */
function settling(record: Job['record'], view: Job['view']): LookAgain[] {
	const fresh = jobParts(record).some(
		({ part, status }) => part === 'spring' && status === 'fitted'
	);
	const readings = corners.flatMap((corner) => view.readings.after[corner]);
	const once = readings.length > 0 && readings.every(({ standing = 1 }) => standing === 1);
	return fresh && once
		? [
				{
					text: 'The springs are new: after a short drive they stand a little lower. Read the heights once more then.',
					stage: 'check'
				}
			]
		: [];
}

/** What was checked at the end, as sentences; empty where nothing was. */
export function checkedWords({ record, work: { book } }: Pick<Job, 'record' | 'work'>): string[] {
	const { words } = kindOf('checked');
	const said = (check: Check) => {
		const entry = book.entry('checked', check);
		return entry && entry.data.state !== 'open' ? [words(entry.data, entry, record)] : [];
	};
	const bounced = corners.flatMap((corner) => {
		const found = bounceOf(book, corner, 'after');
		if (!found) return [];
		const { movements, dampingRatio } = found;
		const how = [
			movements !== undefined && `${movements} ${movements === 1 ? 'movement' : 'movements'}`,
			dampingRatio !== undefined && `${dampingRatio.toFixed(2)} of critical`
		];
		return [`${cornerNames[corner].toLowerCase()} ${how.filter(Boolean).join(', ')}`];
	});
	return [...(bounced.length ? [`bounced: ${bounced.join('; ')}`] : []), ...checks.flatMap(said)];
}
