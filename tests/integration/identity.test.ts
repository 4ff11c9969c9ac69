import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { tell, readJob } from '../../src/lib/server/jobs/book.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { useShop } from './shop.ts';

const shop = useShop('identity');
const minutes = (n: number) => new Date(Date.now() + n * 60_000).toISOString();

describe('a device whose clock is wrong', () => {
	it.each([10, -10, -60 * 24 * 365])(
		'by %i minutes is not refused: both times are kept, the order is the book’s',
		async (off) => {
			const id = await shop.job();
			const enteredAt = minutes(off);
			const first = (
				await shop.say(id, 'note', 'car', { text: 'with the wrong clock' }, { enteredAt })
			)[0]!;
			const second = (await shop.say(id, 'note', 'car', { text: 'with the right clock' }))[0]!;
			expect(first.enteredAt).toBe(enteredAt);
			expect(Math.abs(Date.parse(first.storedAt) - Date.now())).toBeLessThan(60_000);
			expect(second.seq).toBe(first.seq + 1);
			const { record } = await readJob(shop.db, id);
			expect(proveBook(record).holds).toBe(true);
		}
	);

	it('ahead of the server’s puts nothing into the future: the record says when it was stored', async () => {
		const id = await shop.job();
		const reading = await shop.reading(id, { takenAt: minutes(10) });
		const { readings } = await shop.record(id);
		expect(readings[0]!.takenAt).toBe(reading.storedAt);
	});
});

describe('an entry that a lead vouches for', () => {
	it('is its maker’s, with the lead beside it, under the hash', async () => {
		const id = await shop.job();
		const command = {
			id: uuidv7(),
			kind: 'note' as const,
			subject: 'car',
			data: { text: 'made on the other tablet' },
			enteredAt: minutes(-5)
		};
		const { entries } = await tell(shop.db, id, command, {
			person: shop.technician,
			vouchedBy: shop.lead.id
		});
		expect(entries[0]).toMatchObject({
			personId: shop.technician.id,
			vouchedBy: shop.lead.id
		});
		const { record } = await readJob(shop.db, id);
		expect(record.people.map((one) => one.id)).toContain(shop.lead.id);
		expect(proveBook(record).holds).toBe(true);
		await shop.db.run('UPDATE entries SET vouched_by = NULL WHERE id = ?', [command.id]);
		expect(proveBook((await readJob(shop.db, id)).record).holds).toBe(false);
	});
});

describe('the same key again', () => {
	it('with the same content is answered with the row, also after signing; with other content refused', async () => {
		const id = await shop.job();
		const how = { id: uuidv7(), enteredAt: minutes(-3) };
		const say = (text: string) => shop.say(id, 'head', 'car', { complaint: text }, how);
		const [first] = await say('Knocks over bumps');
		await shop.sign(id);
		expect((await say('Knocks over bumps'))[0]).toEqual(first);
		await expect(say('Knocks in bends')).rejects.toMatchObject({
			status: 422,
			faults: [{ field: 'id', message: 'belongs to another entry' }]
		});
	});
});
