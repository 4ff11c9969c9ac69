/** A small shop in a fresh database, and the things tests do in it. */
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
import { addReading, type NewReading } from '../../src/lib/server/jobs/heights.ts';
import { createJob, type NewJob } from '../../src/lib/server/jobs/head.ts';
import { addLoading, type NewLoading } from '../../src/lib/server/jobs/loadings.ts';
import { addTorque, type NewTorque } from '../../src/lib/server/jobs/torques.ts';
import { createPerson } from '../../src/lib/server/people.ts';
import { invalid } from '../../src/lib/server/problem.ts';
import { createVehicle, type VehicleInput } from '../../src/lib/server/vehicles.ts';
import { freshDatabase } from './database.ts';

export const migrations = 'db/migrations';
const context = { units: metric, now: Date.now() };

/** What the API's edge does: checks against the schema, and reads what was typed. */
export function checked<T>(schema: Parameters<typeof validate>[0], data: unknown): T {
	const result = validate<T>(schema, data, context);
	if (!result.ok) throw invalid(result.faults);
	return result.value;
}

export class TestShop {
	db!: OpenDatabase;
	lead!: Person;
	technician!: Person;

	async open(name: string): Promise<void> {
		const address = await freshDatabase(inject('database'), name);
		await migrate(address, migrations);
		this.db = openDatabase(address);
		await createShop(this.db, 'Test shop', { system: 'metric', torque: 'N·m' });
		this.lead = await this.person('lead', 'lead');
		this.technician = await this.person('tech', 'technician');
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
		return createJob(this.db, input, this.technician.id, new Date());
	}

	reading(jobId: string, change: Record<string, unknown> = {}) {
		const input = {
			id: uuidv7(),
			phase: 'before',
			corner: 'FL',
			school: 'hub-to-arch',
			height: '365',
			takenAt: new Date().toISOString(),
			...change
		};
		return addReading(
			this.db,
			jobId,
			checked<NewReading>(schemas.readingSchema, input),
			this.technician.id
		);
	}

	loading(jobId: string, change: Record<string, unknown> = {}) {
		const input = {
			id: uuidv7(),
			corner: 'FL',
			method: 'jack-to-height',
			hubToArch: '365',
			takenAt: new Date().toISOString(),
			...change
		};
		return addLoading(
			this.db,
			jobId,
			checked<NewLoading>(schemas.loadingSchema, input),
			this.technician.id
		);
	}

	torque(jobId: string, jointId: string, change: Record<string, unknown> = {}) {
		const input = {
			id: uuidv7(),
			jointId,
			torque: '25',
			carState: 'hanging',
			takenAt: new Date().toISOString(),
			...change
		};
		return addTorque(
			this.db,
			jobId,
			checked<NewTorque>(schemas.torqueSchema, input),
			this.technician.id
		);
	}
}

/** A shop for one test file. */
export function useShop(name: string): TestShop {
	const shop = new TestShop();
	beforeAll(() => shop.open(name));
	afterAll(() => shop.db.close());
	return shop;
}
