import { expect, it } from 'vitest';
import type { Entry } from '../../book/entry';
import { kindOf } from '../index';
import { standingNotes, type CarNote } from './standing';

const kept: CarNote[] = [
	{
		id: 'old',
		jobId: 'other',
		jobNumber: '2026-0001',
		person: 'Mara Lindholm',
		text: 'sill soft at the left rear jacking point',
		enteredAt: '2026-03-01T10:00:00.000Z'
	}
];
const said = (id: string, text: string, corrects: string | null = null) =>
	({
		id,
		kind: 'note',
		subject: 'car',
		personId: 'tomas',
		enteredAt: `2026-04-0${id}T10:00:00.000Z`,
		corrects,
		data: { text, withdrawn: text === '' }
	}) as Entry;
const standing = (...entries: Entry[]) =>
	standingNotes({ id: 'here', number: '2026-0002', entries }, kept, () => 'Tomas Okoro').map(
		({ text }) => text
	);

it('a note stands until it is taken back, in this job or in a later one', () => {
	const wheel = 'locking wheel nut: key in the boot';
	expect(standing()).toEqual([kept[0]!.text]);
	expect(standing(said('1', wheel))).toEqual([wheel, kept[0]!.text]);
	expect(standing(said('1', wheel), said('2', '', '1'))).toEqual([kept[0]!.text]);
	expect(standing(said('1', wheel, 'old'))).toEqual([wheel]);
	expect(standing(said('1', '', 'old'))).toEqual([]);
});

it('is said in words', () => {
	const { words } = kindOf('note');
	const entry = said('1', 'sill soft');
	expect(words(entry.data as never, entry as never, {} as never)).toBe(
		'note on the car: sill soft'
	);
});
