/** What one car teaches is offered with the next one like it, and is shared with other shops. */
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import type { Knowledge } from '../../src/core/work/shop-knowledge.ts';
import { offeredOfCar } from '../../src/core/job/in-the-way.ts';
import { layoutsOf } from '../../src/core/job/scope.ts';
import { WorkBook } from '../../src/core/job/work-book.ts';
import { viewWork } from '../../src/core/job/work.ts';
import { dropShared, listOwn, listShared, takeIn } from '../../src/lib/server/db/shop-knowledge.ts';
import { modelOf, rebuild } from '../../src/lib/server/jobs/projections.ts';
import { ownFileSchema } from '../../src/lib/schema/knowledge-file.ts';
import type { Person } from '../../src/lib/server/db/people.ts';
import { checked, useShop } from './shop.ts';

const shop = useShop('own');
const hidden: Knowledge = {
	what: 'step',
	text: 'Hidden bolt behind the lamp out',
	where: 'front',
	anchor: 'undo-top',
	before: 'damper-out',
	minutes: 6
};
const say = (jobId: string, data: object, subject = uuidv7(), by: Person = shop.technician) =>
	shop.say(jobId, 'own', subject, { ...hidden, for: 'model', ...data }, { by });
const strutJob = async () => {
	const jobId = await shop.job(['FL', 'FR']);
	const dampers = { damper: true, spring: false, bushes: false };
	await shop.say(jobId, 'scope', 'front', dampers, { by: shop.technician });
	return jobId;
};
const offered = async (jobId: string) => {
	const { vehicle } = await shop.record(jobId);
	const { front, rear } = vehicle.axles;
	return listOwn(shop.db, {
		vehicleId: uuidv7(),
		model: modelOf(vehicle),
		layouts: { front: front.layout, rear: rear.layout }
	});
};
const stepsOf = async (jobId: string) => {
	const record = await shop.record(jobId);
	return viewWork(record, record.limits).order.steps.map(({ title, at }) => `${at} ${title}`);
};

describe('what a job teaches', () => {
	it('stands in its order, is offered with the next car of the model, and is taken in there', async () => {
		const [first, second] = [await strutJob(), await strutJob()];
		const id = uuidv7();
		await say(first, {}, id);
		expect((await stepsOf(first)).filter((title) => title.includes('Hidden'))).toEqual([
			'FL Hidden bolt behind the lamp out',
			'FR Hidden bolt behind the lamp out'
		]);
		const [known] = (await offered(second)).filter((one) => one.id === id);
		expect(known).toMatchObject({ scope: 'model', own: hidden, shop: null });
		expect((await stepsOf(second)).join()).not.toContain('Hidden');
		await say(second, { for: 'job', of: id });
		expect((await stepsOf(second)).join()).toContain('Hidden');
	});

	it('is corrected and taken back by a lead alone in other jobs, and stays so when tables are made anew', async () => {
		const [first, second] = [await strutJob(), await strutJob()];
		const id = uuidv7();
		await say(first, { text: 'Socket 21 long', what: 'socket' }, id);
		const correction = { text: 'Socket 22 long', what: 'socket', of: id };
		await expect(say(second, correction)).rejects.toMatchObject({ status: 403 });
		await say(second, correction, uuidv7(), shop.lead);
		const texts = async () =>
			(await offered(second)).filter((one) => one.id === id).map(({ own }) => own.text);
		expect(await texts()).toEqual(['Socket 22 long']);
		// Who does not want it in that job takes no correction back.
		await say(second, { ...correction, for: 'job', removed: true });
		expect(await texts()).toEqual(['Socket 22 long']);
		await rebuild(shop.db);
		expect(await texts()).toEqual(['Socket 22 long']);
		await say(second, { ...correction, removed: true }, uuidv7(), shop.lead);
		expect(await texts()).toEqual([]);
		await rebuild(shop.db);
		expect(await texts()).toEqual([]);
	});

	it('belongs to the job that taught it: another that says the same id overwrites nothing', async () => {
		const [first, second] = [await strutJob(), await strutJob()];
		const id = uuidv7();
		const texts = async () =>
			(await offered(first)).filter((one) => one.id === id).map(({ own }) => own.text);
		await say(first, { text: 'Ours' }, id);
		await say(second, { text: 'Theirs' }, id);
		expect(await texts()).toEqual(['Ours']);
		await say(second, { text: 'Theirs', removed: true }, id);
		await rebuild(shop.db);
		expect(await texts()).toEqual(['Ours']);
		await say(first, { text: 'Ours, better' }, id);
		expect(await texts()).toEqual(['Ours, better']);
	});

	it('is offered no more once it is kept for its job alone, nor by one that took it in', async () => {
		const [first, second] = [await strutJob(), await strutJob()];
		const id = uuidv7();
		await say(first, {}, id);
		await say(second, { for: 'job', of: id, removed: true });
		const found = async () => (await offered(first)).some((one) => one.id === id);
		expect(await found()).toBe(true);
		await say(first, { for: 'job' }, id);
		expect(await found()).toBe(false);
		await rebuild(shop.db);
		expect(await found()).toBe(false);
	});

	it('is offered on the layout alone where it was taught, whatever it was kept for', async () => {
		const jobId = await strutJob();
		const id = uuidv7();
		await say(jobId, {}, id);
		const { vehicle } = await shop.record(jobId);
		const on = async (front: string) =>
			(
				await listOwn(shop.db, {
					vehicleId: uuidv7(),
					model: modelOf(vehicle),
					layouts: { front, rear: vehicle.axles.rear.layout }
				})
			).some((one) => one.id === id);
		expect(await on(vehicle.axles.front.layout)).toBe(true);
		expect(await on('double-wishbone')).toBe(false);
	});

	it('is refused without its place, by the field', async () => {
		const jobId = await strutJob();
		await expect(say(jobId, { anchor: 'lower' })).rejects.toMatchObject({
			faults: [{ field: 'anchor', message: expect.stringContaining('no step of this job') }]
		});
		await expect(say(jobId, { before: 'wheel-off' })).rejects.toMatchObject({
			faults: [{ field: 'before', message: expect.stringContaining('stays there') }]
		});
		await expect(say(jobId, { where: 'car', anchor: 'lift', for: 'layout' })).rejects.toThrow();
	});
});

