import { describe, expect, it } from 'vitest';
import { importJob } from '../../src/lib/server/exchange/job-file.ts';
import { toJobFile } from '../../src/lib/schema/job-file.ts';
import type { JobFile } from '../../src/lib/schema/job-file.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import type { Database } from '../../src/lib/server/db/pool.ts';
import { proveBooks } from '../../src/lib/server/proof/books.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { useShop } from './shop.ts';

const shop = useShop('proof');
const there = useShop('proof_there');

async function worked() {
	const id = await shop.job(['FL']);
	const first = await shop.reading(id, { height: '352' });
	await shop.reading(id, { height: '353' });
	const joint = (await shop.record(id)).joints.find(({ kind }) => kind === 'rigid')!;
	const torque = await shop.torque(id, joint.id, { torque: '95' });
	await shop.say(id, 'decision', 'damper:front', {
		state: 'accepted',
		title: 'Dampers',
		reason: ''
	});
	const last = await shop.reading(id, { height: '354', correctsId: first.id });
	return { id, first, joint, torque, last };
}
const prove = async (id: string) => proveBook(await shop.record(id));

describe('the chain of a book', () => {
	it('holds over every entry in the order it was written', async () => {
		const { id, last } = await worked();
		const proof = await prove(id);
		expect(proof).toEqual({ entries: last.seq, head: last.hash, holds: true });
		expect(proof.head).toMatch(/^[0-9a-f]{64}$/);
	});

	it('of one job is proved without reading another', async () => {
		for (let i = 0; i < 3; i++) await worked();
		const { id } = await worked();
		const { number } = await shop.record(id);
		let books = 0;
		const counting: Database = {
			...shop.db,
			rows: (sql, values) => {
				books += Number(/FROM entries/.test(sql));
				return shop.db.rows(sql, values);
			}
		};
		const proved = async (numbers?: string[]) => {
			const found = [];
			for await (const one of proveBooks(counting, numbers)) found.push(one);
			return found;
		};
		expect(await proved([number])).toMatchObject([{ number, holds: true }]);
		expect(books).toBe(1);
		expect((await proved()).length).toBeGreaterThan(3);
	});

	it('is the same when an entry is sent twice, and under two writers at once', async () => {
		const { id, joint, last } = await worked();
		const sent = await shop.reading(id, { height: '351' });
		await shop.reading(id, { id: sent.id, height: '351', takenAt: sent.enteredAt });
		await Promise.all([
			...Array.from({ length: 6 }, (_, i) => shop.reading(id, { height: `${350 + i}` })),
			...Array.from({ length: 6 }, (_, i) => shop.torque(id, joint.id, { torque: `${90 + i}` }))
		]);
		expect(await prove(id)).toMatchObject({ entries: last.seq + 13, holds: true });
	});

	it.each([
		['a height', `data = JSON_SET(data, '$.heightMm', 349)`, 'first', /352/],
		['what was typed', `data = JSON_SET(data, '$.entered', '349 mm')`, 'first', /349/],
		['a torque', `data = JSON_SET(data, '$.torqueNm', 110)`, 'torque', /the torque of front left/],
		['a wrench', `data = JSON_SET(data, '$.wrench', 'other')`, 'torque', /is not as it was/],
		['who did it', 'person_id = (SELECT id FROM people WHERE role = "lead")', 'torque', /is not/],
		['when', 'entered_at = "2026-01-01 08:00:00"', 'torque', /is not as it was written/],
		['what the writer knew', 'seen = 1', 'torque', /is not as it was written/],
		['what it corrects', 'corrects = NULL', 'last', /the height before at front left/]
	] as const)('names %s that was edited in the database', async (_, set, which, words) => {
		const job = await worked();
		await shop.db.run(`UPDATE entries SET ${set} WHERE id = ?`, [job[which].id]);
		const proof = await prove(job.id);
		expect(proof.holds).toBe(false);
		expect(proof.broken).toMatchObject({
			seq: job[which].seq,
			words: expect.stringMatching(words)
		});
	});

	it('names an entry before which one was removed, and one that was put in past the program', async () => {
		const removed = await worked();
		await shop.db.run('DELETE FROM entries WHERE id = ?', [removed.torque.id]);
		expect((await prove(removed.id)).broken).toMatchObject({
			seq: removed.torque.seq,
			words: 'before Dampers: accepted: an entry was removed'
		});

		const added = await worked();
		await shop.db.run(
			`INSERT INTO entries SELECT job_id, seq + 1, UUID(), kind, subject, person_id, vouched_by, device, entered_at,
			        stored_at, seen, corrects, data, hash FROM entries WHERE id = ?`,
			[added.last.id]
		);
		expect((await prove(added.id)).broken).toMatchObject({ seq: added.last.seq + 1 });
	});

	it('goes with the job’s file, and a file that was changed on the way is not taken', async () => {
		const { id, torque, last } = await worked();
		const file = JSON.parse(JSON.stringify(toJobFile(await readJob(shop.db, id)))) as JobFile;
		const changed = structuredClone(file);
		const at = changed.entries.findIndex((entry) => entry.id === torque.id);
		(changed.entries[at]!.data as { torqueNm: number }).torqueNm = 140;
		await expect(importJob(there.db, changed, there.lead)).rejects.toMatchObject({
			faults: [
				{ field: `entries.${at}`, message: expect.stringContaining('not as it was written') }
			]
		});
		// Cut off after an entry, the chain holds; the head does not.
		const cut = { ...file, entries: file.entries.slice(0, -1) };
		await expect(importJob(there.db, cut, there.lead)).rejects.toMatchObject({
			faults: [{ field: 'head' }]
		});

		await importJob(there.db, file, there.lead);
		const copy = await there.record(id);
		expect(copy.entries.slice(0, -1)).toEqual(file.entries);
		expect(copy.entries.at(-2)!.hash).toBe(last.hash);
		expect(proveBook(copy).holds).toBe(true);
	});
});
