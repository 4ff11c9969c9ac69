/** `./vane demo`: the demo shop on this machine, ready to look at. */
import { demoPeople, loadDemo } from '../../demo/load.ts';
import { findShop } from '../../src/lib/server/db/shop.ts';
import { buildIfChanged } from '../build.ts';
import { serveInstance } from '../instance.ts';
import { problem } from '../process.ts';
import { readSettings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const unknown = args.find((arg) => arg !== '--reset');
	if (unknown) throw problem(`demo takes --reset, not '${unknown}'.`);
	const settings = readSettings('demo');
	buildIfChanged();
	await serveInstance(settings, { empty: args.includes('--reset') }, async (db) => {
		if (!(await findShop(db))) await loadDemo(db);
		return [
			'',
			`  Vane Set, demo shop:  ${settings.origin}`,
			'',
			...demoPeople().map(
				({ handle, pin, name, role }) => `    ${handle.padEnd(8)} PIN ${pin}   ${name}, ${role}`
			),
			'',
			'  Ctrl-C stops it. ./vane demo --reset starts over.',
			''
		].join('\n');
	});
}
