/** What one job says in the history of its car. */
import { corners, type Corner } from '../height/corners.ts';
import type { Job } from './book/job.ts';
import { jobParts } from './parts.ts';

export interface HistoryEntry {
	jobId: string;
	number: string;
	openedAt: string;
	odometerKm: number | null;
	signed: boolean;
	/** Mean heights in the school of that job, mm, where they were read. */
	before: Partial<Record<Corner, number>>;
	after: Partial<Record<Corner, number>>;
	/** Heights of two schools are never held against each other. */
	school: string;
	/** New parts by their names, with the corners they went into. */
	parts: { name: string; corners: Corner[] }[];
	/** Joints to their torque, and rubber among them set at ride height. */
	torqued: number;
	set: number;
}

export function historyOf({ name, record, view }: Job): HistoryEntry {
	const means = (phase: 'before' | 'after') =>
		Object.fromEntries(
			corners.flatMap((corner) => {
				const mean = view.corners[corner][phase]?.meanMm;
				return mean === undefined ? [] : [[corner, mean]];
			})
		);
	const parts = new Map<string, Corner[]>();
	for (const { name: part, corner, status, part: kind } of jobParts(record)) {
		if (status !== 'fitted' || kind === 'hardware') continue;
		parts.set(part, [...(parts.get(part) ?? []), ...(corner ? [corner] : [])]);
	}
	const states = record.joints.map(({ id }) => view.standing.joints.get(id)!.state);
	return {
		jobId: name.id,
		number: record.number,
		openedAt: record.openedAt,
		odometerKm: record.odometerKm,
		signed: record.signedAt !== null,
		before: means('before'),
		after: means('after'),
		school: record.school,
		parts: [...parts].map(([part, at]) => ({ name: part, corners: at })),
		torqued: states.filter((state) => state === 'torqued' || state === 'set').length,
		set: states.filter((state) => state === 'set').length
	};
}
