/** The built application on a throwaway database with the demo shop, one for each worker. */
import {
	test as base,
	expect,
	request as playwrightRequest,
	type APIRequestContext,
	type BrowserContext,
	type BrowserContextOptions,
	type Page
} from '@playwright/test';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemo } from '../../demo/load';
import { demoTokens } from '../../demo/shop';
import { StandIns } from '../../devices/stand-ins';
import type { JobRecord } from '../../src/core/job/record';
import { migrate } from '../../src/lib/server/db/migrate';
import { openDatabase } from '../../src/lib/server/db/pool';
import { startApplication, type RunningApplication } from '../../tools/application';
import { freePort, startDatabase, type DatabaseAddress } from '../../tools/database';
import { keyFolder } from '../../tools/settings';

export { expect };

const pins = { mara: '471926', tomas: '258014', jo: '137950', ilse: '864207' };
export type Handle = keyof typeof pins;

class RunningShop {
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
		return new StandIns({ host: '127.0.0.1', port: this.devicePort }, demoTokens);
	}

	async stop(): Promise<void> {
		await this.#application?.stop();
	}
}

/** Signs in once and keeps the session: most of what a sign-in costs is the hash, and that on purpose. */
async function signIn(shop: RunningShop, handle: Handle): Promise<StorageState> {
	const request = await playwrightRequest.newContext();
	const answer = await request.post(`${shop.origin}/api/v1/session`, {
		data: { handle, secret: pins[handle] }
	});
	expect(answer.status()).toBe(201);
	const state = await request.storageState();
	await request.dispose();
	return state;
}
type StorageState = Awaited<ReturnType<APIRequestContext['storageState']>>;

/**
 * Goes to pages of the application as a person does: touches and types only when the page listens, which on
 * a busy machine is later than it is drawn.
 */
export function patient(page: Page): Page {
	const go = page.goto.bind(page);
	page.goto = async (url, options) => {
		const answer = await go(url, options);
		const drawn = (await answer?.headerValue('content-type'))?.startsWith('text/html') ?? false;
		if (drawn) await page.locator('html[data-ready]').waitFor({ state: 'attached' });
		return answer;
	};
	return page;
}

/** As by a link of the page: what is loaded stays. */
export async function follow(page: Page, url: string): Promise<void> {
	await page.evaluate((url) => {
		const link = document.createElement('a');
		link.href = url;
		document.body.append(link);
		link.click();
		link.remove();
	}, url);
	await page.waitForURL(url);
}

/** Looks again soon: what is waited for is there within some milliseconds mostly. */
export const poll = <T>(look: () => T | Promise<T>) =>
	expect.poll(look, { intervals: [10, 20, 40, 80, 160] });

/** A fresh page of a kept browser; what the page keeps is gone afterwards. */
async function withPage(context: BrowserContext, use: (page: Page) => Promise<void>) {
	const page = patient(await context.newPage());
	await use(page);
	await context.setOffline(false);
	await page
		.evaluate(() => {
			localStorage.clear();
			indexedDB.deleteDatabase('vane-outbox');
		})
		.catch(() => {});
	await page.close();
}

/** The way into a stage of a job. */
export const stage = (page: Page, name: string) =>
	page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name });

/** What is said shows at once: waits until the server has all that a page has said. */
export async function sent(page: Page): Promise<void> {
	if (!page.url().startsWith('http')) return;
	const waiting = () =>
		page.evaluate(() =>
			Number(document.querySelector<HTMLElement>('[data-waiting]')?.dataset.waiting)
		);
	await poll(waiting).toBe(0);
}

/** A joint recorded by keyboard; where its one-time hardware is asked for, it is new. */
export async function pull(page: Page): Promise<void> {
	// Counted in the book on the page: its words change for other reasons, too.
	const look = () =>
		page.getByRole('region', { name: 'In hand' }).evaluate((hand) => ({
			pulls: Number(hand.dataset.pulls),
			asked: hand.querySelector('[data-asked]') !== null
		}));
	const before = await look();
	const recorded = async () => (await look()).pulls > before.pulls;
	await page.keyboard.press('Enter');
	await poll(async () => (await recorded()) || (await look()).asked).toBe(true);
	if (await recorded()) return;
	await page.keyboard.press('Enter');
	await poll(recorded).toBe(true);
}

