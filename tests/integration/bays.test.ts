/** The plan of the bays: one car in a bay at a time, whoever moves it. */
import { describe, expect, it } from 'vitest';
import { slotSchema, workEntrySchema } from '../../src/lib/schema/work.ts';
import { bayPlan, clearSlot, placeSlot, type SlotInput } from '../../src/lib/server/bays.ts';
import { findShop, updateShop } from '../../src/lib/server/db/shop.ts';
import { bayCalendar } from '../../src/lib/server/exchange/calendar.ts';
import { addWork, type NewWork } from '../../src/lib/server/jobs/work.ts';
import { v7 as uuidv7 } from 'uuid';
import { checked, useShop } from './shop.ts';

const shop = useShop('bays');
const at = (hour: number, change: object = {}) =>
	checked<SlotInput>(slotSchema, {
		bay: 0,
		startsAt: `2027-03-01T${String(hour).padStart(2, '0')}:00:00.000Z`,
		minutes: 120,
		version: 0,
		...change
	});
const place = async (jobId: string, input: SlotInput) =>
	placeSlot(shop.db, jobId, input, (await findShop(shop.db))!);
const week = [new Date('2027-03-01T00:00:00Z'), new Date('2027-03-08T00:00:00Z')] as const;
const plan = async () => bayPlan(shop.db, (await findShop(shop.db))!, ...week);

describe('a bay', () => {
	it('takes one car after the other, not two at once', async () => {
		const [one, two] = [await shop.job(), await shop.job()];
		await place(one, at(8));
		await expect(place(two, at(9))).rejects.toMatchObject({
			faults: [{ field: 'startsAt', message: expect.stringMatching(/bay 1 is taken then by job/) }]
		});
		await place(two, at(10));
		await place(one, at(8, { bay: 1, version: 1 }));
		await expect(place(one, at(8, { bay: 2, version: 2 }))).rejects.toMatchObject({
			faults: [{ field: 'bay', message: 'there are 2 bays' }]
		});
		await clearSlot(shop.db, one);
		await clearSlot(shop.db, two);
	});

	it('goes to one of two who reach for it at the same time', async () => {
		const jobs = await Promise.all(Array.from({ length: 6 }, () => shop.job()));
		const answers = await Promise.allSettled(jobs.map((job) => place(job, at(13))));
		expect(answers.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
		for (const job of jobs) await clearSlot(shop.db, job);
	});

	it('is not moved under somebody who did not see the last move', async () => {
		const job = await shop.job();
		await place(job, at(8));
		await place(job, at(9, { version: 1 }));
		await expect(place(job, at(10, { version: 1 }))).rejects.toMatchObject({
			status: 409,
			extra: { currentVersion: 2 }
		});
		await clearSlot(shop.db, job);
	});

	it('knows how long the order of work takes, and what must soak before', async () => {
		const job = await shop.job(['FL', 'FR']);
		const write = (kind: string, subject: string, data: object) =>
			addWork(
				shop.db,
				job,
				checked<NewWork>(workEntrySchema, {
					id: uuidv7(),
					kind,
					subject,
					data,
					takenAt: new Date().toISOString()
				}),
				shop.technician
			);
		const line = async () => (await plan()).find(({ id }) => id === job)!;
		expect(await line()).toMatchObject({ minutes: null, soakHours: 0, slot: null });
		await write('scope', 'front', { damper: true, spring: false, bushes: false });
		const usual = (await line()).minutes!;
		expect(usual).toBeGreaterThan(120);
		await write('rust', 'car', { grade: 'heavy' });
		expect(await line()).toMatchObject({ soakHours: 12 });
		expect((await line()).minutes!).toBeGreaterThan(usual);
		await place(job, at(8));
		const [begin, end] = ['DTSTART:20270301T080000Z', 'DURATION:PT120M'];
		const ics = bayCalendar(await plan(), 'Test shop');
		expect(ics).toContain(begin);
		expect(ics).toContain(end);
	});

	it('is as many as the shop says, and costs are kept with it', async () => {
		const before = (await findShop(shop.db))!;
		const costs = { ...before.costs, currency: 'NOK', labourPerHour: 990 };
		expect(await updateShop(shop.db, { ...before, bays: 3, costs })).toBe(true);
		expect(await findShop(shop.db)).toMatchObject({ bays: 3, costs: { currency: 'NOK' } });
	});
});
