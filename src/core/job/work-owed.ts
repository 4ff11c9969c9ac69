/** What the work before the round still owes to a signature: fasteners left over, differences unexplained. */
import { compareParts } from '../bench/compare.ts';
import { trayFaults, type TrayItem } from '../bench/trays.ts';
import { cornerNames, type Corner } from '../height/corners.ts';
import type { JobRecord } from './record.ts';
import { WorkBook } from './work-book.ts';

export function workOwed(record: JobRecord): { corner: Corner; text: string }[] {
	const book = new WorkBook(record.entries);
	const anywhere = record.corners[0]!;
	const trays = trayFaults(trayItems(book)).map(({ id, words }) => ({
		corner: cornerOfStep(book.get('tray', id)!.step) ?? anywhere,
		text: words
	}));
	const differences = book.of('comparison').flatMap(({ data }) => {
		const { verdict, words } = compareParts(data.part, data.old, data.new);
		if (verdict !== 'differs' || ['explained', 'returned'].includes(data.outcome)) return [];
		return [
			{
				corner: data.corner,
				text: `${data.part}: ${words.toLowerCase()}; explain it or send it back`
			}
		];
	});
	const looks = record.looks.map(({ entries }) => {
		const who = entries.map(({ personId }) => nameOf(record, personId)).join(' and ');
		return { corner: anywhere, text: `${who} said different things: say which counts` };
	});
	return [...trays, ...differences, ...looks];
}

const nameOf = ({ people }: JobRecord, id: string): string =>
	people.find((person) => person.id === id)?.name ?? 'somebody';

export function trayItems(book: WorkBook): TrayItem[] {
	return book
		.of('tray')
		.filter(({ data }) => !data.removed)
		.map(({ subject, data }) => ({ id: subject, ...data }));
}

function cornerOfStep(step: string): Corner | undefined {
	const [at] = step.split('/');
	return at && at in cornerNames ? (at as Corner) : undefined;
}
