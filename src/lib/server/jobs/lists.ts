/** Lists of jobs: of their lines only, never of their books. */
import { retorqueDue, type RetorqueDue } from '../../../core/procedure/retorque.ts';
import { Job } from '../../../core/job/book/job.ts';
import { historyOf, type HistoryEntry } from '../../../core/job/history.ts';
import { listEntriesOf } from '../db/entries.ts';
import { countRecheckLines, listLines, listRecheckLines, type JobLine } from '../db/jobs.ts';
import type { Database } from '../db/pool.ts';
import { searchWords } from './projections.ts';

/** How many signed jobs a page of a list has; open ones are all there. */
const linesAPage = 60;

/** Open jobs, all of them, and a page of the signed ones; each latest first. */
export interface JobList {
	open: JobLine[];
	signed: JobLine[];
	/** More signed ones follow. */
	more: boolean;
}

/** Jobs found by every word of a search, or all of them. */
export async function searchJobs(
	db: Database,
	{ search = '', vehicleId, page = 0 }: { search?: string; vehicleId?: string; page?: number }
): Promise<JobList> {
	const words = searchWords(search).slice(0, 6);
	const [open, signed] = await Promise.all([
		listLines(db, { closed: false, words, vehicleId }),
		listLines(db, {
			closed: true,
			words,
			vehicleId,
			limit: linesAPage + 1,
			offset: page * linesAPage
		})
	]);
	return { open, signed: signed.slice(0, linesAPage), more: signed.length > linesAPage };
}

/** A car that should come back, as a line of the due list. */
export interface DueLine extends JobLine {
	signedAt: string;
	due: RetorqueDue;
}

/** Cars whose wheels are still to be checked, longest waiting first, and how many there are in all. */
export async function dueRetorques(
	db: Database,
	page = 0
): Promise<{ lines: DueLine[]; more: boolean; all: number }> {
	const cut = { limit: linesAPage + 1, offset: page * linesAPage };
	const lines = await listRecheckLines(db, cut);
	return {
		lines: lines.slice(0, linesAPage).map((line) => ({
			...line,
			signedAt: line.signedAt!,
			due: retorqueDue(line.odometerKm ?? undefined)
		})),
		more: lines.length > linesAPage,
		all: await countRecheckLines(db)
	};
}

/** How many jobs of a car are drawn over each other. */
const historyJobs = 8;

/** What the latest of these jobs of a car say in its history, oldest first. */
export async function carHistory(db: Database, lines: readonly JobLine[]): Promise<HistoryEntry[]> {
	const latest = lines
		.toSorted((a, b) => b.openedAt.localeCompare(a.openedAt))
		.slice(0, historyJobs)
		.reverse();
	const books = await listEntriesOf(
		db,
		latest.map(({ id }) => id)
	);
	return latest.map(({ id, number }) =>
		historyOf(new Job({ id, number, people: [] }, books.get(id)!))
	);
}
