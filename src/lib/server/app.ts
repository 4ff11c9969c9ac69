/** What the running server holds: its settings, its database, its log. Opened once. */
import { building } from '$app/environment';
import { readConfig } from './config.ts';
import { openDatabase } from './db/pool.ts';
import { DeviceLines } from './devices/gateway.ts';
import { watchDisk } from './disk.ts';
import { makeLog } from './log.ts';
import { shrinker } from './jobs/shrink.ts';
import type { Sealer } from './proof/keys.ts';
import { Threads } from './threads/threads.ts';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';

/** The build imports every module without an environment; nothing connects then. */
const whileBuilding = {
	VANE_DB_HOST: 'localhost',
	VANE_DB_PORT: '1',
	VANE_DB_USER: 'none',
	VANE_DB_NAME: 'none',
	VANE_DB_PASSWORD: 'none',
	VANE_ORIGIN: 'http://localhost',
	VANE_KEY_DIR: 'none',
	VANE_PROGRAMS: 'none'
};

export const config = readConfig(building ? whileBuilding : process.env);
export const log = makeLog(config.logLevel);
export const db = openDatabase(config.database);
export const disk = watchDisk(config.sealer.folder, config.diskReserveMb, (line) => log.warn(line));
export const deviceLines = new DeviceLines();

/** What may take long: computations, files that are looked through. */
export const threads = new Threads({
	file: join(config.programs, 'tasks.js'),
	count: Math.max(2, availableParallelism() - 1),
	limitMs: 60_000
});
/** Sheets are drawn with a job's row held: they wait behind nothing else. */
const drawing = new Threads({ file: join(config.programs, 'tasks.js'), count: 1, limitMs: 60_000 });
export const sealer: Sealer = {
	...config.sealer,
	draw: (sheet, mark) => drawing.run('drawSheet', { sheet, mark }, { who: mark.head })
};

export const shrink = shrinker(join(config.programs, 'picture.js'));

/** So that nobody waits for a thread to begin. */
export function startThreads(): void {
	threads.start();
	drawing.start();
}

export async function closeApp(): Promise<void> {
	await Promise.all([threads.close(), drawing.close()]);
	await db.close();
}
