import { demoJobs } from './tell.ts';
import { foldBook } from '../src/core/job/book/fold.ts';
import type { JobFile } from '../src/lib/schema/job-file.ts';
import type { Entry } from '../src/core/job/book/entry.ts';
import type { JobRecord } from '../src/core/job/record.ts';

/** Free to be changed. */
export const demoFile = (number: string) =>
	structuredClone(demoJobs().find(({ job }) => job.number === number)) as JobFile & {
		entries: Entry[];
	};

export const demoNumbers = (): string[] => demoJobs().map(({ job }) => job.number);

/** A job of the demo shop, free to be changed; its book too. */
export function demoRecord(number: string): JobRecord & { entries: Entry[] } {
	const { job, people, entries } = demoFile(number);
	return foldBook({ ...job, people }, entries) as JobRecord & { entries: Entry[] };
}
