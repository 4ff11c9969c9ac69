import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { format } from 'date-fns';
import { demoDay } from '../../demo/load';
import { expect, follow, patient, test as base } from './shop';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** One page for all views of a worker: they are only looked at. */
const test = base.extend<object, { viewer: Page }>({
	viewer: [
		async ({ contexts }, use) => {
			const page = patient(await (await contexts('mara', { locale: 'en-GB' })).newPage());
			await page.goto('/me');
			await use(page);
		},
		{ scope: 'worker' }
	]
});

const everything = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** What another theme can change, and what a narrow screen can; the rest was checked before. */
const ofColour = ['color-contrast'];
const ofSize = ['target-size', 'scrollable-region-focusable'];

/** @param runOnly tags, or names of rules */
async function violations(page: Page, runOnly = everything): Promise<string[]> {
	if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
	return page.evaluate(async (runOnly) => {
		const { axe } = window as unknown as {
			axe: {
				run: (
					context: Document,
					options: object
				) => Promise<{ violations: { id: string; nodes: { target: string[] }[] }[] }>;
			};
		};
		const result = await axe.run(document, { runOnly });
		return result.violations.map(
			({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`
		);
	}, runOnly);
}

const dayOfTheDemo = `/bays?day=${format(demoDay(2), 'yyyy-MM-dd')}`;

const views: [name: string, path: string][] = [
	['jobs', '/'],
	['cars', '/cars'],
	['new car', '/cars/new'],
	['open a job', '/jobs/new'],
	['board', 'job:2026-0255'],
	['change the job', 'job:2026-0255/edit'],
	['heights before', 'job:2026-0259/measure'],
	['heights after', 'job:2026-0251/check'],
	['bounce and drive', 'job:2026-0253/check/drive'],
	['history', 'job:2026-0268/history'],
	['the customer’s page', 'job:2026-0187/hand-over/customer'],
	['a joint’s data', 'job:2026-0255/set?of=RL'],
	['corner', 'job:2026-0257/set?of=FL'],
	['round', 'job:2026-0257/set'],
	['round, rigid joints', 'job:2026-0259/set'],
	['inspect', 'job:2026-0260/look?corner=RR'],
	['plan, decide', 'job:2026-0268/plan'],
	['plan, parts', 'job:2026-0268/plan/parts'],
	['plan, order', 'job:2026-0268/plan/order'],
	['work', 'job:2026-0268/work'],
	['bench, compare', 'job:2026-0268/work/bench?corner=FL'],
	['bench, compressor', 'job:2026-0268/work/bench?corner=FL&at=compressor'],
	['bench, stack', 'job:2026-0268/work/bench?corner=FL&at=stack'],
	['bench, spring on the arm', 'job:2026-0269/work/bench?corner=RL&at=arm'],
	['sheet in the middle of the work', 'job:2026-0268/hand-over'],
	['bays', '/bays'],
	['day', dayOfTheDemo],
	['day without cars', '/bays?day=2030-03-04'],
	['rack', '/rack'],
	['sheet', 'job:2026-0238/hand-over'],
	['wheels to check', '/retorques'],
	['slip', 'job:2026-0238/hand-over/retorque'],
	['shop', '/shop'],
	['you', '/me'],
	['workbench', '/workbench'],
	['bench corner by tape', '/workbench/corner?layout=macpherson&source=tape'],
	['bench corner by hardpoints', '/workbench/corner?layout=multi-link&source=points'],
	['bench bush', '/workbench/bush'],
	['bench spring', '/workbench/spring'],
	['bench arm spring', '/workbench/spring?mode=arm'],
	['bench coilover', '/workbench/coilover'],
	['bench collars', '/workbench/four-corner'],
	['bench collar plan', '/workbench/four-corner?mode=plan'],
	['bench sag', '/workbench/four-corner?mode=sag'],
	['bench predicted height', '/workbench/heights'],
	['bench compared heights', '/workbench/heights?mode=compare'],
	['bench bounce', '/workbench/ride'],
	['bench car over a bump', '/workbench/ride?mode=car'],
	['bench bolt', '/workbench/bolt'],
	['bench wrench', '/workbench/bolt?mode=wrench'],
	['bench trace', '/workbench/trace']
];

/** A bench is there once its computation has answered, what is fetched later once its heading is. */
async function seen(page: Page, path: string): Promise<void> {
	await expect(
		path.startsWith('/workbench/')
			? page.getByRole('region', { name: 'Results' }).locator('dd').first()
			: path === dayOfTheDemo
				? page.getByText('All ready at')
				: page.locator('h1').first()
	).toBeVisible();
}

// Spread over the workers: each view is looked at by itself.
test.describe.configure({ mode: 'parallel' });

for (const [name, path] of views) {
	test(`${name}: no accessibility violations in light and dark, no sideways scroll on a phone`, async ({
		viewer: page,
		jobUrl
	}) => {
		const [number, rest = ''] = path.startsWith('job:')
			? [path.slice(4, 13), path.slice(13)]
			: [undefined];
		const url = number ? (await jobUrl(number)) + rest : path;
		const complaints: string[] = [];
		page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
		page.on('pageerror', (error) => complaints.push(error.message));
		await page.setViewportSize({ width: 1280, height: 800 });
		await page.emulateMedia({ colorScheme: 'light' });
		await follow(page, url);
		await seen(page, path);
		// What is drawn outside a list that scrolls makes a page go on below its end.
		const below = await page.evaluate(() => {
			const end = Math.max(innerHeight, document.body.getBoundingClientRect().bottom + scrollY);
			return document.documentElement.scrollHeight - end;
		});
		expect(below, 'empty below the page').toBeLessThan(2);
		expect(await violations(page), 'light').toEqual([]);
		await page.emulateMedia({ colorScheme: 'dark' });
		expect(await violations(page, ofColour), 'dark').toEqual([]);
		await page.setViewportSize({ width: 360, height: 740 });
		expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
			360
		);
		expect(await violations(page, ofSize), 'phone').toEqual([]);
		page.removeAllListeners();
		expect(complaints).toEqual([]);
	});
}

test('sign-in: no accessibility violations', async ({ page, shop }) => {
	await page.goto(`${shop.origin}/sign-in`);
	expect(await violations(page)).toEqual([]);
});

test('the sheet prints on A4 and Letter without the frame around it', async ({
	mara: page,
	jobUrl
}) => {
	await page.goto(`${await jobUrl('2026-0238')}/hand-over`);
	// The whole of it: the page comes with its beginning.
	await expect(page.getByRole('heading', { name: 'Cautions' })).toBeVisible();
	await expect(page.getByText(/Head of the chain/)).toBeVisible();
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('heading', { name: /Signed over 1 open/ })).toBeVisible();
	await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
	await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
	for (const format of ['A4', 'Letter'] as const) {
		const pdf = (await page.pdf({ format })).toString('latin1');
		const pages = pdf.match(/\/Type\s*\/Page\b/g)!.length;
		expect([format, pages <= 2]).toEqual([format, true]);
	}
});

test('targets are big enough for a glove', async ({ mara: page, jobUrl }) => {
	for (const path of ['', '/measure', '/set?of=RL', '/hand-over']) {
		await page.goto((await jobUrl('2026-0255')) + path);
		const small = await page
			.locator('main button:visible, main a:visible:not(p a):not(svg a)')
			.evaluateAll((elements) =>
				elements
					.filter((element) => element.getBoundingClientRect().height < 47.5)
					.map((element) => element.textContent?.trim().slice(0, 40))
			);
		expect(small, path).toEqual([]);
	}
});

test('a person reads and types in their own units', async ({ browser, shop, jobUrl }) => {
	const page = patient(await (await browser.newContext({ baseURL: shop.origin })).newPage());
	await page.request.post('/api/v1/session', { data: { handle: 'jo', secret: '137950' } });
	await page.goto('/me');
	await page.getByText('My own').click();
	await page.getByText('inches').click();
	await page.getByLabel('Torque').selectOption('lbf·ft');
	await page.getByRole('button', { name: 'Keep' }).click();
	await expect(page.getByText('Kept.')).toBeVisible();
	const url = await jobUrl('2026-0255');
	await page.goto(`${url}/check?corner=FL`);
	await page.locator('#reading').fill('14 3/8');
	await expect(page.getByText('= 14.375 in')).toBeVisible();
	await page.locator('#reading').press('Enter');
	await expect(page.getByRole('button', { name: /14 3\/8 in/ })).toBeVisible();
	await page.goto(`${url}/set?of=RL`);
	await page.getByRole('button', { name: /Trailing arm, pivot bush bolt/ }).click();
	await expect(page.getByText('= 103.3 lbf·ft')).toBeVisible();
	await page.request.patch('/api/v1/me', { data: { units: null } });
	await page.context().close();
});
