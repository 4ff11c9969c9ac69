/** Loads the demo shop from its open-format files, through the same code that a user's import uses. */
import { readdirSync, readFileSync } from 'node:fs';
import { jobFileSchema } from '../src/lib/schema/job-file.ts';
import { validate, faultLine } from '../src/core/validate.ts';
import type { Role } from '../src/lib/job/model.ts';
import { findPerson } from '../src/lib/server/db/people.ts';
import type { Database } from '../src/lib/server/db/pool.ts';
import { createShop } from '../src/lib/server/db/shop.ts';
import { importJob, type JobFile } from '../src/lib/server/exchange/job-file.ts';
import { createPerson } from '../src/lib/server/people.ts';

const here = new URL('.', import.meta.url);

interface DemoShop {
	name: string;
	units: { system: 'metric' | 'imperial'; torque: string };
	people: { id: string; handle: string; name: string; role: Role; pin: string }[];
}

const readShop = () => JSON.parse(readFileSync(new URL('shop.json', here), 'utf8')) as DemoShop;

export const demoPeople = () => readShop().people;

export async function loadDemo(db: Database): Promise<void> {
	const shop = readShop();
	for (const { pin, ...person } of shop.people) {
		if (!(await findPerson(db, person.id))) await createPerson(db, { ...person, secret: pin });
	}
	const folder = new URL('jobs/', here);
	for (const name of readdirSync(folder).sort()) {
		const file = JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as unknown;
		const checked = validate<JobFile>(jobFileSchema, file, { now: Date.now() });
		if (!checked.ok) throw new Error(`${name}: ${checked.faults.map(faultLine).join('; ')}`);
		await importJob(db, checked.value, undefined);
	}
	// Last: an interrupted load is seen as no shop, and starts over with what is here already.
	await createShop(db, shop.name, shop.units);
}
