/**
 * Takes the pictures of docs/screenshots from the demo shop, which must be running:
 * `node --import tsx tools/screenshots.ts`. Look at each one before it is committed.
 */
import { chromium, type Page } from '@playwright/test';
import { join } from 'node:path';
import { people } from '../demo/shop.ts';
import { launchOptions } from './browser.ts';
import { readSettings } from './settings.ts';
import { root } from './system.js';

const { origin } = readSettings('demo');

/** The corner brought to height by the gauge, and a pull of the simulated wrench that winds rubber. */
async function heldPull(page: Page): Promise<void> {
	const { devicePort } = readSettings('demo');
	const press = (path: string) =>
		page.request
			.post(`http://127.0.0.1:${devicePort + 1}/${path}`)
			.then(() => page.waitForTimeout(1500));
	for (const name of [/Height gauge/, /Wireless wrench/]) await page.getByLabel(name).check();
	await page.waitForTimeout(800);
	await press('measure?mm=324');
	await press('pull?how=rubber');
	await page.getByRole('heading', { name: 'A reading waits to be placed' }).waitFor();
	await page.evaluate(() => scrollTo(0, 0));
}

/** Most of a unit put together, one part forgotten. */
async function halfStacked(page: Page): Promise<void> {
	const parts = ['Damper', 'Lower spring pad', 'Spring', 'Dust boot'];
	for (const name of parts) {
		await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
		await page.getByText(`✓ ${name}`).waitFor();
	}
	await page.evaluate(() => scrollTo(0, 0));
}

/** File name, path (`2026-…` stands for the job of that number), and what to do there first. */
const pictures: [name: string, path: string, prepare?: (page: Page) => Promise<void>][] = [
	['jobs', '/'],
	['board', '2026-0257'],
	['inspect', '2026-0268/look?corner=FL'],
	['plan', '2026-0268/plan'],
	['order', '2026-0269/plan/order'],
	['work', '2026-0268/work'],
	['stack', '2026-0268/work/bench?corner=FR&at=stack', halfStacked],
	['bays', '/bays'],
	['customer', '2026-0187/hand-over/customer'],
	['heights-before', '2026-0260/measure?corner=RR'],
	[
		'corner',
		'2026-0257/set?of=FL',
		async (page) => {
			await page.getByText('Jacked to height', { exact: true }).click();
			await page.getByLabel('Hub to arch now').fill('375');
		}
	],
	[
		'round',
		'2026-0262/set',
		async (page) => {
			await page.getByRole('button', { name: /FL Bring to height/ }).click();
			await page.getByLabel('Hub to arch now').fill('372');
		}
	],
	['round-trace', '2026-0256/set', heldPull],
	['sheet', '2026-0238/hand-over'],
	['rack', '/rack'],
	['bench-corner', '/workbench/corner?layout=macpherson&source=tape'],
	['bench-spring', '/workbench/spring'],
	['bench-four-corner', '/workbench/four-corner?mode=plan']
];

const browser = await chromium.launch(launchOptions);
const context = await browser.newContext({
	viewport: { width: 1280, height: 800 },
	baseURL: origin,
	locale: 'en-GB'
});
const { handle, pin } = people[0]!;
await context.request.post('/api/v1/session', { data: { handle, secret: pin } });
const page = await context.newPage();

async function take(
	name: string,
	path: string,
	prepare?: (page: Page) => Promise<void>
): Promise<void> {
	const number = /^\d{4}-\d{4}/.exec(path)?.[0];
	let url = path;
	if (number) {
		const { jobs } = (await (
			await context.request.get(`/api/v1/jobs?search=${number}`)
		).json()) as { jobs: { id: string }[] };
		url = `/jobs/${jobs[0]!.id}${path.slice(number.length)}`;
	}
	await page.goto(url);
	if (path.startsWith('/workbench/'))
		await page.getByRole('region', { name: 'Results' }).locator('dd').first().waitFor();
	await prepare?.(page);
	await page.waitForTimeout(1200);
	await page.screenshot({ path: join(root, `docs/screenshots/${name}.png`) });
}

for (const [name, path, prepare] of pictures) await take(name, path, prepare);
await page.setViewportSize({ width: 390, height: 844 });
await take('phone', '2026-0255');
await browser.close();
