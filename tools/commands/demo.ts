/** `./vane demo`: the demo shop on this machine, ready to look at. */
import { loadDemo } from '../../demo/load.ts';
import { people, demoTokens } from '../../demo/shop.ts';
import { serveControls, StandIns } from '../../devices/stand-ins.ts';
import { findShop } from '../../src/lib/server/db/shop.ts';
import { checkPort } from '../application.ts';
import { buildIfChanged } from '../build.ts';
import { serveInstance } from '../instance.ts';
import { problem } from '../process.ts';
import { keyFolder, readSettings } from '../settings.ts';

export async function run(args: string[]): Promise<void> {
	const unknown = args.find((arg) => arg !== '--reset');
	if (unknown) throw problem(`demo takes --reset, not '${unknown}'.`);
	const settings = readSettings('demo');
	buildIfChanged();
	let standIns: StandIns | undefined;
	await serveInstance(settings, { empty: args.includes('--reset') }, async (db) => {
		if (!(await findShop(db)))
			await loadDemo(db, { folder: keyFolder(settings.folder), origin: settings.origin });
		const controls = settings.devicePort + 1;
		await checkPort('127.0.0.1', controls, 'VANE_DEVICE_PORT');
		standIns = new StandIns({ host: settings.deviceHost, port: settings.devicePort }, demoTokens);
		const server = await serveControls(standIns, controls);
		server.unref();
		return [
			'',
			`  Vane Set, demo shop:  ${settings.origin}`,
			'',
			...people.map(
				({ handle, pin, name, role }) => `    ${handle.padEnd(8)} PIN ${pin}   ${name}, ${role}`
			),
			'',
			`  Simulated wrench, gauge and scales:  http://127.0.0.1:${controls}`,
			'',
			'  Ctrl-C stops it. ./vane demo --reset starts over.',
			''
		].join('\n');
	}).finally(() => standIns?.end());
}
