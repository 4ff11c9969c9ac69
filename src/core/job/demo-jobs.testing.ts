import { readFileSync } from 'node:fs';
import { foldBook } from './book/fold.ts';
import type { Entry } from './book/entry.ts';
import type { PersonName } from './model.ts';
import type { JobRecord } from './record.ts';

interface DemoFile {
	job: { id: string; number: string };
	people: PersonName[];
	entries: Entry[];
}

export const demoFile = (number: string): DemoFile =>
	JSON.parse(readFileSync(`demo/jobs/${number}.json`, 'utf8')) as DemoFile;

/** A job of the demo shop, free to be changed; its book too. */
export function demoRecord(number: string): JobRecord & { entries: Entry[] } {
	const { job, people, entries } = demoFile(number);
	return foldBook({ ...job, people }, entries) as JobRecord & { entries: Entry[] };
}
