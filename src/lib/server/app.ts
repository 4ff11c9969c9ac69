/** What the running server holds: its settings, its database, its log. Opened once. */
import { pino } from 'pino';
import { readConfig } from './config.ts';
import { database, openPool } from './db/pool.ts';

export const config = readConfig(process.env);
export const log = pino({ level: config.logLevel, base: undefined, timestamp: pino.stdTimeFunctions.isoTime });
export const db = database(openPool(config.database));
