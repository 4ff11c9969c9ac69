/** What the running server holds: its settings, its database, its log. Opened once. */
import { building } from '$app/environment';
import { pino } from 'pino';
import { readConfig } from './config.ts';
import { openDatabase } from './db/pool.ts';
import { DeviceLines } from './devices/gateway.ts';

/** The build imports every module without an environment; nothing connects then. */
const whileBuilding = {
	VANE_DB_HOST: 'localhost',
	VANE_DB_PORT: '1',
	VANE_DB_USER: 'none',
	VANE_DB_NAME: 'none',
	VANE_DB_PASSWORD: 'none',
	VANE_ORIGIN: 'http://localhost',
	VANE_KEY_DIR: 'none'
};

export const config = readConfig(building ? whileBuilding : process.env);
export const log = pino({
	level: config.logLevel,
	base: undefined,
	timestamp: pino.stdTimeFunctions.isoTime
});
export const db = openDatabase(config.database);
export const deviceLines = new DeviceLines();
