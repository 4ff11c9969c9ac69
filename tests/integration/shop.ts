/** A small shop in a fresh database, and the things tests do in it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, inject } from 'vitest';
import { v7 as uuidv7 } from 'uuid';
import type { Corner } from '../../src/core/height/corners.ts';
import { metric } from '../../src/core/units/format.ts';
import { validate } from '../../src/core/validate.ts';
import * as schemas from '../../src/lib/schema/job.ts';
import { vehicleSchema } from '../../src/lib/schema/vehicle.ts';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { findPerson, type Person } from '../../src/lib/server/db/people.ts';
import { openDatabase, type OpenDatabase } from '../../src/lib/server/db/pool.ts';
import { createShop } from '../../src/lib/server/db/shop.ts';
import { tell } from '../../src/lib/server/jobs/book.ts';
import { openJob, type NewJob } from '../../src/lib/server/jobs/open.ts';
import { readCommand } from '../../src/core/job/book/command.ts';
import type { Command, Entry } from '../../src/core/job/book/entry.ts';
import type { KindName } from '../../src/core/job/kinds/data.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { rebuild } from '../../src/lib/server/jobs/projections.ts';
import { viewJob } from '../../src/core/job/view.ts';
import { owedLine } from '../../src/core/procedure/owed.ts';
import type { JobRecord } from '../../src/core/job/record.ts';
import { shrinker } from '../../src/lib/server/jobs/shrink.ts';
import type { Sealer } from '../../src/lib/server/proof/keys.ts';
import { createPerson } from '../../src/lib/server/people.ts';
import { invalid } from '../../src/core/problem.ts';
import { createVehicle, type VehicleInput } from '../../src/lib/server/vehicles.ts';
import { root } from '../../tools/system.js';
import { freshDatabase } from './database.ts';

export const migrations = 'db/migrations';
const context = { units: metric, now: Date.now() };

/** What the API's edge does: checks against the schema, and reads what was typed. */
export function checked<T>(schema: Parameters<typeof validate>[0], data: unknown): T {
	const result = validate<T>(schema, data, context);
	if (!result.ok) throw invalid(result.faults);
	return result.value;
}

/** Pictures are made small by the built program. */
export const shrink = shrinker(join(root, 'build/programs/picture.js'));

export class TestShop {
	db!: OpenDatabase;
	lead!: Person;
	technician!: Person;
	/** What its signatures are sealed with. */
	readonly sealer: Sealer = {
		folder: mkdtempSync(join(tmpdir(), 'vane-keys-')),
		origin: 'http://shop.test'
	};

	async open(name: string): Promise<void> {
		const address = await freshDatabase(inject('database'), name);
		await migrate(address, migrations);
		this.db = openDatabase(address);
		await createShop(this.db, 'Test shop', { system: 'metric', torque: 'N·m' });
		this.lead = await this.person('lead', 'lead');
		this.technician = await this.person('tech', 'technician');
	}

	async close(): Promise<void> {
		await this.db.close();
		rmSync(this.sealer.folder, { recursive: true, force: true });
	}

	async person(handle: string, role: 'lead' | 'technician'): Promise<Person> {
		const id = uuidv7();
		await createPerson(this.db, { id, handle, name: `Person ${handle}`, role, secret: '123456' });
		return (await findPerson(this.db, id))!;
	}

	vehicleInput(change: Record<string, unknown> = {}): VehicleInput {
		const axle = (layout: string) => ({
			layout,
			track: '1540',
			makerHeight: '365',
			makerHeightSchool: 'hub-to-arch'
		});
		return checked<VehicleInput>(vehicleSchema, {
			id: uuidv7(),
			plate: uuidv7().slice(-12),
			make: 'Halden',
			model: 'Pike',
			wheelbase: '2640',
			front: axle('macpherson-front'),
			rear: axle('trailing-arm-rear'),
			...change
		});
	}

	async job(corners: Corner[] = ['FL'], vehicle: Record<string, unknown> = {}): Promise<string> {
		const { id: vehicleId } = await createVehicle(this.db, this.vehicleInput(vehicle));
		const input = checked<NewJob>(schemas.newJobSchema, {
			id: uuidv7(),
			vehicleId,
			complaint: 'Knock',
			corners
		});
		return openJob(this.db, input, this.technician);
	}

