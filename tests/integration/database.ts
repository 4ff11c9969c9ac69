/** One throwaway MariaDB for the whole suite; each test file gets a database of its own in it. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection } from 'mysql2/promise';
import type { TestProject } from 'vitest/node';
import { startDatabase, type DatabaseAddress } from '../../tools/database.ts';

declare module 'vitest' {
	export interface ProvidedContext {
		database: DatabaseAddress;
	}
}

export default async function setup(project: TestProject) {
	const folder = mkdtempSync(join(tmpdir(), 'vane-test-'));
	chmodSync(folder, 0o755); // the database may run as another user
	const server = await startDatabase(folder);
	project.provide('database', server.address);
	return async () => {
		await server.stop();
		rmSync(folder, { recursive: true, force: true });
	};
}

/** A fresh, empty database on the suite's server. */
export async function freshDatabase(
	address: DatabaseAddress,
	name: string
): Promise<DatabaseAddress> {
	const database = `vane_${name}`;
	const connection = await createConnection(address);
	await connection.query(`DROP DATABASE IF EXISTS ${database}`);
	await connection.query(
		`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`
	);
	await connection.end();
	return { ...address, database };
}
