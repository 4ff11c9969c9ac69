import { Problem, refuse } from '../../../core/problem.ts';

/** The database is not there, or goes: what the driver and the network say of it. */
const gone = new Set([
	'ECONNREFUSED',
	'ECONNRESET',
	'EPIPE',
	'ETIMEDOUT',
	'PROTOCOL_CONNECTION_LOST',
	'ER_SERVER_SHUTDOWN',
	'ER_CON_COUNT_ERROR'
]);
/** No space left, as MariaDB says it (error codes 1021, 1114, 1026). */
const full = new Set(['ER_DISK_FULL', 'ER_RECORD_FILE_FULL', 'ER_ERROR_ON_WRITE']);

const databaseGone = (): Problem =>
	new Problem(
		503,
		'The database does not answer now. What you enter is kept on this device and sent as soon as it does.'
	);
export const diskFull = (): Problem =>
	new Problem(
		507,
		'The disk of the shop’s server is full: nothing can be kept there until there is space. What you enter is kept on this device and sent then.'
	);

/** What a failed statement has to say to the person who waits for it, where the statement is not to blame. */
export function troubleOf(error: unknown): Problem | undefined {
	const { code, message = '' } = (error ?? {}) as { code?: string; message?: string };
	if (code !== undefined && gone.has(code)) return databaseGone();
	if (message.includes('connection is in closed state')) return databaseGone();
	if (code === 'ER_DUP_ENTRY') return refuse('id', 'is that of something else already');
	return code !== undefined && full.has(code) ? diskFull() : undefined;
}
