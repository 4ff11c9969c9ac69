/** The server's log: what happened, and never what was in it. */
import { pino, type Logger } from 'pino';

/** Errors of the database: the driver's own properties hold the statement with everything that was in it. */
interface DriverError extends Error {
	code?: string;
	errno?: number;
	sql?: unknown;
	sqlState?: string;
}

/**
 * An error as the log may keep it: where it happened and of what kind. What a database error says of itself
 * may quote values (a duplicate's key), so its words are left out as well as its statement.
 */
export function errorForLog(error: unknown): object {
	if (!(error instanceof Error)) return { type: typeof error };
	const { name, message, stack = '', code, errno, sqlState, sql } = error as DriverError;
	const ofDatabase = sql !== undefined || sqlState !== undefined;
	const where = stack.slice(stack.indexOf('\n    at ') + 1).trimEnd();
	return {
		type: name,
		...(code !== undefined && { code }),
		...(ofDatabase ? { errno, sqlState } : { message }),
		stack: stack.includes('\n    at ') ? where : undefined
	};
}

export const makeLog = (level: string): Logger =>
	pino({
		level,
		base: undefined,
		timestamp: pino.stdTimeFunctions.isoTime,
		serializers: { err: errorForLog, error: errorForLog }
	});
