/** The built application on a throwaway database with the demo shop, one for each worker. */
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoTokens, loadDemo } from '../../demo/load';
import { StandIns } from '../../devices/stand-ins';
import type { JobRecord } from '../../src/core/job/model';
import { migrate } from '../../src/lib/server/db/migrate';
import { openDatabase } from '../../src/lib/server/db/pool';
import { startApplication, type RunningApplication } from '../../tools/application';
import { freePort, startDatabase, type DatabaseAddress } from '../../tools/database';

export { expect };

const pins = { mara: '4711', tomas: '2580', jo: '1379', ilse: '8642' };
export type Handle = keyof typeof pins;

export class RunningShop {
	readonly origin: string;
	#application: RunningApplication | undefined;

	constructor(
		readonly database: DatabaseAddress,
		readonly folder: string,
		readonly port: number,
		readonly devicePort: number
	) {
		this.origin = `http://127.0.0.1:${port}`;
	}

	async start(): Promise<void> {
		const { folder, port, origin } = this;
		this.#application = await startApplication(this.database, {
			folder,
			host: '127.0.0.1',
			port,
			origin,
			deviceHost: '127.0.0.1',
			devicePort: this.devicePort
		});
	}

	/** Ends the server the hard way, as a power cut would. */
	kill(): void {
		this.#application?.process.kill('SIGKILL');
	}

	/** The simulated devices of the demo shop, at this instance's line. */
	devices(): StandIns {
		return new StandIns({ host: '127.0.0.1', port: this.devicePort }, demoTokens());
	}

	async stop(): Promise<void> {
		await this.#application?.stop();
	}
}

async function signInRequest(request: APIRequestContext, origin: string, handle: Handle) {
	const answer = await request.post(`${origin}/api/v1/session`, {
		data: { handle, secret: pins[handle] }
	});
	expect(answer.status()).toBe(201);
}

interface Fixtures {
	/** Signed in as a technician. */
	tomas: Page;
	/** Signed in as a lead. */
	mara: Page;
	jobUrl: (number: string) => Promise<string>;
	record: (page: Page, number: string) => Promise<JobRecord>;
}

export const test = base.extend<Fixtures, { shop: RunningShop }>({
	shop: [
		// eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture needs from this pattern
		async ({}, use) => {
			const folder = mkdtempSync(join(tmpdir(), 'vane-e2e-'));
			chmodSync(folder, 0o755);
			const server = await startDatabase(folder);
			await migrate(server.address, 'db/migrations');
			const db = openDatabase(server.address);
			await loadDemo(db);
			await db.close();
			const shop = new RunningShop(server.address, folder, await freePort(), await freePort());
			await shop.start();
			await use(shop);
			await shop.stop();
			await server.stop();
			rmSync(folder, { recursive: true, force: true });
		},
		{ scope: 'worker', timeout: 90_000 }
	],
	baseURL: async ({ shop }, use) => use(shop.origin),
	tomas: async ({ browser, shop, contextOptions }, use) => {
		const context = await browser.newContext({ ...contextOptions, baseURL: shop.origin });
		await signInRequest(context.request, shop.origin, 'tomas');
		await use(await context.newPage());
		await context.close();
	},
	mara: async ({ browser, shop, contextOptions }, use) => {
		const context = await browser.newContext({ ...contextOptions, baseURL: shop.origin });
		await signInRequest(context.request, shop.origin, 'mara');
		await use(await context.newPage());
		await context.close();
	},
	jobUrl: async ({ shop, playwright }, use) => {
		const request = await playwright.request.newContext();
		await signInRequest(request, shop.origin, 'ilse');
		await use(async (number) => {
			const { jobs } = (await (
				await request.get(`${shop.origin}/api/v1/jobs?search=${number}`)
			).json()) as { jobs: { id: string }[] };
			return `/jobs/${jobs[0]!.id}`;
		});
		await request.dispose();
	},
	record: async ({ jobUrl }, use) => {
		await use(
			async (page, number) =>
				(await (await page.request.get(`/api/v1${await jobUrl(number)}`)).json()) as JobRecord
		);
	}
});
