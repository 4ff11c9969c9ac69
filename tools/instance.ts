/** One instance of Vane Set: its folder, its database with the current schema, its one launcher. */
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { migrate } from '../src/lib/server/db/migrate.ts';
import { openDatabase, type Database, type OpenDatabase } from '../src/lib/server/db/pool.ts';
import { rebuild } from '../src/lib/server/jobs/projections.ts';
import { checkPort, startApplication } from './application.ts';
import { makePrivateFolder, startDatabase, type RunningDatabase } from './database.ts';
import { keepRunning, type Running } from './keep-running.ts';
import { isRunning, problem, stopProcess } from './process.ts';
import { tlsFor } from './lan/authority.ts';
import { startProxy, stopLeftProxy } from './lan/proxy.ts';
import { trustWords, writeTrustPage } from './lan/trust.ts';
import type { LanSettings, Settings } from './settings.ts';
import { root } from './system.js';

export interface Instance {
	settings: Settings;
	server: RunningDatabase;
	db: OpenDatabase;
	close(): Promise<void>;
}

interface LauncherFile {
	launcher: number;
	application?: number;
	proxy?: number;
	origin: string;
}

const launcherFile = (folder: string) => join(folder, 'running.json');

function readLauncher(folder: string): LauncherFile | undefined {
	try {
		return JSON.parse(readFileSync(launcherFile(folder), 'utf8')) as LauncherFile;
	} catch {
		return undefined;
	}
}

/** Refuses when this instance runs already; clears what a killed launcher left behind. */
export async function takeOver(settings: Settings): Promise<void> {
	makePrivateFolder(settings.folder);
	const found = readLauncher(settings.folder);
	if (found) {
		if (found.launcher !== process.pid && isRunning(found.launcher, 'tools/vane.js')) {
			throw problem(
				`already running at ${found.origin} (process ${found.launcher}). Stop it there with Ctrl-C first.`
			);
		}
		if (found.application && isRunning(found.application, 'build/programs/serve.js')) {
			await stopProcess(found.application, 5_000);
		}
		await stopLeftProxy(found.proxy);
		rmSync(launcherFile(settings.folder), { force: true });
	}
	writeFileSync(
		launcherFile(settings.folder),
		JSON.stringify({ launcher: process.pid, origin: settings.origin })
	);
}

/** Starts the database and brings its schema up to date. */
export async function openInstance(
	settings: Settings,
	options: { empty?: boolean } = {}
): Promise<Instance> {
	await takeOver(settings);
	if (options.empty) {
		const left = join(settings.folder, 'mariadb');
		if (existsSync(left)) {
			const running = await startDatabase(settings.folder); // takes over one that still runs
			await running.stop();
			rmSync(left, { recursive: true, force: true });
		}
	}
	const server = await startDatabase(settings.folder);
	try {
		const applied = await migrate(server.address, join(root, 'db/migrations'));
		// What is made of the books may be made otherwise now.
		if (applied.length) await remake(server.address);
	} catch (error) {
		await server.stop();
		throw error;
	}
	const db = openDatabase(server.address);
	return {
		settings,
		server,
		db,
		async close() {
			await db.close();
			await server.stop();
			rmSync(launcherFile(settings.folder), { force: true });
		}
	};
}

async function remake(address: RunningDatabase['address']): Promise<void> {
	const db = openDatabase(address);
	await rebuild(db).finally(() => db.close());
}

/**
 * Opens the instance, lets `prepare` fill it and say what to print, and serves it until Ctrl-C; then
 * stops application and database in that order. Either of them is started again when it ends by itself.
 * Whatever fails, the database is stopped.
 */
export async function serveInstance(
	settings: Settings,
	options: { empty?: boolean },
	prepare: (db: Database) => Promise<string>
): Promise<void> {
	const instance = await openInstance(settings, options);
	const { address } = instance.server;
	const say = (line: string) => console.error(`vane: ${line}`);
	const note = (change: Partial<LauncherFile>) => {
		const running = { ...readLauncher(settings.folder), launcher: process.pid, ...change };
		writeFileSync(launcherFile(settings.folder), JSON.stringify(running));
	};
	/** What runs, in the order it was started; stopped the other way round, whatever fails. */
	const stops: (() => Promise<void>)[] = [];
	const keep = (name: string, running: Running, again: () => Promise<Running>) =>
		stops.push(keepRunning({ name, running, again, say }));
	try {
		keep('the database', instance.server, () => startDatabase(settings.folder, address));
		const greeting = await prepare(instance.db);
		await instance.db.close();
		await checkPort(settings.host, settings.port, 'VANE_PORT');
		await checkPort(settings.deviceHost, settings.devicePort, 'VANE_DEVICE_PORT');
		if (settings.lan) {
			const { listen, port, devicePort, trustPort } = settings.lan;
			for (const one of [port, devicePort, trustPort])
				await checkPort(listen, one, 'VANE_LAN_PORT');
		}
		const serve = async () => {
			const application = await startApplication(address, settings);
			note({ application: application.process.pid, origin: settings.origin });
			return application;
		};
		keep('the application', await serve(), serve);
		if (settings.lan) {
			const front = await openFront(settings, settings.lan);
			const start = async () => {
				const proxy = await front.start();
				note({ proxy: proxy.pid });
				return proxy;
			};
			keep('nginx', await start(), start);
			console.log(front.words);
		}
		console.log(greeting);
		await new Promise<void>((done) => {
			for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
				process.once(signal, () => done());
		});
		say('stopping …');
	} finally {
		await instance.db.close().catch(() => undefined);
		for (const stop of stops.reverse()) await stop();
		rmSync(launcherFile(settings.folder), { force: true });
	}
	say('stopped.');
}

/** What stands between the shop's network and the application. */
async function openFront(settings: Settings, lan: LanSettings) {
	const folder = join(settings.folder, 'tls');
	const tls = tlsFor(folder, lan.address);
	writeTrustPage(folder, settings, tls);
	return {
		words: await trustWords(settings, lan, tls),
		start: () => startProxy(folder, settings, lan, tls)
	};
}
