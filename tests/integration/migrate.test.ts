import { appendFileSync, copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { afterAll, describe, expect, inject, it } from 'vitest';
import { migrate, readMigrations } from '../../src/lib/server/db/migrate.ts';
import { freshDatabase } from './database.ts';
import { migrations } from './shop.ts';

const files = readMigrations(migrations).map((migration) => migration.name);

async function query(address: Awaited<ReturnType<typeof freshDatabase>>, sql: string) {
	const connection = await createConnection(address);
	const [rows] = await connection.query<RowDataPacket[]>(sql);
	await connection.end();
	return rows;
}

/** Every table as MariaDB writes it. */
async function schemaOf(address: Awaited<ReturnType<typeof freshDatabase>>): Promise<string[]> {
	const tables = await query(address, 'SHOW TABLES');
	const written = tables.map(async (row) => {
		const [one] = await query(address, `SHOW CREATE TABLE \`${String(Object.values(row)[0])}\``);
		return one!['Create Table'] as string;
	});
	return Promise.all(written);
}

const copies: string[] = [];
afterAll(() => copies.forEach((folder) => rmSync(folder, { recursive: true })));

function copyOfMigrations(): string {
	const folder = mkdtempSync(join(tmpdir(), 'vane-migrations-'));
	copies.push(folder);
	for (const name of files) copyFileSync(join(migrations, name), join(folder, name));
	return folder;
}

describe('migrations', () => {
	it('run once, in order', async () => {
		const address = await freshDatabase(inject('database'), 'once');
		expect(await migrate(address, migrations)).toEqual(files);
		expect(await migrate(address, migrations)).toEqual([]);
	});

	it('do not race when servers start together', async () => {
		const address = await freshDatabase(inject('database'), 'race');
		const applied = await Promise.all([1, 2, 3, 4].map(() => migrate(address, migrations)));
		expect(applied.flat().sort()).toEqual(files);
	});

	it('refuse a file that was changed after it was applied', async () => {
		const address = await freshDatabase(inject('database'), 'changed');
		const folder = copyOfMigrations();
		await migrate(address, folder);
		appendFileSync(join(folder, files[0]!), '\n-- a late thought\n');
		await expect(migrate(address, folder)).rejects.toThrow(`${files[0]} was changed`);
	});

	it('go on with a new file', async () => {
		const address = await freshDatabase(inject('database'), 'added');
		const folder = copyOfMigrations();
		await migrate(address, folder);
		writeFileSync(
			join(folder, '9999_more.sql'),
			'CREATE TABLE more (id INT PRIMARY KEY) ENGINE=InnoDB;'
		);
		expect(await migrate(address, folder)).toEqual(['9999_more.sql']);
	});

	it('killed once after each statement, and once after it is recorded, they go on at the next start and come to the same', async () => {
		const [whole, killed] = [
			await freshDatabase(inject('database'), 'whole'),
			await freshDatabase(inject('database'), 'killed')
		];
		let points = 0;
		await migrate(whole, migrations, () => points++);
		expect(points).toBeGreaterThan(50);
		const kills = new Set<string>();
		for (let over = false; !over;) {
			over = await migrate(killed, migrations, (point, file, statement) => {
				const here = `${point} ${file} ${statement}`;
				if (kills.has(here)) return;
				kills.add(here);
				throw new Error('killed');
			}).then(
				() => true,
				(error: Error) => {
					expect(error.message).toBe('killed');
					return false;
				}
			);
		}
		expect(kills.size).toBe(points);
		expect(await schemaOf(killed)).toEqual(await schemaOf(whole));
	});

	it('a statement that fails is not taken for done at the next start', async () => {
		const address = await freshDatabase(inject('database'), 'failing');
		const folder = copyOfMigrations();
		writeFileSync(
			join(folder, '9998_twice.sql'),
			'CREATE TABLE once (id INT PRIMARY KEY) ENGINE=InnoDB;\nCREATE TABLE once (id INT PRIMARY KEY) ENGINE=InnoDB;\n'
		);
		for (let start = 0; start < 3; start++)
			await expect(migrate(address, folder)).rejects.toThrow('already exists');
		await expect(
			query(address, 'SELECT name FROM migrations WHERE name LIKE "9998%"')
		).resolves.toEqual([]);
	});

	it('make InnoDB tables in utf8mb4', async () => {
		const address = await freshDatabase(inject('database'), 'tables');
		await migrate(address, migrations);
		const tables = await query(
			address,
			`SELECT t.table_name AS name, t.engine, t.table_collation AS collation
			   FROM information_schema.tables t WHERE t.table_schema = DATABASE()`
		);
		expect(tables.length).toBeGreaterThan(12);
		for (const { name, engine, collation } of tables) {
			expect([name, engine, String(collation).startsWith('utf8mb4')]).toEqual([
				name,
				'InnoDB',
				true
			]);
		}
	});
});
