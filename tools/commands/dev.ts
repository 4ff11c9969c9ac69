/** `./vane dev`: the demo data behind a development server that reloads on change. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { loadDemo } from '../../demo/load.ts';
import { findShop } from '../../src/lib/server/db/shop.ts';
import { serverEnvironment } from '../application.ts';
import { buildPrograms } from '../build.ts';
import { openInstance } from '../instance.ts';
import { stopProcess } from '../process.ts';
import { keyFolder, readSettings } from '../settings.ts';
import { root } from '../system.js';

export async function run(args: string[]): Promise<void> {
	const settings = readSettings('demo');
	const instance = await openInstance(settings);
	const sealer = { folder: keyFolder(settings.folder), origin: settings.origin };
	if (!(await findShop(instance.db))) await loadDemo(instance.db, sealer);
	buildPrograms();
	const vite = spawn(
		process.execPath,
		[
			join(root, 'node_modules/vite/bin/vite.js'),
			'dev',
			'--host',
			settings.host,
			'--port',
			String(settings.port),
			'--strictPort',
			...args
		],
		{
			cwd: root,
			detached: true,
			stdio: ['ignore', 'inherit', 'inherit'],
			env: { ...serverEnvironment(instance.server.address, settings), NODE_ENV: 'development' }
		}
	);
	await new Promise<void>((done) => {
		for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
			process.once(signal, () => done());
		vite.once('exit', () => done());
	});
	await stopProcess(vite.pid ?? 0, 5_000);
	await instance.close();
}
