/** `./vane verify`: goes along the book of each job; ends with code 1 where one does not hold. */
import { join } from 'node:path';
import { listJobs } from '../../src/lib/server/db/jobs.ts';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { readJob } from '../../src/lib/server/jobs/book.ts';
import { proveBook } from '../../src/lib/server/proof/chain.ts';
import { chooseInstance, withDatabase } from '../client.ts';
import { problem } from '../process.ts';
import { root } from '../system.js';

export async function run(args: string[]): Promise<void> {
	const { name, rest: wanted } = chooseInstance(args);
	const odd = wanted.find((number) => !/^\d{4}-\d{4,8}$/.test(number));
	if (odd) throw problem(`'${odd}' is no job number; one looks like 2026-0187.`);
	await withDatabase(name, async (address, alreadyRunning) => {
		if (!alreadyRunning) await migrate(address, join(root, 'db/migrations'));
		const db = openDatabase(address);
		try {
			const missing = new Set(wanted);
			let broken = 0;
			for (const { id, number } of await listJobs(db, wanted)) {
				missing.delete(number);
				const proof = proveBook((await readJob(db, id)).record);
				if (!proof.holds) broken++;
				const says = proof.broken
					? `BROKEN at ${proof.broken.seq}: ${proof.broken.words}`
					: `holds, ${proof.entries} entries, head ${proof.head?.slice(0, 16) ?? 'none'}`;
				console.log(`${number}  ${says}`);
			}
			for (const number of missing) console.log(`${number}  is not a job here`);
			if (broken || missing.size) process.exitCode = 1;
		} finally {
			await db.close();
		}
	});
}
