/** What the lists cost, and that nothing falls off their end. */
import { subHours } from 'date-fns';
import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it, vi } from 'vitest';
import { load as carPage } from '../../src/routes/cars/[id]/+page.server.ts';
import { load as bayPage } from '../../src/routes/bays/+page.server.ts';
import { load as jobsPage } from '../../src/routes/+page.server.ts';
import { load as rackPage } from '../../src/routes/rack/+page.server.ts';
import { load as duePage } from '../../src/routes/retorques/+page.server.ts';
import type { Database } from '../../src/lib/server/db/pool.ts';
import { checked, useShop } from './shop.ts';
import { newJobSchema } from '../../src/lib/schema/job.ts';
import { openJob, type NewJob } from '../../src/lib/server/jobs/open.ts';
import { createVehicle } from '../../src/lib/server/vehicles.ts';

const shop = useShop('lists');
/** The application's database, with every statement counted. */
const counted = vi.hoisted(() => ({ statements: [] as string[], db: undefined as unknown }));
vi.mock('$lib/server/app', () => ({
	get db() {
		return counted.db;
	},
	deviceLines: { connected: () => false },
	log: console
}));

// What a list costs has nothing to do with how a sheet is printed.
vi.mock('../../src/lib/server/exchange/sheet-pdf.ts', () => ({
	sheetPdf: () => Promise.resolve(Buffer.from('%PDF-1.4'))
}));

function counting(db: Database): Database {
	const count =
		<A extends unknown[], R>(run: (sql: string, ...more: A) => R) =>
		(sql: string, ...more: A): R => {
			counted.statements.push(sql);
			return run(sql, ...more);
		};
	return { ...db, rows: count(db.rows), row: count(db.row), run: count(db.run) } as Database;
}

const locals = { shop: { clock: { timeZone: 'UTC', hours: '24' } } };
const url = (path: string) => new URL(`http://shop.test${path}`);
const pages: [string, (carId: string) => unknown][] = [
	['the jobs', () => jobsPage({ url: url('/') } as never)],
	['a search', () => jobsPage({ url: url('/?search=pike+knock') } as never)],
	['the bays', () => bayPage({ url: url('/bays'), locals } as never)],
	['what is due', () => duePage({ url: url('/retorques'), locals } as never)],
	['a car with its history', (id) => carPage({ params: { id }, url: url(`/cars/${id}`) } as never)],
	['the rack', () => rackPage({} as never)]
];

async function open(vehicleId: string): Promise<string> {
	const input = { id: uuidv7(), vehicleId, complaint: 'Knock', corners: ['FL'] };
	return openJob(shop.db, checked<NewJob>(newJobSchema, input), shop.technician);
}
async function sign(jobId: string): Promise<void> {
	const enteredAt = subHours(new Date(), 1).toISOString();
	await shop.sign(jobId, 'the owner wants to drive it home', { enteredAt });
}

/** Each page's statements, and the rows its statements went through, on one connection. */
async function costs(carId: string): Promise<Map<string, { statements: string[]; rows: number }>> {
	const found = new Map<string, { statements: string[]; rows: number }>();
	for (const [name, load] of pages) {
		await shop.db.transaction(async (tx) => {
			const read = async () => {
				const rows = await tx.rows("SHOW SESSION STATUS LIKE 'Handler_read%'");
				return rows.reduce((sum, row) => sum + Number(row.Value), 0);
			};
			counted.statements = [];
			counted.db = counting(tx);
			const before = await read();
			await load(carId);
			found.set(name, { statements: counted.statements, rows: (await read()) - before });
		});
	}
	return found;
}

describe('lists', () => {
	/** These draw what stands in the bays now, and a car over its latest jobs: of so many books, never more. */
	const drawn = ['the bays', 'a car with its history'];

	it('take at most 8 statements each, read no book but what is drawn, and leave none out', async () => {
		const { id: carId } = await createVehicle(shop.db, shop.vehicleInput());
		await sign(await open(carId));
		const few = await costs(carId);
		const jobs: string[] = [];
		for (let i = 0; i < 130; i++) jobs.push(await open(carId));
		const many = await costs(carId);
		for (const [name, { statements }] of many) {
			expect(statements.length, name).toBeLessThanOrEqual(8);
			expect(statements.length, name).toBe(few.get(name)!.statements.length);
			if (!drawn.includes(name)) expect(statements.join(), name).not.toMatch(/\bentries\b/);
		}

		counted.db = counting(shop.db);
		const { jobs: inBays } = (await bayPage({ url: url('/bays'), locals } as never)) as {
			jobs: { id: string }[];
		};
		expect(new Set(inBays.map(({ id }) => id))).toEqual(new Set(jobs));
		const { jobs: listed } = (await jobsPage({ url: url('/') } as never)) as {
			jobs: { open: { id: string }[] };
		};
		expect(listed.open).toHaveLength(130);
	});

	it('cost the same however many jobs are closed', async () => {
		const { id: carId } = await createVehicle(shop.db, shop.vehicleInput());
		const { id: otherId } = await createVehicle(shop.db, shop.vehicleInput());
		for (let i = 0; i < 5; i++) await open(carId);
		// More than one page of them: what is shown of the closed ones is a page.
		for (let i = 0; i < 62; i++) await sign(await open(otherId));
		const before = await costs(carId);
		for (let i = 0; i < 62; i++) await sign(await open(otherId));
		const after = await costs(carId);
		const within = (name: string, most: number) =>
			expect(after.get(name)!.rows, name).toBeLessThanOrEqual(before.get(name)!.rows + most);
		for (const [name] of pages.filter(([one]) => one !== 'what is due' && one !== 'a search'))
			within(name, 20);
		// How many are due is counted, over an index and no more.
		within('what is due', 2 * 62 + 20);
	});
});
