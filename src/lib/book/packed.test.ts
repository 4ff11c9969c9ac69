import { describe, expect, it } from 'vitest';
import { demoFile } from '../../../demo/jobs.testing';
import type { Entry } from '$core/job/book/entry';
import { packBook, unpackBook } from './packed';

const numbers = ['2026-0187', '2026-0238', '2026-0260', '2026-0268', '2026-0269'];
const unproven = (entries: readonly Entry[]) => entries.map((entry) => ({ ...entry, hash: '' }));

describe('a book as a page gets it', () => {
	it.each(numbers)('%s is the book again, without its hashes', (number) => {
		const { entries } = demoFile(number);
		const sent = JSON.parse(JSON.stringify(packBook(entries))) as ReturnType<typeof packBook>;
		expect(unpackBook(sent)).toEqual(unproven(entries));
	});

	it('keeps who vouched, what was corrected, and data without a key', () => {
		const [first] = demoFile('2026-0268').entries as [Entry];
		const entries = [
			first,
			{
				...first,
				seq: 2,
				id: 'b',
				vouchedBy: first.personId,
				corrects: first.id,
				data: {}
			} as Entry
		];
		expect(unpackBook(packBook(entries))).toEqual(unproven(entries));
	});

	it('is less than three tenths as long', () => {
		const { entries } = demoFile('2026-0268');
		expect(JSON.stringify(packBook(entries)).length).toBeLessThan(
			JSON.stringify(entries).length * 0.3
		);
	});

	it('says a joint on the right by the one on the left', () => {
		const { entries } = demoFile('2026-0268');
		const { rows, shapes } = packBook(entries);
		const joints = rows.filter(([, , , , , , shape]) =>
			shapes[shape]!.startsWith('key name kind rule')
		);
		const alike = joints.filter(
			([, , , , , , , data]) => typeof data === 'object' && 'as' in data!
		);
		expect(alike.length).toBeGreaterThan(joints.length / 3);
		expect(alike[0]![7]).toMatchObject({ as: expect.any(Number), but: expect.any(Object) });
	});
});