/** A job with its book. */
export async function bookOf(page: Page, url: string): Promise<JobRecord> {
	const get = async (path: string) => (await (await page.request.get(path)).json()) as object;
	const [record, book] = [await get(`/api/v1${url}`), await get(`/api/v1${url}/entries`)];
	return { ...record, ...book } as JobRecord;
}

interface Fixtures {
	/** Signed in as a technician. */
	tomas: Page;
	/** Signed in as a lead. */
	mara: Page;
	jobUrl: (number: string) => Promise<string>;
	record: (page: Page, number: string) => Promise<JobRecord>;
}

interface WorkerFixtures {
	shop: RunningShop;
	/**
	 * A browser of a person, kept over the tests of a worker: what it has loaded of the application it does
	 * not load and compile again.
	 */
	contexts: (handle: Handle, options: BrowserContextOptions) => Promise<BrowserContext>;
	signedIn: (handle: Handle) => Promise<StorageState>;
	/** Of the demo's jobs, by number. */
	jobIds: Map<string, string>;
}

export const test = base.extend<Fixtures, WorkerFixtures>({
	shop: [
		// eslint-disable-next-line no-empty-pattern -- Playwright reads what a fixture needs from this pattern
		async ({}, use) => {
			const folder = mkdtempSync(join(tmpdir(), 'vane-e2e-'));
			chmodSync(folder, 0o755);
			const server = await startDatabase(folder);
			await migrate(server.address, 'db/migrations');
			const db = openDatabase(server.address);
			const shop = new RunningShop(server.address, folder, await freePort(), await freePort());
			await loadDemo(db, { folder: keyFolder(folder), origin: shop.origin });
			await db.close();
			await shop.start();
			await use(shop);
			await shop.stop();
			await server.stop();
			rmSync(folder, { recursive: true, force: true });
		},
		{ scope: 'worker', timeout: 300_000 }
	],
	baseURL: async ({ shop }, use) => use(shop.origin),
	signedIn: [
		async ({ shop }, use) => {
			const states = new Map<Handle, StorageState>();
			await use(async (handle) => {
				const known = states.get(handle) ?? (await signIn(shop, handle));
				states.set(handle, known);
				return known;
			});
		},
		{ scope: 'worker' }
	],
	contexts: [
		async ({ browser, shop, signedIn }, use) => {
			const open = new Map<string, BrowserContext>();
			await use(async (handle, options) => {
				const key = `${handle} ${JSON.stringify(options)}`;
				const storageState = await signedIn(handle);
				const context =
					open.get(key) ??
					(await browser.newContext({ ...options, baseURL: shop.origin, storageState }));
				open.set(key, context);
				return context;
			});
			for (const context of open.values()) await context.close();
		},
		{ scope: 'worker' }
	],
	tomas: async ({ contexts, viewport, locale, hasTouch }, use) => {
		await withPage(await contexts('tomas', { viewport, locale, hasTouch }), use);
	},
	mara: async ({ contexts, viewport, locale, hasTouch }, use) => {
		await withPage(await contexts('mara', { viewport, locale, hasTouch }), use);
	},
	jobIds: [
		async ({ shop, signedIn, playwright }, use) => {
			const request = await playwright.request.newContext({ storageState: await signedIn('ilse') });
			const answer = await request.get(`${shop.origin}/api/v1/jobs`);
			const { jobs } = (await answer.json()) as { jobs: { id: string; number: string }[] };
			await request.dispose();
			await use(new Map(jobs.map(({ id, number }) => [number, id])));
		},
		{ scope: 'worker' }
	],
	jobUrl: async ({ jobIds }, use) => {
		await use((number) => Promise.resolve(`/jobs/${jobIds.get(number)}`));
	},
	record: async ({ jobUrl }, use) => {
		await use(async (page, number) => {
			await sent(page);
			return bookOf(page, await jobUrl(number));
		});
	}
});
