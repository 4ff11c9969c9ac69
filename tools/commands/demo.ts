/** `./vane demo`: the demo shop on this machine, ready to look at. */
import { demoPeople, loadDemo } from '../../demo/load.ts';
import { findShop } from '../../src/lib/server/db/shop.ts';
import { buildIfChanged } from '../build.ts';
import { openInstance, serve } from '../instance.ts';
import { problem } from '../process.ts';
import { readSettings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const unknown = args.find((arg) => arg !== '--reset');
	if (unknown) throw problem(`demo takes --reset, not '${unknown}'.`);
	const settings = readSettings('demo');
	buildIfChanged();
	const instance = await openInstance(settings, { empty: args.includes('--reset') });
	if (!(await findShop(instance.db))) await loadDemo(instance.db);
	const people = demoPeople();
	await serve(
		instance,
		[
			'',
			`  Vane Set, demo shop:  ${settings.origin}`,
			'',
			...people.map(({ handle, pin, name, role }) => `    ${handle.padEnd(8)} PIN ${pin}   ${name}, ${role}`),
			'',
			'  Ctrl-C stops it. ./vane demo --reset starts over.',
			''
		].join('\n')
	);
}