	async record(jobId: string): Promise<JobRecord> {
		return (await readJob(this.db, jobId)).record;
	}

	/** Says something, as the API's edge would take it. @returns the entries it became */
	async say(
		jobId: string,
		kind: KindName,
		subject: string,
		data: object | undefined,
		{ by = this.technician, ...more }: Partial<Command> & { by?: Person; device?: string } = {}
	): Promise<Entry[]> {
		const given = {
			id: uuidv7(),
			kind,
			subject,
			...(data && { data: asJson(data) }),
			enteredAt: new Date().toISOString(),
			...more
		};
		const read = readCommand(given, context);
		if (!read.ok) throw invalid(read.faults);
		const { device, personId: _, vouched: __, ...command } = read.value;
		return (await tell(this.db, jobId, command, { person: by, device, sealer: this.sealer }))
			.entries;
	}

	/** The one entry that was said, flat. */
	async #said(...said: Parameters<TestShop['say']>) {
		const [entry] = await this.say(...said);
		const { data, ...rest } = entry!;
		return { ...rest, ...(data as unknown as Record<string, unknown>), data };
	}

	/** In the words of the rows that readings once were. */
	reading(jobId: string, change: Record<string, unknown> = {}) {
		const { id, corner, correctsId, takenAt, ...said } = {
			id: uuidv7(),
			phase: 'before',
			corner: 'FL',
			school: 'hub-to-arch',
			height: '365',
			takenAt: new Date().toISOString(),
			...change
		} as Record<string, unknown>;
		return this.#said(jobId, 'reading', corner as string, said, more(id, takenAt, correctsId));
	}

	loading(jobId: string, change: Record<string, unknown> = {}) {
		const { id, corner, takenAt, ...said } = {
			id: uuidv7(),
			corner: 'FL',
			method: 'jack-to-height',
			hubToArch: '365',
			takenAt: new Date().toISOString(),
			...change
		} as Record<string, unknown>;
		return this.#said(jobId, 'loading', corner as string, said, more(id, takenAt));
	}

	torque(jobId: string, jointId: string, change: Record<string, unknown> = {}) {
		const {
			id,
			correctsId,
			takenAt,
			seen: sight,
			skipReason,
			withdraw,
			torque,
			known,
			...said
		} = {
			id: uuidv7(),
			torque: '25',
			carState: 'hanging',
			takenAt: new Date().toISOString(),
			...change
		} as Record<string, unknown>;
		const how = {
			...more(id, takenAt, correctsId),
			...(known !== undefined && { seen: known as number })
		};
		if (skipReason) return this.#said(jobId, 'skip', jointId, { ...said, reason: skipReason }, how);
		const what = withdraw ? { withdraw } : sight ? { seen: sight } : torque ? { torque } : {};
		return this.#said(jobId, 'torque', jointId, { ...said, ...what }, how);
	}

	/** Signs as a lead, every open item named with the reason. */
	async sign(
		jobId: string,
		reason = 'closed for the test',
		more: Partial<Command> & { by?: Person } = {}
	) {
		const over = viewJob(await this.record(jobId)).standing.owed.map((item) => ({
			item: owedLine(item),
			reason
		}));
		return this.say(jobId, 'signed', 'car', { over }, { by: this.lead, ...more });
	}

	/** What every projection holds, by table: for comparing with what a rebuild makes. */
	async projections(tables: readonly string[]): Promise<Record<string, unknown[]>> {
		const found: Record<string, unknown[]> = {};
		for (const table of tables) {
			const rows = await this.db.rows(`SELECT * FROM ${table}`);
			found[table] = rows.map((row) => JSON.stringify(row)).sort();
		}
		return found;
	}

	rebuild = () => rebuild(this.db);
}

/** As it travels: what is undefined is not there. */
const asJson = (data: object) => JSON.parse(JSON.stringify(data)) as object;

const more = (id: unknown, enteredAt: unknown, corrects?: unknown) => ({
	id: id as string,
	enteredAt: enteredAt as string,
	...(corrects ? { corrects: corrects as string } : {})
});

/** A shop for one test file. */
export function useShop(name: string): TestShop {
	const shop = new TestShop();
	beforeAll(() => shop.open(name));
	afterAll(() => shop.close());
	return shop;
}
