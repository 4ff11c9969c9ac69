/** The built server as a process of its own: started, watched until it answers, stopped. */
import { spawn, type ChildProcess } from 'node:child_process';
import { closeSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { tail, type DatabaseAddress } from './database.ts';
import { endOf, type Running } from './keep-running.ts';
import { openLog } from './log-file.ts';
import { problem, stopProcess } from './process.ts';
import { keyFolder, type Settings } from './settings.ts';
import { root } from './system.js';

export interface RunningApplication extends Running {
	process: ChildProcess;
}

const serverProgram = join(root, 'build/programs/serve.js');

/** What the server reads from its environment: ours (src/lib/server/config.ts), then SvelteKit's. */
export function serverEnvironment(address: DatabaseAddress, settings: Settings): NodeJS.ProcessEnv {
	return {
		...process.env,
		NODE_ENV: 'production',
		VANE_DB_HOST: address.host,
		VANE_DB_PORT: String(address.port),
		VANE_DB_USER: address.user,
		VANE_DB_PASSWORD: address.password,
		VANE_DB_NAME: address.database,
		VANE_ORIGIN: settings.origin,
		VANE_KEY_DIR: keyFolder(settings.folder),
		VANE_PROGRAMS: join(root, 'build/programs'),
		VANE_HOST: settings.host,
		VANE_PORT: String(settings.port),
		...(settings.lan && { VANE_TRUSTED_PROXY: '127.0.0.1' }),
		VANE_DEVICE_HOST: settings.deviceHost,
		VANE_DEVICE_PORT: String(settings.devicePort),
		ORIGIN: settings.origin
	};
}

/** A port that is taken is said before anything is started. */
export async function checkPort(host: string, port: number, setting: string): Promise<void> {
	await new Promise<void>((done, broken) => {
		const server = createServer();
		server.once('error', (error: NodeJS.ErrnoException) =>
			broken(
				problem(
					error.code === 'EADDRINUSE'
						? `port ${port} is in use by another program. Choose another: ${setting}=${port + 10} ./vane …`
						: `cannot listen on ${host}:${port}: ${error.message}`
				)
			)
		);
		server.listen(port, host, () => server.close(() => done()));
	});
}

export async function startApplication(
	address: DatabaseAddress,
	settings: Settings
): Promise<RunningApplication> {
	const [logFile, log] = openLog(settings.folder, 'application.log', 'a');
	const server = spawn(process.execPath, [serverProgram], {
		cwd: root,
		env: serverEnvironment(address, settings),
		detached: true,
		stdio: ['ignore', log, log]
	});
	closeSync(log);
	const url = `http://${settings.host === '0.0.0.0' ? '127.0.0.1' : settings.host}:${settings.port}/api/v1/ready`;
	for (let tries = 0; ; tries++) {
		const ready = await fetch(url)
			.then((r) => r.ok)
			.catch(() => false);
		if (ready) break;
		if (server.exitCode !== null || server.signalCode !== null || tries > 300) {
			await stopProcess(server.pid ?? 0, 5_000);
			throw problem(`the application did not start. Its log: ${logFile}\n${tail(logFile)}`);
		}
		await new Promise((done) => setTimeout(done, 50));
	}
	return { process: server, ended: endOf(server), stop: () => stopProcess(server.pid ?? 0, 8_000) };
}
