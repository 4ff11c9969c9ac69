/** `./vane start`: the shop's own instance. The first start makes the first lead. */
import { createInterface } from 'node:readline/promises';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../src/lib/server/db/pool.ts';
import { createShop, findShop } from '../../src/lib/server/db/shop.ts';
import { createPerson } from '../../src/lib/server/people.ts';
import { validate } from '../../src/core/validate.ts';
import { secret } from '../../src/lib/schema/secret.ts';
import { buildIfChanged } from '../build.ts';
import { serveInstance } from '../instance.ts';
import { problem } from '../process.ts';
import { ownAddress, readSettings, type Settings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const [flag, address, ...more] = args;
	if (more.length || (flag !== undefined && flag !== '--lan'))
		throw problem(
			`start takes --lan [ADDRESS], not '${args.join(' ')}'; other settings come from the environment.`
		);
	const settings = readSettings('shop', flag && (address ?? ownAddress()));
	buildIfChanged();
	await serveInstance(settings, {}, async (db) => {
		const welcome = (await findShop(db)) ? '' : await makeShop(db, settings.firstLead);
		return `\n  Vane Set:  ${settings.origin}\n${welcome}\n  Ctrl-C stops it.\n`;
	});
}

async function makeShop(db: Database, firstLead: Settings['firstLead']): Promise<string> {
	const lead = firstLead ?? (await askForLead());
	const handle = handleFrom(lead.name);
	await db.transaction(async (tx) => {
		await createShop(tx, 'Our shop', { system: 'metric', torque: 'N·m' });
		await createPerson(tx, {
			id: uuidv7(),
			handle,
			name: lead.name,
			role: 'lead',
			secret: lead.pin
		});
	});
	return `\n  First lead: sign in as '${handle}'. Name the shop and add people under Shop.\n`;
}

/** The first name in plain letters, to sign in with. */
function handleFrom(name: string): string {
	const first = name.normalize('NFD').toLowerCase().trim().split(/\s+/)[0]!;
	const plain = first.replace(/[^a-z0-9]/g, '').slice(0, 39);
	return /^[a-z][a-z0-9]+$/.test(plain) ? plain : 'lead';
}

async function askForLead(): Promise<{ name: string; pin: string }> {
	if (!process.stdin.isTTY) {
		throw problem(
			'the first start needs VANE_FIRST_LEAD_NAME and VANE_FIRST_LEAD_PIN in the environment, or a terminal to ask at.'
		);
	}
	const ask = createInterface({ input: process.stdin, output: process.stderr });
	try {
		let name = '';
		while (!name.trim()) name = await ask.question('Name of the first lead: ');
		for (;;) {
			const pin = await ask.question(
				'PIN (6 to 12 digits; 4 are the least) or password (8 characters or more): '
			);
			const checked = validate<string>(secret().required(), pin);
			if (checked.ok) return { name: name.trim(), pin };
			console.error(checked.faults.map((fault) => fault.message).join('; '));
		}
	} finally {
		ask.close();
	}
}
