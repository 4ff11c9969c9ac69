/** `./vane keys`: the keys that this shop seals with; `rotate` takes another one into use. */
import { migrate } from '../../src/lib/server/db/migrate.ts';
import { openDatabase } from '../../src/lib/server/db/pool.ts';
import { listSealKeys } from '../../src/lib/server/db/seals.ts';
import { rotateKey, signingKey } from '../../src/lib/server/proof/keys.ts';
import { join } from 'node:path';
import { chooseInstance, withDatabase } from '../client.ts';
import { problem } from '../process.ts';
import { keyFolder, readSettings } from '../settings.ts';
import { root } from '../system.js';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const odd = rest.find((arg) => arg !== 'rotate');
	if (odd || rest.length > 1)
		throw problem(`keys takes rotate, or nothing, not '${rest.join(' ')}'.`);
	const folder = keyFolder(readSettings(name).folder);
	await withDatabase(name, async (address, alreadyRunning) => {
		if (!alreadyRunning) await migrate(address, join(root, 'db/migrations'));
		const db = openDatabase(address);
		try {
			if (rest[0] === 'rotate') await rotateKey(db, folder);
			else await signingKey(db, folder);
			for (const { keyId, publicKey, madeAt, retiredAt } of await listSealKeys(db)) {
				const state = retiredAt ? `retired ${retiredAt.slice(0, 10)}` : 'in use';
				console.log(`${keyId}  ${publicKey}  made ${madeAt.slice(0, 10)}, ${state}`);
			}
		} finally {
			await db.close();
		}
	});
}
