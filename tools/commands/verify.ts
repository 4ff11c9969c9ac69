/** `./vane verify`: goes along the chain of each job's record; ends with code 1 where one does not hold. */
import { searchJobIds } from '../../src/lib/server/db/jobs.ts';
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { loadJob } from '../../src/lib/server/jobs/load.ts';
import { proveChain } from '../../src/lib/server/proof/chain.ts';
import { join } from 'node:path';
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
			for (const id of await searchJobIds(db, { search: '' }, 1_000_000)) {
				const job = await loadJob(db, id);
				if (wanted.length && !wanted.includes(job.number)) continue;
				missing.delete(job.number);
				const proof = proveChain(job);
				if (!proof.holds) broken++;
				const says = proof.broken
					? `BROKEN at ${proof.broken.seq}: ${proof.broken.words}`
					: proof.head
						? `holds, ${proof.entries} entries, head ${proof.head.slice(0, 16)}`
						: 'nothing to prove yet';
				console.log(`${job.number}  ${says}`);
			}
			for (const number of missing) console.log(`${number}  is not a job here`);
			if (broken || missing.size) process.exitCode = 1;
		} finally {
			await db.close();
		}
	});
}