describe('what a car has in the way', () => {
	const cover = {
		key: 'air-cleaner',
		name: 'Air cleaner box',
		where: 'bonnet',
		over: ['top-mount'],
		held: [{ what: 'bolts', count: 3, hidden: 'one behind the duct' }]
	};
	const box: Knowledge = {
		what: 'cover',
		text: cover.name,
		where: 'front',
		anchor: 'cover:air-cleaner',
		cover: cover as Knowledge['cover']
	};
	const told = (jobId: string, data: object, subject = uuidv7()) =>
		shop.say(jobId, 'own', subject, { for: 'model', ...data }, { by: shop.technician });
	const work = async (jobId: string) => {
		const record = await shop.record(jobId);
		return viewWork(record, record.limits).order.steps;
	};
	const ids = async (jobId: string) => (await work(jobId)).map(({ id }) => id);

	it('comes off in its job, is offered with the next of its model, and goes to another shop', async () => {
		const [first, second] = [await strutJob(), await strutJob()];
		const id = uuidv7();
		await told(first, box, id);
		const off = (await work(first)).find((step) => step.id === 'FL/cover-off:air-cleaner');
		expect(off?.tool).toContain('3 bolts (one behind the duct)');
		const known = await offered(second);
		const layouts = layoutsOf(await shop.record(second));
		const book = new WorkBook((await shop.record(second)).entries);
		expect(offeredOfCar(book, layouts, known).map((one) => one.id)).toContain(id);
		await told(second, { ...box, for: 'job', of: id });
		expect(await ids(second)).toContain('FR/cover-on:air-cleaner');
		const items = (await listShared(shop.db)).filter((one) => one.id === id);
		const file = { format: 'vane-set-own-knowledge', version: 1, shop: 'Quay Garage', items };
		expect(checked(ownFileSchema, file)).toEqual(file);
	});

	it('owes the round the caliper that comes off besides, and no longer once it is taken back', async () => {
		const jobId = await strutJob();
		const id = uuidv7();
		const part = { what: 'part', text: 'Caliper', where: 'front', anchor: 'part:caliper' };
		const owed = async () =>
			(await shop.record(jobId)).joints
				.filter(({ key, loosened }) => key === 'caliper' && loosened)
				.map(({ corner }) => corner);
		await told(jobId, part, id);
		expect(await ids(jobId)).toContain('FL/caliper-off');
		expect(await owed()).toEqual(['FL', 'FR']);
		await told(jobId, { ...part, removed: true }, id);
		expect(await ids(jobId)).not.toContain('FL/caliper-off');
		expect(await owed()).toEqual([]);
	});

	it('is refused where this axle has no such joint, part or cover', async () => {
		const jobId = await strutJob();
		const no = (data: object, field: string) =>
			expect(told(jobId, { ...box, ...data })).rejects.toMatchObject({
				faults: [{ field, message: expect.any(String) }]
			});
		await no({ cover: { ...cover, over: ['damper-top'] } }, 'cover');
		await no({ anchor: 'cover:cowl' }, 'anchor');
		await no({ what: 'part', anchor: 'part:beam', cover: undefined }, 'anchor');
		await no({ what: 'not-there', anchor: 'cover:boot-trim', cover: undefined }, 'anchor');
	});
});

describe('a file of own knowledge', () => {
	it('carries what models and layouts taught to another shop, where it is offered until it is dropped', async () => {
		const jobId = await strutJob();
		const [id, kept] = [uuidv7(), uuidv7()];
		await say(jobId, { for: 'layout' }, id);
		await say(jobId, { for: 'car', text: 'only this one' }, kept);
		const items = await listShared(shop.db);
		expect(items.find((one) => one.id === id)).toMatchObject({ scope: 'layout', own: hidden });
		expect(items.some((one) => one.id === kept)).toBe(false);
		const file = { format: 'vane-set-own-knowledge', version: 1, shop: 'Quay Garage', items };
		expect(checked(ownFileSchema, file)).toEqual(file);

		const theirs = { ...items.find((one) => one.id === id)!, id: uuidv7() };
		const by = { shop: 'Quay Garage', personId: shop.lead.id };
		expect(await takeIn(shop.db, [...items, theirs], by)).toBe(1);
		expect(await takeIn(shop.db, [theirs], by)).toBe(0);
		const found = async () => (await offered(jobId)).find((one) => one.id === theirs.id);
		expect(await found()).toMatchObject({ shop: 'Quay Garage', jobNumber: null });
		// Under its id nobody teaches another, and one job that does not want it hides it from no other.
		await say(jobId, { text: 'Ours', for: 'layout' }, theirs.id);
		await say(jobId, { for: 'job', of: theirs.id, removed: true });
		expect(await found()).toMatchObject({ shop: 'Quay Garage', own: { text: hidden.text } });
		expect(await dropShared(shop.db, theirs.id)).toBe(true);
		expect((await found())?.own.text).toBe('Ours');
		await say(jobId, { text: 'Ours', for: 'layout', removed: true }, theirs.id);
		expect(await found()).toBeUndefined();
	});
});
