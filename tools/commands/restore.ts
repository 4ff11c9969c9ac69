/** `./vane restore FILE`: a dump into an empty instance, or with --replace over a full one. */
import { closeSync, openSync, readFileSync, existsSync } from 'node:fs';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { chooseInstance, runClient, withDatabase } from '../client.ts';
import { problem } from '../process.ts';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	const replace = rest.includes('--replace');
	const [file, ...more] = rest.filter((arg) => arg !== '--replace');
	if (!file || more.length || file.startsWith('-'))
		throw problem('restore takes one FILE, and --demo, --replace.');
	if (!existsSync(file)) throw problem(`there is no file ${file}.`);
	if (!/-- Dump completed/.test(readFileSync(file, 'utf8').slice(-400))) {
		throw problem(
			`${file} is not a whole backup of Vane Set: its last line is missing. Nothing was changed.`
		);
	}
	await withDatabase(name, async (address, running) => {
		if (running)
			throw problem(
				`the ${name} instance is running; stop it first, so that nobody writes meanwhile.`
			);
		const connection = await createConnection({ ...address, multipleStatements: true });
		try {
			const [tables] = await connection.query<RowDataPacket[]>('SHOW TABLES');
			if (tables.length && !replace) {
				throw problem(
					`the ${name} instance holds data already; nothing was changed. --replace puts the backup in its place.`
				);
			}
			await connection.query(
				`DROP DATABASE ${address.database}; CREATE DATABASE ${address.database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`
			);
		} finally {
			await connection.end();
		}
		const input = openSync(file, 'r');
		try {
			await runClient('mariadb', address, [], [input, 'inherit', 'inherit']);
		} finally {
			closeSync(input);
		}
	});
	console.log(`vane: ${file} restored into ${name}.`);
}
