import {
	createPool,
	type QueryValues,
	type Pool,
	type PoolConnection,
	type ResultSetHeader,
	type RowDataPacket
} from 'mysql2/promise';
import type { Config } from '../config.ts';

/** One row as the driver gives it. */
export type Row = RowDataPacket & Record<string, unknown>;

/** Where SQL can be run: the pool, or the connection of a transaction. */
export interface Database {
	/** Rows of a SELECT. */
	rows<T = Row>(sql: string, values?: unknown[] | Record<string, unknown>): Promise<T[]>;
	/** First row, if any. */
	row<T = Row>(sql: string, values?: unknown[] | Record<string, unknown>): Promise<T | undefined>;
	/** Runs a statement; resolves to the number of rows it matched. */
	run(sql: string, values?: unknown[] | Record<string, unknown>): Promise<number>;
	/** All of `work` or none of it; repeated when the database asks for that. */
	transaction<T>(work: (db: Database) => Promise<T>): Promise<T>;
	/** The driver's pool and the database's name, for packages that want them. */
	readonly pool: Pool;
	readonly name: string;
}

/** A database that is opened once and closed at the end. */
export interface OpenDatabase extends Database {
	close(): Promise<void>;
}

export function openDatabase(config: Config['database']): OpenDatabase {
	const pool = createPool({
		...config,
		charset: 'utf8mb4_unicode_ci',
		timezone: 'Z',
		decimalNumbers: true,
		jsonStrings: true,
		namedPlaceholders: true,
		connectionLimit: 10,
		maxIdle: 4,
		enableKeepAlive: true
	});
	return { ...over(pool, pool, config.database), close: () => pool.end() };
}

function over(pool: Pool, connection: Pool | PoolConnection, name: string): Database {
	const db: Database = {
		pool,
		name,
		async rows<T>(sql: string, values: unknown[] | Record<string, unknown> = []) {
			const [rows] = await connection.query<RowDataPacket[]>(sql, values as QueryValues);
			return rows as T[];
		},
		async row<T>(sql: string, values?: unknown[] | Record<string, unknown>) {
			return (await db.rows<T>(sql, values))[0];
		},
		async run(sql, values = []) {
			const [result] = await connection.query<ResultSetHeader>(sql, values as QueryValues);
			return result.affectedRows;
		},
		transaction: (work) => (connection === pool ? transact(pool, name, work) : work(db))
	};
	return db;
}

/** Deadlock and lock timeout: the database asks to try again (MariaDB error codes). */
const tryAgain = new Set([1213, 1205]);
const tries = 5;

async function transact<T>(
	pool: Pool,
	name: string,
	work: (db: Database) => Promise<T>
): Promise<T> {
	for (let attempt = 1; ; attempt++) {
		const connection = await pool.getConnection();
		try {
			await connection.beginTransaction();
			const result = await work(over(pool, connection, name));
			await connection.commit();
			return result;
		} catch (error) {
			await connection.rollback().catch(() => connection.destroy());
			const code = (error as { errno?: number }).errno ?? 0;
			if (!tryAgain.has(code) || attempt === tries) throw error;
			await new Promise((done) => setTimeout(done, 20 * attempt * attempt));
		} finally {
			connection.release();
		}
	}
}

/** True for an insert that met an existing key. @param key its name; any other than an id's without */
export function isDuplicate(error: unknown, key?: string): boolean {
	const { errno, sqlMessage = '' } = error as { errno?: number; sqlMessage?: string };
	return errno === 1062 && (key === undefined || sqlMessage.includes(`for key '${key}'`));
}
