/** `./vane db`: MariaDB's client on the private database. */
import { chooseInstance, runClient, withDatabase } from '../client.ts';

export async function run(args: string[]): Promise<void> {
	const { name, rest } = chooseInstance(args);
	process.on('SIGINT', () => undefined); // the client handles Ctrl-C itself
	await withDatabase(name, (address) => runClient('mariadb', address, rest, 'inherit'));
}
