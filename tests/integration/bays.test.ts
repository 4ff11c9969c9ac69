/** The plan of the bays: one car in a bay at a time, whoever moves it. */
import { describe, expect, it } from 'vitest';
import { slotSchema, slotsSchema } from '../../src/lib/schema/bays.ts';
import type { KindName } from '../../src/core/job/kinds/data.ts';
import {
	bayPlan,
	clearSlot,
	dayPlan,
	placeSlot,
	placeSlots,
	type SlotInput,
	type SlotOfJob
} from '../../src/lib/server/bays.ts';
import { findShop, updateShop } from '../../src/lib/server/db/shop.ts';
import { bayCalendar } from '../../src/lib/server/exchange/calendar.ts';
import { usualStrategy } from '../../src/core/work/scope.ts';
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
const plan = () => bayPlan(shop.db, ...week);

/** Adds entries to the book of a job. */
const writer = (jobId: string) => (kind: KindName, subject: string, data: object) =>
	shop.say(jobId, kind, subject, data);

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

	it('lets cars change places in one go, and moves none where one cannot go', async () => {
		const [one, two, third] = [await shop.job(), await shop.job(), await shop.job()];
		const together = async (slots: object[]) =>
			placeSlots(
				shop.db,
				checked<{ slots: SlotOfJob[] }>(slotsSchema, { slots }).slots,
				(await findShop(shop.db))!
			);
		await place(one, at(8));
		await place(two, at(8, { bay: 1 }));
		await place(third, at(12));
		const places = async () =>
			Object.fromEntries((await plan()).map(({ id, slot }) => [id, slot?.bay]));
		await together([
			{ jobId: one, ...at(8, { bay: 1, version: 1 }) },
			{ jobId: two, ...at(8, { bay: 0, version: 1 }) }
		]);
		expect(await places()).toMatchObject({ [one]: 1, [two]: 0 });
		// The second would stand on the third, which is not moved.
		await expect(
			together([
				{ jobId: one, ...at(8, { bay: 0, version: 2 }) },
				{ jobId: two, ...at(13, { bay: 0, version: 2 }) }
			])
		).rejects.toMatchObject({ faults: [{ field: 'slots.1.startsAt' }] });
		// And two of one list on each other.
		await expect(
			together([
				{ jobId: one, ...at(15, { version: 2 }) },
				{ jobId: two, ...at(16, { version: 2 }) }
			])
		).rejects.toMatchObject({ faults: [{ field: 'slots.1.startsAt' }] });
		expect(await places()).toMatchObject({ [one]: 1, [two]: 0 });
		await expect(together([{ jobId: one, ...at(8) }])).rejects.toMatchObject({ status: 409 });
		expect(() =>
			checked(slotsSchema, { slots: [1, 2].map(() => ({ jobId: one, ...at(8) })) })
		).toThrow();
		for (const job of [one, two, third]) await clearSlot(shop.db, job);
	});

	it('hands over what is left to do on the cars of a day', async () => {
		const [planned, bare] = [await shop.job(['FL', 'FR']), await shop.job()];
		const write = writer(planned);
		await write('scope', 'front', { damper: true, spring: false, bushes: false });
		await write('rust', 'car', { grade: 'light' });
		await place(planned, at(8));
		await place(bare, at(9, { bay: 1 }));
		const day = async () =>
			dayPlan(shop.db, new Date('2027-03-01T00:00:00Z'), new Date('2027-03-02T00:00:00Z'));
		const [first, second] = await day();
		expect(first).toMatchObject({ id: planned, car: { people: 1 } });
		expect(first!.car!.lift).toEqual({ from: 'car/lift', until: 'car/ground' });
		expect(first!.minutes).toBeGreaterThan(120);
		expect(second).toMatchObject({ id: bare, car: null, minutes: null });
		await write('step', 'FL/soak', { state: 'done', tookMin: 4 });
		const [after] = await day();
		expect(after!.car!.tasks).toHaveLength(first!.car!.tasks.length - 1);
		expect(after!.car!.tasks.flatMap((task) => task.after)).not.toContain('FL/soak');
		expect(after!.minutes).toBeLessThan(first!.minutes!);
		// A span that begins when the car is in the bay already does not hold it.
		const later = await dayPlan(
			shop.db,
			new Date('2027-03-01T08:30:00Z'),
			new Date('2027-03-02T00:00:00Z')
		);
		expect(later.map(({ id }) => id)).toEqual([bare]);
		await clearSlot(shop.db, planned);
		await clearSlot(shop.db, bare);
	});

	it('says of a day which steps nobody can do alone, until they are done', async () => {
		const axle = { layout: 'multi-link-rear', track: '1540' };
		const job = await shop.job(['RL'], {
			rear: { ...axle, makerHeight: '365', makerHeightSchool: 'hub-to-arch' }
		});
		const write = writer(job);
		await write('scope', 'rear', { damper: false, spring: true, bushes: false });
		const ways = { rear: { spring: 'spread' } };
		await write('strategy', 'car', { ...usualStrategy, ways });
		await place(job, at(8));
		const helpers = async () =>
			(
				await dayPlan(shop.db, new Date('2027-03-01T00:00:00Z'), new Date('2027-03-02T00:00:00Z'))
			)[0]!.helpers;
		expect(await helpers()).toMatchObject([
			{ at: 'RL', title: expect.stringMatching(/^Lower the/) }
		]);
		const overrideReason = 'everything before it is done';
		const lower = { state: 'done', note: '', overrideReason };
		await shop.say(job, 'step', 'RL/lower', lower, { by: shop.lead });
		expect(await helpers()).toEqual([]);
		await clearSlot(shop.db, job);
	});

	it('knows how long the order of work takes, and what must soak before', async () => {
		const job = await shop.job(['FL', 'FR']);
		const write = writer(job);
		const line = async () => (await plan()).find(({ id }) => id === job)!;
		expect(await line()).toMatchObject({ minutes: null, soakHours: 0, slot: null });
		await write('scope', 'front', { damper: true, spring: false, bushes: false });
		const usual = (await line()).minutes!;
		expect(usual).toBeGreaterThan(120);
		await write('rust', 'car', { grade: 'heavy' });
		expect(await line()).toMatchObject({ soakHours: 12 });
		const alone = (await line()).minutes!;
		expect(alone).toBeGreaterThan(usual);
		await write('strategy', 'car', { ...usualStrategy, sides: 'together', people: 2 });
		const both = (await line()).minutes!;
		expect(both).toBeLessThan(0.85 * alone);
		expect(both).toBeGreaterThan(0.5 * alone);
		await place(job, at(8));
		const [begin, end] = ['DTSTART:20270301T080000Z', 'DURATION:PT120M'];
		const ics = bayCalendar(await plan(), 'Test shop');
		expect(ics).toContain(begin);
		expect(ics).toContain(end);
	});

	it('is as many as the shop says, and costs are kept with it', async () => {
		const before = (await findShop(shop.db))!;
		const costs = { ...before.costs, currency: 'NOK', labourPerHour: 990 };
		expect(await updateShop(shop.db, { ...before, bays: 3, lifts: 2, technicians: 4, costs })).toBe(
			true
		);
		expect(await findShop(shop.db)).toMatchObject({
			bays: 3,
			lifts: 2,
			technicians: 4,
			costs: { currency: 'NOK' }
		});
	});
});
