/** `./vane rebuild`: makes lists, search words, wrench counts, step times and the like anew from the books. */
import { join } from 'node:path';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { rebuild } from '../../src/lib/server/jobs/projections.ts';
import { chooseInstance, withDatabase } from '../client.ts';
import { problem } from '../process.ts';
import { root } from '../system.js';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	if (rest.length) throw problem(`rebuild takes --demo, not '${rest[0]}'.`);
	await withDatabase(name, async (address, alreadyRunning) => {
		if (!alreadyRunning) await migrate(address, join(root, 'db/migrations'));
		const db = openDatabase(address);
		try {
			const jobs = await rebuild(db, (done, all) => {
				if (done % 500 === 0) console.log(`vane: ${done} of ${all} jobs …`);
			});
			console.log(`vane: made anew from the books of ${jobs} jobs.`);
		} finally {
			await db.close();
		}
	});
}
